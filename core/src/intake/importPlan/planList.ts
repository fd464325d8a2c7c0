/** What a whole list becomes: each of its families begun or brought together with the one that is there, goods sold singly too. */
import { runCommand } from '../../change/run';
import { childLabels } from '../../family/weave';
import type { Registry } from '../../registry/openRegistry';
import { refusalText } from '../../refusal/refusalText';
import type { ListReading } from '../families/readList';
import type { ListFamily, ListSingle } from '../families/shape';
import type { ListMapping } from '../table/shape';
import { beginFamily } from './beginFamily';
import { changeFamily } from './changeFamily';
import { acrossColumns, figureColumns } from './figureColumns';
import { expectNumbers, sharesOf, type Share } from './heldFamilies';
import { openNumbers, readIdentity, type ListNumbers } from './listNumbers';
import { openNewChildren } from './newChildren';
import { pictureColumns } from './pictureAddresses';
import type { Shelves } from './shelves';
import type { Become, ListRow } from './shape';

/** Plans a list. `tell` hears how many of its families are worked out. */
export function planList(
  registry: Registry,
  reading: ListReading,
  mapping: ListMapping,
  shelves: Shelves,
  tell: (done: number, total: number) => void = () => undefined,
): Become[] {
  const { table } = reading;
  const mended = mendedCells(reading);
  const columns = figureColumns(registry, table, reading.columns, mapping);
  const families = [...reading.families, ...reading.singles.map(singleAsFamily)];
  const across = acrossColumns(registry, table, reading.columns, mapping);
  const numbers = openNumbers(table, columns, across.values(), mended, families);
  const list = { registry, table, columns, across, pictureColumns: pictureColumns(reading.columns), mended, numbers };
  expectNumbers(shelves, numbers, families);
  const groupAt = reading.columns.find(({ meaning }) => meaning.is === 'group')?.at;
  const taken = new Map<string, Become>();
  const beginning = { ...list, around: shelves.outside, stock: {} };
  const children = openNewChildren(beginning);

  function planShare({ family, heldId }: Share, isNamedByKey: boolean): Become {
    if (heldId === undefined) return beginFamily(beginning, children, family, shelves.newId());
    const held = shelves.load(heldId);
    // Two families of a list that are one of the catalogue are taken in one after the other.
    const all = taken.get(heldId);
    const { alone, twice } = partedByNumbers(numbers, family);
    const around = mapping.emptyKeeps ? { ...held.around, emptyKeeps: true } : held.around;
    const input = { ...list, around, stock: held.stock };
    const changed = changeFamily(input, alone, all?.family ?? held.family, isNamedByKey);
    const plan = { ...changed, rows: inOrder([...changed.rows, ...twice]) };
    if (all?.family) all.family = null;
    const merged = plan.family ? { ...plan, pieces: lastOfEach([...(all?.pieces ?? []), ...plan.pieces]) } : plan;
    if (merged.family) taken.set(heldId, merged);
    return merged;
  }

  const besides: Become[] = [];
  const plans = families.map((family, done): Become => {
    if (done % TELL_EVERY === 0) tell(done, families.length);
    const key =
      groupAt === undefined
        ? undefined
        : shelves.keyed((table[family.children[0]!.rows[0]! - 1]![groupAt] ?? '').trim());
    if (key !== undefined) return planShare({ family, heldId: key }, true);
    const [first, ...others] = sharesOf(family, numbers, shelves).map((share) => planShare(share, false));
    // Its rows are told with it, whatever family they go to.
    first!.rows = inOrder([first!, ...others].flatMap(({ rows }) => rows));
    for (const plan of others) plan.rows = [];
    for (const other of others) besides.push(other);
    return first!;
  });
  return [...plans, ...besides, ...goings(registry, reading, shelves, taken)];
}
const TELL_EVERY = 50;

