/** Random goods of a seller, mostly good and now and then wrong, with everything that stands beside them. */
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { type SingleCommand, createFamily, runCommand } from '@loom-kin/core/change';
import { type Family, familyIndex } from '@loom-kin/core/family';
import type { FitInput } from '@loom-kin/core/fit';
import { blockNumber } from '@loom-kin/core/identifiers';
import { type Pairing, withPairings } from '@loom-kin/core/pairing';
import type { PictureFacts } from '@loom-kin/core/pictures';
import { RegistryDataSchema, openRegistry } from '@loom-kin/core/registry';
import { type OpenRulebook, type Rulebook, readRulebook } from '@loom-kin/core/rulebook';
import { markupOf } from '@loom-kin/core/wording';
import { PLAYED } from '../channels/src/checks';
import type { LookAt } from '../channels/src/goods';

const json = (path: string): unknown => JSON.parse(readFileSync(new URL(`../${path}`, import.meta.url), 'utf8'));
export const registry = openRegistry(RegistryDataSchema.parse(json('demo/data/registry.json')));
const categoryMaps = json('demo/data/categoryMap.json') as Record<string, Record<string, string>>;
/** The rulebooks of all channels, in the order they are played. */
export const rulebooks = PLAYED.map(({ id }): Rulebook => {
  const read = readRulebook(json(`channels/rulebooks/${id}.json`), registry);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.rulebook;
});
const ROLE_VALUES = {
  colour: ['Rust', 'Spruce', 'Midnight', 'Ochre', 'Red', 'Navy blue', 'Kingfisher, deep and very blue indeed'],
  size: ['XS', 'S', 'M', 'L', 'XL', '98/104', 'One size', 'Between large and very large'],
  material: ['Unlined', 'Fleece-lined', 'Wool', 'Waxed cotton with a woollen lining'],
  pack: ['1 pair', '3 pairs'],
  length: ['25 cm', '30 cm', 'Long'],
  pattern: ['Squall', 'Haar', 'Swell'],
  volume: ['300 ml', '500 ml'],
} as const;
type SampleRole = keyof typeof ROLE_VALUES;

const text = (least: number, most: number) =>
  fc
    .integer({ min: least, max: most })
    .map((length) => 'warm and dry by the water '.repeat(200).slice(0, length).trim());
const often = <T>(arb: fc.Arbitrary<T>) => fc.option(arb, { nil: undefined, freq: 12 });
const words = (least: number, most: number, length: number) =>
  fc
    .uniqueArray(fc.integer({ min: 1, max: 999 }), { minLength: least, maxLength: most })
    .map((list) => list.map((n) => `word ${n}`.padEnd(length, '.')));
const amount = fc
  .oneof(
    { arbitrary: fc.integer({ min: 500, max: 40_000 }), weight: 12 },
    { arbitrary: fc.constantFrom(1, 15, 40, 2_500_000, 7_000_000), weight: 1 },
  )
  .map((cents) => (cents / 100).toFixed(2));

