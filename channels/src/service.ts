/** The stand-in service: plays all channels at one address. */
import { readFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import express, { type Request, type Response } from 'express';
import multer from 'multer';
import { z } from 'zod';
import { playedOf, type PlayedChannel } from './checks';
import { Counter } from './counter';
import { asShown, entriesFor, entriesOf } from './entries';
import { EntrySchema } from './entryShape';
import { MessageSchema } from './goods';
import { PictureDesk } from './look';
import { buyersPage, frontPage } from './pages/page';
import { whereSoldOn } from './pages/together';
import { titleOf } from './pages/words';
import { approvalStates } from './approvals';
import { shelfName, shelfOwner, Shelves } from './shelves';

/**
 * How a channel may feel: well; slow to work; busy (429); ill (500); cut off before it can answer, though it took the
 * submission.
 */
export const MOODS = ['well', 'slow', 'busy', 'ill', 'cut'] as const;
const ControlSchema = z.object({
  channel: z.string(),
  mood: z.enum(MOODS).default('well'),
  /** For how many requests; for ever when left out. */
  times: z.coerce.number().int().min(1).optional(),
  delay: z.coerce.number().int().min(0).max(3_600_000).optional(),
  /** Publishes an edition of its rules. */
  edition: z.coerce.number().int().min(1).max(9).optional(),
  /** Sellers who ask to be let in are refused from now on. */
  refuses: z.boolean().optional(),
  /** Somebody else brings goods: the channel has entries for them from now on. */
  entries: z.array(EntrySchema).max(1000).optional(),
});

export interface ServiceOptions {
  port: number;
  /** Where what the channels hold is kept; null: in memory. */
  file: string | null;
  /** Milliseconds a submission waits. */
  delay: number;
  /** Ids of the channels that are played, with commas between them; all where it is left out. */
  only?: string | undefined;
}

export interface RunningService {
  url: string;
  close(): Promise<void>;
}

export async function startChannels(options: ServiceOptions): Promise<RunningService> {
  const onStage = playedOf(options.only);
  const shelves = new Shelves(options.file);
  const desk = new PictureDesk();
  const state = new Map(
    onStage.map((channel) => [
      channel.id,
      { mood: 'well' as (typeof MOODS)[number], times: Infinity, delay: options.delay, refuses: false },
    ]),
  );
  let url = '';
  const counter = new Counter({
    shelves,
    lookAt: desk.lookAt,
    editionOf: (channel) => editionOf(channel),
    delayOf: (channel) => state.get(channel)!.delay + (state.get(channel)!.mood === 'slow' ? 10_000 : 0),
    pageOf: (channel, key) =>
      `${url}/${channel.id}/pages/${encodeURIComponent(key)}${accountQuery(channel.forAccount)}`,
  });
  const app = express();
  app.disable('x-powered-by');
  app.use(onlyHere);
  app.use(express.json({ limit: '30mb' }), express.urlencoded({ extended: false }));
  const sheet = multer({ storage: multer.memoryStorage(), limits: { fileSize: 30_000_000, files: 1 } }).single('file');

  const shelfOf = (channel: PlayedChannel) => shelves.of(shelfName(channel.id, channel.forAccount));
  const editionOf = (channel: string) => shelves.of(channel).edition ?? 1;
  /** What all accounts hold on a channel. */
  const shelfEntries = (channel: string) =>
    shelves
      .names()
      .map((name) => ({ name, ...shelfOwner(name) }))
      .filter((owner) => owner.channel === channel)
      .flatMap(({ name, account }) => Object.values(shelves.of(name).held).map((held) => ({ ...held, account })));
  const played = (request: Request): PlayedChannel => {
    const channel = onStage.find((one) => one.id === request.params.channel);
    if (!channel) throw new NotThere();
    const account = AccountSchema.safeParse(request.query.account);
    return account.success && account.data ? { ...channel, forAccount: account.data } : channel;
  };
  /** Lets the channel's mood act; true when the request is answered by it already. */
  const moody = (channel: PlayedChannel, response: Response): boolean => {
    const now = state.get(channel.id)!;
    const { mood } = now;
    if (mood !== 'well' && mood !== 'slow' && --now.times <= 0) now.mood = 'well';
    if (mood === 'busy') response.status(429).json({ text: 'Too many requests.' });
    else if (mood === 'ill') response.status(500).json({ text: 'A fault inside.' });
    else if (mood === 'cut') response.socket?.destroy();
    return mood === 'busy' || mood === 'ill' || mood === 'cut';
  };

  app.get('/channels', (_request, response) => void response.json(onStage.map((channel) => channel.id)));
  app.get(
    '/:channel/rulebook',
    (request, response) =>
      void response
        .type('json')
        .send(readFileSync(rulebookFile(played(request).id, editionOf(played(request).id)), 'utf8')),
  );
  app.get('/:channel/account', (request, response) => {
    const channel = played(request);
    const approvals = approvalStates(shelfOf(channel), Date.now(), state.get(channel.id)!.delay);
    response.json({ ...channel.account, approvals });
  });
  app.post('/:channel/entries', (request, response) => {
    const channel = played(request);
    const { gtins } = z.object({ gtins: z.array(z.string().max(20)).max(1000) }).parse(request.body);
    if (!moody(channel, response)) response.json({ entries: entriesFor(entriesOf(channel, shelves), gtins) });
  });
  app.post('/:channel/approvals', (request, response) => {
    const channel = played(request);
    const { category } = z.object({ category: z.string().max(200) }).parse(request.body);
    if (moody(channel, response)) return;
    if (!channel.closed?.includes(category))
      return void response.status(400).json({ text: 'Nobody has to ask there.' });
    const { refuses } = state.get(channel.id)!;
    (shelfOf(channel).approvals ??= {})[category] = { asked: Date.now(), ...(refuses ? { refused: true } : {}) };
    shelves.keep();
    response.status(202).json({ state: 'waiting' });
  });

  app.post('/:channel/submissions', (request, response) => {
    const channel = played(request);
    const read = z
      .object({ key: z.string().min(1).max(300), messages: z.array(MessageSchema).max(2000) })
      .safeParse(request.body);
    if (!read.success)
      return void response.status(400).json({
        text: `This is no submission: ${read.error.issues[0]?.path.join('.')} ${read.error.issues[0]?.message}`,
      });
    const cut = state.get(channel.id)!.mood === 'cut';
    const receipt =
      cut || state.get(channel.id)!.mood === 'well' || state.get(channel.id)!.mood === 'slow'
        ? counter.take(
            channel,
            read.data.key,
            read.data.messages.map((message) => ({ message, reasons: [] })),
          )
        : '';
    if (!moody(channel, response)) response.status(202).json({ receipt });
  });
  app.post('/:channel/uploads', sheet, async (request, response) => {
    const channel = played(request);
    const key = z
      .string()
      .min(1)
      .max(300)
      .safeParse((request.body as { key?: unknown }).key);
    if (!request.file || !key.success || !channel.readSheet)
      return void response.status(400).json({ text: 'An upload needs a file and a key.' });
    const { mood } = state.get(channel.id)!;
    let receipt = '';
    if (mood !== 'busy' && mood !== 'ill')
      receipt = counter.take(channel, key.data, await channel.readSheet(request.file.buffer));
    if (!moody(channel, response)) response.status(202).json({ receipt });
  });
  app.get('/:channel/receipts/:id', (request, response) => {
    const channel = played(request);
    if (moody(channel, response)) return;
    const receipt = counter.receipt(channel, String(request.params.id));
    if (!receipt) throw new NotThere();
    response.json(receipt);
  });
  app.get(
    '/:channel/listings',
    (request, response) => void response.json(Object.values(shelfOf(played(request)).held)),
  );
  app.get('/:channel/pages/:key', async (request, response) => {
    const channel = played(request);
    const held = shelfOf(channel).held[String(request.params.key)];
    if (!held) throw new NotThere();
    const { goods } = held;
    const addresses = [
      ...goods.pictures,
      ...goods.offers.flatMap((offer) => offer.pictures ?? []),
      ...goods.axes.flatMap((axis) => axis.options.flatMap((option) => option.pictures ?? [])),
    ];
    await Promise.all([...new Set(addresses)].map((address) => desk.lookAt(address)));
    const shown = { ...held, goods: asShown(goods, entriesOf(channel, shelves)) };
    const whereSold = whereSoldOn(shelfOf(channel), `/${channel.id}/pages/`);
    response.type('html').send(buyersPage(channel, shown, url + request.path, whereSold));
  });
  app.get('/copies/:name.png', (request, response) => {
    const copy = desk.copyNamed(String(request.params.name));
    if (!copy) throw new NotThere();
    response.type('png').send(copy);
  });
  app.post('/control', (request, response) => {
    const { channel, mood, times, delay, edition, refuses, entries } = ControlSchema.parse(request.body);
    const now = state.get(channel);
    if (!now) throw new NotThere();
    Object.assign(now, { mood, times: times ?? Infinity, delay: delay ?? now.delay, refuses: refuses ?? now.refuses });
    if (edition) publish(channel, edition);
    if (entries) {
      (shelves.of(channel).entries ??= []).push(...entries);
      shelves.keep();
    }
    if (request.is('urlencoded')) response.redirect('/');
    else response.json({ ok: true });
  });
  function publish(channel: string, edition: number): void {
    const { editions = 1 } = onStage.find((one) => one.id === channel)!;
    if (edition > editions) throw new NotThere();
    shelves.of(channel).edition = edition;
    shelves.keep();
  }
  app.get('/', (_request, response) => {
    response.type('html').send(
      frontPage(
        onStage.map((channel) => ({
          id: channel.id,
          name: channel.name,
          mood: state.get(channel.id)!.mood,
          edition: editionOf(channel.id),
          editions: channel.editions ?? 1,
          listings: shelfEntries(channel.id).map(({ goods, draft, account }) => ({
            account,
            key: goods.key,
            title: titleOf(goods),
            children: goods.offers.length,
            draft,
          })),
        })),
        MOODS,
      ),
    );
  });
  app.use((error: unknown, _request: Request, response: Response, _next: express.NextFunction) => {
    if (response.headersSent) return;
    const unreadable = error instanceof z.ZodError || (error as { type?: string }).type === 'entity.parse.failed';
    response
      .status(error instanceof NotThere ? 404 : unreadable ? 400 : 500)
      .json({ text: error instanceof NotThere ? 'Not there.' : 'This cannot be worked.' });
  });

  const server = await new Promise<Server>((resolve, reject) => {
    const listening = app.listen(options.port, '127.0.0.1', (error?: Error) =>
      error ? reject(error) : resolve(listening),
    );
  });
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  counter.resume(onStage);
  return {
    url,
    close: async () => {
      counter.stop();
      server.closeAllConnections();
      await new Promise((done) => server.close(done));
    },
  };
}

class NotThere extends Error {}

/** Where an edition of a channel's rules stands. */
const rulebookFile = (channel: string, edition: number) =>
  new URL(`../rulebooks/${channel}${edition > 1 ? `.${edition}` : ''}.json`, import.meta.url);

const AccountSchema = z.string().regex(/^[a-z][a-z0-9-]{0,59}$/);
const accountQuery = (account: string | undefined) => (account ? `?account=${account}` : '');

/** Only this machine, and no page of another site. */
function onlyHere(request: Request, response: Response, next: express.NextFunction): void {
  const { host = '', origin } = request.headers;
  const isLocal = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/.test(host);
  if (isLocal && (origin === undefined || origin === `http://${host}`)) next();
  else response.status(403).json({ text: 'Only for this machine.' });
}

/** The file in a data folder where the channels keep what they hold. */
export const shelvesFile = (folder: string): string => join(folder, 'channels.json');
