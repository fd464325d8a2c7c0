/** How suppliers lay their lists out: one way for each kind. */
import type { Role } from '@loom-kin/core/family';
import { acrossSheet, linesSheet } from './rowsOfSeveral';
import type { Line, Sheet } from './messySheet';
import { BESIDE, gtinOf, HEADERS, SPELLED, type Chance, type Child, type Family, type Shape } from './messyGoods';

const spelled = (by: Chance, { role, value }: { role: Role; value: string }): string => {
  if (role === 'size' && SPELLED[value] && by.likely(0.25)) return by.pick(SPELLED[value]!);
  if (role === 'colour' && by.likely(0.15))
    return by.pick([value.toUpperCase(), value.toLowerCase(), value.replace('Grey', 'Gray')]);
  return value;
};

type Layout = (by: Chance, families: Family[], header: (key: string) => string) => Sheet;

const rolesOf = (families: readonly Family[]): Role[] => [
  ...new Set(families.flatMap((family) => family.children[0]!.at.map(({ role }) => role))),
];

/** With a number and a price, goods beside among them. */
function nameLayout(nameOf: (by: Chance, family: Family, child: Child) => string, withBrand = false): Layout {
  return (by, families, header) => {
    const lines: Line[] = families.flatMap((family, at) =>
      family.children.map((child): Line => ({
        cells: [
          child.sku,
          nameOf(by, family, child),
          ...(withBrand ? [family.brand] : []),
          child.gtin,
          family.price,
          String(by.int(60)),
        ],
        family: at,
      })),
    );
    for (const family of by.some(families, 3))
      lines.push({
        cells: [
          `${family.style}X-1`,
          `${family.name} ${by.pick(BESIDE)}`,
          ...(withBrand ? [family.brand] : []),
          gtinOf(by),
          '4.90',
          '12',
        ],
        family: null,
      });
    return {
      headers: [
        [
          header('sku'),
          header('name'),
          ...(withBrand ? [header('brand')] : []),
          header('gtin'),
          header('price'),
          header('stock'),
        ],
      ],
      lines,
      families,
    };
  };
}

function columnLayout(nameOf: (by: Chance, family: Family, child: Child) => string, withStyle: boolean): Layout {
  return (by, families, header) => {
    const roles = rolesOf(families);
    const lines: Line[] = families.flatMap((family, at) =>
      family.children.map((child): Line => {
        const options = roles.map((role) => {
          const one = child.at.find((value) => value.role === role);
          return one ? spelled(by, one) : '';
        });
        return {
          cells: [
            nameOf(by, family, child),
            ...(withStyle ? [family.style] : []),
            family.brand,
            ...options,
            child.sku,
            child.gtin,
            family.price,
            String(by.int(60)),
          ],
          family: at,
        };
      }),
    );
    for (const family of by.some(families, 3))
      lines.push({
        cells: [
          `${family.name} ${by.pick(BESIDE)}`,
          ...(withStyle ? [`${family.style}X`] : []),
          family.brand,
          ...roles.map(() => ''),
          `${family.style}X-1`,
          gtinOf(by),
          '4.90',
          '12',
        ],
        family: null,
      });
    return {
      headers: [
        [
          header('name'),
          ...(withStyle ? [header('style')] : []),
          header('brand'),
          ...roles.map(header),
          header('sku'),
          header('gtin'),
          header('price'),
          header('stock'),
        ],
      ],
      lines,
      families,
    };
  };
}

const said = (by: Chance, child: Child, between = ' ') => child.at.map((one) => spelled(by, one)).join(between);