export const anyGoods = fc.record({
  roles: fc.uniqueArray(
    fc.record({
      role: fc.constantFrom(...(Object.keys(ROLE_VALUES) as SampleRole[])),
      take: fc.integer({ min: 1, max: 4 }),
      odd: fc.integer({ min: 0, max: 9 }),
    }),
    { maxLength: 3, selector: (one) => one.role },
  ),
  fields: fc.record({
    name: fc.oneof(
      { arbitrary: text(8, 150), weight: 12 },
      { arbitrary: fc.constantFrom('Coat', 'Storm coat Rust', 'Jacket in XL', `${'Long '.repeat(36)}coat`), weight: 1 },
    ),
    brand: often(fc.constantFrom('Skerry Supply', 'Other Brand')),
    styleCode: fc.constant('ST1'),
    maker: often(fc.constant('Skerry Supply')),
    category: fc.constantFrom('outerwear/jackets', 'knitwear/socks', 'pets/coats', 'home/blankets', 'home/mugs'),
    description: often(
      fc.oneof(
        { arbitrary: text(60, 900), weight: 10 },
        { arbitrary: text(8, 900).map((one) => `${markupOf(one)}<ul><li>hood</li><li>pockets</li></ul>`), weight: 3 },
        {
          arbitrary: fc.constantFrom('Too short.', `See www.example.test ${'for more about it '.repeat(5)}`),
          weight: 1,
        },
      ),
    ),
    highlights: often(fc.oneof({ arbitrary: words(5, 5, 20), weight: 10 }, { arbitrary: words(1, 8, 20), weight: 1 })),
    searchWords: often(
      fc.oneof(
        { arbitrary: words(1, 12, 10), weight: 10 },
        { arbitrary: words(13, 20, 10), weight: 1 },
        { arbitrary: words(1, 3, 30), weight: 1 },
      ),
    ),
    searchTitle: often(text(10, 70)),
    searchDescription: often(text(20, 170)),
    wearer: often(fc.constant('anyone')),
    care: often(text(5, 100)),
    madeIn: often(fc.constant('Norrhavn')),
    condition: often(fc.constantFrom('new', 'used')),
    taxCode: often(
      fc.oneof({ arbitrary: fc.constant('62014010'), weight: 12 }, { arbitrary: fc.constant('6201'), weight: 1 }),
    ),
    garmentLength: often(
      fc.oneof({ arbitrary: fc.constantFrom(66, 71), weight: 12 }, { arbitrary: fc.constant(3), weight: 1 }),
    ),
    collections: often(words(1, 3, 8)),
    composition: often(fc.constant('100 % cotton')),
    price: often(amount),
    listPrice: fc.option(amount, { nil: undefined, freq: 1 }),
    weight: often(fc.constantFrom(0.3, 90, 940, 35_000)),
    packageLength: often(fc.constant(38)),
    packageWidth: often(fc.constant(30)),
    packageHeight: often(fc.constantFrom(8, 0.02)),
    gtinExempt: fc.option(fc.boolean(), { nil: undefined }),
  }),
  seed: fc.infiniteStream(fc.integer({ min: 0, max: 99 })),
  profile: often(fc.constant('Letter')),
  pairAll: fc.integer({ min: 0, max: 9 }),
  apart: fc.integer({ min: 0, max: 9 }),
});
export type AnyGoods = typeof anyGoods extends fc.Arbitrary<infer T> ? T : never;

export interface Built {
  family: Family;
  stock: Record<string, number>;
  pictures: Record<string, PictureFacts>;
  pairings: Pairing[];
}

