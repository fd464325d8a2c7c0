/** A thousand pictures in a zip, taken in, looked at and matched, beside bare unpacking and bare decoding; the trays of a family with many. */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import sharp from 'sharp';
import { openPromise } from 'yauzl';
import { endpoints as api, makeChange } from '@loom-kin/contract';
import { picturesAt } from '@loom-kin/core/pictures';
import { launchBrowser } from '../../e2e/browser/launch';
import { drawnGoods, formOf, zipOf } from '../../e2e/pictures';
import { startWorld, until, type World } from '../../e2e/world';
import { spread, type Figure } from './measure';

const PICTURES = 1000;
const FAMILIES = 25;
const SIDE = 800;
const COLOURS = { Rust: '#A4502B', Spruce: '#24483C', Midnight: '#1B2540', Ochre: '#C58A1C' };
const ANGLES = ['front', 'back', 'side', 'detail', 'worn'];
/** Pictures are worked on two at a time, as the program does on a machine of two cores. */
const AT_A_TIME = 2;

export async function pictureFigures(folder: string): Promise<Figure[]> {
  const world = await startWorld();
  try {
    const ids = await startFamilies(world);
    const zip = await archive(folder);
    const unpacking = await taken(() => unpackAll(zip));
    const decoding = await taken(async () => decodeAll(await unpackAll(zip)));
    const before = memoryOf(world);
    const peak = watchMemory(world);
    let intake = '';
    const taking = await taken(async () => {
      const { id } = await world.call(api.bringPictures, { form: formOf(['many.zip', readFileSync(zip)]), query: {} });
      intake = id;
      await until(
        () => world.call(api.job, { params: { id } }),
        (job) => job.state !== 'running',
        600,
      );
    });
    const most = peak();
    let found = await world.call(api.pictureIntake, { params: { id: intake } });
    const reading: number[] = [];
    for (let at = 0; at < 7; at++)
      reading.push(
        await taken(async () => void (found = await world.call(api.pictureIntake, { params: { id: intake } }))),
      );
    const sure = found.arrivals.filter((one) => one.match?.confidence === 'sure').length;
    const placing = await taken(() =>
      world.call(api.placePictures, { params: { id: intake }, body: { key: crypto.randomUUID() } }),
    );
    console.log(
      `\nPictures: ${found.arrivals.length} taken in, ${sure} sure of their place; the server held ${before} MB before and ${most} MB at most`,
    );
    const one = (what: string, median: number, baseline: string, base: number, budget: string): Figure => ({
      what,
      median,
      p95: median,
      baseline,
      ratio: median / base,
      budget,
    });
    return [
      one(`${PICTURES} pictures unpacked bare`, unpacking, 'bare unpacking', unpacking, '–'),
      one(`${PICTURES} pictures unpacked, decoded, made small bare`, decoding, 'bare unpacking', unpacking, '–'),
      one(`${PICTURES} pictures taken in, looked at, kept`, taking, 'bare decoding', decoding, '–'),
      {
        what: `${PICTURES} pictures matched and told`,
        ...spread(reading),
        baseline: 'bare unpacking',
        ratio: spread(reading).median / unpacking,
        budget: '–',
      },
      one(`${PICTURES} pictures put in place in ${FAMILIES} families`, placing, 'bare unpacking', unpacking, '–'),
      await scrolling(world, ids[0]!),
    ];
  } finally {
    await world.end();
  }
}

async function taken(work: () => Promise<unknown>): Promise<number> {
  const began = performance.now();
  await work();
  return performance.now() - began;
}

async function startFamilies(world: World): Promise<string[]> {
  const ids: string[] = [];
  for (let at = 0; at < FAMILIES; at++) {
    const axes = [
      {
        role: 'colour' as const,
        label: 'Colour',
        values: Object.entries(COLOURS).map(([label, swatch]) => ({ label, swatch })),
      },
    ];
    const fields = { name: `Bench jacket ${at}`, styleCode: `BJ${100 + at}`, category: 'outerwear/jackets' };
    const { started } = await makeChange(world.call, [{ on: 'start', family: { axes, fields, off: [] } }]);
    ids.push(started[0]!);
  }
  return ids;
}

