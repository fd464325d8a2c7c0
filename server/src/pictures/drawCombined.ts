/** Pictures of several options put on one, drawn when somebody asks for them. */
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp, { type OverlayOptions } from 'sharp';
import { COMBINED_SIDE, type Combined } from '@loom-kin/core/pictures';
import { lettering } from './lettering';
import { pictureFile, putPictureFile } from './pictureFiles';

const SMALL_SIDE = 240;
const GAP = 24;
const INK = '#14211C';

/** Draws a combined picture on white: its parts in rows, each with its name or letter, the letters explained below. */
export async function drawCombined(folder: string, id: string, combined: Combined): Promise<void> {
  const { parts, labels } = combined;
  const columns = Math.ceil(Math.sqrt(parts.length));
  const rows = Math.ceil(parts.length / columns);
  const legend = labels === 'letters' ? legendLines(combined) : [];
  const legendHeight = legend.length * 58 + (legend.length > 0 ? GAP : 0);
  const cell = {
    width: (COMBINED_SIDE - GAP * (columns + 1)) / columns,
    height: (COMBINED_SIDE - legendHeight - GAP * (rows + 1)) / rows,
  };
  const size = Math.max(30, Math.min(60, cell.width / 9));
  const band = size * 1.6;
  const layers: OverlayOptions[] = [];
  let outlines = '';
  for (const [at, part] of parts.entries()) {
    const left = GAP + (at % columns) * (cell.width + GAP);
    const top = GAP + Math.floor(at / columns) * (cell.height + GAP);
    const room = { width: Math.floor(cell.width), height: Math.floor(cell.height - band) };
    const file = pictureFile(folder, part.picture, 'full');
    if (!file) throw new Error(`the picture ${part.picture} is gone`);
    const input = await sharp(await readFile(join(folder, file)))
      .flatten({ background: '#FFFFFF' })
      .resize({ ...room, fit: 'contain', background: '#FFFFFF' })
      .png()
      .toBuffer();
    layers.push({ input, left: Math.round(left), top: Math.round(top) });
    const said =
      (labels === 'letters' ? null : lettering(part.label, size, cell.width)) ??
      lettering(part.letter || String(at + 1), size, cell.width);
    if (said) outlines += said.path(left + (cell.width - said.width) / 2, top + cell.height - band * 0.3);
  }
  legend.forEach((line, at) => {
    const said = lettering(line, 38, COMBINED_SIDE - 2 * GAP);
    if (said) outlines += said.path(GAP, COMBINED_SIDE - legendHeight + GAP + (at + 0.7) * 58);
  });
  const drawn = `<svg xmlns="http://www.w3.org/2000/svg" width="${COMBINED_SIDE}" height="${COMBINED_SIDE}"><path fill="${INK}" d="${outlines}"/></svg>`;
  const whole = await sharp({
    create: { width: COMBINED_SIDE, height: COMBINED_SIDE, channels: 3, background: '#FFFFFF' },
  })
    .composite([...layers, { input: Buffer.from(drawn) }])
    .png()
    .toBuffer();
  putPictureFile(folder, id, 'small.webp', await sharp(whole).resize(SMALL_SIDE).webp({ quality: 80 }).toBuffer());
  putPictureFile(folder, id, 'png', whole);
}

/** "A  Rust    B  Deep Spruce", as many in a line as fit. */
function legendLines({ parts }: Combined): string[] {
  const lines: string[] = [];
  for (const part of parts) {
    const text = `${part.letter}  ${part.label}`;
    const longer = lines.length > 0 ? `${lines.at(-1)}     ${text}` : text;
    const width = lettering(longer, 38, Infinity)?.width ?? Infinity;
    if (lines.length > 0 && width <= COMBINED_SIDE - 2 * GAP) lines[lines.length - 1] = longer;
    else lines.push(text);
  }
  return lines;
}
