/** The line of changes and the family as the server has it, whatever comes first: an answer, what is heard, or what is typed. */
import fc from 'fast-check';
import { expect, it, vi } from 'vitest';
import { Refused, type ChangeDone, type FamilyDetail } from '@loom-kin/contract';
import { freeze } from '@loom-kin/core/family';
import { committedBy } from '../src/api/refusals';
import { createOutbox } from '../src/stores/outbox';
import { countsOf, type Pending } from '../src/stores/pending';
import { afterCounts } from '../src/stores/pieces';
import { createFamily, namer } from './sample';

const server = vi.hoisted(() => ({
  ask: undefined as
    | undefined
    | ((body: { key: string; steps: { counts: { childId: string; pieces: number }[] }[] }) => Promise<unknown>),
}));
vi.mock('../src/api/api', () => ({ call: (_endpoint: unknown, { body }: { body: never }) => server.ask!(body) }));
vi.mock('idb-keyval', () => ({
  get: () => Promise.resolve(undefined),
  set: () => Promise.resolve(),
  delMany: () => Promise.resolve(),
}));

const family = createFamily({
  id: 'kline',
  fields: { name: 'Coat' },
  axes: [{ role: 'size', label: 'Size', values: ['S', 'M', 'L'].map((label) => ({ label })) }],
  off: [],
});
const children = Object.keys(family.children);

/** A server with pieces whose answers come when `answer` lets them; what it holds is what it held when it was asked. */
function smallWorld() {
  const stock: Record<string, number> = {};
  const stored: string[] = [];
  let shown: Record<string, number> = {};
  const open: (() => void)[] = [];
  const later = <T>(answer: T) => new Promise<T>((resolve) => open.push(() => resolve(answer)));
  const detail = () =>
    ({ family: freeze(family, true), stock: { ...stock }, stockAt: {}, keys: [...stored] }) as unknown as FamilyDetail;
  server.ask = ({ key, steps }) => {
    stored.push(key);
    for (const { counts } of steps) for (const { childId, pieces } of counts) stock[childId] = pieces;
    return later({ id: key, title: '', notices: [], revisions: {} } as unknown as ChangeDone);
  };
  const outbox = createOutbox({
    namer: () => namer,
    load: () => later(detail()),
    show: (_family, told) => {
      if (told) shown = afterCounts(told, countsOf(outbox.waitingChanges())).stock;
    },
    stored: () => undefined,
    refused: (error) => {
      throw error;
    },
  });
  const rest = () => new Promise((next) => setImmediate(next));
  let key = 0;
  return {
    outbox,
    stock,
    rest,
    shown: () => shown,
    begin: () => outbox.open(detail()),
    type(childId: string, pieces: number) {
      const change: Pending = { key: String((key += 1)), counts: [{ childId, pieces }] };
      shown = afterCounts({ stock: shown, stockAt: {} }, change.counts!).stock;
      outbox.add(change);
    },
    /** Somebody else counts, and it is told. */
    theirs(childId: string, pieces: number) {
      stock[childId] = pieces;
      outbox.heard(null);
    },
    async answer() {
      open.shift()?.();
      await rest();
    },
    /** The newest first. */
    async answerAll() {
      for (await rest(); open.length > 0; await rest()) open.pop()!();
    },
  };
}

it('sends what is typed while the family is asked for anew', async () => {
  const world = smallWorld();
  await world.begin();
  world.type(children[0]!, 6);
  world.outbox.heard(null);
  await world.answer();
  // The first is stored, and what was heard is asked for: two more are typed meanwhile.
  world.type(children[1]!, 6);
  world.type(children[2]!, 6);
  await world.answerAll();
  expect(world.stock).toEqual(Object.fromEntries(children.map((id) => [id, 6])));
  expect(world.outbox.waiting.value).toBe(0);
});

it('never shows an answer that is older than what was stored since', async () => {
  const world = smallWorld();
  await world.begin();
  world.outbox.heard(null);
  await world.rest();
  // The family is on its way as it was; what is typed now is newer.
  world.type(children[0]!, 6);
  await world.answerAll();
  expect(world.shown()[children[0]!]).toBe(6);
});

it('ends with everything stored and shown, in whatever order things come', () =>
  fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.oneof(
          fc.record({ do: fc.constantFrom('type' as const, 'theirs' as const), child: fc.nat(2), pieces: fc.nat(99) }),
          fc.constant({ do: 'answer' as const }),
        ),
        { maxLength: 24 },
      ),
      async (events) => {
        const world = smallWorld();
        await world.begin();
        const typed: string[] = [];
        for (const event of events) {
          if (event.do === 'answer') await world.answer();
          else world[event.do](children[event.child]!, event.pieces);
          if (event.do === 'type') typed.push(children[event.child]!);
        }
        await world.answerAll();
        expect(world.outbox.waiting.value).toBe(0);
        expect(typed.every((id) => world.stock[id] !== undefined)).toBe(true);
        for (const [id, pieces] of Object.entries(world.stock)) expect(world.shown()[id]).toBe(pieces);
      },
    ),
    { numRuns: 200 },
  ));

it('tells a refusal to the entry whose text it answers, after what was shown is taken back, and to no other', async () => {
  const told: string[] = [];
  let loads = 0;
  const outbox = createOutbox({
    namer: () => namer,
    load: () => {
      loads += 1;
      return Promise.resolve({
        family: freeze(family, true),
        stock: {},
        stockAt: {},
        keys: [],
      } as unknown as FamilyDetail);
    },
    show: () => undefined,
    stored: () => undefined,
    refused: (_error, entry) => {
      if (entry) entry(`after ${loads} loads`);
      else told.push('nobody');
    },
  });
  const refusals = [null, 'no', 'no'];
  server.ask = ({ key }) =>
    refusals.shift()
      ? Promise.reject(new Refused(409, { code: 'figures.not-possible', message: 'No.' }))
      : Promise.resolve({ id: key, title: '', notices: [], revisions: {} } as unknown as ChangeDone);
  await outbox.open({ family: freeze(family, true), stock: {}, stockAt: {}, keys: [] } as unknown as FamilyDetail);
  const type = (key: string) => outbox.add({ key, counts: [{ childId: children[0]!, pieces: 1 }] });
  committedBy(
    (message) => told.push(`stored: ${message}`),
    () => type('stored'),
  );
  committedBy(
    (message) => told.push(`refused: ${message}`),
    () => type('refused'),
  );
  // Not typed in an entry.
  type('dragged');
  await outbox.settled();
  expect(told).toEqual(['refused: after 1 loads', 'nobody']);
});
