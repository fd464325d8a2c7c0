/** Label sheets, read back by other libraries: the PDF is drawn by pdf.js, its bar codes are read by ZXing. */
import { createCanvas } from '@napi-rs/canvas';
import {
  BinaryBitmap,
  DecodeHintType,
  HybridBinarizer,
  MultiFormatOneDReader,
  RGBLuminanceSource,
} from '@zxing/library';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { describe, expect, it } from 'vitest';
import { createFamily, runCommand } from '@loom-kin/core/change';
import { type Family, familyIndex } from '@loom-kin/core/family';
import { LABEL_SHEETS, planLabels, symbolOf, symbolWidth } from '@loom-kin/core/labels';
import { emptyRegistry, openRegistry } from '@loom-kin/core/registry';
import { LabelOrderSchema } from '@loom-kin/contract';
import { writeLabels } from '../src/labels/writeLabels';

const registry = openRegistry(emptyRegistry());
/** EAN-13, UPC-A and EAN-8: numbers of the GS1 General Specifications and of handbooks, their check digits proven elsewhere. */
const NUMBERS = ['4006381333931', '9501101530003', '036000291452', '96385074', '9501017400001'];

function family(): Family {
  const bare = createFamily(registry, {
    id: 'klabels',
    fields: { name: 'Skerry storm jacket, lined, for the worst of days', price: '189.00' },
    axes: [{ role: 'size', label: 'Size', values: NUMBERS.map((_, at) => ({ label: `${at + 1}` })) }],
    off: [],
  });
  const changes = familyIndex(bare).woven.flatMap(({ id }, at) => [
    { place: { level: 'child' as const, childId: id }, key: 'gtin', figure: NUMBERS[at]! },
    { place: { level: 'child' as const, childId: id }, key: 'sku', figure: `SKJ-${at}` },
  ]);
  return runCommand(registry, bare, { do: 'setFigures', changes }).family;
}
const jacket = family();
const ids = familyIndex(jacket).woven.map(({ id }) => id);
const order = (more: object) => LabelOrderSchema.parse({ childIds: ids, sheet: 'a4x24', ...more });
const write = (more: object, stock: Record<string, number> = {}) =>
  writeLabels({ family: jacket, stock, currency: 'EUR' }, order(more));

/** Dots to a millimetre: 300 to an inch. */
const DOTS = 300 / 25.4;

/** The numbers that are read on a page, where labels of a sheet stand. */
async function readBack(pdf: Uint8Array, sheet: keyof typeof LABEL_SHEETS, pageNumber = 1): Promise<string[]> {
  const document = await getDocument({ data: new Uint8Array(pdf), useSystemFonts: false }).promise;
  const page = await document.getPage(pageNumber);
  const viewport = page.getViewport({ scale: 300 / 72 });
  const canvas = createCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height));
  const context = canvas.getContext('2d');
  context.fillStyle = '#ffffff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  await page.render({ canvasContext: context as never, viewport }).promise;
  const { sheet: plan } = LABEL_SHEETS[sheet];
  const found: string[] = [];
  for (let place = 0; place < plan.columns * plan.rows; place++) {
    const x = Math.round((plan.margin.left + (place % plan.columns) * plan.step.x) * DOTS);
    const y = Math.round((plan.margin.top + Math.floor(place / plan.columns) * plan.step.y) * DOTS);
    const [width, height] = [plan.label.width, plan.label.height].map((side) => Math.floor(side * DOTS)) as [
      number,
      number,
    ];
    const { data } = context.getImageData(x, y, width, height);
    const grey = new Uint8ClampedArray(width * height).map((_, at) => data[at * 4 + 1]!);
    try {
      const bitmap = new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(grey, width, height)));
      found.push(new MultiFormatOneDReader(new Map([[DecodeHintType.TRY_HARDER, true]])).decode(bitmap).getText());
    } catch {
      // An empty label.
    }
  }
  return found;
}

describe('a sheet of labels', () => {
  it.each([
    ['a4x24', 100],
    ['a4x40', 80],
    ['a4x8', 200],
    ['letterx30', 100],
  ] as const)('on %s at %i percent is read by another library as it was written', async (sheet, percent) => {
    const read = await readBack(await write({ sheet, percent }), sheet);
    expect(read).toEqual(NUMBERS);
  });

  it('begins where a sheet is free, and prints as many as there are pieces', async () => {
    const stock = { [ids[0]!]: 2, [ids[1]!]: 1 };
    const pdf = await write({ start: 23, copies: 'stock' }, stock);
    expect(await readBack(pdf, 'a4x24', 1)).toEqual([NUMBERS[0], NUMBERS[0]]);
    expect(await readBack(pdf, 'a4x24', 2)).toEqual([NUMBERS[1]]);
  });

  it('is refused where nothing can be printed, or the symbol would not fit with the white beside it', async () => {
    await expect(write({ copies: 'stock' })).rejects.toThrow('a piece to be labelled');
    await expect(write({ sheet: 'roll50', percent: 200 })).rejects.toThrow('from 80 % to 126 % fits');
    expect(() => planLabels(LABEL_SHEETS.a4x24.sheet, [{ gtin: '14006381333938', copies: 1 }], 100)).toThrow('case');
  });
});

describe('symbols', () => {
  it('have the sizes of the GS1 General Specifications, section 5.2 (from memory)', () => {
    // Nominal widths with quiet zones: EAN-13 37.29 mm, UPC-A 37.29 mm, EAN-8 26.73 mm.
    const widths = ['4006381333931', '036000291452', '96385074'].map((gtin) =>
      symbolWidth(symbolOf(gtin)!, 100).toFixed(2),
    );
    expect(widths).toEqual(['37.29', '37.29', '26.73']);
    expect(symbolOf('0036000291452')!.kind).toBe('UPC-A');
    expect(symbolOf('14006381333938')).toBeNull();
  });
});
