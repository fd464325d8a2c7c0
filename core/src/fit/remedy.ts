/** Remedies: changes at the cause of a finding that would mend it. */
import type { Pairing } from '../pairing/pairings';
import type { Confidence, PairingReason } from '../pairing/proposal';
import type { SingleCommand } from '../change/commands';
import type { Place } from '../place/place';
import type { Fact } from '../registry/shape';

/** What a remedy does, in a word; `words` makes its label of it. */
export type RemedyLabel =
  | { do: 'cutText'; most: number }
  /** What another field says is proposed for one that is empty. */
  | { do: 'takeFrom'; field: string; text: string }
  | { do: 'keepFirst'; most: number }
  | { do: 'rename'; name: string }
  | { do: 'giveBack'; field: string }
  | { do: 'markExempt' }
  | { do: 'liftWishes' }
  | { do: 'liftWish'; axis: string; wish: 'apart' | 'whole' }
  | { do: 'keepBestPlan' }
  | { do: 'leaveOut'; account: string; children: number }
  | { do: 'offerAgain'; children: number }
  /** Settles that children are what the channel's entries are, that they are not, or takes that back. */
  | { do: 'offerUnder'; children: number; isLikely: boolean }
  | { do: 'keepApart'; children: number }
  | { do: 'leaveEntry'; children: number }
  /** Several options share a picture, named on it or lettered. */
  | { do: 'sharePictures'; labels: 'names' | 'letters' }
  | { do: 'offer'; account: string };

export type Remedy =
  /** Commands on the family, ready to be run. */
  | { kind: 'change'; label: RemedyLabel; commands: SingleCommand[] }
  | { kind: 'pairing'; pairing: Pairing; reason: PairingReason; confidence: Confidence }
  /** A pairing that the seller chooses. */
  | { kind: 'pair'; pairing: Pairing; choices: readonly string[] }
  /** The channel is asked to let the account into one of its categories. */
  | { kind: 'approval'; account: string; category: string }
  /** The channel is asked which of the family's numbers it has entries for. */
  | { kind: 'askEntries'; account: string }
  /** Where goods of one of the seller's categories go on a channel, for this family and all like it. */
  | { kind: 'categoryMap'; channel: string; category: string; to: string; label: string }
  /** The same, chosen by the seller of all that the channel has. */
  | { kind: 'choosePlace'; channel: string; category: string; choices: readonly { id: string; label: string }[] }
  /** A field that the channel asks for and the seller has not: added to the seller's facts. */
  | { kind: 'fact'; fact: Fact }
  /** The next free GTINs for these children. */
  | { kind: 'numbers'; childIds: string[] }
  /** SKUs by the family's pattern for these children. */
  | { kind: 'skus'; childIds: string[] }
  /** One figure typed by the seller, at any of these places. */
  | { kind: 'figure'; key: string; places: Place[] };

/** What is done when several findings are mended together. */
export interface Mend {
  commands: SingleCommand[];
  pairings: Pairing[];
  categories: { channel: string; category: string; to: string }[];
  facts: Fact[];
  /** Children that are to take the next free GTINs. */
  numbersFor: string[];
  /** Children that are to get SKUs by the pattern. */
  skusFor: string[];
}

/** Whether a remedy can be applied without asking anything. Taking children off an account is never done in passing. */
export const isReady = (remedy: Remedy): boolean =>
  remedy.kind !== 'figure' &&
  remedy.kind !== 'pair' &&
  remedy.kind !== 'choosePlace' &&
  remedy.kind !== 'approval' &&
  remedy.kind !== 'askEntries' &&
  !(remedy.kind === 'change' && isForTheSeller(remedy.label)) &&
  !(remedy.kind === 'pairing' && remedy.confidence === 'doubtful');

/** What nobody but the seller decides. */
const isForTheSeller = (label: RemedyLabel): boolean =>
  label.do === 'sharePictures' ||
  label.do === 'markExempt' ||
  label.do === 'rename' ||
  label.do === 'leaveOut' ||
  label.do === 'keepApart' ||
  (label.do === 'offerUnder' && !label.isLikely);

/** Puts one remedy to those that are there. */
export function addRemedy(mend: Mend, remedy: Remedy): void {
  if (remedy.kind === 'pairing') mend.pairings.push(remedy.pairing);
  else if (remedy.kind === 'categoryMap') mend.categories.push(remedy);
  else if (remedy.kind === 'fact') mend.facts.push(remedy.fact);
  else if (remedy.kind === 'numbers') mend.numbersFor.push(...remedy.childIds);
  else if (remedy.kind === 'skus') mend.skusFor.push(...remedy.childIds);
  else if (remedy.kind === 'change') for (const command of remedy.commands) addCommand(mend.commands, command);
}

export const emptyMend = (): Mend => ({
  commands: [],
  pairings: [],
  categories: [],
  facts: [],
  numbersFor: [],
  skusFor: [],
});

function addCommand(commands: SingleCommand[], command: SingleCommand): void {
  const last = commands.at(-1);
  if (command.do === 'setFigures' && last?.do === 'setFigures') {
    commands[commands.length - 1] = { ...last, changes: [...last.changes, ...command.changes] };
    return;
  }
  const at =
    command.do === 'setWish'
      ? commands.findIndex((one) => one.do === 'setWish' && one.account === command.account)
      : -1;
  const there = commands[at];
  if (command.do === 'setWish' && there?.do === 'setWish') {
    const leaveOut = [...new Set([...there.wish.leaveOut, ...command.wish.leaveOut])];
    const entries = { ...there.wish.entries, ...command.wish.entries };
    const wish = { ...command.wish, leaveOut, ...(Object.keys(entries).length > 0 ? { entries } : {}) };
    commands[at] = { ...command, wish };
  } else commands.push(command);
}
