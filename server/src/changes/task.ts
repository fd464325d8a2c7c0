/** Everything that changes data for the seller, as an order that travels between threads. */
import { eq, sql } from 'drizzle-orm';
import type { ChangeDone } from '@loom-kin/contract';
import { areLarge, areMany } from '../store/loadFamily';
import type { Database } from '../store/database';
import { changeParts } from '../store/schema';
import type { Store } from '../store/store';
import { runChange, type ChangeOrder, type TellProgress } from './runChange';
import { takeFound, takeList, type FoundOrder, type ListOrder } from './takeFound';
import { stepBack } from './undo';

export type WriteTask =
  | { do: 'change'; order: ChangeOrder }
  | { do: 'undo' | 'redo'; changeId: number; key: string }
  | { do: 'take'; order: FoundOrder }
  | { do: 'takeList'; order: ListOrder };

/**
 * Does it; `tell` hears how far a list is stored. Throws a Refusal where it cannot be done, `file.overtaken` where what was
 * read of a file does not hold any more.
 */
export function doWrite(store: Store, task: WriteTask, tell?: TellProgress): ChangeDone {
  if (task.do === 'change') return runChange(store, task.order);
  if (task.do === 'take') return takeFound(store, task.order);
  if (task.do === 'takeList') return takeList(store, task.order, tell);
  return stepBack(store, task.changeId, task.do, task.key);
}

/** A list of so many children is stored before a thread has begun. */
const FEW_CHILDREN = 100;

/** Whether it takes longer than others should wait. */
export function isLong(database: Database, task: WriteTask): boolean {
  if (task.do === 'takeList') return task.order.children > FEW_CHILDREN;
  if (task.do === 'take') return areMany(Object.keys(task.order.family.children).length);
  if (task.do !== 'change') return wasLong(database, task.changeId);
  const { steps } = task.order;
  // How many families have the value is not known before.
  if (steps.some((step) => step.on === 'renameValue')) return true;
  const begun = steps.flatMap((step) => (step.on === 'start' ? [step.family.axes] : []));
  if (begun.some((axes) => areMany(axes.reduce((all, axis) => all * Math.max(1, axis.values.length), 1)))) return true;
  const ids = steps.flatMap((step) =>
    'familyId' in step ? [step.familyId] : 'familyIds' in step ? step.familyIds : [],
  );
  return areLarge(database, ids);
}

/** Characters of patches from which on taking a change back takes long, whatever is left of its families by now. */
const LONG_PATCH = 200_000;

function wasLong(database: Database, changeId: number): boolean {
  const size = sql<number>`coalesce(sum(length(${changeParts.forward}) + length(${changeParts.inverse})), 0)`;
  const here = eq(changeParts.changeId, changeId);
  if (database.select({ size }).from(changeParts).where(here).get()!.size > LONG_PATCH) return true;
  const touched = database.select({ id: changeParts.thingId }).from(changeParts).where(here).all();
  return areLarge(
    database,
    touched.map((part) => part.id),
  );
}
