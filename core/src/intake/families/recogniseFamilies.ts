/** Which rows of a list are one family: by what the list says, by codes, by names without their options, by words in the place of an option. */
import type { Registry } from '../../registry/openRegistry';
import type { OptionReader } from '../options/readOptions';
import { buildFamilies, type Around } from './buildFamilies';
import { joinByStyle } from './byStyle';
import { clusterRows, type Cluster } from './clusters';
import { push } from '../filing';
import { openFacts } from './clusterFacts';
import { openCodeHeads } from './codeHeads';
import { joinKin } from './joinCandidates';
import { settleListed } from './listedValues';
import { takePartsForColours } from './partedNames';
import { readNames } from './readNames';
import { tiesOfParent, tiesOfRow } from './parentTies';
import type { RowItems } from './rowItems';
import { rolesOfColumns, settleGiven } from './settleGiven';
import type { Doubt, GivenOption, Item, ParentRow, Recognised } from './shape';
import { usualPlaces } from './usualPlaces';
import { openValues } from './values';

/** What is behind when names are read, and when families are held together; measured, roughly. */
const PARTS = { names: 0.25, held: 0.6 };
/** So many families are made between two words about it. */
const TELL_EVERY = 200;

/** Recognises families; `tell` hears which part is done, from 0 to 1. Items are settled on the way: their spans say afterwards what was taken for an option. */
export function recogniseFamilies(
  registry: Registry,
  options: OptionReader,
  { items, parents }: RowItems,
  columns: Pick<Around, 'spare' | 'apart'>,
  tell: (part: number) => void = () => undefined,
): Recognised {
  nameByCodes(items);
  settleListed(items, options);
  readNames(items, options);
  takePartsForColours(items);
  tell(PARTS.names);
  const values = openValues(registry, options);
  const given = givenIn(items);
  for (const one of given) one.key = values.read(one.role, one.text).key;
  const byStem = joinByStyle(clusterRows(items), values.read);
  const groups = byStem.map((cluster) => cluster.items);
  const heads = openCodeHeads(groups, ({ ownCode }) => ownCode);
  const styleHeads = openCodeHeads(groups, ({ style }) => style);
  const { isUsualPlace } = usualPlaces(byStem);
  const facts = openFacts(heads, styleHeads);
  const says = { facts, heads, styleHeads, isUsualPlace, colours: coloursAmong(given) };
  const { clusters, doubts } = joinKin(byStem, says);
  const { isUsual } = usualPlaces(clusters);
  const recognised: Recognised = { families: [], singles: [], problems: [] };
  const { parentsOf, left } = openParents(parents);
  const usual = rolesOfColumns(items, options);
  const inOrder = clusters.sort((a, b) => a.items[0]!.row - b.items[0]!.row);
  for (const [at, cluster] of inOrder.entries()) {
    if (at % TELL_EVERY === 0) tell(PARTS.held + (at / inOrder.length) * (1 - PARTS.held));
    settleGiven(cluster.items, options, usual);
    const around = {
      values,
      options,
      ...columns,
      isUsual,
      doubts: [...unknownIn(cluster), ...(doubts.get(cluster) ?? [])],
      parents: parentsOf(cluster),
    };
    buildFamilies(cluster, around, recognised);
  }
  // A parent that nobody refers to is goods sold singly.
  for (const { row, name } of left()) recognised.singles.push({ rows: [row], name, brand: '' });
  return recognised;
}

const unknownIn = ({ items }: Cluster): Doubt[] =>
  items.flatMap(({ row, unknown }) => (unknown ? [{ row, code: 'unknownWord', text: unknown }] : []));

/** What rows give by themselves, each once: "Lge" and "L" in a column of sizes are one, so they are compared by what they mean. */
function givenIn(items: readonly Item[]): Set<GivenOption> {
  const all = new Set<GivenOption>();
  for (const { given, across } of items) {
    for (const one of given) all.add(one);
    for (const { value } of across) all.add(value);
  }
  return all;
}

/** The colours that columns say, by what they mean. */
const coloursAmong = (given: Iterable<GivenOption>): Set<string> =>
  new Set([...given].flatMap(({ role, key }) => (role === 'colour' && key ? [key] : [])));

/** Where a list has no names, the first parts of its SKUs are what rows have in common. */
function nameByCodes(items: readonly Item[]): void {
  const bare = items.filter(({ name, style, belongs }) => name === '' && style === '' && belongs === '');
  if (bare.length < 2 || bare.length < items.length / 2) return;
  const parts = bare.map(({ ownCode }) =>
    ownCode
      .toUpperCase()
      .split(/[^\p{L}\p{N}]+/u)
      .filter(Boolean),
  );
  const longest = parts.reduce((most, one) => Math.max(most, one.length), 0);
  for (let depth = 1; depth < longest; depth++) {
    const heads = new Set(parts.map((one) => one.slice(0, depth).join('-')));
    const isPrefix = heads.size === 1 && longest - depth > 2;
    if (isPrefix || heads.size > bare.length / 1.5) continue;
    bare.forEach((item, at) => (item.style = parts[at]!.slice(0, depth).join('-')));
    return;
  }
}

/** The parents' rows of a cluster: those its rows refer to, or whose block they stand in. */
function openParents(parents: ParentRow[]) {
  const byTie = new Map<string, ParentRow[]>();
  for (const parent of parents) for (const tie of tiesOfParent(parent)) push(byTie, tie, parent);
  const taken = new Set<ParentRow>();
  const parentsOf = ({ items }: Cluster) => {
    if (parents.length === 0) return [];
    const found = new Set<ParentRow>();
    for (const item of items)
      for (const tie of tiesOfRow({ ...item, ...item.before }))
        for (const parent of byTie.get(tie) ?? []) found.add(parent);
    // Each is the parent of one family.
    const mine = [...found].filter((parent) => !taken.has(parent));
    for (const parent of mine) taken.add(parent);
    return mine.map(({ row, name }) => ({ row, name }));
  };
  return { parentsOf, left: () => parents.filter((parent) => !taken.has(parent)) };
}
