/** Which of a channel's values a family's value is proposed to be, and how sure that is. */
import { describe, expect, it } from 'vitest';
import { guessSwatch } from '../src/colour/name';
import { computeFit } from '../src/fit/fit';
import { openPairingLists } from '../src/pairing/list';
import { proposeFor, proposePairing } from '../src/pairing/propose';
import { shoeLast } from '../src/pairing/shoes';
import { fitInput, fitWithListings, registry, rulebook } from './sample';
import { run, wholeJacket } from './whole';

const lists = openPairingLists(rulebook('quayside').rules);
const colour = (label: string, swatch = guessSwatch(label) ?? undefined) =>
  proposePairing('colour', swatch ? { label, swatch } : { label }, lists.get('colour')!);
const size = (label: string) => proposePairing('size', { label }, lists.get('size')!);

describe('colours', () => {
  // What sellers call their colours; the swatches are those of CSS Color Module Level 4 or of the trade.
  const expected: Record<string, string[]> = {
    White: ['Off white', 'Ivory', 'Chalk', 'Pearl'],
    Beige: ['Cream', 'Ecru', 'Sand', 'Oat', 'Stone'],
    Grey: ['Slate', 'Silver', 'Charcoal', 'Anthracite', 'Heather grey', 'Blue grey', 'Graphite'],
    Red: ['Bright red', 'Burgundy', 'Wine', 'Maroon', 'Crimson', 'Bordeaux'],
    Orange: ['Rust', 'Coral', 'Terracotta', 'Apricot', 'Signal'],
    Yellow: ['Mustard', 'Gold', 'Ochre', 'Lemon'],
    Green: ['Mint', 'Olive', 'Forest green', 'Lime', 'Sage', 'Khaki', 'Emerald', 'Spruce', 'Kelp'],
    Turquoise: ['Teal', 'Petrol', 'Lagoon', 'Aqua'],
    Blue: ['Sky', 'Light blue', 'Royal blue', 'Cobalt', 'Denim', 'Kingfisher'],
    'Navy blue': ['Navy', 'Dark navy', 'Midnight'],
    Purple: ['Lilac', 'Lavender', 'Plum', 'Aubergine'],
    Pink: ['Fuchsia', 'Blush', 'Rose', 'Hot pink', 'Magenta', 'Salmon'],
    Brown: ['Camel', 'Taupe', 'Chocolate', 'Espresso'],
    'Many-coloured': ['Multicolour'],
  };
  it.each(Object.entries(expected))('are %s: %j', (to, names) => {
    for (const name of names) expect([name, colour(name)?.to]).toEqual([name, to]);
  });
  it('of a name nobody knows are told by the swatch, with a doubt where that is far from all', () => {
    expect(colour('Ember', '#C8442B')).toMatchObject({ to: 'Red', confidence: 'likely' });
    expect(colour('Buoy', '#F0552B')).toMatchObject({ to: 'Orange' });
    expect(colour('Foam', '#EAF2F0')).toMatchObject({ to: 'White' });
    expect(colour('Brine', '#7FA8A3')).toMatchObject({ confidence: 'doubtful' });
    expect(colour('Quibble')).toBeNull();
  });
  it('whose name and swatch contradict each other are asked about', () => {
    expect(colour('Green', '#2F6B45')).toMatchObject({ to: 'Green', why: 'label', confidence: 'sure' });
    expect(colour('Bright green', '#B3272D')).toMatchObject({ to: 'Green', confidence: 'doubtful' });
  });
  it('are what the seller writes them as besides', () => {
    const list = lists.get('colour')!;
    expect(proposePairing('colour', { label: 'Haar', swatch: '#FF0000' }, list, ['Haar', 'grey'])).toEqual({
      to: 'Grey',
      why: 'spelling',
      confidence: 'sure',
    });
  });
});

describe('a value that holds for a whole listing', () => {
  it('is told where the channel’s list has it not, and goes out all the same: nobody chooses it', () => {
    const { family, ...given } = wholeJacket();
    const [colour] = family.axes;
    const one = run(family, {
      do: 'removeValues',
      axisId: colour!.id,
      valueIds: colour!.values.slice(1).map((value) => value.id),
    });
    const unpaired = (some: typeof family) =>
      computeFit(fitInput(some, 'quayside', { ...given, pairings: {} })).findings.filter(
        (finding) => finding.code === 'pairing.missing',
      );
    expect(unpaired(one).map(({ params, severity }) => [params, severity])).toEqual([
      [{ account: 'Quayside', value: 'Rust', isOption: false }, 'warns'],
    ]);
    const fields = (pairings: Record<string, Record<string, string>>) =>
      fitWithListings(fitInput(one, 'quayside', { ...given, pairings })).listings.map((listing) => listing.fields);
    expect(fields({}).map((all) => 'Colour group' in all)).toEqual([false]);
    expect(fields({ colour: { rust: 'Orange' } })[0]!['Colour group']).toBe('Orange');
    const chosen = `${family.axes[1]!.id};split=${colour!.id}+${family.axes[2]!.id};pin=`;
    const wish = { apart: [], whole: [], leaveOut: [], offered: true, chosen };
    expect(unpaired(run(family, { do: 'setWish', account: 'quayside', wish }))).toHaveLength(4);
  });
});

