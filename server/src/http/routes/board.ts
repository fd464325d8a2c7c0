/** Routes: the fit board. */
import type { Express } from 'express';
import { endpoints as api, MENDED_AT_ONCE } from '@loom-kin/contract';
import { boardCounts, boardFindings, familiesWith, idsMeant } from '../../families/board';
import { markAllDue } from '../../fitQueue/due';
import { inShares } from '../../fits/inShares';
import type { Parts } from '../parts';
import { mount } from '../mount';

export function mountBoard(app: Express, { store, pool }: Parts): void {
  mount(app, api.boardIds, ({ query }) => idsMeant(store, query));
  mount(app, api.boardCounts, ({ query }) => boardCounts(store, query));
  mount(app, api.boardFindings, ({ query }) => boardFindings(store, query));
  mount(app, api.boardRemedies, async ({ body: { filter, ...kind } }) => {
    const ids = familiesWith(store, { q: '', retired: 'no', ...filter }, kind).slice(0, MENDED_AT_ONCE);
    const answers = await inShares(ids, (share) => pool.remedies(share, kind));
    return {
      families: answers.flatMap((one) => one.families),
      unready: answers.flatMap((one) => one.unready),
    };
  });
  mount(app, api.recheckAll, () => {
    markAllDue(store.database);
    // Whoever listens begins with what is due.
    store.events.emit({ setup: true });
    return { ok: true as const };
  });
}
