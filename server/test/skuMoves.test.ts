/** Which lines wait for others, so that an SKU is let go before another listing takes it, and that none waits for ever. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import type { LineRow } from '../src/dispatch/dispatches';
import { withoutWaiting } from '../src/dispatch/skuMoves';
import { openStore } from '../src/store/openStore';
import { heldListings } from '../src/store/schema';

const folder = mkdtempSync(join(tmpdir(), 'loom-kin-moves-'));
const store = openStore(folder);
const { database } = store;
// Listings alone are enough here: no family stands behind them.
database.$client.pragma('foreign_keys = OFF');
afterAll(() => {
  store.close();
  rmSync(folder, { recursive: true, force: true });
});

const listing = (...skus: string[]) => ({ offers: skus.map((sku) => ({ sku })) }) as never;
const line = (id: number, key: string, skus: string[], state: LineRow['state'] = 'queued') =>
  ({ id, key, state, account: 'shop', familyId: 'k1', listing: listing(...skus) }) as unknown as LineRow;
const hold = (key: string, ...skus: string[]) =>
  database
    .insert(heldListings)
    .values({ account: 'shop', familyId: 'k1', key, listing: listing(...skus), draft: false, page: null, sentAt: '' })
    .run();
hold('one', 'A', 'B');
hold('two', 'C');
const keys = (lines: readonly LineRow[], underWay: readonly LineRow[] = lines) =>
  withoutWaiting(database, lines, underWay).map((one) => one.id);

describe('lines of listings that exchange children', () => {
  it('wait for the one that lets go, and for nothing that keeps what it has', () => {
    expect(keys([line(1, 'three', ['A']), line(2, 'one', ['B'])])).toEqual([2]);
    expect(keys([line(1, 'three', ['A'])])).toEqual([1]);
  });
  it('all go where each waits for another, whatever else is queued behind them', () => {
    const swap = [line(1, 'one', ['B', 'C']), line(2, 'two', ['A'])];
    expect(keys(swap)).toEqual([1, 2]);
    expect(keys(swap, [...swap, line(3, 'one', ['B'])])).toEqual([1, 2]);
    expect(keys(swap, [...swap, line(4, 'other', [], 'sent')])).toEqual([]);
  });
});
