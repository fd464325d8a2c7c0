/** The weave of rows that are together: its axes, which of them each row stands at, and rows that are one child. */
import type { Role } from '../../family/shape';
import { compact } from '../../text/letters';
import { ROLE_LABELS } from '../../registry/roles';
import type { OptionRead } from '../options/shape';
import { BEFORE_COLOUR_NAMES } from '../options/links';
import { announcesSize } from '../options/readSize';
import { BEFORE_MODELS } from './models';
import type { Across, Item } from './shape';
import { stemWords } from './nameStems';
import type { Said } from './values';

/** A row at a crossing: one row makes several where sizes go across, or where its cells list values. */
export interface RowVariant {
  item: Item;
  across: Across | null;
  /** Axis → value. */
  at: Map<string, Said>;
}

export interface WovenAxis {
  key: string;
  role: Role;
  label: string;
  isGiven: boolean;
  /** Given by columns that do not say which kind of option they hold. */
  isGuessed?: true | undefined;
}

export interface Woven {
  axes: WovenAxis[];
  variants: RowVariant[];
}

export type ReadValue = (role: Role, text: string) => Said;

/** All axes that any of the rows has a value on, those of columns first. */
export function weaveRows(items: readonly Item[], read: ReadValue): Woven {
  const axes = new Map<string, WovenAxis>();
  const roleOf = settledRoles(items);
  const variants = items.flatMap((item): RowVariant[] => {
    const at = new Map<string, Said>();
    for (const { axis, role, label, text, isGuessed } of item.given) {
      if (!axes.has(axis)) axes.set(axis, { key: axis, role, label, isGiven: true, isGuessed });
      at.set(axis, read(role, text));
    }
    for (const span of item.spans) {
      const role = roleOf(span);
      const key = namedAxis(span) ?? role;
      if (at.has(key)) continue;
      const axis =
        span.axis === undefined ? { role, label: ROLE_LABELS[role] } : { role: 'other' as const, label: span.axis };
      if (!axes.has(key)) axes.set(key, { key, ...axis, isGiven: false });
      at.set(key, { key: span.key, text: textOf(item, span), label: span.label });
    }
    const places = crossingsListed(item, at, read);
    if (item.across.length === 0) return places.map((place) => ({ item, across: null, at: place }));
    return item.across.flatMap((across) => {
      const { axis, role, label, text } = across.value;
      if (!axes.has(axis)) axes.set(axis, { key: axis, role, label, isGiven: true });
      return places.map((place) => ({ item, across, at: new Map(place).set(axis, read(role, text)) }));
    });
  });
  for (const kinds of KINDRED) joinKindred(kinds, axes, variants);
  return { axes: inOrder([...axes.values()]), variants };
}

/** The key of the axis that a span is on, where that is not the one of its role. */
export const namedAxis = ({ axis }: OptionRead): string | null => (axis === undefined ? null : `named ${axis}`);

/** Kinds of option that may be one choice of a family, the first what it is called. */
const KINDRED: readonly (readonly Role[])[] = [
  ['size', 'length', 'volume'],
  ['colour', 'pattern', 'material'],
];

/** "8 R" and "8 L", "Navy" and "Camo": where every row has one option of such kinds and none has two, they are one choice. */
function joinKindred(kinds: readonly Role[], axes: Map<string, WovenAxis>, variants: readonly RowVariant[]): void {
  // "Canvas shoes": what all rows have alike is no choice.
  const isChoice = (role: Role) => new Set(variants.map(({ at }) => at.get(role)?.key)).size > 1;
  const [main, ...others] = kinds.filter((role) => axes.has(role) && isChoice(role));
  if (main === undefined || others.length === 0) return;
  if (!variants.every(({ at }) => [main, ...others].filter((role) => at.has(role)).length === 1)) return;
  for (const role of others) axes.delete(role);
  for (const { at } of variants)
    for (const role of others) {
      const said = at.get(role);
      if (said) at.set(main, said);
      at.delete(role);
    }
}

