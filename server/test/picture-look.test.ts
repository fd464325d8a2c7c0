/** What is seen in pictures, against other libraries and against pictures whose truth is known. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { diff, rgb_to_lab } from 'color-diff';
import sharp, { type Sharp } from 'sharp';
import phash from 'sharp-phash';
import { afterAll, describe, expect, it } from 'vitest';
import { colourDifference } from '@loom-kin/core/colour';
import { type PictureLook, hashDistance } from '@loom-kin/core/pictures';
import { drawCombined } from '../src/pictures/drawCombined';
import { keepFile } from '../src/pictures/keepPicture';
import { lookAt } from '../src/pictures/lookAt';
import { pictureFile } from '../src/pictures/pictureFiles';
import { readRaw } from '../src/pictures/raw';

const folder = mkdtempSync(join(tmpdir(), 'loom-kin-look-'));
afterAll(() => rmSync(folder, { recursive: true }));

/** Shapes at random places: no two seeds look alike. */
function drawing(seed: number, colour: string, ground = '#FFFFFF', side = 500): Sharp {
  let state = seed * 7919 + 17;
  const next = (n: number) => (state = (state * 1103515245 + 12345) % 2147483648) % n;
  const shapes = Array.from(
    { length: 7 },
    () => `<rect x="${15 + next(50)}" y="${15 + next(50)}" width="${8 + next(24)}" height="${8 + next(24)}"/>`,
  );
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${side}" height="${side}" viewBox="0 0 100 100"><g fill="${colour}">${shapes.join('')}</g></svg>`;
  return sharp({ create: { width: side, height: side, channels: 3, background: ground } }).composite([
    { input: Buffer.from(svg) },
  ]);
}
async function seen(picture: Sharp | Buffer): Promise<PictureLook & { whiteBackground: boolean }> {
  const bytes = Buffer.isBuffer(picture) ? picture : await picture.png().toBuffer();
  const { look, whiteBackground } = await lookAt(await readRaw(bytes, 'a.png'));
  return { ...look, whiteBackground };
}

const hex = (...rgb: number[]) => `#${rgb.map((one) => one.toString(16).padStart(2, '0')).join('')}`.toUpperCase();

describe('the difference of colours', () => {
  it('is what another library says it is (CIEDE2000)', () => {
    const lab = ([R, G, B]: number[]) => rgb_to_lab({ R: R!, G: G!, B: B! });
    const apart = Array.from({ length: 500 }, () => {
      const [a, b] = [0, 1].map(() => [0, 1, 2].map(() => Math.floor(Math.random() * 256))) as [number[], number[]];
      return Math.abs(colourDifference(hex(...a), hex(...b)) - diff(lab(a), lab(b)));
    });
    // Between opposite hues the formula jumps (Sharma, Wu and Dalal 2005): a rounding decides there on which side of it one stands, once in 20,000 pairs.
    expect(apart.filter((one) => one >= 0.1).length).toBeLessThanOrEqual(3);
  });
});

describe('goods and ground', () => {
  it.each([
    ['#A4502B', '#FFFFFF', true],
    ['#1B2540', '#FFFFFF', true],
    ['#24483C', '#D9D4C8', false],
    ['#C58A1C', '#2C2F33', false],
  ])('%s on %s: the colour of the goods, not of the ground', async (colour, ground, isWhite) => {
    const look = await seen(drawing(3, colour, ground));
    expect(colourDifference(look.colours[0]!.colour, colour)).toBeLessThan(6);
    expect(look.colours[0]!.share).toBeGreaterThan(0.7);
    expect(colourDifference(look.ground!, ground)).toBeLessThan(4);
    expect(look.whiteBackground).toBe(isWhite);
    // What another library takes for the main colour of all is the ground's, which fills more.
    const { dominant } = await sharp(await drawing(3, colour, ground).png().toBuffer()).stats();
    expect(look.goods).toBeLessThan(0.5);
    expect(colourDifference(hex(dominant.r, dominant.g, dominant.b), ground)).toBeLessThan(12);
  });
  it('goods of two colours have both, the larger first', async () => {
    const half = await sharp({ create: { width: 200, height: 300, channels: 3, background: '#A4502B' } })
      .png()
      .toBuffer();
    const part = await sharp({ create: { width: 100, height: 300, channels: 3, background: '#1B2540' } })
      .png()
      .toBuffer();
    const both = sharp({ create: { width: 500, height: 500, channels: 3, background: '#FFFFFF' } }).composite([
      { input: half, left: 80, top: 100 },
      { input: part, left: 280, top: 100 },
    ]);
    const { colours } = await seen(both);
    expect(colours.map((one) => Math.round(one.share * 3))).toEqual([2, 1]);
    expect(colourDifference(colours[1]!.colour, '#1B2540')).toBeLessThan(4);
  });
  it('a picture without an even ground shows what lies in its middle', async () => {
    const noise = sharp({
      create: {
        width: 400,
        height: 400,
        channels: 3,
        background: '#888',
        noise: { type: 'gaussian', mean: 128, sigma: 90 },
      },
    });
    const middle = await sharp({ create: { width: 240, height: 240, channels: 3, background: '#1F4EA3' } })
      .png()
      .toBuffer();
    const look = await seen(noise.composite([{ input: middle, left: 80, top: 80 }]));
    expect(look.ground).toBeNull();
    expect(colourDifference(look.colours[0]!.colour, '#1F4EA3')).toBeLessThan(5);
  });
});

