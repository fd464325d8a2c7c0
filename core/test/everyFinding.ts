/** For every code of a finding a fit that has it: a code without an entry does not pass the type check. */
import type { Family } from '../src/family/shape';
import { familyIndex } from '../src/family/weave';
import type { RegistryData } from '../src/registry/shape';
import type { Rulebook } from '../src/rulebook/shape';
import type { FindingCode } from '../src/words/findings';
import type { Approval } from '../src/catalogue/account';
import type { SingleCommand } from '../src/change/commands';
import { findingText } from '../src/descriptions/findingText';
import type { Figure, Role, Wish } from '../src/family/shape';
import { familyIndex as coreFamilyIndex } from '../src/family/weave';
import { brokenFit } from '../src/fit/fit';
import { identityOf } from '../src/identifiers/sameness';
import type { KnownNumbers } from '../src/listing/entry';
import { PriceRuleSchema } from '../src/money/priceRule';
import type { PictureFacts, PictureLook } from '../src/pictures/pictureFacts';
import type { Place } from '../src/place/place';
import { openRegistry } from '../src/registry/openRegistry';
import { createFamily, fitInput, fitWithListings, registry, rulebook, type More } from './sample';
import { facts, run, setChild, setFamily, wholeJacket } from './whole';

const { family: whole, ...given } = wholeJacket();
const first = familyIndex(whole).woven[0]!;
const colour = whole.axes[0]!;
const lining = whole.axes[2]!;

type Fit = ReturnType<typeof fitWithListings>;
const fit = (channel: string, family: Family = whole, more: More = {}): Fit =>
  fitWithListings(fitInput(family, channel, { ...given, ...more }));

/** A rulebook with rules of its own. */
function under(channel: string, change: (rules: Rulebook['rules']) => void, family: Family = whole, more: More = {}) {
  const book = structuredClone(rulebook(channel));
  change(book.rules);
  return fit(channel, family, { ...more, rulebook: book });
}
/** The own shop with one field's rule changed. */
const asking = (key: string, rule: object, figure: Figure | null, at: Place = { level: 'family' }) =>
  under(
    'own-shop',
    ({ fields }) =>
      Object.assign(
        fields.find((one) => one.key === key)!,
        rule,
      ),
    run(whole, { do: 'setFigures', changes: [{ place: at, key, figure }] }),
  );
const wish = (account: string, more: Partial<Wish>): SingleCommand => ({
  do: 'setWish',
  account,
  wish: { apart: [], whole: [], leaveOut: [], offered: true, ...more },
});
/** The same goods for a seller who writes in another language as well. */
const bilingual = openRegistry({ ...registry.data, languages: ['en', 'de'] } satisfies RegistryData);
const german = (channel: string) => fit(channel, whole, { language: 'de', registry: bilingual });
const picturesAre = (more: Partial<PictureFacts>) => ({
  pictures: Object.fromEntries(Object.keys(given.pictures).map((id) => [id, facts(id, more)])),
});
const look: PictureLook = {
  ...{
    colours: [{ colour: '#A4502B', share: 0.9 }],
    ground: '#FFFFFF',
    goods: 0.4,
    blur: 0.3,
    hash: { bits: '0f'.repeat(32), strong: 'f'.repeat(64) },
  },
};
const lookingLike = (colour: string, more: Partial<PictureLook> = {}) =>
  picturesAre({ look: { ...look, colours: [{ colour, share: 0.9 }], ...more } });
const withPictures = (family: Family, at: Place, pictures: string[]) =>
  run(family, { do: 'setPictures', place: at, pictures });
const many = Array.from({ length: 12 }, (_, at) => `m-${at}`);

/** An account with one route: for families whose name holds a word. */
const routed = (word: string, offers: boolean) => {
  const when = { match: 'all' as const, of: [{ key: 'name', is: 'contains' as const, value: word }] };
  return fit('own-shop', whole, { routes: [{ id: 'r1', name: '', when, category: null, offers }] });
};
/** A channel that has to let sellers in, and how the seller stands there. */
const closed = (stands: Approval | undefined) =>
  under(
    'own-shop',
    (rules) => {
      rules.approval.needed = true;
    },
    whole,
    { settings: stands ? { approvals: { all: stands } } : {} },
  );

const onSale = (price: string) =>
  run(whole, setFamily('salePrice', price), setFamily('saleFrom', '2026-12-01'), setFamily('saleUntil', '2026-12-24'));

