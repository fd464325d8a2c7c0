/** Pictures by the hundred, over HTTP and on a real database: brought, matched, settled, put in place, taken back; and what is no picture. */
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api, makeChange, type Arrival, type BodyOf, type PictureIntake } from '@loom-kin/contract';
import type { Family } from '@loom-kin/core/family';
import { picturesAt } from '@loom-kin/core/pictures';
import { drawnGoods, formOf, smallWeb, zipOf, type SmallWeb } from './pictures';
import { sellerIn } from './shop';
import { startWorld, until, type World } from './world';

let world: World;
let web: SmallWeb;
const SWATCHES: Record<string, string> = {
  Rust: '#A4502B',
  Spruce: '#24483C',
  Midnight: '#1B2540',
  Ochre: '#C58A1C',
  Cream: '#F3EAD3',
};

beforeAll(async () => {
  world = await startWorld({ fetchFrom: '127.0.0.1' });
  web = await smallWeb(await drawnGoods('#A4502B').png().toBuffer());
});
afterAll(async () => {
  await web?.close();
  await world?.end();
});

async function start(name: string, styleCode: string, colours: readonly string[], sizes = ['S', 'M']): Promise<string> {
  const family = {
    fields: { name, styleCode, brand: 'Skerry Supply', category: 'outerwear/jackets' },
    axes: [
      {
        role: 'colour' as const,
        label: 'Colour',
        values: colours.map((label) => ({ label, swatch: SWATCHES[label] })),
      },
      { role: 'size' as const, label: 'Size', values: sizes.map((label) => ({ label })) },
    ],
  };
  const { started } = await makeChange(world.call, [{ on: 'start', family, skus: true }]);
  return started[0]!;
}
const familyOf = async (id: string) => (await world.call(api.family, { params: { id } })).family;
async function ended(id: string): Promise<PictureIntake> {
  await until(
    () => world.call(api.job, { params: { id } }),
    (job) => job.state !== 'running',
    60,
  );
  return world.call(api.pictureIntake, { params: { id } });
}
const bring = async (form: FormData, family?: string) => {
  const { id } = await world.call(api.bringPictures, { form, query: family ? { family } : {} });
  return ended(id);
};
const place = (id: string, body: { at?: number[]; how?: 'behind' | 'instead' } = {}) =>
  world.call(api.placePictures, { params: { id }, body: { key: crypto.randomUUID(), ...body } });
const shownOn = (family: Family) =>
  Object.fromEntries(family.axes[0]!.values.map((value) => [value.label, picturesAt(value).length]));
const problems = (arrivals: readonly Arrival[]) =>
  Object.fromEntries(arrivals.flatMap((one) => (one.problem ? [[one.path, one.problem]] : [])));