/** A row's options with each choice of the values that its cells list. */
const crossingsListed = ({ given }: Item, at: Map<string, Said>, read: ReadValue): Map<string, Said>[] =>
  given.reduce<Map<string, Said>[]>(
    (places, { axis, role, listed }) =>
      listed ? places.flatMap((place) => listed.map((text) => new Map(place).set(axis, read(role, text)))) : places,
    [at],
  );

/** Axes of columns as they stand, those of names behind them, as names have them. */
const inOrder = (axes: readonly WovenAxis[]): WovenAxis[] => [
  ...axes.filter((axis) => axis.isGiven),
  ...axes.filter((axis) => !axis.isGiven),
];

/** An option as the name writes it, without the word that announces it. */
function textOf({ name, tokens }: Item, span: OptionRead): string {
  let first = span.from;
  const { text } = tokens[first]!;
  const isModel = span.roles[0] === 'model' && BEFORE_MODELS.has(text);
  if (isModel || announcesSize(tokens, first) || BEFORE_COLOUR_NAMES.has(text)) first += 1;
  while (first > span.from && tokens[first]?.kind === 'sign') first += 1;
  return name.slice(tokens[Math.min(first, span.to - 1)]!.from, tokens[span.to - 1]!.to);
}

/** "Denim" beside "Canvas" is a material, beside "Navy" a colour: a word that may be both is what most of its family are. */
function settledRoles(items: readonly Item[]): (span: OptionRead) => Role {
  if (items.every(({ spans }) => spans.every(({ roles }) => roles.length === 1))) return ({ roles }) => roles[0]!;
  const counts = new Map<Role, Set<string>>();
  for (const { spans } of items)
    for (const span of spans)
      for (const role of span.roles) {
        const keys = counts.get(role) ?? new Set<string>();
        counts.set(role, keys.add(span.key));
      }
  const certain = new Set(
    items.flatMap(({ spans }) => spans.filter(({ roles }) => roles.length === 1).map(({ roles }) => roles[0]!)),
  );
  return ({ roles }) => {
    if (roles.length === 1) return roles[0]!;
    const ranked = roles.toSorted((a, b) => counts.get(b)!.size - counts.get(a)!.size);
    // Where every one may be either, the first of the word's own roles holds.
    return roles.every((role) => !certain.has(role)) ? roles[0]! : ranked[0]!;
  };
}

/** The crossing of a variant, as text. */
export function crossingOf(variant: RowVariant, axes: readonly WovenAxis[]): string {
  let crossing = '';
  for (const { key } of axes) crossing += `${variant.at.get(key)?.key ?? ''}|`;
  return crossing;
}

/** Whether every child stands at a crossing of its own; rows with one number are one child, told of again. */
export function areApart(variants: readonly RowVariant[], axes: readonly WovenAxis[]): boolean {
  const codes = new Map<string, string>();
  for (const variant of variants) {
    const { ownCode } = variant.item;
    const crossing = crossingOf(variant, axes);
    const before = codes.get(crossing);
    if (before !== undefined && (before === '' || before !== ownCode)) return false;
    codes.set(crossing, ownCode);
  }
  return true;
}

/**
 * Axes on which the rows differ; colour and size stay with a single value, since channels ask for them, where they stand in columns or
 * where the names of the list usually have them; so does what measures instead of a size.
 */
export function axesThatDiffer({ axes, variants }: Woven, isUsual: (role: Role) => boolean): WovenAxis[] {
  const differing = axes.filter(({ key, role, isGiven }) => {
    const values = new Set<string>();
    for (const { at } of variants) {
      values.add(sizeOrNone(at.get(key)?.key));
      if (values.size > 1) return true;
    }
    const [only] = values;
    if (only === '') return false;
    return (isGiven && (role === 'colour' || role === 'size')) || isUsual(role);
  });
  // A colour's number, or a fabric that goes with the colour, is said by the colour already.
  return differing.filter(
    (axis) =>
      !isMinor(axis) ||
      !differing.some(
        (other) => other !== axis && !isMinor(other) && maySay(other, axis) && isSaidBy(variants, axis, other),
      ),
  );
}

