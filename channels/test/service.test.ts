/** The stand-in service over HTTP: what it takes, how it behaves badly on demand, what it keeps. */
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { startChannels, type Goods, type RunningService } from '../src';

let pictures: Server;
let address = '';
let troubles = 0;
const running: RunningService[] = [];
const folder = mkdtempSync(join(tmpdir(), 'loom-kin-channels-'));
beforeAll(async () => {
  const png = await sharp({ create: { width: 600, height: 600, channels: 3, background: '#ffffff' } })
    .png()
    .toBuffer();
  pictures = createServer((_request, response) =>
    troubles-- > 0 ? response.writeHead(503).end() : response.writeHead(200, { 'content-type': 'image/png' }).end(png),
  );
  await new Promise<void>((done) => pictures.listen(0, '127.0.0.1', done));
  address = `http://127.0.0.1:${(pictures.address() as AddressInfo).port}`;
});
afterEach(async () => void (await Promise.all(running.splice(0).map((one) => one.close()))));
afterAll(() => {
  pictures.close();
  rmSync(folder, { recursive: true, force: true });
});

async function start(file: string | null = null, delay = 0): Promise<RunningService> {
  const service = await startChannels({ port: 0, file, delay });
  running.push(service);
  return service;
}
const post = (service: RunningService, path: string, body: unknown) =>
  fetch(service.url + path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
const listing = (key: string, more: Partial<Goods> = {}): Goods => ({
  key,
  styleCode: 'S',
  category: 'all',
  currency: 'EUR',
  structure: 'a1',
  fromPrice: '40.00',
  pictures: [`${address}/${key}.png`],
  axes: [{ name: 'Size', role: 'size', options: [{ label: 'S' }, { label: 'M' }] }],
  fields: { Name: 'A coat', Text: 'A coat against the rain and the wind.', Collections: ['Coats'] },
  offers: ['S', 'M'].map((size) => ({
    sku: `${key}-${size}`,
    options: [size],
    price: '40.00',
    stock: 3,
    fields: { 'Weight kg': 0.5 },
  })),
  ...more,
});
const send = async (service: RunningService, key: string, ...messages: unknown[]) =>
  (await (await post(service, '/own-shop/submissions', { key, messages })).json()) as { receipt: string };
const list = (goods: Goods) => ({ action: 'list', key: goods.key, draft: false, listing: goods });
interface Receipt {
  state: string;
  lines: {
    key: string;
    outcome: string;
    page: string | null;
    reasons: { text: string; sku: string | null; field: string | null }[];
  }[];
}
async function done(service: RunningService, id: string): Promise<Receipt> {
  for (let tries = 0; tries < 200; tries++) {
    const receipt = (await (await fetch(`${service.url}/own-shop/receipts/${id}`)).json()) as Receipt;
    if (receipt.state === 'done') return receipt;
    await new Promise((next) => setTimeout(next, 20));
  }
  throw new Error('the receipt never came');
}
const held = async (service: RunningService) =>
  (await (await fetch(`${service.url}/own-shop/listings`)).json()) as { goods: Goods; draft: boolean }[];

describe('a submission', () => {
  it('waits, is worked, and is listed with a page of its own', async () => {
    const service = await start();
    const { receipt } = await send(service, 'one-1', list(listing('k1')));
    const [line] = (await done(service, receipt)).lines;
    expect(line).toMatchObject({ key: 'k1', outcome: 'listed', reasons: [] });
    const page = await (await fetch(line!.page!)).text();
    expect(page).toContain('A coat');
    expect(page).toContain('application/ld+json');
  });
  it('under a key that was used is the same submission; the same listing again is there already', async () => {
    const service = await start();
    const first = await send(service, 'same', list(listing('k1')));
    await done(service, first.receipt);
    expect(await send(service, 'same', list(listing('k2')))).toEqual(first);
    const again = await done(service, (await send(service, 'other', list(listing('k1')))).receipt);
    expect(again.lines[0]!.outcome).toBe('already there');
    expect(await held(service)).toHaveLength(1);
  });
  it('is worked line by line: a bad one does not hold a good one back', async () => {
    const service = await start();
    const bad = listing('k2', { offers: [{ ...listing('k2').offers[0]!, price: '40' }] });
    const { lines } = await done(service, (await send(service, 'mixed', list(bad), list(listing('k1')))).receipt);
    expect(lines.map((line) => [line.key, line.outcome])).toEqual([
      ['k2', 'refused'],
      ['k1', 'listed'],
    ]);
    expect(lines[0]!.reasons[0]).toMatchObject({ sku: 'k2-S', field: 'Price' });
  });
  it('takes down before it lists, so that an SKU can move from one listing to another', async () => {
    const service = await start();
    await done(service, (await send(service, 'a', list(listing('k1')))).receipt);
    const moved = listing('k9', { offers: listing('k1').offers });
    const clash = await done(service, (await send(service, 'b', list(moved))).receipt);
    expect(clash.lines[0]!.reasons[0]!.text).toBe('k1-S is in the listing k1 already.');
    const both = await done(
      service,
      (await send(service, 'c', list(moved), { action: 'takeDown', key: 'k1' })).receipt,
    );
    expect(both.lines.map((line) => line.outcome)).toEqual(['taken down', 'listed']);
  });
  it('of a revision for what is not there is refused', async () => {
    const service = await start();
    const { lines } = await done(
      service,
      (await send(service, 'r', { action: 'revise', key: 'k7', draft: false, changes: {}, offers: [], gone: [] }))
        .receipt,
    );
    expect(lines[0]).toMatchObject({ outcome: 'refused', reasons: [{ text: 'There is no such listing to revise.' }] });
  });
  it('whose pictures cannot be had at first is looked at again; one that never comes is refused', async () => {
    const service = await start();
    troubles = 2;
    expect((await done(service, (await send(service, 'p', list(listing('k1')))).receipt)).lines[0]!.outcome).toBe(
      'listed',
    );
    const gone = listing('k2', { pictures: ['http://127.0.0.1:1/none.png'] });
    expect((await done(service, (await send(service, 'q', list(gone))).receipt)).lines[0]!.reasons[0]!.text).toBe(
      'Picture 1 cannot be fetched.',
    );
  });
  it('that is none is turned away with the place', async () => {
    const service = await start();
    const answer = await post(service, '/own-shop/submissions', {
      key: 'x',
      messages: [{ action: 'list', key: 'k1', draft: false, listing: { ...listing('k1'), offers: 'none' } }],
    });
    expect(answer.status).toBe(400);
    expect(((await answer.json()) as { text: string }).text).toContain('messages.0.listing.offers');
    expect((await post(service, '/own-shop/submissions', '{"key": ')).status).toBe(400);
    expect((await post(service, '/nowhere/submissions', { key: 'x', messages: [] })).status).toBe(404);
    const form = new FormData();
    form.set('key', 'no-file');
    expect((await fetch(`${service.url}/quayside/uploads`, { method: 'POST', body: form })).status).toBe(400);
  });
});

describe("a channel's mood", () => {
  const set = (service: RunningService, mood: string, times?: number) =>
    post(service, '/control', { channel: 'own-shop', mood, ...(times ? { times } : {}) });
  it('is busy or ill for as many requests as it was told, then well', async () => {
    const service = await start();
    for (const [mood, status] of [
      ['busy', 429],
      ['ill', 500],
    ] as const) {
      await set(service, mood, 2);
      const asked = async () => (await post(service, '/own-shop/submissions', { key: mood, messages: [] })).status;
      expect([await asked(), await asked(), await asked()]).toEqual([status, status, 202]);
    }
  });
  it('cut: breaks the line after it took the submission, so that sending again must not list twice', async () => {
    const service = await start();
    await set(service, 'cut', 1);
    await expect(send(service, 'cut-1', list(listing('k1')))).rejects.toThrow();
    const { lines } = await done(service, (await send(service, 'cut-1', list(listing('k1')))).receipt);
    expect(lines[0]!.outcome).toBe('listed');
  });
  it('that nobody knows is refused', async () => {
    const service = await start();
    expect((await set(service, 'sleepy')).status).toBe(400);
    expect((await post(service, '/control', { channel: 'nowhere', mood: 'well' })).status).toBe(404);
  });
});

describe('what a channel holds', () => {
  it('outlives the service, and what waited is worked after', async () => {
    const file = join(folder, 'held.json');
    const first = await start(file, 60);
    await done(first, (await send(first, 'a', list(listing('k1')))).receipt);
    const { receipt } = await send(first, 'b', list(listing('k2')));
    await first.close();
    const second = await start(file);
    expect((await done(second, receipt)).lines[0]!.outcome).toBe('listed');
    expect((await held(second)).map((one) => one.goods.key).sort()).toEqual(['k1', 'k2']);
  });
  it('is shown on its front page as text', async () => {
    const service = await start();
    await done(
      service,
      (await send(service, 'a', list(listing('k1', { fields: { ...listing('k1').fields, Name: '<b>Coat</b>' } }))))
        .receipt,
    );
    const page = await (await fetch(service.url)).text();
    expect(page).toContain('&lt;b&gt;Coat&lt;/b&gt;');
    expect(page).toContain('2 children');
  });
});
