/** Everything that changes data for the seller, as an order that travels between threads. */
import type { ChangeDone } from '@loom-kin/contract';
import { inArray, sql } from 'drizzle-orm';
import type { Database } from '../store/database';
import { families } from '../store/schema';
import type { Store } from '../store/store';
import { partsOf } from './journal';
import { runChange, type ChangeOrder } from './runChange';
import { takeFound, type FoundOrder } from './takeFound';
import { stepBack } from './undo';

export type WriteTask =
  | { do: 'change'; order: ChangeOrder }
  | { do: 'undo' | 'redo'; changeId: number; key: string }
  | { do: 'take'; order: FoundOrder };

/** Does it. Null only where what was read of a file was overtaken. */
export function doWrite(store: Store, task: WriteTask): ChangeDone | null {
  if (task.do === 'change') return runChange(store, task.order);
  if (task.do === 'take') return takeFound(store, task.order);
  return stepBack(store, task.changeId, task.do, task.key);
}

/** More children than these, in all families that it touches, take longer to store than others should wait. */
const LARGE = 1000;

/** Whether it takes long. */
export function isLong(database: Database, task: WriteTask): boolean {
  if (task.do === 'take') return Object.keys(task.order.family.children).length > LARGE;
  if (task.do !== 'change') {
    const touched = partsOf(database, task.changeId);
    return (
      childrenOf(
        database,
        touched.map((part) => part.thingId),
      ) > LARGE
    );
  }
  const { steps } = task.order;
  // How many families have the value is not known before.
  if (steps.some((step) => step.on === 'renameValue')) return true;
  const begun = steps.flatMap((step) => (step.on === 'start' ? [step.family.axes] : []));
  if (begun.some((axes) => axes.reduce((all, axis) => all * Math.max(1, axis.values.length), 1) > LARGE)) return true;
  const ids = steps.flatMap((step) =>
    'familyId' in step ? [step.familyId] : 'familyIds' in step ? step.familyIds : [],
  );
  return childrenOf(database, ids) > LARGE;
}

function childrenOf(database: Database, ids: readonly string[]): number {
  if (ids.length === 0) return 0;
  const sum = sql<number>`coalesce(sum(${families.children}), 0)`;
  return database
    .select({ sum })
    .from(families)
    .where(inArray(families.id, [...new Set(ids)]))
    .get()!.sum;
}