/** A seller in Germany with one tax code, and a price rule that begins with the cost. */
const taxed = openRegistry({
  ...registry.data,
  taxCodes: { 62: { code: '62', label: 'Coats', rates: { DE: [{ percent: '19' }] }, retired: false } },
});
const atHome = { name: 'Skerry Supply', currency: 'EUR', taxPercent: '20', country: 'DE' };
const ofCost = (percent: string) => PriceRuleSchema.parse({ from: 'cost', target: { kind: 'margin', percent } });

/** What a channel says that has an entry for the number of one child and for no other. */
function knownAt(childId: string, entry: string): KnownNumbers {
  const gtins = coreFamilyIndex(whole).woven.map((child) => String(child.fields.gtin));
  const gtin = String(whole.children[childId]!.fields.gtin);
  const none = Object.fromEntries(gtins.map((one) => [identityOf('gtin', one), null]));
  return {
    ...none,
    [identityOf('gtin', gtin)]: { entry, gtin, name: 'Storm jacket', options: {}, facts: { Brand: 'Other' } },
  };
}

export const EVERY_FINDING: Record<FindingCode, () => Fit> = {
  'category.choose': () => fit('quayside', run(whole, setFamily('category', null))),
  'category.none': () => fit('quayside', whole, { categories: {} }),
  'route.none': () => routed('Mugs', false),
  'route.waits': () => routed('Skerry', false),
  'fit.broken': () => {
    const broken = brokenFit(fitInput(whole, 'quayside'), 'it has a fault');
    return { ...broken, listings: [], texts: broken.findings.map((one) => findingText(one, whole)) };
  },
  'setting.missing': () => fit('fernpost', whole, { settings: { answers: {} } }),
  'approval.needed': () => closed(undefined),
  'approval.waiting': () => closed('waiting'),
  'approval.refused': () => closed('refused'),
  'plan.nothing-offered': () => fit('own-shop', run(whole, setFamily('onSale', false))),
  'plan.wishes': () => {
    const all = whole.axes.map((axis) => axis.id);
    const family = run(whole, wish('own-shop', { apart: all, whole: all }));
    return under('own-shop', ({ axes }) => Object.assign(axes, { atMost: 1 }), family);
  },
  'plan.chosen-gone': () => fit('own-shop', run(whole, wish('own-shop', { chosen: 'a99|a98;split=;pin=' }))),
  'plan.wish-broken': () => {
    const family = run(whole, wish('own-shop', { whole: whole.axes.map((axis) => axis.id) }));
    return under('own-shop', ({ axes }) => Object.assign(axes, { valuesAtMost: 1 }), family);
  },
  'plan.search-stopped': () => {
    // Scattered so that no bound tells how few listings there may be, and too much to try every way.
    const labels = (word: string) => Array.from({ length: 14 }, (_, at) => `${word} ${at}`);
    const axis = (role: Role, label: string) => ({
      role,
      label,
      values: labels(label).map((one) => ({ label: one })),
    });
    const off = labels('Hue').flatMap((hue, a) =>
      labels('Cut').flatMap((cut, b) => ((a * a * 3 + b * b * 7 + a * b) % 5 < 3 ? [[hue, cut]] : [])),
    );
    const scattered = createFamily({
      id: 'f',
      fields: whole.fields,
      axes: [axis('colour', 'Hue'), axis('size', 'Cut')],
      off,
    });
    return under(
      'own-shop',
      (rules) => Object.assign(rules.axes, { atMost: 2, valuesAtMost: 5, sets: [['colour', 'size']] }),
      scattered,
    );
  },
  'axis.not-taken': () => {
    const family = run(whole, wish('own-shop', { apart: whole.axes.map((axis) => axis.id) }));
    return under('own-shop', ({ axes }) => Object.assign(axes, { sets: [['size']] }), family);
  },
  'plan.pictures-lost': () => fit('fernpost', withPictures(whole, { level: 'child', childId: first.id }, ['p-Rust'])),
  'label.language': () => german('own-shop'),
  'label.shortened': () =>
    under('fernpost', ({ axes }) => {
      axes.labelAtMost = 9;
    }),
  'pairing.missing': () => fit('quayside', whole, { pairings: {} }),
  'pairing.collides': () =>
    under(
      'quayside',
      ({ axes }) => {
        axes.roles.size = {
          ...axes.roles.size,
          shows: 'list',
          list: [{ label: 'One' }, { label: 'XS' }, { label: 'L' }],
        };
      },
      whole,
      { pairings: { ...given.pairings, size: { s: 'One', m: 'One', xl: 'One', xxl: 'One' } } },
    ),
  'sku.missing': () => fit('own-shop', run(whole, setChild(first.id, 'sku', null))),
  'sku.too-long': () =>
    under('own-shop', ({ identifiers }) => {
      identifiers.skuAtMost = 4;
    }),
  'gtin.missing': () => fit('quayside', run(whole, setChild(first.id, 'gtin', null))),
  'gtin.wrong': () => {
    const family = structuredClone(whole);
    family.children[first.id]!.fields.gtin = '4006381333930';
    return fit('own-shop', family);
  },
  'gtin.not-exempt': () =>
    fit('quayside', run(whole, setChild(first.id, 'gtin', null), setChild(first.id, 'gtinExempt', true)), {
      settings: { exemptBrands: [] },
    }),
  'entry.found': () => fit('quayside', whole, { known: knownAt(first.id, 'E-1') }),
  'entry.apart': () =>
    fit('quayside', run(whole, wish('quayside', { entries: { [first.id]: null } })), {
      known: knownAt(first.id, 'E-1'),
    }),
  'entry.gone': () =>
    fit('quayside', run(whole, wish('quayside', { entries: { [first.id]: 'E-9' } })), {
      known: knownAt(first.id, 'E-1'),
    }),
  'entry.unasked': () => fit('quayside', whole, { known: {} }),
  'rate.missing': () => fit('fernpost', whole, { seller: atHome }),
  'tax.no-code': () => fit('own-shop', run(whole, setFamily('taxCode', null)), { registry: taxed, seller: atHome }),
  'tax.unknown-code': () =>
    fit('own-shop', run(whole, setFamily('taxCode', '99')), { registry: taxed, seller: atHome }),
  'tax.no-rate': () =>
    fit('own-shop', run(whole, setFamily('taxCode', '62')), {
      registry: taxed,
      seller: atHome,
      settings: { country: 'IN' },
    }),
  'rule.no-cost': () => fit('own-shop', run(whole, setFamily('cost', null)), { settings: { priceRule: ofCost('50') } }),
  'rule.never': () => fit('own-shop', run(whole, setFamily('cost', '70')), { settings: { priceRule: ofCost('100') } }),
  'price.missing': () => fit('own-shop', run(whole, setFamily('price', null))),
  'price.too-low': () => fit('own-shop', run(whole, setFamily('price', '0'))),
  'price.too-high': () =>
    under('own-shop', ({ price }) => {
      price.most = '100';
    }),
  'price.list-not-above': () => fit('own-shop', run(whole, setFamily('listPrice', '100.00'))),
  'price.sale-half': () => fit('own-shop', run(whole, setFamily('salePrice', '100.00'))),
  'price.sale-order': () => fit('own-shop', run(onSale('50'), setFamily('saleUntil', '2026-11-01'))),
  'price.sale-not-below': () => fit('own-shop', onSale('500')),
  'price.spread': () =>
    under(
      'own-shop',
      ({ price }) => {
        price.spreadAtMost = '2';
      },
      run(whole, setChild(first.id, 'price', '500.00')),
    ),
  'price.not-told': () =>
    under(
      'own-shop',
      ({ price }) => {
        price.variesBy = 'listing';
      },
      run(whole, wish('own-shop', { whole: whole.axes.map((axis) => axis.id) }), setChild(first.id, 'price', '500.00')),
    ),
  // 189.00 with 12 % tax leaves 168.75; 180.00 with 5 % leaves 171.43.
  'price.slab': () =>
    under('own-shop', ({ price }) => {
      price.taxSlabs = [{ upTo: '180', percent: '5' }, { percent: '12' }];
    }),
  'stock.too-low': () => fit('fernpost', whole, { stock: { ...given.stock, [first.id]: 0 } }),
  'stock.held-back': () => fit('fernpost', whole, { settings: { stock: { none: true } } }),
  'sold-with.not-told': () => fit('fernpost', run(whole, setFamily('soldWith', ['SKJ-0']))),
  'order.limits': () => fit('own-shop', run(run(whole, setFamily('orderLeast', 4)), setFamily('orderMost', 3))),
  'stock.not-told': () =>
    under(
      'own-shop',
      ({ stock }) => {
        stock.variesBy = 'axis';
      },
      whole,
      { stock: { ...given.stock, [first.id]: 1 } },
    ),
  'stock.capped': () => fit('fernpost', whole, { stock: { ...given.stock, [first.id]: 5000 } }),
  'picture.gone': () => fit('own-shop', whole, { pictures: {} }),
  'picture.small': () => fit('quayside', whole, picturesAre({ width: 400 })),
  'picture.not-white': () => fit('quayside', whole, picturesAre({ whiteBackground: false })),
  'picture.missing': () =>
    fit('quayside', withPictures(whole, { level: 'value', axisId: colour.id, valueId: colour.values[0]!.id }, [])),
  'picture.few': () =>
    under('quayside', ({ pictures }) => {
      pictures.atLeast = 3;
    }),
  'picture.more': () =>
    fit('quayside', withPictures(whole, { level: 'family' }, many), {
      pictures: { ...given.pictures, ...Object.fromEntries(many.map((id) => [id, facts(id)])) },
    }),
  'picture.options-unshown': () =>
    under('fernpost', ({ pictures }) => {
      pictures.atMost = 2;
    }),
  'picture.other-colour': () => fit('own-shop', whole, lookingLike('#1D3FA8')),
  'picture.blurred': () => fit('own-shop', whole, lookingLike('#A4502B', { blur: 0.9 })),
  'picture.twice': () =>
    fit('own-shop', withPictures(whole, { level: 'family' }, ['p-1', 'p-2']), {
      pictures: { ...given.pictures, 'p-1': facts('p-1', { look }), 'p-2': facts('p-2', { look }) },
    }),
  'picture.two-values': () => fit('own-shop', whole, lookingLike('#A4502B')),
  'picture.option-missing': () =>
    fit('fernpost', withPictures(whole, { level: 'value', axisId: colour.id, valueId: colour.values[0]!.id }, [])),
  'field.missing': () => fit('own-shop', run(whole, setFamily('description', null))),
  'field.language': () => german('own-shop'),
  'field.too-few': () => asking('collections', { atLeast: 2 }, ['One']),
  'field.too-many': () => asking('collections', { atMost: 1 }, ['One', 'Two']),
  'field.entry-long': () => asking('collections', { entryAtMost: 3 }, ['A long one']),
  'field.too-short': () => asking('description', { atLeast: 400 }, 'Short.'),
  'field.too-long': () => asking('description', { atLeast: 1, atMost: 5 }, 'Long enough.'),
  'field.form': () => asking('searchTitle', { pattern: '[0-9]+', patternText: 'digits' }, 'Letters'),
  'field.zero': () => asking('weight', { decimals: 0 }, 100),
  'field.unknown': () =>
    under('own-shop', ({ fields }) =>
      fields.push({
        key: 'washing',
        name: 'Washing',
        need: 'required',
        level: 'listing',
        decimals: 0,
        yesNo: false,
        numberOnly: false,
        markup: false,
        ofOffer: false,
      }),
    ),
  'field.choice': () => asking('searchTitle', { choices: ['Man', 'Woman'] }, 'person'),
  'field.yes-no': () => asking('searchTitle', { yesNo: true }, 'perhaps'),
  'field.not-number': () => asking('searchTitle', { numberOnly: true }, '28 in'),
  'field.bounds': () => asking('weight', { least: '2', most: '30', unit: 'kg', decimals: 1 }, 900),
  'field.differs': () =>
    asking('composition', { level: 'listing' }, '100 % wool', {
      level: 'value',
      axisId: lining.id,
      valueId: lining.values[0]!.id,
    }),
  'field.own-text': () => {
    const longer = 'A jacket for the foulest weather, and this one is of another colour than all the others are.';
    const own = { level: 'value' as const, axisId: lining.id, valueId: lining.values[0]!.id };
    const changes = [
      { place: { level: 'family' as const }, key: 'description', figure: `${longer} It is long enough.` },
      { place: own, key: 'description', figure: longer },
    ];
    return under('own-shop', () => undefined, run(whole, { do: 'setFigures', changes }));
  },
  'field.no-place': () => under('quayside', () => undefined, run(whole, setFamily('availableFrom', '2027-03-01'))),
  'name.option-values': () =>
    under(
      'own-shop',
      ({ wording }) => {
        wording.optionValuesInName = false;
      },
      run(whole, setFamily('name', 'Storm jacket Rust')),
    ),
  'wording.link': () =>
    fit('quayside', run(whole, setFamily('description', 'See https://skerry.test for more of it.'))),
  'measure.odd': () => fit('own-shop', run(whole, setFamily('weight', 2))),
};