describe('a zip of 60 pictures in three manners', () => {
  let ids: string[];
  let intake: PictureIntake;
  beforeAll(async () => {
    ids = [
      await start('Storm jacket', 'SKJ', ['Rust', 'Spruce', 'Midnight', 'Ochre']),
      await start('Harbour smock', 'HBS', ['Rust', 'Midnight', 'Cream']),
      await start('Wool blanket', 'WBL-20', ['Spruce', 'Ochre', 'Cream']),
    ];
    const files: [string, Buffer][] = [];
    const add = async (path: string, colour: string) =>
      files.push([path, await drawnGoods(SWATCHES[colour]!, files.length, { side: 160 }).png().toBuffer()]);
    for (const colour of ['Rust', 'Spruce', 'Midnight', 'Ochre'])
      for (const angle of ['front', 'back', 'side', 'detail', 'worn'])
        await add(`shoot/SKJ-${colour}-${angle}.png`, colour);
    // One word cut short, one spelled amiss.
    for (const [word, colour] of [
      ['Rust', 'Rust'],
      ['mdn', 'Midnight'],
      ['Craem', 'Cream'],
    ] as const)
      for (let n = 1; n <= 7; n++) await add(`harbour smock/${word}/${n}.png`, colour);
    // Two of them by number alone: their colour says it.
    for (const colour of ['Spruce', 'Ochre'])
      for (let n = 1; n <= 7; n++) await add(`WoolBlanket${colour}0${n}.png`, colour);
    for (let n = 1; n <= 5; n++) await add(`WBL-20_9${n}.png`, 'Cream');
    expect(files).toHaveLength(60);
    intake = await bring(formOf(['pictures.zip', await zipOf(files)]));
  }, 300_000);

  it('lands on the right values of three families with at most five questions', () => {
    expect(problems(intake.arrivals)).toEqual({});
    const asked = new Set(intake.arrivals.flatMap((one) => one.match!.question ?? []));
    expect(asked.size).toBeGreaterThan(0);
    expect(asked.size).toBeLessThanOrEqual(5);
    expect(intake.arrivals.filter((one) => one.match!.familyId === null)).toEqual([]);
    // What is asked is proposed rightly: accepting everything is right.
    const blanket = intake.arrivals.filter((one) => one.path.startsWith('WBL-20'));
    expect(blanket.map((one) => one.match!.asks)).toEqual(
      blanket.map(() => 'Their names tell no option. Do they belong to Cream, as their colour says?'),
    );
  });
  it('is settled, put in place as one change over all families, and taken back as one', async () => {
    const { job, arrivals } = intake;
    const doubtful = arrivals.filter((one) => one.match!.confidence === 'doubtful');
    const settle = doubtful.map((one) => ({
      at: [one.at],
      to: { familyId: one.match!.familyId!, place: one.match!.place! },
    }));
    await world.call(api.settlePictures, { params: { id: job.id }, body: { settle } });
    const done = await place(job.id);
    expect(done.placed).toBe(60);
    const [jacket, smock, blanket] = await Promise.all(ids.map(familyOf));
    expect(shownOn(jacket!)).toEqual({ Rust: 5, Spruce: 5, Midnight: 5, Ochre: 5 });
    expect(shownOn(smock!)).toEqual({ Rust: 7, Midnight: 7, Cream: 7 });
    expect(shownOn(blanket!)).toEqual({ Spruce: 7, Ochre: 7, Cream: 5 });
    // By angle: the front is the main one.
    const main = jacket!.axes[0]!.values[0]!.pictures[0];
    expect(arrivals.find((one) => one.picture!.id === main)!.path).toBe('shoot/SKJ-Rust-front.png');
    const again = await world.call(api.pictureIntake, { params: { id: job.id } });
    expect(again.arrivals.every((one) => one.isThere)).toBe(true);
    // A second time there is nothing to do.
    expect(await place(job.id)).toMatchObject({ id: null });
    await world.call(api.undo, { params: { id: done.id! }, body: { key: crypto.randomUUID() } });
    expect(shownOn(await familyOf(ids[0]!))).toEqual({ Rust: 0, Spruce: 0, Midnight: 0, Ochre: 0 });
  });
  it('what is settled otherwise goes there, what is left out nowhere, and others can stand in its stead', async () => {
    const { job, arrivals } = intake;
    const value = (n: number) => ({ level: 'value' as const, axisId: 'a1', valueId: `v${n}` });
    const jacket = await familyOf(ids[0]!);
    const [rust, spruce] = jacket.axes[0]!.values;
    const to = { familyId: ids[0]!, place: { ...value(1), axisId: jacket.axes[0]!.id, valueId: spruce!.id } };
    const settle = [
      { at: [0], to },
      { at: [1], to: 'left-out' as const },
    ];
    await world.call(api.settlePictures, { params: { id: job.id }, body: { settle } });
    await place(job.id, { at: [0, 1, 2], how: 'instead' });
    const after = await familyOf(ids[0]!);
    expect(picturesAt(after.axes[0]!.values[0]!)).toEqual([arrivals[2]!.picture!.id]);
    expect(picturesAt(after.axes[0]!.values[1]!)).toEqual([arrivals[0]!.picture!.id]);
    expect(rust!.label).toBe('Rust');
  });
});