/** Goods sold singly are a family without axes. */
export function singleAsFamily({ rows, name, brand }: ListSingle): ListFamily {
  return {
    key: `row${rows[0]}`,
    ...{ name, brand, style: '', axes: [], children: [{ rows, at: {} }], parentRows: [], bonds: [], doubts: [] },
  };
}

/** The family without the rows whose number another row of the list has: those are refused. */
function partedByNumbers(numbers: ListNumbers, family: ListFamily): { alone: ListFamily; twice: ListRow[] } {
  const twice: ListRow[] = [];
  const children = family.children.filter((child) => {
    const problem = numbers.problemOf(child);
    if (problem) {
      const told = {
        problems: [problem],
        changes: [],
        family: family.name,
        child: Object.values(child.at).join(' · '),
      };
      for (const row of child.rows) twice.push({ row, verdict: 'refused' as const, ...told });
    }
    return !problem;
  });
  return { alone: twice.length === 0 ? family : { ...family, children }, twice };
}

const inOrder = (rows: readonly ListRow[]): ListRow[] => rows.toSorted((a, b) => a.row - b.row);

/** Of several counts of a child the last. */
const lastOfEach = (pieces: Become['pieces']): Become['pieces'] => [
  ...new Map(pieces.map((one) => [one.childId, one])).values(),
];

function mendedCells({ mended, columns }: ListReading): Map<number, Map<number, string>> {
  const cells = new Map<number, Map<number, string>>();
  for (const { row, column, to } of mended) {
    const at = columns.find(({ header }) => header === column)?.at;
    if (at !== undefined) cells.set(row, (cells.get(row) ?? new Map<number, string>()).set(at, to));
  }
  return cells;
}

/** Children that a list says are to go: they leave the weave, and what they held stays on the shelf of their crossing. */
function goings(
  registry: Registry,
  { deletions }: ListReading,
  shelves: Shelves,
  taken: Map<string, Become>,
): Become[] {
  const byFamily = new Map<string, { row: number; childId: string }[]>();
  const plans: Become[] = [];
  for (const { row, sku, gtin } of deletions) {
    const identities = [['sku', readIdentity('sku', sku)] as const, ['gtin', readIdentity('gtin', gtin)] as const];
    const owner = identities.map(([kind, identity]) => identity && shelves.ownerOf(kind, identity)).find((one) => one);
    if (owner) byFamily.set(owner.familyId, [...(byFamily.get(owner.familyId) ?? []), { row, childId: owner.childId }]);
    else plans.push(alone(row, sku || gtin));
  }
  for (const [id, going] of byFamily) {
    const plan = taken.get(id);
    const family = plan?.family ?? shelves.load(id).family;
    const woven = going.filter(({ childId }) => family.children[childId]?.woven);
    const crossings = woven.map(({ childId }) => ({ ...family.children[childId]!.at }));
    const after =
      crossings.length === 0
        ? family
        : runCommand(registry, family, { do: 'setWoven', crossings, woven: false }).family;
    const rows = going.map(({ row, childId }): ListRow => {
      const child = family.children[childId] ?? family.shelf[childId]?.child;
      const isWoven = woven.some((one) => one.childId === childId);
      return {
        row,
        verdict: isWoven ? 'goes' : 'same',
        family: String(family.fields.name),
        problems: [],
        changes: [],
        child: child ? childLabels(family, child).join(' · ') : '',
      };
    });
    if (plan) plan.when = 'stay';
    plans.push({
      ...{ key: `gone${id}`, heldId: id, when: 'go' as const },
      rows,
      changes: [],
      family: after === family && !plan ? null : after,
      pieces: plan?.pieces ?? [],
      pictures: [],
    });
  }
  return plans;
}

const alone = (row: number, number: string): Become => ({
  ...{ key: `gone${row}`, heldId: null },
  rows: [
    {
      row,
      verdict: 'refused',
      family: '',
      child: '',
      problems: [{ column: '', message: refusalText('list.no-child', { number }) }],
      changes: [],
    },
  ],
  changes: [],
  family: null,
  pieces: [],
  pictures: [],
});
