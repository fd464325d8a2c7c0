/** A look at the pixels of a picture: small copies of it, each of the size that is looked at. */
import sharp, { type ResizeOptions } from 'sharp';
import { HASHED_SIDE, type PictureLook, type Pixels, blurOf, goodsIn, perceptualHash } from '@loom-kin/core/pictures';
import { fromRaw, type Raw } from './raw';

/** Goods and ground are told apart on so many pixels a side, blur is seen on no more than so many along the longer one. */
const GOODS_SIDE = 96;
const BLUR_SIDE = 1200;
const BORDER_SIDE = 64;

/** What is seen in a picture, and whether its border is white. */
export async function lookAt(raw: Raw): Promise<{ look: PictureLook; whiteBackground: boolean }> {
  const grey = brightness(raw);
  const [small, border, bright, hashed] = await Promise.all([
    inColour(raw, { width: GOODS_SIDE, height: GOODS_SIDE, fit: 'fill' }),
    inColour(raw, { width: BORDER_SIDE, height: BORDER_SIDE, fit: 'fill', kernel: 'nearest' }),
    inHalves(grey),
    inGrey(grey, { width: HASHED_SIDE, height: HASHED_SIDE, fit: 'fill' }),
  ]);
  const { colours, ground, goods } = goodsIn(small);
  const round = (share: number) => Math.round(share * 1000) / 1000;
  const look = {
    colours: colours.map(({ colour, share }) => ({ colour, share: round(share) })),
    ground,
    goods: round(goods),
    blur: round(blurOf(bright)),
    hash: perceptualHash(hashed),
  };
  return { look, whiteBackground: hasWhiteBorder(border) };
}

async function inColour(raw: Raw, size: ResizeOptions): Promise<Pixels> {
  const whole = raw.channels === 4 ? fromRaw(raw).flatten({ background: '#FFFFFF' }) : fromRaw(raw);
  const { data, info } = await whole.resize(size).raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, channels: 3, data };
}

async function inGrey({ data, width, height }: Pixels, size: ResizeOptions): Promise<Pixels> {
  const made = sharp(data, { raw: { width, height, channels: 1 } })
    .resize(size)
    .toColourspace('b-w');
  const { data: small, info } = await made.raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, channels: 1, data: small };
}

/** Halved until it is no larger than what blur is seen on: the mean of four pixels each time. */
function inHalves(pixels: Pixels): Pixels {
  if (Math.max(pixels.width, pixels.height) <= BLUR_SIDE) return pixels;
  const [width, height] = [pixels.width >> 1, pixels.height >> 1];
  const half = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) {
    const above = 2 * y * pixels.width;
    const below = above + pixels.width;
    for (let x = 0; x < width; x++) {
      const [a, b] = [above + 2 * x, below + 2 * x];
      half[y * width + x] = (pixels.data[a]! + pixels.data[a + 1]! + pixels.data[b]! + pixels.data[b + 1]! + 2) >> 2;
    }
  }
  return inHalves({ width, height, channels: 1, data: half });
}

/** How bright each pixel is (ITU-R BT.601), on white where it can be seen through. */
function brightness({ data, width, height, channels }: Raw): Pixels {
  const grey = new Uint8Array(width * height);
  for (let at = 0, from = 0; at < grey.length; at++, from += channels) {
    const bright = (data[from]! * 299 + data[from + 1]! * 587 + data[from + 2]! * 114) / 1000;
    grey[at] = channels === 4 ? 255 + ((bright - 255) * data[from + 3]!) / 255 : bright;
  }
  return { width, height, channels: 1, data: grey };
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
