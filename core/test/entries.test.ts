import { describe, expect, it } from 'vitest';
import { findingText } from '../src/descriptions/findingText';
import type { Family } from '../src/family/shape';
import { familyIndex } from '../src/family/weave';
import { computeWithContext } from '../src/fit/fit';
import { mendAll } from '../src/fit/mend';
import { projectListings } from '../src/fit/project/projectListings';
import { identityOf } from '../src/identifiers/sameness';
import type { ChannelEntry, KnownNumbers } from '../src/listing/entry';
import { listingMessage } from '../src/listing/listingMessage';
import { uploadSheet } from '../src/listing/uploadSheet';
import { fitInput, rulebook, rulesFor } from './sample';
import { run, setChild, setFamily, wholeJacket } from './whole';

const { family: whole, ...more } = wholeJacket();
const woven = familyIndex(whole).woven;
const [first, second] = woven as [(typeof woven)[0], (typeof woven)[0]];

/** A channel that knows some children, and of all others that it does not. */
function knows(children: readonly string[], said: Partial<ChannelEntry> = {}): KnownNumbers {
  return Object.fromEntries(
    woven.map(({ id, fields: { gtin } }) => [
      identityOf('gtin', String(gtin)),
      children.includes(id)
        ? {
            entry: `E-${id}`,
            gtin: String(gtin),
            name: 'A jacket',
            options: {},
            facts: { Brand: 'SKERRY supply' },
            ...said,
          }
        : null,
    ]),
  );
}
const on = (channel: string, family: Family, known: KnownNumbers) => {
  const { fit, context } = computeWithContext(fitInput(family, channel, { ...more, known }));
  return { fit, listings: context ? projectListings(context) : [] };
};
const under = (channel: string, ids: readonly string[]) => ({
  do: 'setWish' as const,
  account: channel,
  wish: {
    apart: [],
    whole: [],
    leaveOut: [],
    offered: true,
    entries: Object.fromEntries(ids.map((id) => [id, `E-${id}`])),
  },
});
const codes = (channel: string, family: Family, known: KnownNumbers) =>
  on(channel, family, known).fit.findings.map((one) => one.code);

describe('numbers that a channel knows', () => {
  it('stop where it takes them under its entries alone, and only advise where it need not be', () => {
    const { fit } = on('quayside', whole, knows([first.id, second.id]));
    const found = fit.findings.filter((one) => one.code === 'entry.found');
    expect(found.map((one) => [one.severity, one.childIds])).toEqual([['stops', [first.id, second.id]]]);
    expect(findingText(found[0]!, whole)).toBe(
      'Quayside knows the numbers of 2 children already, and takes them under its own entries alone.',
    );
    expect(fit.entries.map((one) => [one.childId, one.stands, one.isLikely])).toEqual([
      [first.id, 'open', true],
      [second.id, 'open', true],
    ]);
    const [advice] = on('tallow-gate', whole, knows([first.id])).fit.findings.filter(
      (one) => one.code === 'entry.found',
    );
    expect(advice!.severity).toBe('advises');
    // A child is called what the seller calls it, also within a sentence.
    expect(findingText(advice!, whole)).toMatch(/knows the number of Rust · \S+ · Unlined already\.$/);
  });
  it('are taken by one press where brand and options agree, and asked about where they do not', () => {
    const mend = mendAll(on('quayside', whole, knows([first.id, second.id])).fit.findings);
    expect(mend.commands).toEqual([
      expect.objectContaining({
        wish: expect.objectContaining({ entries: { [first.id]: `E-${first.id}`, [second.id]: `E-${second.id}` } }),
      }),
    ]);
    const odd = on(
      'quayside',
      whole,
      knows([first.id], { options: { colour: 'Green' }, facts: { Brand: 'Skerry Supply' } }),
    );
    expect(odd.fit.entries[0]).toMatchObject({
      isLikely: false,
      differences: [{ name: 'Colour', theirs: 'Green', ours: 'Rust' }],
    });
    expect(mendAll(odd.fit.findings.filter((one) => one.code === 'entry.found')).commands).toEqual([]);
    // Rust is paired with Orange: that is the channel's word for it.
    expect(on('quayside', whole, knows([first.id], { options: { colour: 'orange' } })).fit.entries[0]!.isLikely).toBe(
      true,
    );
  });
  it('are settled together with what is lost: nothing comes back that was given up', () => {
    const settled = run(whole, under('quayside', [first.id]));
    const { findings } = on('quayside', settled, knows([second.id])).fit;
    expect(findings.map((one) => one.code)).toEqual(['entry.gone', 'entry.found']);
    for (const order of [findings, findings.toReversed()])
      expect(mendAll(order).commands).toEqual([
        expect.objectContaining({ wish: expect.objectContaining({ entries: { [second.id]: `E-${second.id}` } }) }),
      ]);
  });
  it('have to be asked about again where the number is another now', () => {
    const settled = run(whole, under('quayside', [first.id]));
    expect(codes('quayside', settled, knows([first.id]))).toEqual([]);
    const renumbered = run(settled, setChild(first.id, 'gtin', '9501018400017'));
    expect(codes('quayside', renumbered, { ...knows([]), '09501018400017': null })).toContain('entry.gone');
    expect(codes('quayside', renumbered, knows([first.id]))).toEqual(['entry.unasked']);
    expect(codes('quayside', run(settled, setChild(first.id, 'gtin', null)), knows([]))).toContain('entry.gone');
  });
});

