/** Words as outlines, in the typeface that ships with the program: what is drawn looks alike on every machine, whatever is installed there. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import opentype, { type Font } from 'opentype.js';

const SUBSETS = ['latin', 'latin-ext', 'cyrillic-ext'];
const resolve = createRequire(import.meta.url).resolve;

let fonts: Font[] | undefined;
function readFonts(): Font[] {
  return (fonts ??= SUBSETS.map((subset) => {
    const file = readFileSync(resolve(`@fontsource/hanken-grotesk/files/hanken-grotesk-${subset}-600-normal.woff`));
    return opentype.parse(file.buffer.slice(file.byteOffset, file.byteOffset + file.length) as ArrayBuffer);
  }));
}

export interface Lettering {
  /** Outlines as the `d` of an SVG path, on a base line at `y`. */
  path(x: number, y: number): string;
  width: number;
}

/** A text of some size, cut short with three dots where it would be wider than it may; null where the typeface lacks its letters. */
export function lettering(text: string, size: number, widest: number): Lettering | null {
  const whole = set(text, size);
  if (!whole || whole.width <= widest) return whole;
  for (let length = text.length - 1; length > 0; length--) {
    const short = set(`${text.slice(0, length).trimEnd()}…`, size);
    if (short && short.width <= widest) return short;
  }
  return whole;
}

function set(text: string, size: number): Lettering | null {
  // Letter by letter: the typeface's own ligatures are not needed here.
  const glyphs = [...text].map((letter) => {
    const font = readFonts().find((one) => one.charToGlyphIndex(letter) > 0);
    return font ? { glyph: font.charToGlyph(letter), scale: size / font.unitsPerEm } : null;
  });
  if (glyphs.length === 0 || glyphs.includes(null)) return null;
  const known = glyphs.flatMap((one) => one ?? []);
  const width = known.reduce((sum, { glyph, scale }) => sum + (glyph.advanceWidth ?? 0) * scale, 0);
  return {
    width,
    path(x, y) {
      let at = x;
      return known
        .map(({ glyph, scale }) => {
          const d = glyph.getPath(at, y, size).toPathData(1);
          at += (glyph.advanceWidth ?? 0) * scale;
          return d;
        })
        .join('');
    },
  };
}