describe('what is no picture, too much, or points elsewhere', () => {
  it('is told by its name, and the rest goes on', async () => {
    const good = await drawnGoods('#A4502B', 3).png().toBuffer();
    const jpeg = await drawnGoods('#A4502B', 4, { side: 600 }).jpeg().toBuffer();
    const huge = Buffer.from(await drawnGoods('#A4502B', 5).png().toBuffer());
    huge.writeUInt32BE(60_000, 16);
    huge.writeUInt32BE(60_000, 20);
    // The check sum of the header has to be right, or it is no picture at all (PNG specification, 5.4).
    huge.writeUInt32BE(crc32(huge.subarray(12, 29)), 29);
    const svg = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>');
    const files: [string, Buffer][] = [
      ['good.png', good],
      ['cut.jpg', jpeg.subarray(0, jpeg.length / 3)],
      ['huge.png', huge],
      ['drawing.svg', svg],
      ['text.png', Buffer.from('no picture')],
      ['inner.zip', await zipOf([['a.png', good]])],
      ['__MACOSX/._good.png', Buffer.from('litter')],
      ['XX/out.png', good],
      ['last.png', await drawnGoods('#24483C', 6).png().toBuffer()],
    ];
    // The same length, so that the archive stays whole.
    const zip = Buffer.from((await zipOf(files)).toString('latin1').replaceAll('XX/out.png', '../out.png'), 'latin1');
    const { arrivals } = await bring(formOf(['mixed.zip', zip]));
    expect(arrivals.filter((one) => one.picture).map((one) => one.path)).toEqual(['good.png', 'last.png']);
    expect(problems(arrivals)).toEqual({
      'cut.jpg': expect.stringContaining('cut.jpg is no picture'),
      'huge.png': expect.stringContaining('huge.png'),
      'drawing.svg': expect.stringContaining('drawing.svg is no picture'),
      'text.png': expect.stringContaining('text.png is no picture'),
      'inner.zip': expect.stringContaining('archive within an archive'),
      '../out.png': expect.stringContaining('points out of the archive'),
    });
  });
  it('an archive that was cut off or grows too large costs itself alone', async () => {
    const good = await drawnGoods('#A4502B', 7).png().toBuffer();
    const zip = await zipOf([['a.png', good]]);
    const bomb = await zipOf([
      ['zeros.png', Buffer.alloc(30 * 1024 * 1024)],
      ['b.png', good],
    ]);
    const { arrivals } = await bring(
      formOf(['cut.zip', zip.subarray(0, zip.length - 30)], ['bomb.zip', bomb], ['Spruce.png', good]),
    );
    expect(problems(arrivals)).toEqual({
      'cut.zip': expect.stringContaining('cut.zip is damaged'),
      'zeros.png': expect.stringContaining('more than 25 MB'),
    });
    expect(arrivals.filter((one) => one.picture).map((one) => one.path)).toEqual(['b.png', 'Spruce.png']);
  });
  it('addresses are fetched where they lead to a picture, never inward, never without an end', async () => {
    const addresses = [
      '/SKJ-rust-front.png',
      '/moved.png',
      '/page.html',
      '/nothing.png',
      '/inward.png',
      '/round.png',
      '/endless.png',
    ].map((path) => web.url + path);
    const others = [
      'http://127.0.0.2/x.png',
      'http://[::1]/x.png',
      'http://169.254.169.254/latest',
      'http://localhost.localdomain.example/x.png',
      'file:///etc/passwd',
      'http://2130706434/x.png',
    ];
    const { id } = await world.call(api.fetchPictures, { body: { addresses: [...addresses, ...others] } });
    const { arrivals } = await ended(id);
    expect(arrivals.filter((one) => one.picture).map((one) => one.path)).toEqual([addresses[0], addresses[1]]);
    const said = problems(arrivals);
    expect(Object.entries(said).map(([path, text]) => text.replace(path, '…'))).toEqual([
      '… is a text/html, no picture. Take the address of the picture itself.',
      '… answered 404: there is no picture.',
      '… lies within a network that is not open to all; only public addresses are fetched.',
      '… leads on from one address to another without an end.',
      expect.stringContaining('more than 25 MB'),
      expect.stringContaining('not open to all'),
      expect.stringContaining('not open to all'),
      expect.stringContaining('not open to all'),
      expect.stringContaining('cannot be reached'),
      expect.stringContaining('no address on the web'),
      expect.stringContaining('not open to all'),
    ]);
    expect(web.poured()).toBeLessThan(40 * 1024 * 1024);
  });
});

