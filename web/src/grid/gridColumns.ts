/** The columns of the children's grid: options, every field a child may have, and the same field for one account beside it. */
import { type Account, accountScopes } from '@loom-kin/core/catalogue';
import { EVERYWHERE, type Family, type Scope, type Scopes, accountScope, languageScope } from '@loom-kin/core/family';
import { sheetFields } from '@loom-kin/core/intake';
import { type Field, type FieldGroup, type Registry, headerOf, isLong, isNumeric } from '@loom-kin/core/registry';
import { languageName } from '@loom-kin/core/text';
import type { ColumnSet, GridLayout } from '@loom-kin/contract';

export interface OptionColumn {
  kind: 'option';
  id: string;
  axisId: string;
  name: string;
  size: number;
}
export interface FieldColumn {
  kind: 'field';
  id: string;
  field: Field;
  /** For whom a figure typed here holds, and what is looked into to show one. */
  scope: Scope;
  scopes: Scopes;
  /** Of stock: the place whose pieces it shows; all of them where it is left out. */
  location?: string;
  name: string;
  size: number;
}
export type GridColumn = OptionColumn | FieldColumn;

/** The id of a field's column: the key, with the account it is for. */
export const columnId = (key: string, scope: Scope = EVERYWHERE): string =>
  scope === EVERYWHERE ? key : `${key}@${scope}`;

/** Pixels a column begins with, where its name says too little of what stands in it. */
const SIZES: Record<string, number> = { sku: 138, gtin: 128, stock: 78, onSale: 88, saleFrom: 104, saleUntil: 104 };
const sizeOf = (field: Field, name: string) =>
  isLong(field) ? 220 : Math.max(SIZES[field.key] ?? 86, Math.min(190, 36 + name.length * 7));

/** A column for each axis. */
export const optionColumns = (family: Family): OptionColumn[] =>
  family.axes.map((axis) => {
    const longest = Math.max(axis.label.length + 2, ...axis.values.map((value) => value.label.length));
    const size = Math.max(72, Math.min(150, 26 + Math.round(7.5 * longest)));
    return { kind: 'option', id: `axis:${axis.id}`, axisId: axis.id, name: axis.label, size };
  });

/** A column for each field, and after all of them one for each that may differ in a language or on an account. */
export function fieldColumns(registry: Registry, family: Family, accounts: readonly Account[]): FieldColumn[] {
  const fields = sheetFields(registry, family.fields.category);
  const forAll = fields.map((field): FieldColumn => {
    const name = field.type === 'stock' ? field.label : headerOf(field);
    return {
      kind: 'field',
      id: field.key,
      field,
      name,
      scope: EVERYWHERE,
      scopes: [],
      size: sizeOf(field, name),
    };
  });
  const { languages, firstLanguage } = registry;
  const inLanguage = languages
    .filter((tag) => tag !== firstLanguage)
    .flatMap((tag) =>
      fields
        .filter((field) => field.translatable)
        .map((field): FieldColumn => {
          const scope = languageScope(tag);
          const name = `${field.label} in ${languageName(tag)}`;
          return {
            kind: 'field',
            id: columnId(field.key, scope),
            field,
            scope,
            scopes: [scope],
            name,
            size: sizeOf(field, name),
          };
        }),
    );
  const forOne = accounts.flatMap((account) =>
    fields
      .filter((field) => field.perAccount)
      .map((field): FieldColumn => {
        const scope = accountScope(account.id);
        const name = `${field.label} on ${account.name}`;
        const scopes = accountScopes(account, registry.firstLanguage);
        return { kind: 'field', id: columnId(field.key, scope), field, scope, scopes, name, size: sizeOf(field, name) };
      }),
  );
  return [...forAll.flatMap((column) => [column, ...byPlace(registry, column)]), ...inLanguage, ...forOne];
}

/** Beside the stock of a seller with several places: one column for each. */
function byPlace({ locations }: Registry, column: FieldColumn): FieldColumn[] {
  if (column.field.type !== 'stock' || locations.length < 2) return [];
  return locations.map(({ id, label }) => {
    const name = `${column.field.label}, ${label}`;
    return { ...column, id: `stock@place:${id}`, location: id, name, size: sizeOf(column.field, name) };
  });
}

/** The sets that are offered, and which fields each has. */
export const SETS: readonly { name: string; groups: readonly FieldGroup[] }[] = [
  { name: 'All figures', groups: ['identifiers', 'price', 'stock', 'delivery', 'wording', 'facts'] },
  { name: 'Prices', groups: ['price'] },
  { name: 'Numbers', groups: ['identifiers'] },
  { name: 'Stock and delivery', groups: ['stock', 'delivery'] },
  { name: 'Texts', groups: ['wording'] },
  { name: 'Facts', groups: ['facts'] },
];
export const ALL_FIGURES = SETS[0]!.name;

export const UNCHANGED: ColumnSet = Object.freeze({ order: [], hidden: [], shown: [], own: false });

export const FIRST_LAYOUT: GridLayout = Object.freeze({ widths: {}, frozen: [], set: ALL_FIGURES, sets: {} });

/** Names of the sets to choose from: those offered, then the seller's own. */
export const setNames = (layout: GridLayout): string[] => [
  ...SETS.map((set) => set.name),
  ...Object.keys(layout.sets).filter((name) => layout.sets[name]!.own),
];

/** The chosen set as the seller has it. */
export const chosenSet = (layout: GridLayout): ColumnSet => layout.sets[layout.set] ?? UNCHANGED;

/** Whether a column stands in a set that the seller has not changed. */
function isOffered(column: FieldColumn, setName: string): boolean {
  const groups = SETS.find((set) => set.name === setName)?.groups;
  if (!groups?.includes(column.field.group)) return false;
  if (setName === 'Prices' && column.field.key === 'price') return true;
  return column.scope === EVERYWHERE && (setName !== ALL_FIGURES || !isLong(column.field));
}

/** The field columns of the chosen set, as wide and in the order the seller wants; frozen ones first. */
export function shownColumns(all: readonly FieldColumn[], layout: GridLayout): FieldColumn[] {
  const set = chosenSet(layout);
  const hidden = new Set(set.hidden);
  const added = new Set(set.shown);
  const place = new Map(set.order.map((id, at) => [id, at]));
  const frozen = new Map(layout.frozen.map((id, at) => [id, at]));
  const rank = ({ id }: FieldColumn, at: number) =>
    frozen.has(id) ? frozen.get(id)! - 1_000_000 : place.has(id) ? place.get(id)! - 1000 : at;
  return all
    .filter((column) => !hidden.has(column.id) && (added.has(column.id) || (!set.own && isOffered(column, layout.set))))
    .map((column, at) => ({ column: { ...column, size: layout.widths[column.id] ?? column.size }, at }))
    .sort((a, b) => rank(a.column, a.at) - rank(b.column, b.at))
    .map((one) => one.column);
}

/** Numbers stand at the right, so that their digits stand under each other. */
export const isRight = (column: GridColumn): boolean => column.kind === 'field' && isNumeric(column.field);