async function archive(folder: string): Promise<string> {
  const colours = Object.entries(COLOURS);
  const files: [string, Buffer][] = [];
  for (let at = 0; at < PICTURES; at++) {
    const [label, colour] = colours[at % colours.length]!;
    const round = Math.floor(at / colours.length);
    const name = `BJ${100 + (round % FAMILIES)}-${label}-${ANGLES[Math.floor(round / FAMILIES) % ANGLES.length]}-${at}.jpg`;
    files.push([
      name,
      await drawnGoods(colour, at, { side: SIDE + (at % 60) })
        .jpeg()
        .toBuffer(),
    ]);
  }
  const path = join(folder, 'pictures.zip');
  writeFileSync(path, await zipOf(files));
  return path;
}

async function unpackAll(path: string): Promise<Buffer[]> {
  const zip = await openPromise(path, { lazyEntries: true });
  const all: Buffer[] = [];
  for await (const entry of zip.eachEntry()) all.push(await buffer(await zip.openReadStreamPromise(entry)));
  return all;
}

/** Decoded, kept anew and made small, with nothing looked at and nothing written. */
async function decodeAll(pictures: readonly Buffer[]): Promise<void> {
  const before = sharp.concurrency();
  sharp.concurrency(1);
  const waiting = [...pictures];
  const work = async () => {
    for (let one = waiting.pop(); one; one = waiting.pop()) {
      const { data, info } = await sharp(one).rotate().raw().toBuffer({ resolveWithObject: true });
      const raw = { raw: { width: info.width, height: info.height, channels: info.channels } } as const;
      await sharp(data, raw).jpeg({ quality: 92 }).toBuffer();
      await sharp(data, raw).resize(240, 240, { fit: 'inside' }).webp({ quality: 80, effort: 1 }).toBuffer();
    }
  };
  await Promise.all(Array.from({ length: AT_A_TIME }, work));
  sharp.concurrency(before);
}

/** What the server's process holds, in megabytes; it is known by the folder of its data. */
function memoryOf(world: World): number {
  for (const id of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    try {
      const isServer = readFileSync(`/proc/${id}/cmdline`, 'utf8').includes('server/');
      if (!isServer || !readFileSync(`/proc/${id}/environ`, 'utf8').includes(world.folder)) continue;
      return Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${id}/status`, 'utf8'))?.[1] ?? 0) / 1024);
    } catch {
      // A process that ended meanwhile, or somebody else's.
    }
  }
  return 0;
}

function watchMemory(world: World): () => number {
  let most = 0;
  const timer = setInterval(() => (most = Math.max(most, memoryOf(world))), 500);
  return () => {
    clearInterval(timer);
    return most;
  };
}

/** Frames while the trays of a family with 200 pictures are scrolled from top to bottom. */
async function scrolling(world: World, familyId: string): Promise<Figure> {
  const all = await world.call(api.listFamilies, { query: { limit: 60 } });
  const pictures: string[] = [];
  for (const { id } of all.families) {
    const { family } = await world.call(api.family, { params: { id } });
    pictures.push(...family.axes.flatMap((axis) => axis.values.flatMap((value) => picturesAt(value))));
  }
  const { family } = await world.call(api.family, { params: { id: familyId } });
  const [axis] = family.axes;
  const commands = axis!.values.map((value, at) => ({
    do: 'setPictures' as const,
    place: { level: 'value' as const, axisId: axis!.id, valueId: value.id },
    pictures: pictures.slice(at * 50, at * 50 + 50),
  }));
  await makeChange(world.call, [
    { on: 'family', familyId, revision: family.revision, command: { do: 'batch', title: 'Many', commands } },
  ]);
  const browser = await launchBrowser();
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${world.url}/families/${familyId}/pictures`);
    await page.locator('.picture img').first().waitFor();
    const frames = await page.evaluate(`(async () => {
      const body = document.querySelector('[data-test=pictures] > .body');
      const frame = () => new Promise((drawn) => requestAnimationFrame(drawn));
      await frame();
      const taken = [];
      for (let step = 0; step < 120; step++) {
        const began = performance.now();
        body.scrollTop += 24;
        await frame();
        taken.push(performance.now() - began);
      }
      return taken;
    })()`);
    const seen = spread(frames as number[]);
    return {
      what: '200 pictures in trays, scrolled: a frame',
      ...seen,
      baseline: 'a frame of 60 a second',
      ratio: seen.median / (1000 / 60),
      budget: '1 frame',
    };
  } finally {
    await browser.close();
  }
}