/** "One size" says no more than a blank cell. */
const sizeOrNone = (key: string | undefined): string => (key === undefined || key === 'one' ? '' : key);

/** What goods are made of goes with their colour, and not with their size. */
const maySay = (other: WovenAxis, { role }: WovenAxis): boolean =>
  role !== 'material' || other.role === 'colour' || other.role === 'pattern';

const isMinor = ({ role, isGiven }: WovenAxis) => isGiven && (role === 'other' || role === 'material');

/** Whether each value of an axis goes with one value of another. */
function isSaidBy(variants: readonly RowVariant[], axis: WovenAxis, other: WovenAxis): boolean {
  const said = new Map<string, string>();
  for (const { at } of variants) {
    const value = at.get(axis.key)?.key ?? '';
    const by = at.get(other.key)?.key ?? '';
    if (said.has(by) && said.get(by) !== value) return false;
    said.set(by, value);
  }
  return said.size > 1;
}

/**
 * One axis more where crossings would stand twice: from the words that are left of the names, else from a column nothing is known of.
 * Null where nothing tells the rows apart.
 */
export function axisMore(
  { variants }: Woven,
  axes: readonly WovenAxis[],
  columns: readonly { at: number; header: string }[],
): WovenAxis | null {
  const byCrossing = new Map<string, RowVariant[]>();
  for (const variant of variants) {
    const key = crossingOf(variant, axes);
    const some = byCrossing.get(key);
    if (some) some.push(variant);
    else byCrossing.set(key, [variant]);
  }
  const alike = [...byCrossing.values()].filter((some) => some.length > 1 && !areApart(some, axes));
  if (alike.length === 0) return null;
  const rest = restOfNames(variants);
  const tries: { axis: WovenAxis; textOf: (variant: RowVariant) => string }[] = [
    { axis: wordAxis(axes), textOf: (variant) => rest.get(variant)! },
    ...columns.map(({ at, header }) => ({
      axis: { key: `column ${at}`, role: 'other' as const, label: header.slice(0, 40), isGiven: true },
      textOf: ({ item }: RowVariant) => (item.cells[at] ?? '').trim(),
    })),
  ];
  for (const { axis, textOf: text } of tries) {
    const tells = alike.every((some) => {
      const texts = some.map(text);
      return texts.every((one) => one !== '' && one.length <= 60) && new Set(texts.map(compact)).size === texts.length;
    });
    const isFew = new Set(variants.map((variant) => compact(text(variant)))).size <= Math.max(2, variants.length / 2);
    if (!tells || !(isFew || variants.length < 8)) continue;
    for (const variant of variants) {
      const said = text(variant);
      if (said !== '') variant.at.set(axis.key, { key: compact(said), text: said, label: undefined });
    }
    return axis;
  }
  return null;
}

const wordAxis = (axes: readonly WovenAxis[]): WovenAxis => {
  const role: Role = axes.some((axis) => axis.role === 'colour') ? 'other' : 'colour';
  return { key: `words ${role}`, role, label: ROLE_LABELS[role], isGiven: false };
};

/** Words of each name that the others do not have. */
function restOfNames(variants: readonly RowVariant[]): Map<RowVariant, string> {
  const counts = new Map<string, number>();
  const words = new Map(variants.map((variant) => [variant, stemWords(variant.item)]));
  for (const own of words.values())
    for (const text of new Set(own.map((word) => word.text))) counts.set(text, (counts.get(text) ?? 0) + 1);
  return new Map(
    [...words].map(([variant, own]) => {
      const rest = own.filter(({ text }) => counts.get(text)! < variants.length);
      const { name, tokens } = variant.item;
      return [variant, rest.map(({ at }) => name.slice(tokens[at]!.from, tokens[at]!.to)).join(' ')];
    }),
  );
}
