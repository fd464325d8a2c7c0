/** Lists whose rows are several children: sizes across the columns, or values listed in cells. */
import { SIZES, type Chance, type Family } from './messyGoods';
import type { Line, Sheet } from './messySheet';

/** Colours are known words: what nobody knows might be one colour of two words. */
export function linesSheet(
  by: Chance,
  families: Family[],
  header: (key: string) => string,
  isByColour: boolean,
): Sheet {
  const between = by.pick([', ', '; ', ' | ', '/', ' / ']);
  // Of colours a stroke may part the two of one.
  const betweenColours = between === '/' ? ', ' : between;
  const several = by.pick([true, true, false]);
  const shown = families.map((family): Family => {
    const colours = [...new Set(family.children.map((child) => child.at[0]!.value))].filter(
      (one) => !one.includes('/'),
    );
    const sizes = [...new Set(family.children.map((child) => child.at[1]!.value))];
    const listed = sizes.length > 2 ? sizes : [...sizes, ...LONGER.filter((one) => !sizes.includes(one))];
    const rows = isByColour ? colours : [colours.join(betweenColours)];
    return {
      ...family,
      children: rows.map((value) => ({
        at: [
          { role: 'colour', value },
          { role: 'size', value: listed.join(between) },
        ],
        sku: '',
        gtin: '',
      })),
      axes: colours.length > 1 ? ['colour', 'size'] : ['size'],
    };
  });
  const lines: Line[] = shown.flatMap((family, at) =>
    family.children.map((child): Line => ({
      cells: [family.style, family.name, child.at[0]!.value, child.at[1]!.value, family.price],
      family: at,
    })),
  );
  const heads = several
    ? by.pick([
        ['Colours', 'Sizes'],
        ['Farben', 'Größen'],
        ['Colourways', 'Sizes available'],
      ])
    : [header('colour'), header('size')];
  return { headers: [[header('style'), header('name'), ...heads, header('price')]], lines, families: shown };
}
/** What follows the sizes of a family that has two. */
const LONGER = ['3XL', '4XL'];

export function acrossSheet(by: Chance, families: Family[], header: (key: string) => string, isTwo: boolean): Sheet {
  const sizes = by.pick([SIZES[0]!, SIZES[1]!, SIZES[2]!]);
  const shown = families.map((family): Family => {
    const colours = [...new Set(family.children.map((child) => child.at[0]!.value))];
    return {
      ...family,
      children: colours.map((value) => ({ at: [{ role: 'colour', value }], sku: '', gtin: '' })),
      axes: colours.length > 1 ? ['colour', 'size'] : ['size'],
    };
  });
  const lines: Line[] = shown.flatMap((family, at) =>
    family.children.map((child): Line => ({
      cells: [
        family.style,
        family.name,
        child.at[0]!.value,
        ...sizes.map((_, place) => (place < 2 || by.likely(0.8) ? String(by.int(40)) : '')),
        family.price,
      ],
      family: at,
    })),
  );
  const head = [header('style'), header('name'), header('colour'), ...sizes, header('price')];
  if (!isTwo) return { headers: [head], lines, families: shown };
  const captions = ['', '', '', header('size'), ...sizes.slice(1).map(() => ''), ''];
  return { headers: [captions, head], lines, families: shown };
}
