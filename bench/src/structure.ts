/** Changes of the structure of a family of 2,000 children, each beside the same on one of 500: they are to grow with the children. */
import { alikeWithout, partLabels } from '@loom-kin/core/axes';
import { type Command, childFates } from '@loom-kin/core/change';
import { copyFamily } from '@loom-kin/core/copies';
import { type Family, familyIndex } from '@loom-kin/core/family';
import { gather, leave, proposeGather } from '@loom-kin/core/gather';
import { emptyRegistry, openRegistry } from '@loom-kin/core/registry';
import { family, runCommand } from './given';
import { timed, type Figure } from './measure';

const registry = openRegistry(emptyRegistry());

/** Prices on values and on children, SKUs on all. */
function furnished(id: string, colours: number, sizes: number): Family {
  const bare = family(id, [
    ['colour', colours],
    ['size', sizes],
    ['material', 5],
  ]);
  const own = familyIndex(bare).woven.flatMap(({ id: childId }, at) => [
    { place: { level: 'child' as const, childId }, key: 'sku', figure: `${id}-${at}` },
    ...(at % 3 === 0
      ? [{ place: { level: 'child' as const, childId }, key: 'price', figure: `${20 + (at % 50)}.00` }]
      : []),
  ]);
  const high = bare.axes[0]!.values.map((value, at) => ({
    place: { level: 'value' as const, axisId: bare.axes[0]!.id, valueId: value.id },
    key: 'price',
    figure: `${100 + at}.00`,
  }));
  return runCommand(bare, { do: 'setFigures', changes: [...own, ...high] }).family;
}

const large = furnished('N2000', 20, 20);
const small = furnished('N500', 10, 10);

export function structureFigures(): Figure[] {
  const both = (what: string, work: (one: Family) => unknown): Figure => {
    const base = timed(10, () => work(small));
    const taken = timed(10, () => work(large));
    return {
      what,
      ...taken,
      baseline: 'the same, 500 children',
      ratio: taken.median / base.median,
      budget: '≤ 100 ms, 4 ×',
    };
  };
  const shown = (one: Family, command: Command) => childFates(one, runCommand(one, command).family);
  const [join, split] = [joined, parted];
  return [
    both('2,000 children: axes joined, and shown', (one) => shown(one, join(one))),
    both('2,000 children: axis split, and shown', (one) => shown(...split(one))),
    both('2,000 children: two values merged, and shown', (one) => shown(one, merged(one))),
    both('2,000 children: axis removed, and shown', (one) => shown(one, removed(one))),
    both('2,000 children: two families of half of them, proposed and gathered', (one) => {
      const [into, other] = halves(one);
      return gather(registry, into, [other], proposeGather(registry, into, [other]));
    }),
    both('2,000 children: 20 leave', (one) =>
      leave(
        registry,
        one,
        familyIndex(one)
          .woven.slice(0, 20)
          .map(({ id }) => id),
        () => 'kleaver',
      ),
    ),
  ];
}

const halved = new Map<Family, [Family, Family]>();
/** A family with half of its values on the first axis, and another like it. */
function halves(one: Family): [Family, Family] {
  const known = halved.get(one);
  if (known) return known;
  const { axes } = one;
  const into = furnished(`${one.id}-half`, axes[0]!.values.length / 2, axes[1]!.values.length);
  const made: [Family, Family] = [
    into,
    copyFamily(into, { id: 'kother', fields: { name: 'Heron tee' }, pictures: false }).family,
  ];
  halved.set(one, made);
  return made;
}

const joined = ({ axes }: Family): Command => ({
  do: 'joinAxes',
  axisIds: [axes[1]!.id, axes[2]!.id],
  label: 'Both',
  role: 'other',
  between: ' / ',
});
const remembered = new Map<Family, [Family, Command]>();
/** The joined axis, parted again; joining is not counted. */
function parted(one: Family): [Family, Command] {
  const known = remembered.get(one);
  if (known) return known;
  const family = runCommand(one, joined(one)).family;
  const axis = family.axes[1]!;
  const into: Extract<Command, { do: 'splitAxis' }>['into'] = [
    { role: 'size', label: 'Size again' },
    { role: 'material', label: 'Material again' },
  ];
  const made: [Family, Command] = [
    family,
    { do: 'splitAxis', axisId: axis.id, into, parts: partLabels(axis.values, ' / ') },
  ];
  remembered.set(one, made);
  return made;
}
function merged({ axes: [axis] }: Family): Command {
  const [first, second] = axis!.values;
  return { do: 'mergeValues', axisId: axis!.id, from: [second!.id], into: first!.id, keep: { valueId: first!.id } };
}
function removed(one: Family): Command {
  const axisId = one.axes[2]!.id;
  const byKey = alikeWithout(one, axisId).map(({ key, childIds }) => [key, childIds[0]!] as const);
  return { do: 'removeAxis', axisId, keep: { byKey: Object.fromEntries(byKey) } };
}
