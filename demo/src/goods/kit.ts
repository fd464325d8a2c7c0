/** What a family of the demo seller is written with: its colours, its sizes, what all of its goods share. */
import type { Role } from '@loom-kin/core/family';
import type { Figure } from '../draw';

export interface DemoFamily {
  figure: Figure;
  fields: Record<string, string | number | boolean | string[]>;
  axes: { role: Role; label: string; values: { label: string; code?: string; swatch?: string }[] }[];
  off?: string[][];
  /** Figures on values: value label → field → figure. */
  onValues?: Record<string, Record<string, string | number>>;
  /** Figures for one account alone. */
  onAccounts?: Record<string, Record<string, string>>;
  /** Field → its text in German, and value → its label. */
  inGerman?: Record<string, string | string[]>;
  labelsInGerman?: Record<string, string>;
  /** Values that get no picture, to show what is missing. */
  withoutPicture?: string[];
  gtins: boolean;
  /** Labels of a child, parted by a point → the number its maker gave it; the others take theirs from the block. */
  numbers?: Record<string, string>;
  /** Pieces of every child, counted round. */
  pieces: number[];
  /** Pieces of the first children that stand in the shed besides. */
  inShed?: number[];
}

const C = {
  rust: { label: 'Rust', code: 'RST', swatch: '#A4502B' },
  spruce: { label: 'Spruce', code: 'SPR', swatch: '#24483C' },
  midnight: { label: 'Midnight', code: 'MID', swatch: '#1B2540' },
  ochre: { label: 'Ochre', code: 'OCH', swatch: '#C58A1C' },
  granite: { label: 'Granite', code: 'GRN', swatch: '#7B7F80' },
  kelp: { label: 'Kelp', code: 'KLP', swatch: '#4C5325' },
  chalk: { label: 'Chalk', code: 'CHK', swatch: '#F1EFE7' },
  kingfisher: { label: 'Kingfisher', code: 'KGF', swatch: '#0E7FA6' },
  signal: { label: 'Signal', code: 'SIG', swatch: '#F2641D' },
  madder: { label: 'Madder', code: 'MAD', swatch: '#A9362B' },
  oat: { label: 'Oat', code: 'OAT', swatch: '#DDD0B4' },
};
export const sizes = (...labels: string[]) => ({
  role: 'size' as const,
  label: 'Size',
  values: labels.map((label) => ({ label, ...(/^[A-Z]+$/.test(label) ? { code: label } : {}) })),
});
export const colours = (...values: (keyof typeof C)[]) => ({
  role: 'colour' as const,
  label: 'Colour',
  values: values.map((key) => C[key]),
});
export const base = { brand: 'Skerry Supply', maker: 'Skerry Supply', condition: 'new', madeIn: 'Norrhavn' };
/** Size → centimetres from collar to hem, as figures on values. */
export const garmentLengths = (lengths: Record<string, number>) =>
  Object.fromEntries(Object.entries(lengths).map(([label, cm]) => [label, { garmentLength: cm }]));
export const withLengths = (lengths: Record<string, number>, others: Record<string, Record<string, string | number>>) =>
  Object.fromEntries(
    Object.entries(garmentLengths(lengths)).map(([label, length]) => [label, { ...length, ...others[label] }]),
  );
export const points = (...list: string[]) => list;
