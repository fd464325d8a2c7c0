/** Which children a channel has entries for already, and how its entries differ from the seller's goods. */
import { foldLabel } from '../family/foldLabel';
import type { Figure, Role, Value } from '../family/shape';
import { familyIndex } from '../family/weave';
import { knownEntry, type ChannelEntry, type EntryDifference, type EntryMatch } from '../listing/entry';
import { proposeFor } from '../pairing/propose';
import type { FieldCheck } from '../rulebook/openRulebook';
import type { CheckContext } from './context';
import { channelFigure } from './project/channelFigure';

/** Fields that tell goods apart; names and texts of the same goods differ from seller to seller. */
const TELLING = new Set(['brand', 'modelNumber']);

/** Every offered child whose number the channel has an entry for, in the order of the weave. */
export function entryMatches(context: CheckContext): EntryMatch[] {
  const { known, category, family, account } = context;
  if (!known || category.rules.identifiers.entries === 'none') return [];
  const { woven } = familyIndex(family);
  const gtins = context.column('gtin');
  const settled = family.wishes[account.id]?.entries ?? {};
  return woven.flatMap((child, position): EntryMatch[] => {
    const gtin = gtins.at(position);
    const entry = typeof gtin === 'string' && context.isOffered(position) ? knownEntry(known, gtin) : undefined;
    if (!entry) return [];
    const choice = settled[child.id];
    const said = [...factsSaid(context, entry, position), ...optionsSaid(context, entry, position)];
    const differing = said.filter((one) => foldLabel(one.theirs) !== foldLabel(one.ours));
    return [
      {
        childId: child.id,
        entry,
        stands: choice === entry.entry ? 'under' : choice === null ? 'apart' : 'open',
        differences: differing.map(({ name, theirs, ours }) => ({ name, theirs, ours })),
        isLikely: !differing.some((one) => one.isTelling),
      },
    ];
  });
}

type Said = EntryDifference & { isTelling: boolean };

function factsSaid(context: CheckContext, { facts }: ChannelEntry, position: number): Said[] {
  return context.category.fieldChecks.flatMap((check): Said[] => {
    const theirs = facts[check.rule.name];
    const ours = context.column(check.rule.key).at(position);
    if (theirs === undefined || ours === undefined) return [];
    const isTelling = TELLING.has(check.rule.key);
    return [
      { name: check.rule.name, theirs: shown(theirs), ours: shown(inChannelWords(context, check, ours)), isTelling },
    ];
  });
}

const inChannelWords = (context: CheckContext, check: FieldCheck, figure: Figure) =>
  channelFigure(context, check, figure);

/** Options are the same under the seller's label, or under the channel's own value that it is paired with. */
function optionsSaid(context: CheckContext, { options }: ChannelEntry, position: number): Said[] {
  const { axes } = context.family;
  const { woven, valueById } = familyIndex(context.family);
  return axes.flatMap(({ id, role, label }): Said[] => {
    const theirs = options[role];
    if (theirs === undefined) return [];
    const value = valueById.get(woven[position]!.at[id]!)!;
    const there = channelValue(context, role, value);
    const isSame = there !== undefined && foldLabel(there) === foldLabel(theirs);
    const name = context.category.rules.axes.roles[role]?.name ?? label;
    return [{ name, theirs, ours: isSame ? there : value.label, isTelling: true }];
  });
}

/** What a value is on the channel: as it is paired, else as it would be proposed. */
function channelValue(context: CheckContext, role: Role, value: Value): string | undefined {
  const list = context.category.lists.get(role);
  return (
    context.pairingOf(role, value.label) ??
    (list && proposeFor(context.rulebook.registry, role, value, list, context.pairings[role])?.to)
  );
}

const shown = (figure: Figure | boolean): string =>
  Array.isArray(figure) ? figure.join(', ') : typeof figure === 'boolean' ? (figure ? 'yes' : 'no') : String(figure);