describe('earlier choices on the channel', () => {
  const list = lists.get('colour')!;
  const chosen = { rust: 'Brown', midnight: 'Black', 'rust and ochre': 'Many-coloured' };
  const propose = (label: string, swatch?: string) => proposeFor(registry, 'colour', { label, swatch }, list, chosen);
  it('are proposed for a value that has their words, the most of them first', () => {
    expect(propose('Rust melange', '#A4502B')).toEqual({
      to: 'Brown',
      why: 'earlier',
      of: 'rust',
      confidence: 'likely',
    });
    expect(propose('Rust and ochre check')).toMatchObject({ to: 'Many-coloured', of: 'rust and ochre' });
    expect(propose('Trusty', '#2B4C9B')).not.toMatchObject({ why: 'earlier' });
  });
  it('are proposed for a colour that is nearly theirs', () => {
    const swatch = registry.word('colour', 'midnight')!.swatch!;
    expect(propose('Fathom', swatch)).toEqual({ to: 'Black', why: 'earlier', of: 'midnight', confidence: 'likely' });
  });
  it('give way to the channel’s own word, and are nothing where the channel has theirs no more', () => {
    expect(propose('Blue')).toMatchObject({ why: 'label' });
    const gone = proposeFor(registry, 'colour', { label: 'Rust melange' }, list, { rust: 'Ginger' });
    expect(gone).not.toMatchObject({ why: 'earlier' });
  });
});

describe('sizes', () => {
  it.each([
    ['350 mm', '35 cm', 'sure'],
    ['1.50 x 2.00 m', '150 × 200 cm', 'sure'],
    ['130x170', '130 × 170 cm', 'likely'],
    ['2XL', 'XXL', 'sure'],
    ['X-Large', 'XL', 'sure'],
    ['extra small', 'XS', 'sure'],
    ['37', '35-38', 'doubtful'],
    ['92', '86/92', 'likely'],
  ])('%s is %s', (label, to, confidence) => expect(size(label)).toMatchObject({ to, confidence }));
  it.each([
    // Last of 11 inches: 41.9 Paris points.
    ['UK 8', 'EU 42'],
    ['US 9', 'EU 42'],
    ['UK 5.5', 'EU 39'],
    ['4 years', '98/104'],
    ['3-4 years', '98/104'],
    ['12 months', '74/80'],
  ])('%s is %s in another system', (label, to) => {
    const sizes = ['EU 38', 'EU 39', 'EU 41', 'EU 42', 'EU 43', '74/80', '86/92', '98/104', '110/116'];
    const book = structuredClone(rulebook('quayside'));
    book.rules.axes.roles.size!.list = sizes.map((one) => ({ label: one }));
    const own = openPairingLists(book.rules).get('size')!;
    expect(proposePairing('size', { label }, own)).toEqual({ to, why: 'system', confidence: 'likely' });
  });
  const clothes = (...sizes: string[]) => {
    const book = structuredClone(rulebook('quayside'));
    book.rules.axes.roles.size!.list = sizes.map((one) => ({ label: one }));
    return openPairingLists(book.rules).get('size')!;
  };
  // Women's: bust of EU 40 is 92 cm, an M of 90 to 98; men's: a chest of 40 inches is EU 50, an M of 94 to 102.
  it.each([
    ['UK 12', 'EU 40'],
    ['US 8', 'EU 40'],
    ['US 8', 'UK 12'],
    ['UK 12', 'M'],
    ['US 2', 'XS'],
    ['UK 40', 'EU 50'],
    ['US 40', 'M'],
    ['UK 46', 'XL'],
  ])('%s is %s in a list of clothes, and asked about', (label, to) => {
    const list = clothes(
      ...(/^[A-Z]+$/.test(to) ? ['XS', 'S', 'M', 'L', 'XL'] : ['EU 36', 'EU 38', 'EU 42', 'EU 46', to]),
    );
    expect(proposePairing('size', { label }, list)).toEqual({ to, why: 'garment', confidence: 'doubtful' });
  });
  it('of an EU number alone are nobody’s letters: it does not say who wears it', () => {
    expect(proposePairing('size', { label: 'EU 44' }, clothes('S', 'M', 'L'))).toBeNull();
  });
  // Thirteen decimetres are no medium, and thirteen inches no shoe.
  it.each(['1.3 m', '13 in', '12 m', '47', 'Giant'])('%s is none of them', (label) => expect(size(label)).toBeNull());
});

// The table that shops print of EU and UK sizes of adults' shoes, from memory; ISO/TS 19407:2015 says that tables of makers differ by
// half a size.
describe('shoes of other systems', () => {
  const TABLE = [
    [36, 3.5],
    [37, 4],
    [38, 5],
    [39, 6],
    [40, 6.5],
    [41, 7.5],
    [42, 8],
    [43, 9],
    [44, 9.5],
    [45, 10.5],
    [46, 11],
    [47, 12],
  ] as const;
  it.each(TABLE)('EU %d is UK %d, half a size at most beside it', (eu, uk) => {
    const half = shoeLast('uk 1.5')! - shoeLast('uk 1')!;
    expect(Math.abs(shoeLast(`eu ${eu}`)! - shoeLast(`uk ${uk}`)!)).toBeLessThanOrEqual(half);
  });
  it('US is one size above UK for men, and Paris points are two thirds of a centimetre', () => {
    expect(shoeLast('us 9')).toBeCloseTo(shoeLast('uk 8')!, 9);
    expect(shoeLast('eu 42')! - shoeLast('eu 39')!).toBeCloseTo(20, 9);
  });
});