describe('the perceptual hash', () => {
  it('is near for the same picture in other sizes and formats, and far for another, as another library’s is', async () => {
    for (let seed = 1; seed <= 8; seed++) {
      const picture = await drawing(seed, '#24483C').png().toBuffer();
      const same = [
        await sharp(picture).resize(180).png().toBuffer(),
        await sharp(picture).jpeg({ quality: 40 }).toBuffer(),
        await sharp(picture).blur(1.2).webp().toBuffer(),
      ];
      const other = await drawing(seed + 20, '#24483C')
        .png()
        .toBuffer();
      const { hash } = await seen(picture);
      const theirs = await phash(picture);
      const apart = (a: string, b: string) => [...a].filter((bit, at) => bit !== b[at]).length;
      for (const one of same) {
        expect(hashDistance(hash, (await seen(one)).hash)).toBeLessThanOrEqual(0.01);
        expect(apart(theirs, await phash(one))).toBeLessThanOrEqual(6);
      }
      expect(hashDistance(hash, (await seen(other)).hash)).toBeGreaterThan(0.12);
      expect(apart(theirs, await phash(other))).toBeGreaterThan(8);
    }
  });
});

describe('blur', () => {
  it('grows as a picture is blurred, whatever is on it', async () => {
    for (const seed of [1, 2, 3]) {
      const sharpOne = await drawing(seed, '#1B2540', '#FFFFFF', 1000).png().toBuffer();
      const blurs = [(await seen(sharpOne)).blur];
      for (const sigma of [1.5, 3, 6])
        blurs.push((await seen(await sharp(sharpOne).blur(sigma).png().toBuffer())).blur);
      expect(blurs).toEqual(blurs.toSorted((a, b) => a - b));
      expect(blurs[0]!).toBeLessThan(0.5);
      expect(blurs[3]!).toBeGreaterThan(0.76);
    }
  });
});

describe('pictures that the camera laid on their side', () => {
  // Exif 2.32 (CIPA DC-008), orientation 1 to 8: where the first row and the first column of the pixels lie.
  const UPRIGHT: Record<number, (picture: Sharp) => Sharp> = {
    1: (picture) => picture,
    2: (picture) => picture.flop(),
    3: (picture) => picture.rotate(180),
    4: (picture) => picture.flip(),
    5: (picture) => picture.rotate(270).flop(),
    6: (picture) => picture.rotate(270),
    7: (picture) => picture.rotate(90).flop(),
    8: (picture) => picture.rotate(90),
  };
  it.each([1, 2, 3, 4, 5, 6, 7, 8])('orientation %i is seen as a person sees it', async (orientation) => {
    // Four corners of four colours.
    const corner = (background: string) =>
      sharp({ create: { width: 30, height: 20, channels: 3, background } })
        .png()
        .toBuffer();
    const upright = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#000' } })
      .composite([
        { input: await corner('#ff0000'), left: 0, top: 0 },
        { input: await corner('#00ff00'), left: 30, top: 0 },
        { input: await corner('#0000ff'), left: 0, top: 20 },
        { input: await corner('#ffffff'), left: 30, top: 20 },
      ])
      .png()
      .toBuffer();
    const laid = await sharp(await UPRIGHT[orientation]!(sharp(upright)).png().toBuffer())
      .png()
      .withMetadata({ orientation })
      .toBuffer();
    const raw = await readRaw(laid, 'laid.png');
    expect([raw.width, raw.height]).toEqual([60, 40]);
    const at = (x: number, y: number) => [
      ...raw.data.subarray((y * 60 + x) * raw.channels, (y * 60 + x) * raw.channels + 3),
    ];
    expect([at(5, 5), at(55, 5), at(5, 35), at(55, 35)]).toEqual([
      [255, 0, 0],
      [0, 255, 0],
      [0, 0, 255],
      [255, 255, 255],
    ]);
  });
});

describe('pictures of several options on one', () => {
  it('show each in its place with its name below, and letters are explained', async () => {
    const colours = ['#A4502B', '#24483C', '#1B2540', '#C58A1C', '#F3EAD3'];
    const parts: { picture: string; label: string; letter: string }[] = [];
    for (const [at, colour] of colours.entries()) {
      const { id } = await keepFile(
        folder,
        `${at}.png`,
        await sharp({ create: { width: 90, height: 90, channels: 3, background: colour } })
          .png()
          .toBuffer(),
      );
      parts.push({ picture: id, label: `Option ${at + 1}`, letter: 'ABCDE'[at]! });
    }
    const drawn = async (labels: 'names' | 'letters') => {
      const id = (labels === 'names' ? 'a' : 'b').repeat(24);
      await drawCombined(folder, id, { labels, parts });
      const { data, info } = await sharp(join(folder, pictureFile(folder, id, 'full')!))
        .removeAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true });
      return {
        info,
        at: (x: number, y: number) => hex(...data.subarray((y * info.width + x) * 3, (y * info.width + x) * 3 + 3)),
        data,
      };
    };
    const named = await drawn('names');
    expect([named.info.width, named.info.height]).toEqual([1600, 1600]);
    // Three in a row: the middles of the five cells.
    expect([
      named.at(270, 370),
      named.at(800, 370),
      named.at(1330, 370),
      named.at(270, 1150),
      named.at(800, 1150),
    ]).toEqual(colours);
    expect(named.at(1330, 1150)).toBe('#FFFFFF');
    const ink = ({ data, info }: typeof named, from: number, to: number) => {
      let dark = 0;
      for (let at = from * info.width * 3; at < to * info.width * 3; at += 3)
        if (data[at]! < 60 && data[at + 1]! < 70 && data[at + 2]! < 60) dark += 1;
      return dark;
    };
    expect(ink(named, 700, 800)).toBeGreaterThan(500);
    // The last lines explain the letters.
    expect(ink(named, 1530, 1600)).toBeLessThan(ink(await drawn('letters'), 1500, 1600));
  });
});
