/** Random entries of a channel for random goods, and what the seller has settled about them. */
import { runCommand } from '@loom-kin/core/change';
import { type Family, NO_WISH, familyIndex } from '@loom-kin/core/family';
import { identityOf } from '@loom-kin/core/identifiers';
import type { ChannelEntry, KnownNumbers } from '@loom-kin/core/listing';
import type { Entries } from '../channels/src/entries';
import type { Entry } from '../channels/src/entryShape';
import { registry } from './anyGoods';

export interface WithEntries {
  family: Family;
  /** As the product heard of them. */
  known: KnownNumbers;
  /** As the channel has them. */
  entries: Entries;
}

/** Entries for some of the children; some are settled, a few wrongly. */
export function withEntries(family: Family, channel: string, dice: () => number): WithEntries {
  const known: Record<string, ChannelEntry | null> = {};
  const entries = new Map<string, Entry>();
  const settled: Record<string, string | null> = {};
  const isUsual = dice() < 60;
  for (const child of familyIndex(family).woven) {
    const { gtin } = child.fields;
    if (typeof gtin !== 'string') continue;
    const number = identityOf('gtin', gtin);
    known[number] = null;
    if (isUsual ? dice() > 4 : dice() > 90) continue;
    const options = Object.fromEntries(
      family.axes.map(({ id, role, values }) => [role, values.find((value) => value.id === child.at[id])!.label]),
    );
    const entry = { entry: `E-${entries.size}`, gtin, name: 'Known goods', options, facts: { Brand: 'Skerry Supply' } };
    known[number] = entry;
    entries.set(number, entry);
    const chance = dice();
    if (chance < 85) settled[child.id] = entry.entry;
    else if (chance < 90) settled[child.id] = null;
    else if (chance < 93) settled[child.id] = 'E-gone';
  }
  const wish = { ...(family.wishes[channel] ?? { ...NO_WISH, offered: true }), entries: settled };
  const wished = runCommand(registry, family, { do: 'setWish', account: channel, wish }).family;
  return { family: wished, known, entries };
}
