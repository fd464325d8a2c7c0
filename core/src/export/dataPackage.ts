/**
 * The whole catalogue as a tabular Data Package: tables with their columns described, tied by foreign keys (Frictionless Data, Tabular Data
 * Package, https://specs.frictionlessdata.io/tabular-data-package/).
 */
import { columnOf } from '../family/column';
import { placesOfPictures } from './picturePlaces';
import { familyIndex } from '../family/weave';
import type { Family } from '../family/shape';
import type { Field } from '../registry/field';
import { showColumn, showFigure } from '../registry/figures';
import type { Registry } from '../registry/openRegistry';

export const PACKAGE_TABLES = ['families', 'values', 'children', 'options', 'pictures'] as const;
export type PackageTable = (typeof PACKAGE_TABLES)[number];

interface PackageField {
  name: string;
  type: 'string' | 'number' | 'integer' | 'boolean' | 'date';
  title: string;
  description?: string;
  constraints?: { required?: boolean; unique?: boolean; enum?: string[] };
  trueValues?: string[];
  falseValues?: string[];
}

const plain = (name: string, title: string, more: Partial<PackageField> = {}): PackageField => ({
  name,
  type: 'string',
  title,
  ...more,
});
const REQUIRED = { constraints: { required: true } };
const KEY = { constraints: { required: true, unique: true } };

const isTold = (field: Field) =>
  field.type !== 'pictures' && field.type !== 'surcharge' && field.type !== 'stock' && !field.onlyScoped;
const ofLevel = (registry: Registry, level: 'family' | 'child') =>
  registry.fields.filter((field) => isTold(field) && field.levels.includes(level));

/** Fields that only a family has; the others stand with the children, as they hold there. */
const familyFields = (registry: Registry) =>
  ofLevel(registry, 'family').filter(({ levels }) => !levels.includes('child'));

const TYPES: Partial<Record<Field['type'], PackageField['type']>> = {
  money: 'number',
  weight: 'number',
  length: 'number',
  number: 'number',
  integer: 'integer',
  yesno: 'boolean',
  date: 'date',
};

function asField(field: Field): PackageField {
  const type = TYPES[field.type] ?? 'string';
  return {
    name: field.key,
    type,
    title: field.unit ? `${field.label} (${field.unit})` : field.label,
    ...(field.help ? { description: field.help } : {}),
    ...(type === 'boolean' ? { trueValues: ['yes'], falseValues: ['no'] } : {}),
  };
}

function fieldsOf(registry: Registry, table: PackageTable): PackageField[] {
  switch (table) {
    case 'families':
      return [plain('id', 'Key of the family', KEY), ...familyFields(registry).map(asField)];
    case 'values':
      return [
        plain('family', 'Family', REQUIRED),
        plain('axis', 'Axis', REQUIRED),
        plain('role', 'What the axis is about', REQUIRED),
        { name: 'place', type: 'integer', title: 'Place on the axis, from 1' },
        plain('label', 'Value', REQUIRED),
        plain('code', 'Short code'),
        plain('swatch', 'Swatch'),
      ];
    case 'children':
      return [
        plain('id', 'Key of the child', KEY),
        plain('family', 'Family', REQUIRED),
        ...ofLevel(registry, 'child').map(asField),
        { name: 'stock', type: 'integer', title: 'Pieces' },
      ];
    case 'options':
      return [plain('child', 'Child', REQUIRED), plain('axis', 'Axis', REQUIRED), plain('value', 'Value', REQUIRED)];
    case 'pictures':
      return [
        plain('family', 'Family', REQUIRED),
        plain('value', 'Value it stands on, with its axis'),
        plain('child', 'Child it stands on'),
        { name: 'place', type: 'integer', title: 'Place in the order, from 1' },
        plain('file', 'File in the package', REQUIRED),
      ];
  }
}

const KEYS: Record<
  PackageTable,
  { primaryKey?: string; foreignKeys?: { fields: string; reference: { resource: string; fields: string } }[] }
> = {
  families: { primaryKey: 'id' },
  values: { foreignKeys: [{ fields: 'family', reference: { resource: 'families', fields: 'id' } }] },
  children: {
    primaryKey: 'id',
    foreignKeys: [{ fields: 'family', reference: { resource: 'families', fields: 'id' } }],
  },
  options: { foreignKeys: [{ fields: 'child', reference: { resource: 'children', fields: 'id' } }] },
  pictures: { foreignKeys: [{ fields: 'family', reference: { resource: 'families', fields: 'id' } }] },
};

/** `datapackage.json`. */
export function packageDescriptor(registry: Registry, seller: { name: string; currency: string }, created: string) {
  return {
    profile: 'tabular-data-package',
    name: 'loom-kin-catalogue',
    title: `The catalogue of ${seller.name || 'the seller'}`,
    description: `Prices in ${seller.currency}. Every figure of a child is the one that holds for it, wherever it stands.`,
    created,
    resources: PACKAGE_TABLES.map((table) => ({
      profile: 'tabular-data-resource',
      name: table,
      path: `${table}.csv`,
      format: 'csv',
      mediatype: 'text/csv',
      encoding: 'utf-8',
      schema: { fields: fieldsOf(registry, table), missingValues: [''], ...KEYS[table] },
    })),
  };
}

export const packageHeaders = (registry: Registry, table: PackageTable): string[] =>
  fieldsOf(registry, table).map(({ name }) => name);

/** The rows of a family in each table. `fileOf` says where a picture lies in the package. */
export function packageRows(
  registry: Registry,
  family: Family,
  stock: Record<string, number>,
  fileOf: (picture: string) => string,
): Record<PackageTable, string[][]> {
  const { woven, valueById } = familyIndex(family);
  const ofChild = ofLevel(registry, 'child').map((field) => showColumn(registry, field, columnOf(family, field.key)));
  return {
    families: [
      [family.id, ...familyFields(registry).map((field) => showFigure(registry, field, family.fields[field.key]))],
    ],
    values: family.axes.flatMap((axis) =>
      axis.values.map((value, at) => [
        family.id,
        axis.label,
        axis.role,
        String(at + 1),
        value.label,
        value.code,
        value.swatch ?? '',
      ]),
    ),
    children: woven.map(({ id }, at) => [id, family.id, ...ofChild.map((show) => show(at)), String(stock[id] ?? 0)]),
    options: woven.flatMap(({ id, at }) =>
      family.axes.map((axis) => [id, axis.label, valueById.get(at[axis.id]!)!.label]),
    ),
    pictures: placesOfPictures(family).map(({ value, child, place, picture }) => [
      family.id,
      value,
      child,
      String(place),
      fileOf(picture),
    ]),
  };
}
