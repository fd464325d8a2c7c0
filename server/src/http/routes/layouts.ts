/** Routes: how views are arranged. */
import { eq } from 'drizzle-orm';
import type { Express } from 'express';
import { endpoints as api, GridLayoutSchema, WeaveLookSchema } from '@loom-kin/contract';
import { hasFamily } from '../../store/loadFamily';
import { Refusal } from '@loom-kin/core/refusal';
import { layouts } from '../../store/schema';
import type { Parts } from '../parts';
import { mount } from '../mount';

const GRID = 'grid';
const ofWeave = (familyId: string) => `weave:${familyId}`;
const ok = { ok: true } as const;

export function mountLayouts(app: Express, { store: { database } }: Parts): void {
  const kept = (id: string): unknown => database.select().from(layouts).where(eq(layouts.id, id)).get()?.doc;
  const keep = (id: string, doc: unknown) =>
    database.insert(layouts).values({ id, doc }).onConflictDoUpdate({ target: layouts.id, set: { doc } }).run();

  // One that an older version wrote is no reason to show nothing.
  mount(app, api.gridLayout, () => GridLayoutSchema.safeParse(kept(GRID)).data ?? null);
  mount(app, api.saveGridLayout, ({ body }) => {
    keep(GRID, body);
    return ok;
  });
  mount(app, api.weaveLook, ({ params: { id } }) => WeaveLookSchema.safeParse(kept(ofWeave(id))).data ?? null);
  mount(app, api.saveWeaveLook, ({ params: { id }, body }) => {
    if (!hasFamily(database, id)) throw new Refusal('family.unknown', {});
    keep(ofWeave(id), body);
    return ok;
  });
}
