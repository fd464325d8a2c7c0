/** Which option of each listing axis every child has. */
import { familyIndex } from '../../family/weave';
import type { CheckContext } from '../context';
import type { Plan } from '../planner';

/** The place of a child's option among those of a plan's axis, by position; -1 for children that are not offered. */
export type ChosenOptions = readonly Int32Array[];

export function chosenOptions(context: CheckContext, plan: Plan): ChosenOptions {
  const { woven } = familyIndex(context.family);
  return plan.axes.map((axis) => {
    const placeOf = new Map(axis.options.map((option, at) => [option.key, at]));
    const [only] = axis.from;
    const chosen = new Int32Array(woven.length).fill(-1);
    woven.forEach((child, position) => {
      const key = axis.from.length === 1 ? child.at[only!]! : axis.from.map((id) => child.at[id]).join('+');
      chosen[position] = placeOf.get(key) ?? -1;
    });
    return chosen;
  });
}