describe('taking in', () => {
  it('goes on where it was after the process was killed, each picture once', async () => {
    const files: [string, Buffer][] = [];
    for (let n = 0; n < 40; n++)
      files.push([`k${n}.jpg`, await drawnGoods('#5B6B3A', n, { side: 900 }).jpeg().toBuffer()]);
    const { id } = await world.call(api.bringPictures, { form: formOf(['many.zip', await zipOf(files)]), query: {} });
    await until(
      () => world.call(api.pictureIntake, { params: { id } }),
      (one) => one.arrivals.length > 3,
    );
    await world.killServer();
    await world.startServer();
    const { arrivals, job } = await ended(id);
    expect([job.state, arrivals.length, new Set(arrivals.map((one) => one.path)).size]).toEqual(['done', 40, 40]);
  });
  it('is stopped and gone on with, and put away', async () => {
    const files: [string, Buffer][] = [];
    for (let n = 0; n < 30; n++)
      files.push([`s${n}.jpg`, await drawnGoods('#5B6B3A', n, { side: 900 }).jpeg().toBuffer()]);
    const { id } = await world.call(api.bringPictures, { form: formOf(['more.zip', await zipOf(files)]), query: {} });
    await world.call(api.stopJob, { params: { id } });
    await world.call(api.resumeJob, { params: { id } });
    expect((await ended(id)).arrivals).toHaveLength(30);
    await world.call(api.putAwayPictures, { params: { id } });
    expect((await world.call(api.pictureIntakes)).map((one) => one.job.id)).not.toContain(id);
  });
});

describe('a picture made of another', () => {
  it('is cut, turned and put on a white square; the one before stays', async () => {
    const bytes = await sharp({ create: { width: 80, height: 40, channels: 3, background: '#224466' } })
      .png()
      .toBuffer();
    const [taken] = await world.call(api.addPictures, { form: formOf(['wide.png', bytes]) });
    const { id } = taken!.picture!;
    const edit = (body: BodyOf<typeof api.editPicture>) => world.call(api.editPicture, { params: { id }, body });
    expect(await edit({ turn: 90 })).toMatchObject({ width: 40, height: 80, madeOf: id });
    expect(await edit({ crop: { left: 0.5, top: 0, width: 0.5, height: 1 } })).toMatchObject({ width: 40, height: 40 });
    const square = await edit({ square: true });
    expect(square).toMatchObject({ width: 80, height: 80, madeOf: id });
    const pixels = await sharp(Buffer.from(await (await fetch(`${world.url}/pictures/${square.id}`)).arrayBuffer()))
      .removeAlpha()
      .raw()
      .toBuffer();
    expect([...pixels.subarray(0, 3)]).toEqual([255, 255, 255]);
    const middle = (40 * 80 + 40) * 3;
    expect([...pixels.subarray(middle, middle + 3)]).toEqual([0x22, 0x44, 0x66]);
  });
});

