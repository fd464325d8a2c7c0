/** Changes of a family's structure, drawn by dice. */
import { alikeWithout } from '../src/axes/alike';
import type { SingleCommand } from '../src/change/commands';
import type { Family } from '../src/family/shape';
import { Refusal } from '../src/refusal/refusal';
import { runCommand } from './sample';

/** A change of the structure; undefined where the family has nothing to do it on. */
export function anyChange(family: Family, dice: () => number, number: number): SingleCommand | undefined {
  const axis = family.axes[dice() % Math.max(1, family.axes.length)];
  const value = axis?.values[dice() % axis.values.length];
  const crossings = Object.values(family.children)
    .filter(() => dice() < 3)
    .map((child) => ({ ...child.at }));
  const kinds: (() => SingleCommand | undefined)[] = [
    () =>
      family.axes.length < 4
        ? {
            do: 'addAxis',
            role: 'other',
            label: `New ${number}`,
            values: [{ label: 'one' }, { label: 'two' }],
            existingTake: dice() % 2,
          }
        : undefined,
    () =>
      family.axes.length > 1
        ? {
            do: 'joinAxes',
            axisIds: family.axes.slice(0, 2).map(({ id }) => id),
            label: `Both ${number}`,
            role: 'other',
            between: ' / ',
          }
        : undefined,
    () =>
      axis && family.axes.length < 5
        ? {
            do: 'splitAxis',
            axisId: axis.id,
            into: [
              { role: 'other', label: `Left ${number}` },
              { role: 'colour', label: `Right ${number}` },
            ],
            parts: Object.fromEntries(
              axis.values.map(({ id }, at) => [id, [`left ${Math.floor(at / 2)}`, `right ${at % 2}`]]),
            ),
          }
        : undefined,
    () => {
      const other = axis?.values.find((one) => one !== value);
      if (!axis || !value || !other) return undefined;
      const among = new Set([value.id, other.id]);
      const groups = alikeWithout(family, axis.id, among);
      const byKey = groups.map(({ key, childIds }) => [key, childIds[dice() % childIds.length]!] as const);
      return {
        do: 'mergeValues',
        axisId: axis.id,
        from: [value.id],
        into: other.id,
        keep: { byKey: Object.fromEntries(byKey) },
      };
    },
    () => axis && { do: 'addValues', axisId: axis.id, values: [{ label: `value ${number}` }] },
    () =>
      axis && value && axis.values.length > 1
        ? { do: 'removeValues', axisId: axis.id, valueIds: [value.id] }
        : undefined,
    () =>
      axis &&
      value && {
        do: 'removeAxis',
        axisId: axis.id,
        keep: {
          byKey: Object.fromEntries(
            alikeWithout(family, axis.id).map((group) => [group.key, group.childIds[dice() % group.childIds.length]!]),
          ),
        },
      },
    () => axis && { do: 'moveAxis', axisId: axis.id, to: dice() % family.axes.length },
    () => axis && { do: 'renameAxis', axisId: axis.id, label: `Name ${number}` },
    () =>
      axis &&
      value && { do: 'editValue', axisId: axis.id, valueId: value.id, label: `label ${number}`, code: `K${number}` },
    () => axis && { do: 'orderValues', axisId: axis.id, valueIds: axis.values.map((one) => one.id).reverse() },
    () => (crossings.length > 0 ? { do: 'setWoven', crossings, woven: dice() < 5 } : undefined),
  ];
  return kinds[(dice() * 10 + dice()) % kinds.length]!();
}

/** The family after a change; null where labels would be too long when joined, which is refused rightly. */
export function changedBy(family: Family, command: SingleCommand) {
  try {
    return runCommand(family, command);
  } catch (error) {
    if (error instanceof Refusal && error.code === 'value.too-long') return null;
    throw error;
  }
}
