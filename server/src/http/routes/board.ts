/** Routes: the fit board. */
import type { Express } from 'express';
import { endpoints as api, MENDED_AT_ONCE } from '@loom-kin/contract';
import { boardCounts, boardFindings, familiesWith, idsMeant } from '../../families/board';
import { markAllDue } from '../../fits/due';
import type { Parts } from '../parts';
import { mount } from '../mount';

/** So many families are given to a thread at once. */
const SHARE = 40;

export function mountBoard(app: Express, { store, pool }: Parts): void {
  mount(app, api.boardIds, ({ query }) => idsMeant(store, query));
  mount(app, api.boardCounts, ({ query }) => boardCounts(store, query));
  mount(app, api.boardFindings, ({ query }) => boardFindings(store, query));
  mount(app, api.boardRemedies, async ({ body: { filter, ...kind } }) => {
    const ids = familiesWith(store, { q: '', retired: 'no', ...filter }, kind, MENDED_AT_ONCE);
    const shares = Array.from({ length: Math.ceil(ids.length / SHARE) }, (_, at) =>
      ids.slice(at * SHARE, (at + 1) * SHARE),
    );
    const answers = await Promise.all(shares.map((share) => pool.remedies(share, kind)));
    return {
      families: answers.flatMap((one) => one.families),
      unready: answers.flatMap((one) => one.unready),
    };
  });
  mount(app, api.recheckAll, () => {
    markAllDue(store.database);
    // Whoever listens begins with what is due.
    store.bell.ring({ setup: true });
    return { ok: true as const };
  });
}
