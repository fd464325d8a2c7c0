/** What the pages keep of the server, when answers and news come in another order than they were asked for. */
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Job, Setup } from '@loom-kin/contract';
import { emptyRegistry } from '@loom-kin/core/registry';
import { useJobs } from '../src/stores/jobs';
import { useSetup } from '../src/stores/setup';

/** Questions that were asked, the oldest first; each is answered by hand. */
const asked = vi.hoisted(() => [] as ((answer: unknown) => void)[]);
vi.mock('../src/api/api', () => ({
  api: {},
  call: () => new Promise((resolve) => asked.push(resolve)),
  tell: (error: unknown) => {
    throw error;
  },
}));
vi.mock('../src/stores/serverEvents', () => ({
  useServerEvents: () => ({ subscribe: () => () => undefined, dispatchTurn: 0, gaps: 0 }),
}));
beforeEach(() => {
  asked.length = 0;
  setActivePinia(createPinia());
});
const rest = () => new Promise((next) => setImmediate(next));

describe('the setup', () => {
  const named = (name: string): Setup =>
    ({ seller: { name, currency: 'EUR' }, registry: emptyRegistry(), accounts: [], channels: [] }) as unknown as Setup;

  it('is asked for once, however many need it', async () => {
    const setup = useSetup();
    const all = Promise.all([setup.ensure(), setup.ensure()]);
    expect(asked).toHaveLength(1);
    asked[0]!(named('Skerry'));
    await all;
    expect(setup.setup?.seller.name).toBe('Skerry');
  });
  it('is the one asked for last, though an older answer comes after it; who waits has it then', async () => {
    const setup = useSetup();
    const first = setup.ensure();
    const second = setup.reload();
    asked[1]!(named('new'));
    await second;
    asked[0]!(named('old'));
    await first;
    await rest();
    expect(setup.setup?.seller.name).toBe('new');
  });
  it('is waited for by who asked before it was asked for anew', async () => {
    const setup = useSetup();
    let isThere = false;
    const first = setup.ensure().then(() => (isThere = true));
    const second = setup.reload();
    asked[0]!(named('old'));
    await rest();
    expect(isThere).toBe(false);
    asked[1]!(named('new'));
    await Promise.all([first, second]);
    expect(setup.setup?.seller.name).toBe('new');
  });
});

describe('jobs', () => {
  const job = (id: string, state: Job['state']) => ({ id, state, title: id }) as unknown as Job;
  const states = () => useJobs().jobs.map(({ id, state }) => `${id} ${state}`);

  it('stay as they were told while the list was on its way; those it does not know yet stay, too', async () => {
    const jobs = useJobs();
    jobs.put(job('one', 'running'));
    jobs.put(job('two', 'running'));
    jobs.follow();
    jobs.put(job('one', 'done'));
    jobs.put(job('three', 'running'));
    asked[0]!([job('two', 'done'), job('one', 'running'), job('old', 'done')]);
    await rest();
    expect(states()).toEqual(['three running', 'two done', 'one done', 'old done']);
  });
  it('are waited for until they run no more', async () => {
    const jobs = useJobs();
    const ended = jobs.ended('one');
    asked[0]!(job('one', 'done'));
    expect((await ended).state).toBe('done');
    expect(states()).toEqual(['one done']);
  });
});
