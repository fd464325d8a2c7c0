/**
 * Sending to a channel that says what no well-behaved channel says: the server in this process, the channel played
 * line by line.
 */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { pino } from 'pino';
import sharp from 'sharp';
import { eq } from 'drizzle-orm';
import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { createClient, endpoints as api, makeChange, type Client, type Dispatch } from '@loom-kin/contract';
import { setUpSeller } from '../../demo/src/setUp';
import { startServer, type RunningServer } from '../src';
import { fetchChannels } from '../src/channels/channels';
import { DATABASE_FILE, DataInUse } from '../src/store/database';
import { channels, documents } from '../src/store/schema';

type Play = (request: { path: string; body: string; times: number }, response: ServerResponse) => void;
/** What the channel answers to submissions and to questions after receipts. */
let submission: Play;
let receipt: Play;
const asked = { submissions: [] as string[], receipts: 0 };
const json = (response: ServerResponse, data: unknown, status = 200) =>
  response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(data));
const rulebook = readFileSync(new URL('../../channels/rulebooks/own-shop.json', import.meta.url), 'utf8');

async function play(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const path = request.url ?? '';
  let body = '';
  for await (const part of request) body += String(part);
  if (path === '/channels') return void json(response, ['own-shop']);
  if (path.endsWith('/rulebook'))
    return void response.writeHead(200, { 'content-type': 'application/json' }).end(rulebook);
  if (path.endsWith('/listings')) return void json(response, []);
  if (path.endsWith('/account')) return void json(response, { exemptBrands: [], choices: {}, rate: '1' });
  if (path.endsWith('/submissions'))
    submission({ path, body, times: asked.submissions.push((JSON.parse(body) as { key: string }).key) }, response);
  else receipt({ path, body, times: ++asked.receipts }, response);
}

const folder = mkdtempSync(join(tmpdir(), 'loom-kin-runner-'));
/** Hears each line of the log. */
let logged: (line: string) => void = () => undefined;
let channel: Server;
let server: RunningServer;
let call: Client;
beforeAll(async () => {
  channel = createServer((request, response) => void play(request, response));
  await new Promise<void>((done) => channel.listen(0, '127.0.0.1', done));
  const options = {
    dataFolder: folder,
    port: 0,
    channelsUrl: `http://127.0.0.1:${(channel.address() as AddressInfo).port}`,
    pollEvery: 10,
    waits: [10, 20],
    log: pino({ level: 'error' }, { write: (line) => logged(line) }),
  };
  server = await startServer(options);
  call = createClient(server.url);
  await setUpSeller(call);
});
afterEach(() => {
  asked.submissions.length = 0;
  asked.receipts = 0;
});
afterAll(async () => {
  await server.close();
  channel.closeAllConnections();
  channel.close();
  rmSync(folder, { recursive: true, force: true });
});

let number = 0;
/** A mug that fits, sent; the dispatch once nothing of it is under way. */
async function sendMug(): Promise<Dispatch> {
  const code = `M${++number}`;
  const fields = {
    name: `Galley mug ${code}`,
    styleCode: code,
    category: 'home/mugs',
    price: '14.00',
    weight: 240,
    description: 'A mug for galleys and sheds by the sea.',
    collections: ['Mugs'],
  };
  const { started } = await makeChange(call, [{ on: 'start', family: { fields, axes: [], off: [] } }]);
  const { family } = await call(api.family, { params: { id: started[0]! } });
  const form = new FormData();
  form.append(
    'files',
    new Blob([
      new Uint8Array(
        await sharp({ create: { width: 400, height: 400, channels: 3, background: '#ffffff' } })
          .png()
          .toBuffer(),
      ),
    ]),
    'mug.png',
  );
  const [taken] = await call(api.addPictures, { form });
  const [childId] = Object.keys(family.children);
  const command = {
    do: 'batch' as const,
    title: 'Fill',
    commands: [
      { do: 'setPictures' as const, place: { level: 'family' as const }, pictures: [taken!.picture!.id] },
      {
        do: 'setFigures' as const,
        changes: [{ place: { level: 'child' as const, childId: childId! }, key: 'sku', figure: code }],
      },
    ],
  };
  await makeChange(call, [{ on: 'family', familyId: family.id, revision: 1, command }]);
  const selection = { familyIds: [family.id], accounts: ['own-shop'] };
  const { totals } = await call(api.previewDispatch, { body: selection });
  const made = await call(api.startDispatch, {
    body: {
      ...selection,
      key: crypto.randomUUID(),
      agreed: { listings: totals.listings, takenDown: totals.takenDown, fees: totals.fees },
    },
  });
  return ended(made.id);
}
async function ended(id: string): Promise<Dispatch> {
  for (let tries = 0; tries < 2000; tries++) {
    const now = await call(api.dispatch, { params: { id } });
    if (now.state !== 'running') return now;
    await new Promise((next) => setTimeout(next, 10));
  }
  throw new Error('the dispatch never ended');
}
const keyIn = (body: string) => (JSON.parse(body) as { messages: { key: string }[] }).messages[0]?.key ?? '';
const listed = (key: string) => ({
  id: 'r1',
  state: 'done',
  lines: [{ key, outcome: 'listed', page: null, reasons: [] }],
});

