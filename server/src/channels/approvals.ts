/** Being let into categories that a channel keeps closed: asked for here, answered by the channel when it likes. */
import type { Account } from '@loom-kin/core/catalogue';
import { Refusal } from '@loom-kin/core/refusal';
import type { Logger } from 'pino';
import { addressOf, ask } from './transports/channelClient';
import { markAllDue } from '../fitQueue/due';
import type { Store } from '../store/store';
import { fetchAccount } from './channels';
import { accountOf } from '../store/readCatalogue';

export interface Approvals {
  /** Asks the channel of an account to let it into a category. */
  ask(accountId: string, category: string): Promise<void>;
  close(): void;
}

/** Asks, and looks again every `every` milliseconds as long as an answer is waited for. */
export function createApprovals(store: Store, base: string, every: number, log: Logger): Approvals {
  let timer: NodeJS.Timeout | null = null;
  let closed = false;

  async function look(account: Account): Promise<void> {
    if (!(await fetchAccount(store, base, account))) return;
    await store.whenQuiet(() => markAllDue(store.database));
    store.events.emit({ setup: true });
  }
  async function lookAtAll(): Promise<void> {
    timer = null;
    for (const account of waiting(store)) {
      await look(account).catch((error: unknown) => log.warn({ err: error }, 'an approval could not be asked about'));
    }
    watch();
  }
  function watch(): void {
    if (closed || timer || waiting(store).length === 0) return;
    timer = setTimeout(() => void lookAtAll(), every);
    timer.unref();
  }
  watch();
  return {
    async ask(accountId, category) {
      const account = accountOf(store.catalogue(), accountId);
      const known = store.catalogue().rulebooks.get(account.channel)?.category(category);
      if (!known?.rules.approval.needed) throw new Refusal('channel.no-category', { id: category });
      await ask(addressOf(base, account, 'approvals'), {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ category }),
      }).catch(() => {
        throw new Refusal('channel.silent', {});
      });
      await look(account);
      watch();
    },
    close() {
      closed = true;
      if (timer) clearTimeout(timer);
    },
  };
}

const waiting = (store: Store): Account[] =>
  store.catalogue().accounts.filter((account) => Object.values(account.settings.approvals ?? {}).includes('waiting'));
