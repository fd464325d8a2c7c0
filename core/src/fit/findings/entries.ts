/** Findings about entries that a channel has already for numbers of the family. */
import { familyIndex } from '../../family/weave';
import { knownEntry, type EntryMatch } from '../../listing/entry';
import { listed } from '../../text/counts';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import type { Remedy } from '../remedy';
import { wishOf } from './noPlan';
import { makeFinding, type FindingParts } from './report';
import type { FindingCode } from '../../words/findings';

export function entryFindings(context: CheckContext): Finding[] {
  if (context.category.rules.identifiers.entries === 'none') return [];
  const lost = lostPositions(context);
  return [...(lost.length > 0 ? [gone(context, lost)] : []), ...unasked(context), ...matched(context)];
}

const about = <C extends FindingCode>(parts: Omit<FindingParts<C>, 'key' | 'rule'>): FindingParts<C> => ({
  ...parts,
  key: 'entries',
  rule: 'identifiers.entries',
});

/** Children settled to stand under an entry that is not, or no longer, the one of their number. */
function lostPositions(context: CheckContext): number[] {
  const { known } = context;
  const settled = wishOf(context).entries;
  if (!settled) return [];
  const gtins = context.column('gtin');
  const { woven } = familyIndex(context.family);
  return woven.flatMap((child, at) => {
    const entry = settled[child.id];
    if (!entry || !context.isOffered(at)) return [];
    const gtin = gtins.at(at);
    const there = typeof gtin === 'string' && known ? knownEntry(known, gtin) : undefined;
    const isLost = typeof gtin !== 'string' || (there !== undefined && there?.entry !== entry);
    return isLost ? [at] : [];
  });
}

function gone(context: CheckContext, members: readonly number[]): Finding {
  return makeFinding(
    context,
    about({
      code: 'entry.gone',
      params: { account: context.account.name },
      severity: 'stops',
      members,
      remedies: [settle(context, {}, { do: 'leaveEntry', children: members.length })],
    }),
  );
}

/** Numbers the channel was not asked about yet, where it takes goods it knows under its own entries alone. */
function unasked(context: CheckContext): Finding[] {
  const { known, account, category } = context;
  if (!known || category.rules.identifiers.entries !== 'must') return [];
  const members = context.groups('gtin').flatMap((group) => {
    const isKnown = typeof group.figure !== 'string' || knownEntry(known, group.figure) !== undefined;
    return isKnown ? [] : group.members;
  });
  if (members.length === 0) return [];
  const params = { account: account.name };
  return [
    makeFinding(
      context,
      about({
        code: 'entry.unasked',
        params,
        severity: 'advises',
        members,
        remedies: [{ kind: 'askEntries', account: account.id }],
      }),
    ),
  ];
}

function matched(context: CheckContext): Finding[] {
  const matches = context.matches();
  const isMust = context.category.rules.identifiers.entries === 'must';
  const open = matches.filter((match) => match.stands === 'open');
  const apart = isMust ? matches.filter((match) => match.stands === 'apart') : [];
  return [
    ...found(
      context,
      open.filter((match) => match.isLikely),
    ),
    ...found(
      context,
      open.filter((match) => !match.isLikely),
    ),
    ...(apart.length > 0 ? [keptApart(context, apart)] : []),
  ];
}

const positionsOf = (context: CheckContext, matches: readonly EntryMatch[]) => {
  const { position } = familyIndex(context.family);
  return matches.map((match) => position.get(match.childId)!);
};

/** Entries nobody has settled yet: alike ones together, those that say other things than the seller apart from them. */
function found(context: CheckContext, matches: readonly EntryMatch[]): Finding[] {
  if (matches.length === 0) return [];
  const { account, category } = context;
  const isMust = category.rules.identifiers.entries === 'must';
  const [{ isLikely }] = matches as [EntryMatch];
  const differing = new Set(matches.flatMap((match) => match.differences.map(({ name }) => name)));
  const says = isLikely ? null : listed([...differing]);
  const under = Object.fromEntries(matches.map(({ childId, entry }) => [childId, entry.entry]));
  const ids = Object.keys(under);
  const apart = Object.fromEntries(ids.map((id) => [id, null]));
  return [
    makeFinding(
      context,
      about({
        code: 'entry.found',
        params: { account: account.name, must: isMust, differing: says },
        severity: isMust ? 'stops' : 'advises',
        members: positionsOf(context, matches),
        about: isLikely ? 'likely' : 'differing',
        remedies: [
          settle(context, under, { do: 'offerUnder', children: ids.length, isLikely }),
          // Where there is no other way than the entry, saying that it is not the one mends nothing.
          ...(isMust ? [] : [settle(context, apart, { do: 'keepApart', children: ids.length })]),
        ],
      }),
    ),
  ];
}

function keptApart(context: CheckContext, matches: readonly EntryMatch[]): Finding {
  const under = Object.fromEntries(matches.map(({ childId, entry }) => [childId, entry.entry]));
  const ids = Object.keys(under);
  return makeFinding(
    context,
    about({
      code: 'entry.apart',
      params: { account: context.account.name },
      severity: 'stops',
      members: positionsOf(context, matches),
      remedies: [settle(context, under, { do: 'offerUnder', children: ids.length, isLikely: false })],
    }),
  );
}

type ChangeRemedy = Extract<Remedy, { kind: 'change' }>;

/**
 * Settles where children stand. What was settled of entries that are lost goes with it: remedies that are taken together would bring it back.
 */
function settle(
  context: CheckContext,
  entries: Readonly<Record<string, string | null>>,
  label: ChangeRemedy['label'],
): ChangeRemedy {
  const wish = wishOf(context);
  const { woven } = familyIndex(context.family);
  const lost = new Set(lostPositions(context).map((at) => woven[at]!.id));
  const kept = Object.entries(wish.entries ?? {}).filter(([id]) => !lost.has(id));
  const settled = { ...Object.fromEntries(kept), ...entries };
  const command = { do: 'setWish' as const, account: context.account.id, wish: { ...wish, entries: settled } };
  return { kind: 'change', label, commands: [command] };
}
