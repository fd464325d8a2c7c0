/** What a field is: any figure or text about a family, value or child, built in or added by the seller. */
import type { Level } from '../place/place';
import type { FACT_TYPES } from './shape';
import type { TermKind } from './terms';

export type FieldType =
  | (typeof FACT_TYPES)[number]
  | 'address'
  | 'parts'
  | 'money'
  | 'surcharge'
  | 'integer'
  | 'category'
  | 'sku'
  | 'gtin'
  | 'stock'
  | 'pictures';

export type FieldGroup = 'identity' | 'identifiers' | 'price' | 'stock' | 'delivery' | 'wording' | 'facts' | 'pictures';

export interface Field {
  key: string;
  label: string;
  type: FieldType;
  levels: readonly Level[];
  group: FieldGroup;
  /** Written once for every language. */
  translatable: boolean;
  /** May be another for one account than for all. */
  perAccount: boolean;
  /**
   * Stands for one language or account only, never for all: such as the label of a value, which the axis holds
   * itself.
   */
  onlyScoped: boolean;
  /** Added by the seller. */
  isFact: boolean;
  /** The categories it is asked for, those below them included; empty: for all goods. */
  categories: readonly string[];
  /** Shown beside numbers and in sheet headers. */
  unit?: string | undefined;
  /** `says`: what channels are told where it is chosen, if that is not the label. */
  choices?: readonly { value: string; label: string; says?: string }[] | undefined;
  /** May have paragraphs, lists and stressed words. */
  markup?: boolean;
  /** Where children of a listing differ, the lowest is the listing's. */
  lowest?: boolean;
  /** A promise to buyers, or a bound for them: where a channel has no field for it, it is told that it does not hold there. */
  isPromise?: boolean;
  /** Its choices are among what the seller sets up once; without any the field is not asked for. */
  chosenOf?: TermKind | 'sizeChart';
  /** Most characters, or most entries of a list. */
  most?: number | undefined;
  help?: string | undefined;
  /** What holds where nobody has set a figure, in words. */
  unset?: string | undefined;
}

/** Text cells that may hold several lines. */
export const isLong = (field: Field): boolean => field.type === 'longtext' || field.type === 'list';

/** Figures that are read as numbers and set in tabular figures. */
export const isNumeric = (field: Field): boolean =>
  ['money', 'weight', 'length', 'number', 'integer', 'stock'].includes(field.type);

/** The field's name as shown in a sheet header: "Weight (g)". */
export function headerOf(field: Field): string {
  return field.unit ? `${field.label} (${field.unit})` : field.label;
}
