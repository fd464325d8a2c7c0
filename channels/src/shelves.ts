/** What each channel holds, kept in one file that is always whole: written beside and then put in place. */
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { Entry } from './entryShape';
import type { Goods, Message, Reason } from './goods';

export interface Held {
  goods: Goods;
  draft: boolean;
}

export interface ReceiptLine {
  key: string;
  outcome: 'listed' | 'revised' | 'already there' | 'taken down' | 'refused';
  page: string | null;
  reasons: Reason[];
}

export interface Submission {
  id: string;
  key: string;
  /** When it is worked on, in milliseconds since 1970. */
  due: number;
  messages: { message: Message; reasons: Reason[] }[];
  lines: ReceiptLine[] | null;
}

export interface Shelf {
  /** Which edition of the channel's rules is in force; the first where nothing is said. */
  edition?: number;
  /** Category → when the account asked to be let in, and what was answered by hand. */
  approvals?: Record<string, { asked: number; refused?: boolean }>;
  /** Entries that others brought, on the channel's own shelf. */
  entries?: Entry[];
  held: Record<string, Held>;
  submissions: Record<string, Submission>;
}

const MARK = '@';

/** The name of the shelf of a channel and an account there. */
export const shelfName = (channel: string, account?: string): string => (account ? channel + MARK + account : channel);

/** The channel and account that a shelf is for. */
export function shelfOwner(name: string): { channel: string; account?: string } {
  const [channel = '', account] = name.split(MARK);
  return account ? { channel, account } : { channel };
}

export class Shelves {
  private readonly all: Record<string, Shelf>;

  constructor(private readonly file: string | null) {
    this.all = file && existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as Record<string, Shelf>) : {};
  }

  /** Names of all shelves that hold something or did. */
  names(): string[] {
    return Object.keys(this.all);
  }

  of(channel: string): Shelf {
    return (this.all[channel] ??= { held: {}, submissions: {} });
  }

  keep(): void {
    if (!this.file) return;
    mkdirSync(dirname(this.file), { recursive: true });
    writeFileSync(this.file + '.part', JSON.stringify(this.all));
    renameSync(this.file + '.part', this.file);
  }
}
