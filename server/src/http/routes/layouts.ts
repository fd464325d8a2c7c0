/** Routes: how views are arranged. */
import { eq } from 'drizzle-orm';
import type { Express } from 'express';
import { endpoints as api, GridLayoutSchema } from '@loom-kin/contract';
import { layouts } from '../../store/schema';
import type { Parts } from '../parts';
import { mount } from '../mount';

const GRID = 'grid';

export function mountLayouts(app: Express, { store: { database } }: Parts): void {
  mount(app, api.gridLayout, () => {
    const row = database.select().from(layouts).where(eq(layouts.id, GRID)).get();
    // One that an older version wrote is no reason to show no grid.
    return GridLayoutSchema.safeParse(row?.doc).data ?? null;
  });
  mount(app, api.saveGridLayout, ({ body: doc }) => {
    const kept = { id: GRID, doc };
    database.insert(layouts).values(kept).onConflictDoUpdate({ target: layouts.id, set: { doc } }).run();
    return { ok: true as const };
  });
}