export const LAYOUTS: Record<Shape, Layout> = {
  columns: columnLayout((_by, family) => family.name, false),
  repeated: columnLayout(
    (_by, family, child) => `${family.name} ${child.at.map(({ value }) => value).join(' ')}`,
    false,
  ),
  after: nameLayout((by, family, child) => `${family.name} ${said(by, child)}`),
  before: nameLayout((by, family, child) => {
    const [first, ...rest] = child.at;
    return [spelled(by, first!), family.name, ...rest.map((one) => spelled(by, one))].join(' ');
  }),
  between: nameLayout((by, family, child) => {
    const parts = family.name.split(' ');
    const [first, ...rest] = child.at;
    return [...parts.slice(0, -1), spelled(by, first!), parts.at(-1), ...rest.map((one) => spelled(by, one))].join(' ');
  }),
  dashes: nameLayout((by, family, child) => `${family.name} - ${said(by, child, ' - ')}`, true),
  brackets: nameLayout((by, family, child) => `${family.name} (${said(by, child, ', ')})`),
  parents(by, families, header) {
    const roles = rolesOf(families);
    const lines: Line[] = families.flatMap((family, at): Line[] => [
      { cells: [family.style, '', family.name, ...roles.map(() => ''), '', ''], family: at, isParent: true },
      ...family.children.map((child): Line => ({
        cells: [
          child.sku,
          family.style,
          by.likely(0.5) ? family.name : `${family.name} ${said(by, child)}`,
          ...roles.map((role) => child.at.find((one) => one.role === role)?.value ?? ''),
          child.gtin,
          family.price,
        ],
        family: at,
      })),
    ]);
    return {
      headers: [
        [header('sku'), header('parent'), header('name'), ...roles.map(header), header('gtin'), header('price')],
      ],
      lines,
      families,
    };
  },
  blank(by, families, header) {
    const roles = rolesOf(families);
    const headFirst = by.likely(0.4);
    const lines = families.flatMap((family, at): Line[] => {
      const rows = family.children.map((child, place): Line => ({
        cells: [
          !headFirst && place === 0 ? family.name : '',
          !headFirst && place === 0 ? family.brand : '',
          ...roles.map((role, order) => {
            const value = child.at.find((one) => one.role === role)?.value ?? '';
            const above = family.children[place - 1]?.at.find((one) => one.role === role)?.value;
            return order === 0 && value === above && family.axes.length > 1 ? '' : value;
          }),
          child.sku,
          child.gtin,
          family.price,
        ],
        family: at,
      }));
      return headFirst
        ? [
            { cells: [family.name, family.brand, ...roles.map(() => ''), '', '', ''], family: at, isParent: true },
            ...rows,
          ]
        : rows;
    });
    return {
      headers: [
        [header('name'), header('brand'), ...roles.map(header), header('sku'), header('gtin'), header('price')],
      ],
      lines,
      families,
      isOrdered: true,
    };
  },
  packed(by, families, header) {
    const mark = by.pick(['; ', ' | ', ', ']);
    const equals = by.pick([': ', '=', ':']);
    const lines: Line[] = families.flatMap((family, at) =>
      family.children.map((child): Line => ({
        cells: [
          family.name,
          family.brand,
          child.at.map((one) => `${HEADERS[one.role]![0]}${equals}${spelled(by, one)}`).join(mark),
          child.sku,
          family.price,
        ],
        family: at,
      })),
    );
    return {
      headers: [[header('name'), header('brand'), header('packed'), header('sku'), header('price')]],
      lines,
      families,
    };
  },
  slashed(by, families, header) {
    const lines: Line[] = families.flatMap((family, at) =>
      family.children.map((child): Line => ({
        cells: [family.name, said(by, child, ' / '), child.sku, family.price],
        family: at,
      })),
    );
    return { headers: [[header('name'), header('packed'), header('sku'), header('price')]], lines, families };
  },
  across: (by, families, header) => acrossSheet(by, families, header, false),
  acrossTwo: (by, families, header) => acrossSheet(by, families, header, true),
  lines: (by, families, header) => linesSheet(by, families, header, false),
  linesOfColours: (by, families, header) => linesSheet(by, families, header, true),
  styles(by, families, header) {
    const wording = (family: Family, child: Child) => {
      const parts = family.name.split(' ');
      return by.pick([
        family.name,
        `${family.name} ${child.at[0]!.value}`,
        `${parts.at(-1)} ${parts.slice(0, -1).join(' ')}`,
        family.name.toUpperCase(),
      ]);
    };
    return columnLayout((_by, family, child) => wording(family, child), true)(by, families, header);
  },
  codes: nameLayout(
    (by, family, child) =>
      `${family.name} ${child.at.map((one) => (one.role === 'colour' ? one.value : spelled(by, one))).join(' ')}`,
  ),
  paired(by, families, header) {
    const lines: Line[] = families.flatMap((family, at) =>
      family.children.map((child): Line => {
        const pairs = [0, 1, 2].flatMap((place) => {
          const one = child.at[place];
          return one ? [HEADERS[one.role]![0]!, spelled(by, one)] : ['', ''];
        });
        return { cells: [child.sku, family.name, ...pairs, family.price], family: at };
      }),
    );
    const names = by.pick([
      ['Option 1 name', 'Option 1 value', 'Option 2 name', 'Option 2 value', 'Option 3 name', 'Option 3 value'],
      ['Attribute 1', 'Value 1', 'Attribute 2', 'Value 2', 'Attribute 3', 'Value 3'],
    ]);
    return { headers: [[header('sku'), header('name'), ...names, header('price')]], lines, families };
  },
};