describe('while something else writes the data for long', () => {
  it('what was sent waits with the reason, goes on, and ends as the channel answered', async () => {
    server.store.database.$client.pragma('busy_timeout = 0');
    const other = new Sqlite(join(folder, DATABASE_FILE));
    const lock = () => void (other.inTransaction || other.exec('BEGIN IMMEDIATE'));
    const noticed = async () =>
      (await call(api.dispatches)).some((one) => one.notice?.startsWith('Something else is writing the data'));
    let key = '';
    submission = ({ body, times }, response) => {
      key = keyIn(body);
      if (times === 1) lock();
      json(response, { receipt: 'r1' }, 202);
    };
    receipt = (_request, response) => json(response, listed(key));
    const sending = sendMug();
    await vi.waitUntil(noticed, { timeout: 30_000 });
    other.exec('COMMIT');
    expect((await sending).lines).toMatchObject([{ state: 'done', outcome: 'listed' }]);
    expect(new Set(asked.submissions).size).toBe(1);
    // The third try uses the waits up; that cannot be stored at first.
    asked.submissions.length = 0;
    submission = ({ times }, response) => {
      if (times === 3) lock();
      response.writeHead(429).end();
    };
    logged = (line) => void (line.includes('stopped working') && other.exec('COMMIT'));
    expect((await sendMug()).lines[0]!.outcome).toBe('Own shop asks to wait: too many requests');
    logged = () => undefined;
    server.store.database.$client.pragma('busy_timeout = 5000');
    other.close();
  }, 90_000);
});

describe('a channel that', () => {
  it('takes its time is asked until it is done, and the submission is made once', async () => {
    let key = '';
    submission = ({ body }, response) => {
      key = keyIn(body);
      json(response, { receipt: 'r1' }, 202);
    };
    receipt = ({ times }, response) =>
      json(response, times < 6 ? { id: 'r1', state: 'waiting', lines: [] } : listed(key));
    expect((await sendMug()).lines).toMatchObject([{ state: 'done', outcome: 'listed' }]);
    expect([asked.submissions.length, asked.receipts]).toEqual([1, 6]);
  });
  it('is silent for a while is tried again under the same key, with growing waits, until the waits are used up', async () => {
    submission = ({ times, body }, response) =>
      times < 3 ? response.writeHead(503).end() : json(response, { receipt: keyIn(body) }, 202);
    receipt = ({ path }, response) => json(response, listed(path.split('/').at(-1)!));
    expect((await sendMug()).lines[0]!.outcome).toBe('listed');
    expect(new Set(asked.submissions).size).toBe(1);
    submission = (_request, response) => response.writeHead(429).end();
    const gone = await sendMug();
    expect(gone.lines[0]).toMatchObject({ state: 'failed', outcome: 'Own shop asks to wait: too many requests' });
    expect([gone.state, gone.notice]).toEqual(['done', null]);
  });
  it('turns a submission away is not asked again, and its words are kept', async () => {
    submission = (_request, response) => response.writeHead(400).end('Your account is closed.');
    expect((await sendMug()).lines[0]).toMatchObject({ state: 'failed', outcome: 'Your account is closed.' });
    expect(asked.submissions).toHaveLength(1);
  });
  it('answers with what is no answer fails the lines and nothing else', async () => {
    submission = (_request, response) => json(response, { thanks: true });
    expect((await sendMug()).lines[0]!.state).toBe('failed');
    submission = (_request, response) => json(response, { receipt: 'r1' });
    receipt = (_request, response) => json(response, { id: 'r1', state: 'perhaps', lines: [] });
    expect((await sendMug()).lines[0]!.state).toBe('failed');
    expect((await call(api.health)).ok).toBe(true);
  });
  it('forgets a line in its receipt leaves it to be sent again, and it goes in then', async () => {
    let key = '';
    submission = ({ body }, response) => {
      key = keyIn(body);
      json(response, { receipt: 'r1' });
    };
    receipt = (_request, response) => json(response, { id: 'r1', state: 'done', lines: [] });
    const lost = await sendMug();
    expect(lost.lines[0]).toMatchObject({ state: 'failed', outcome: 'not in the receipt' });
    receipt = (_request, response) => json(response, listed(key));
    await call(api.retryDispatch, { params: { id: lost.id } });
    expect((await ended(lost.id)).lines[0]!.outcome).toBe('listed');
  });
  it('refuses for reasons nobody knows here: the words are kept, the child is found by its SKU', async () => {
    submission = ({ body }, response) => json(response, { receipt: keyIn(body) });
    receipt = ({ path }, response) =>
      json(response, {
        id: 'r1',
        state: 'done',
        lines: [
          {
            key: path.split('/').at(-1)!,
            outcome: 'refused',
            page: null,
            reasons: [
              { text: 'No <b>mugs</b> today.', sku: `m${number}`, field: 'Weight kg' },
              { text: 'Nor tomorrow.', sku: 'NOBODY', field: 'Mood' },
            ],
          },
        ],
      });
    const { lines } = await sendMug();
    expect(lines[0]).toMatchObject({
      state: 'refused',
      reasons: [
        { text: 'No <b>mugs</b> today.', field: 'weight' },
        { text: 'Nor tomorrow.', childId: null, field: 'Mood' },
      ],
    });
    expect(lines[0]!.reasons[0]!.childId).toMatch(/\.c\d+$/);
  });
});

