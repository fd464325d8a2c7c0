/** Which listing axis carries the pictures, and how many pictures would then not show. Null where none carries any. */
import type { PlanTask, Shape } from './shape';

export function picturesShown(task: PlanTask, shape: Shape): { pictureAxis: number | null; lost: number } {
  const { onAxis, onChildren } = task.pictures;
  if (task.rules.axes.pictures === 'child') return { pictureAxis: null, lost: 0 };
  const fixed = new Set([...shape.split, ...shape.pinned]);
  const lostWith = (shown: number[]) => {
    const seen = new Set([...fixed, ...shown]);
    const values = onAxis.reduce((sum, count, axis) => sum + (seen.has(axis) ? 0 : count), 0);
    return values + (seen.size === task.axes.length ? 0 : onChildren);
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