describe('pictures that nobody uses', () => {
  it('are found and cleared away on request; what undo could bring back is told apart, what is used stays', async () => {
    const id = await start('Tin mug', 'TIN', ['Rust', 'Spruce']);
    const taken = await world.call(api.addPictures, {
      form: formOf(
        ...(await Promise.all(
          ['#101010', '#202020', '#303030'].map(async (c, n): Promise<[string, Buffer]> => [
            `u${n}.png`,
            await drawnGoods(c, n + 40)
              .png()
              .toBuffer(),
          ]),
        )),
      ),
    });
    const [used, removed, free] = taken.map((one) => one.picture!.id) as [string, string, string];
    const set = async (pictures: string[]) => {
      const { revision } = await familyOf(id);
      const command = { do: 'setPictures' as const, place: { level: 'family' as const }, pictures };
      await makeChange(world.call, [{ on: 'family', familyId: id, revision, command }]);
    };
    await set([used, removed]);
    await set([used]);
    const found = await world.call(api.unusedPictures);
    const idsOf = (list: { id: string }[]) => list.map((one) => one.id);
    expect(idsOf(found.free)).toContain(free);
    expect(idsOf(found.free)).not.toContain(removed);
    expect(idsOf(found.remembered)).toContain(removed);
    const { cleared, bytes } = await world.call(api.clearPictures, { body: { ids: [free, used] } });
    expect([cleared, bytes > 0]).toEqual([1, true]);
    const status = async (one: string) => (await fetch(`${world.url}/pictures/${one}`)).status;
    expect([await status(free), await status(used), await status(removed)]).toEqual([404, 200, 200]);
  });
});

describe('pictures of a database of before', () => {
  it('are looked at once by themselves', async () => {
    const [taken] = await world.call(api.addPictures, {
      form: formOf(['old.png', await drawnGoods('#3F5C83', 77).png().toBuffer()]),
    });
    await world.killServer();
    const database = new Sqlite(join(world.folder, 'loom-kin.db'));
    database.prepare("UPDATE pictures SET facts = json_remove(facts, '$.look')").run();
    database.close();
    await world.startServer();
    const seen = async () => (await world.call(api.unusedPictures)).free.find((one) => one.id === taken!.picture!.id)!;
    const { look } = await until(seen, (one) => one.look !== undefined, 60);
    expect(look).toEqual(taken!.picture!.look);
  });
});

describe('what is said of a picture', () => {
  it('goes to the channel that takes it: the seller’s text, else one made of name, option and angle', async () => {
    const seller = sellerIn(() => world);
    const coat = await seller.shopFamily({ name: 'Pier coat' });
    const [rust, spruce] = coat.family.axes[0]!.values;
    const taken = await world.call(api.addPictures, {
      form: formOf(
        ['pier-rust-back.png', await drawnGoods('#A4502B', 91).png().toBuffer()],
        ['pier-spruce.png', await drawnGoods('#24483C', 92).png().toBuffer()],
      ),
    });
    const [one, two] = taken.map(({ picture }) => picture!.id) as [string, string];
    const at = (valueId: string) => ({ level: 'value' as const, axisId: coat.family.axes[0]!.id, valueId });
    await seller.run(await seller.fresh(coat), {
      do: 'batch',
      title: 'Pictures',
      commands: [
        { do: 'setPictures', place: at(rust!.id), pictures: [one] },
        { do: 'setPictures', place: at(spruce!.id), pictures: [two] },
        { do: 'describePictures', notes: [{ picture: two, text: { language: 'en', text: 'A green coat on a pier' } }] },
      ],
    });
    const sent = await seller.ended((await seller.send([coat.family.id], ['own-shop'])).id);
    expect(sent.lines.map((line) => line.reasons)).toEqual([[]]);
    const [held] = (await world.held('own-shop')) as unknown as {
      goods: { pictureTexts: { picture: string; text: string }[] };
    }[];
    const said = held!.goods.pictureTexts.map(({ picture, text }) => [picture.slice(-24), text]);
    expect(said).toContainEqual([one, 'Pier coat, Rust, back']);
    expect(said).toContainEqual([two, 'A green coat on a pier']);
    const page = await (await fetch(sent.lines[0]!.page!)).text();
    expect(page).toContain('A green coat on a pier');
  });
});

/** The check sum of PNG and zip (ISO 3309). */
function crc32(bytes: Uint8Array): number {
  let crc = 0xffffffff;
  for (const byte of bytes) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit++) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
  }
  return (crc ^ 0xffffffff) >>> 0;
}