describe('a channel that means ill', () => {
  it('gives no address to press that is none of the web', async () => {
    let key = '';
    submission = ({ body }, response) => {
      key = keyIn(body);
      json(response, { receipt: 'r1' });
    };
    const paged = (page: string) => ({ ...listed(key), lines: [{ ...listed(key).lines[0]!, page }] });
    for (const page of ['javascript:alert(1)', 'data:text/html,x', ' javascript:alert(1)']) {
      receipt = (_request, response) => json(response, paged(page));
      expect((await sendMug()).lines[0]).toMatchObject({ outcome: 'listed', page: null });
    }
    receipt = (_request, response) => json(response, paged('https://shop.test/mug'));
    expect((await sendMug()).lines[0]!.page).toBe('https://shop.test/mug');
  });
  it('sends nobody elsewhere: a redirect is not followed', async () => {
    const elsewhere = `http://127.0.0.1:${(channel.address() as AddressInfo).port}/elsewhere/submissions`;
    const met: string[] = [];
    submission = ({ path }, response) => {
      met.push(path.split('?')[0]!);
      response.writeHead(307, { location: elsewhere }).end();
    };
    expect((await sendMug()).lines[0]!.state).toBe('failed');
    expect(new Set(met)).toEqual(new Set(['/own-shop/submissions']));
  });
  it('is gone while lines wait for it ends them, and the product goes on', async () => {
    submission = (_request, response) => {
      server.store.database.delete(channels).run();
      server.store.database.delete(documents).where(eq(documents.thing, 'rulebook')).run();
      server.store.forgetCatalogue();
      json(response, { receipt: 'r1' });
    };
    receipt = (_request, response) => json(response, { id: 'r1', state: 'waiting', lines: [] });
    expect((await sendMug()).lines[0]).toMatchObject({ state: 'failed', outcome: 'the account is gone' });
    expect(await call(api.health)).toMatchObject({ ok: true });
    const { port } = channel.address() as AddressInfo;
    await fetchChannels(server.store, `http://127.0.0.1:${port}`);
  });
});

describe('a second server', () => {
  it('on the same data is refused, by name', async () => {
    const again = startServer({ dataFolder: folder, port: 0, channelsUrl: 'http://127.0.0.1:1' });
    await expect(again).rejects.toThrow(DataInUse);
    await expect(again).rejects.toThrow(/Another server works on .* End it first/);
  });
  it('is refused even where the lock file was deleted', async () => {
    rmSync(join(folder, 'in-use.lock'));
    const again = startServer({ dataFolder: folder, port: 0, channelsUrl: 'http://127.0.0.1:1' });
    await expect(again).rejects.toThrow(DataInUse);
  });
});

describe('a seller who stops', () => {
  it('keeps back what has not gone out, and sends it later', async () => {
    let key = '';
    const stop = async () => {
      const [newest] = await call(api.dispatches);
      await call(api.stopDispatch, { params: { id: newest!.id } });
    };
    submission = ({ body, times }, response) => {
      key = keyIn(body);
      if (times > 1) return void json(response, { receipt: 'r1' });
      // Stopped while the channel still thinks: the submission was never taken.
      void stop().then(() => response.writeHead(503).end());
    };
    receipt = (_request, response) => json(response, listed(key));
    const stopped = await sendMug();
    expect([stopped.state, stopped.lines[0]!.state]).toEqual(['stopped', 'stopped']);
    await call(api.retryDispatch, { params: { id: stopped.id } });
    expect((await ended(stopped.id)).lines[0]).toMatchObject({ state: 'done', outcome: 'listed' });
  });
});