/** The family that random goods are, with its pictures, pieces and pairings. */
export function build(goods: AnyGoods): Built {
  const dice = () => goods.seed.next().value as number;
  const fields = Object.fromEntries(
    Object.entries(goods.fields).filter(([, figure]) => figure !== undefined),
  ) as Family['fields'];
  const axes = goods.roles.map(({ role, take, odd }) => {
    const all = ROLE_VALUES[role];
    const labels: string[] = odd === 0 ? [...all.slice(-take)] : [...all.slice(0, Math.min(take, all.length - 1))];
    return { role, label: role === 'material' ? 'Lining' : role, values: labels.map((label) => ({ label })) };
  });
  let family = createFamily(registry, { id: 'kverdict', fields, axes, off: [] });
  const commands: SingleCommand[] = [];
  const children = familyIndex(family).woven;
  if (children.length > 3)
    commands.push({
      do: 'setWoven',
      crossings: children
        .filter((_, at) => at > 0 && dice() < 12)
        .slice(0, children.length - 2)
        .map((child) => child.at),
      woven: false,
    });
  const figures = children.flatMap((child, at) => [
    ...(dice() < 99
      ? [
          {
            place: { level: 'child' as const, childId: child.id },
            key: 'sku',
            figure: dice() < 99 ? `ST1-${at}` : `ST1-${at}-${'LONG'.repeat(7)}`,
          },
        ]
      : []),
    ...(dice() < (goods.fields.gtinExempt ? 5 : 98)
      ? [
          {
            place: { level: 'child' as const, childId: child.id },
            key: 'gtin',
            figure: blockNumber({ prefix: '95010174', digits: 13 }, at),
          },
        ]
      : []),
    ...(dice() < 4
      ? [{ place: { level: 'child' as const, childId: child.id }, key: 'price', figure: `${20 + dice()}.90` }]
      : []),
  ]);
  if (figures.length > 0) commands.push({ do: 'setFigures', changes: figures });
  const pictures: Record<string, PictureFacts> = {};
  const picture = () => {
    const id = `p${Object.keys(pictures).length}`;
    const small = dice() < 2;
    pictures[id] = { id, fileName: `${id}.png`, width: small ? 400 : 1200, height: 1200, whiteBackground: dice() < 97 };
    return id;
  };
  const carrier = family.axes.find((axis) => axis.role === 'colour') ?? family.axes[0];
  for (const value of carrier?.values ?? [])
    if (dice() < 96)
      commands.push({
        do: 'setPictures',
        place: { level: 'value', axisId: carrier!.id, valueId: value.id },
        pictures: Array.from({ length: 1 + (dice() % 6) }, picture),
      });
  if (!carrier || dice() < 20)
    commands.push({
      do: 'setPictures',
      place: { level: 'family' },
      pictures: Array.from({ length: 1 + (dice() % 12) }, picture),
    });
  if (goods.apart === 0)
    for (const { id } of PLAYED)
      commands.push({
        do: 'setWish',
        account: id,
        wish: { apart: family.axes.map((axis) => axis.id), whole: [], leaveOut: [], offered: true },
      });
  const real = commands.filter((command) => command.do !== 'setWoven' || command.crossings.length > 0);
  if (real.length > 0) family = runCommand(registry, family, { do: 'batch', title: '', commands: real }).family;
  const stock = Object.fromEntries(
    children.map((child) => [child.id, dice() < 98 ? 1 + dice() * 3 : dice() < 50 ? 0 : 2000]),
  );
  const pairings = goods.pairAll === 0 ? [] : rulebooks.flatMap((rulebook) => pairingsFor(rulebook, family, dice));
  return { family, stock, pictures, pairings };
}

/** Every value paired to some entry of the channel's lists, and the department to the right one. */
function pairingsFor({ channel, rules }: Rulebook, family: Family, dice: () => number): Pairing[] {
  const department = { channel, role: 'field:wearer', value: 'anyone', to: 'Unisex' };
  const state = { channel, role: 'field:condition', value: 'new', to: 'Brand new' };
  const ofAxes = family.axes.flatMap(({ role, values }) => {
    const list = rules.axes.roles[role]?.list ?? [];
    const next = dice();
    return values.flatMap(({ label }, at): Pairing[] =>
      list.length > 0 ? [{ channel, role, value: label, to: list[(next + at) % list.length]!.label }] : [],
    );
  });
  return [...ofAxes, department, state];
}

/** What the goods' fit to an account on a channel is computed from. */
export function inputFor(
  { family, stock, pictures, pairings }: Built,
  { profile }: AnyGoods,
  opened: OpenRulebook,
  like = opened.rulebook.channel,
): FitInput {
  const at = PLAYED.findIndex((one) => one.id === like);
  const { exemptBrands, exemptOnlyIn, rate } = PLAYED[at]!.account;
  const answers = { 'Delivery profile': profile!, Certification: 'Nothing to certify', 'Return fee': '3000' };
  const { channel, name } = opened.rulebook;
  return {
    family,
    stock,
    pictures,
    rulebook: opened,
    live: [],
    pairings: withPairings(
      {},
      pairings.filter((one) => one.channel === like),
    ),
    categories: categoryMaps[like]!,
    seller: { name: 'S', currency: 'EUR', taxPercent: '20' },
    account: {
      id: channel,
      channel,
      name,
      language: 'en',
      at,
      settings: {
        rate,
        exemptBrands,
        answers: profile ? answers : {},
        objective: 'listings',
        ...(exemptOnlyIn ? { exemptOnlyIn } : {}),
      },
    },
  };
}

/** How a channel sees the pictures of goods. */
export const looking =
  (pictures: Record<string, PictureFacts>): LookAt =>
  async (address) => {
    const facts = pictures[address.replace('picture:', '')];
    return facts ? { width: facts.width, height: facts.height, white: facts.whiteBackground } : null;
  };
