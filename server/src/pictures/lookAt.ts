/** A look at the pixels of a picture: small copies of it, each of the size that is looked at. */
import type { ResizeOptions } from 'sharp';
import { blurOf, goodsIn, HASHED_SIDE, perceptualHash, type PictureLook, type Pixels } from '@loom-kin/core';
import { fromRaw, type Raw } from './raw';

/** Goods and ground are told apart on so many pixels a side, blur is seen on so many along the longer one. */
const GOODS_SIDE = 96;
const BLUR_SIDE = 800;
const BORDER_SIDE = 64;

/** What is seen in a picture, and whether its border is white. */
export async function lookAt(raw: Raw): Promise<{ look: PictureLook; whiteBackground: boolean }> {
  const [small, border, bright, hashed] = await Promise.all([
    pixels(raw, 3, { width: GOODS_SIDE, height: GOODS_SIDE, fit: 'fill' }),
    pixels(raw, 3, { width: BORDER_SIDE, height: BORDER_SIDE, fit: 'fill', kernel: 'nearest' }),
    pixels(raw, 1, { width: BLUR_SIDE, height: BLUR_SIDE, fit: 'inside', withoutEnlargement: true }),
    pixels(raw, 1, { width: HASHED_SIDE, height: HASHED_SIDE, fit: 'fill' }),
  ]);
  const { colours, ground, goods } = goodsIn(small);
  const round = (share: number) => Math.round(share * 1000) / 1000;
  const look = {
    colours: colours.map(({ colour, share }) => ({ colour, share: round(share) })),
    ...{ ground, goods: round(goods), blur: round(blurOf(bright)), hash: perceptualHash(hashed) },
  };
  return { look, whiteBackground: hasWhiteBorder(border) };
}

async function pixels(raw: Raw, channels: 1 | 3, size: ResizeOptions): Promise<Pixels> {
  const flat = fromRaw(raw).flatten({ background: '#FFFFFF' }).resize(size);
  const made = channels === 1 ? flat.greyscale().toColourspace('b-w') : flat;
  const { data, info } = await made.raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, channels, data };
}

/** Whether the outermost pixels are white: at least 98 of 100 within 12 of pure white. */
function hasWhiteBorder({ width, height, data }: Pixels): boolean {
  let white = 0;
  let seen = 0;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      if (x > 0 && y > 0 && x < width - 1 && y < height - 1) continue;
      seen += 1;
      const at = (y * width + x) * 3;
      if (data[at]! > 243 && data[at + 1]! > 243 && data[at + 2]! > 243) white += 1;
    }
  }
  return white / seen >= 0.98;
}
