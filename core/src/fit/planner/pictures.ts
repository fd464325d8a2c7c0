/** Which listing axis carries the pictures, and how many pictures would then not show. Null where none carries any. */
import type { PlanTask, Shape } from './shape';

export function picturesShown(task: PlanTask, shape: Shape): { pictureAxis: number | null; lost: number } {
  const { onAxis, onAxes = [], onChildren } = task.pictures;
  if (task.rules.axes.pictures === 'child') return { pictureAxis: null, lost: 0 };
  const lostWith = (shown: readonly number[]) => {
    const isFixed = (axis: number) => shape.split.includes(axis) || shape.pinned.includes(axis);
    const isSeen = (axis: number) => isFixed(axis) || shown.includes(axis);
    let lost = 0;
    let isAll = true;
    for (let axis = 0; axis < onAxis.length; axis++) {
      if (isSeen(axis)) continue;
      isAll = false;
      lost += onAxis[axis]!;
    }
    for (const { axes, count } of onAxes)
      if (!axes.every(isFixed) && !axes.some((axis) => shown.includes(axis))) lost += count;
    return isAll ? lost : lost + onChildren;
  };
  if (task.rules.axes.pictures === 'listing' || shape.groups.length === 0)
    return { pictureAxis: null, lost: lostWith([]) };
  if (task.rules.axes.pictures === 'firstAxis') return { pictureAxis: 0, lost: lostWith(shape.groups[0]!) };
  const wished = shape.groups.findIndex((group) => group.some((axis) => task.axes[axis]!.id === task.wish.pictureAxis));
  const best = shape.groups
    .map((group, at) => ({ at, lost: lostWith(group) }))
    .sort((a, b) => a.lost - b.lost || a.at - b.at)[0]!;
  return wished >= 0
    ? { pictureAxis: wished, lost: lostWith(shape.groups[wished]!) }
    : { pictureAxis: best.at, lost: best.lost };
}