describe('a child under an entry', () => {
  const bare = run(whole, setChild(first.id, 'weight', 0.3), setChild(first.id, 'composition', 'See www.example.test'));
  it('is asked for nothing that is fixed there, and sends its offer alone', () => {
    expect(codes('quayside', bare, knows([]))).toEqual(expect.arrayContaining(['field.zero', 'wording.link']));
    const settled = run(bare, under('quayside', [first.id]));
    const { fit, listings } = on('quayside', settled, knows([first.id]));
    expect(fit.findings.filter((one) => one.severity === 'stops')).toEqual([]);
    const offers = listings.flatMap((listing) => listing.offers);
    const mine = offers.find((offer) => offer.sku === first.fields.sku)!;
    expect(mine).toMatchObject({ entry: `E-${first.id}`, fields: {}, gtin: first.fields.gtin });
    expect(mine.pictures).toBeUndefined();
    expect(offers.filter((offer) => offer.entry)).toHaveLength(1);
    const message = listingMessage(undefined, listings[0])!;
    const { headers, rows } = uploadSheet([message], rulesFor(rulebook('quayside'), 'outerwear/jackets')!.rules);
    const entries = rows.map((row) => row[headers.indexOf('Entry')]);
    expect(entries.filter((cell) => cell !== '')).toEqual([`E-${first.id}`]);
  });
  it('leaves a listing that stands under entries whole without words and pictures of its own', () => {
    const ids = woven.map((child) => child.id);
    const wordless = run(whole, setFamily('description', null), setFamily('highlights', null), under('quayside', ids));
    const { fit, listings } = on('quayside', wordless, knows(ids));
    expect(fit.findings.filter((one) => one.severity === 'stops')).toEqual([]);
    expect(Object.keys(listings[0]!.fields)).toEqual(whole.fields.condition === undefined ? [] : ['Condition']);
  });
  it('is told to stand by itself again in a revision', () => {
    const settled = on('quayside', run(whole, under('quayside', [first.id])), knows([first.id])).listings[0]!;
    const back = on('quayside', whole, knows([])).listings[0]!;
    const message = listingMessage(settled, back)!;
    expect(message).toMatchObject({ action: 'revise', offers: [{ sku: first.fields.sku, cleared: ['entry'] }] });
  });
});
