/** Pictures of several options on one, what is said of pictures, and which there are. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { SingleCommand } from '../src/change/commands';
import { findingText } from '../src/descriptions/findingText';
import type { Child, Family, Wish } from '../src/family/shape';
import { familyIndex } from '../src/family/weave';
import { computeWithContext } from '../src/fit/fit';
import { combinedPictures, projectListings } from '../src/fit/project/projectListings';
import { listingMessage } from '../src/listing/listingMessage';
import { markedPicture } from '../src/listing/pictureAddress';
import { proposedText, textOfPicture } from '../src/pictures/altText';
import { combinedId, letterOf, sharedOut } from '../src/pictures/combine';
import { coverageOf } from '../src/pictures/coverage';
import type { PictureFacts } from '../src/pictures/pictureFacts';
import { createFamily, fitInput, runCommand } from './sample';
import { facts, run } from './whole';

const COLOURS = 'Rust Spruce Midnight Ochre Cream Moss Brick Navy Grey Sand Rose Black Plum'.split(' ');
const idOf = (label: string, number = 0) =>
  Buffer.from(`${label}${number}`).toString('hex').padEnd(24, '0').slice(0, 24);
const socks = COLOURS.reduce(
  (family, label, at): Family => {
    const axis = family.axes[0]!;
    const place = { level: 'value' as const, axisId: axis.id, valueId: axis.values[at]!.id };
    return run(family, { do: 'setPictures', place, pictures: [idOf(label), idOf(label, 1)] });
  },
  createFamily({
    ...{
      id: 'fam9',
      off: [],
      fields: { name: 'Merino socks', styleCode: 'MS', category: 'outerwear/jackets', price: '19.00' },
    },
    axes: [{ role: 'colour', label: 'Colour', values: COLOURS.map((label) => ({ label })) }],
  }),
);
const sold = run(socks, {
  do: 'setFigures',
  changes: Object.values(socks.children).map((child, at) => ({
    place: { level: 'child' as const, childId: child.id },
    key: 'sku',
    figure: `MS-${at}`,
  })),
});
const pictures: Record<string, PictureFacts> = Object.fromEntries(
  COLOURS.flatMap((label) =>
    [0, 1].map((n) => [
      idOf(label, n),
      facts(idOf(label, n), { fileName: `${label}-${n === 0 ? 'front' : 'back'}.png` }),
    ]),
  ),
);
const wishing = (family: Family, combine: Wish['combine']) =>
  run(family, {
    do: 'setWish',
    account: 'fernpost',
    wish: { apart: [], whole: [], leaveOut: [], offered: true, ...(combine ? { combine } : {}) },
  });
const on = (family: Family) => {
  const { fit, context } = computeWithContext(fitInput(family, 'fernpost', { pictures }));
  return { fit, listing: projectListings(context!)[0]!, made: combinedPictures(context!) };
};
const told = (family: Family) =>
  on(family)
    .fit.findings.filter((one) => one.key === 'pictures')
    .map((one) => findingText(one, family));

describe('more options than there is room for pictures', () => {
  it('are told, with the ways out', () => {
    const { fit, listing } = on(wishing(sold, undefined));
    expect(listing.pictures).toHaveLength(10);
    expect(told(wishing(sold, undefined))).toEqual([
      'Rose, Black and Plum show no picture: Fernpost takes 10 for a listing. Several options can share one.',
    ]);
    const { remedies } = fit.findings.find((one) => one.code === 'picture.options-unshown')!;
    expect(remedies).toMatchObject([
      { label: { do: 'sharePictures', labels: 'names' } },
      { label: { labels: 'letters' } },
    ]);
  });
  it('share pictures where the seller wishes it: the main one alone, each option on one of the others', () => {
    const { listing, made } = on(wishing(sold, 'names'));
    expect(told(wishing(sold, 'names'))).toEqual([]);
    expect(listing.pictures.length).toBeLessThanOrEqual(10);
    expect(markedPicture(listing.pictures[0]!)).toBe(idOf('Rust'));
    for (const option of listing.axes[0]!.options) {
      const id = markedPicture(option.pictures![0]!)!;
      expect(listing.pictures).toContain(option.pictures![0]);
      const parts = made.get(id)?.parts ?? [{ label: option.label, picture: id }];
      expect(parts.find((part) => part.label === option.label)!.picture).toBe(idOf(option.label));
    }
    expect([...made.values()].flatMap((one) => one.parts).every((part) => part.letter === '')).toBe(true);
  });
  it('are lettered through all of them where the seller likes that better', () => {
    const { made } = on(wishing(sold, 'letters'));
    const lettered = [...made.values()].flatMap((one) => one.parts);
    expect(lettered.every((part) => part.letter === letterOf(COLOURS.indexOf(part.label)))).toBe(true);
  });
  it('a picture that changes makes another of the one it is on, and nothing else is sent', () => {
    const before = on(wishing(sold, 'names')).listing;
    const after = on(
      run(wishing(sold, 'names'), { do: 'replacePicture', from: idOf('Plum'), to: idOf('Plum', 7) }),
    ).listing;
    const message = listingMessage(before, after, false, false);
    expect(message).toMatchObject({ action: 'revise', offers: [], gone: [] });
    expect(before.pictures.filter((one) => !after.pictures.includes(one))).toHaveLength(1);
  });
  it('with room for all each keeps its own', () => {
    const few = run(wishing(sold, 'names'), {
      do: 'removeValues',
      axisId: sold.axes[0]!.id,
      valueIds: sold.axes[0]!.values.slice(8).map((one) => one.id),
    });
    expect(on(few).made.size).toBe(0);
  });
  it('are shared out evenly, in their order, none on two and none too many on one', () => {
    fc.assert(
      fc.property(
        fc.nat(200),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 9 }),
        (count, groups, most) => {
          const all = Array.from({ length: count }, (_, at) => at);
          const shared = sharedOut(all, groups, most);
          expect(shared.flat()).toEqual(all.slice(0, groups * most));
          expect(shared.length).toBeLessThanOrEqual(groups);
          const sizes = shared.map((one) => one.length);
          expect(Math.max(0, ...sizes)).toBeLessThanOrEqual(most);
          expect(Math.max(0, ...sizes) - Math.min(...sizes, Math.max(0, ...sizes))).toBeLessThanOrEqual(1);
        },
      ),
    );
  });
  it('are told by what is on them: another order, name or letter is another picture', () => {
    const parts = [
      { picture: idOf('Rust'), label: 'Rust', letter: '' },
      { picture: idOf('Navy'), label: 'Navy', letter: '' },
    ];
    const ids = [
      combinedId({ labels: 'names', parts }),
      combinedId({ labels: 'letters', parts }),
      combinedId({ labels: 'names', parts: parts.toReversed() }),
      combinedId({ labels: 'names', parts: [{ ...parts[0]!, label: 'Red' }, parts[1]!] }),
    ];
    expect(new Set(ids).size).toBe(4);
    expect(combinedId({ labels: 'names', parts: structuredClone(parts) })).toBe(ids[0]);
    expect([0, 25, 26, 51, 52, 701, 702].map(letterOf)).toEqual(['A', 'Z', 'AA', 'AZ', 'BA', 'ZZ', 'AAA']);
  });
});

describe('what is said of pictures', () => {
  const describe_ = (...notes: Extract<SingleCommand, { do: 'describePictures' }>['notes']): SingleCommand => ({
    do: 'describePictures',
    notes,
  });
  const german = run(sold, {
    do: 'setFigures',
    changes: [{ place: { level: 'family' }, key: 'name', figure: 'Merinosocken', scope: 'language:de' }],
  });
  it('a text is proposed of name, option and angle, in each language, until one is written', () => {
    const said = run(german, describe_({ picture: idOf('Rust'), angle: 'back' }));
    expect(proposedText(said, idOf('Rust'), 'en')).toBe('Merino socks, Rust, back');
    expect(proposedText(said, idOf('Rust'), 'de')).toBe('Merinosocken, Rust, von hinten');
    const written = run(said, describe_({ picture: idOf('Rust'), text: { language: 'de', text: 'Rote Socken' } }));
    expect(textOfPicture(written, idOf('Rust'), 'de')).toBe('Rote Socken');
    expect(textOfPicture(written, idOf('Rust'), 'en')).toBe('Merino socks, Rust, back');
  });
  it('is taken away, and comes back, and goes with a picture that takes the place of another', () => {
    const said = run(
      sold,
      describe_({ picture: idOf('Rust'), angle: 'side', text: { language: 'en', text: 'Socks' } }),
    );
    const none = run(said, describe_({ picture: idOf('Rust'), angle: null, text: { language: 'en', text: null } }));
    expect(none.pictureNotes).toBeUndefined();
    const moved = run(said, { do: 'replacePicture', from: idOf('Rust'), to: idOf('Moss', 5) });
    expect(moved.pictureNotes).toEqual({ [idOf('Moss', 5)]: { angle: 'side', texts: { en: 'Socks' } } });
    expect(moved.axes[0]!.values[0]!.pictures).toEqual([idOf('Moss', 5), idOf('Rust', 1)]);
  });
  it('another picture comes everywhere the one before stood: on accounts and on the shelf', () => {
    const axis = sold.axes[0]!;
    const [value] = axis.values;
    const place = { level: 'value' as const, axisId: axis.id, valueId: value!.id };
    const [child, shelved] = familyIndex(sold).woven as [Child, Child];
    const scattered = run(
      sold,
      { do: 'setPictures', place, pictures: [idOf('Rust', 1), idOf('Rust')], scope: 'account:fernpost' },
      { do: 'setPictures', place: { level: 'child', childId: child.id }, pictures: [idOf('Rust')] },
      {
        do: 'setPictures',
        place: { level: 'child', childId: shelved.id },
        pictures: [idOf('Rust')],
        scope: 'account:fernpost',
      },
      { do: 'removeValues', axisId: axis.id, valueIds: [axis.values[1]!.id] },
    );
    expect(Object.keys(scattered.shelf)).toEqual([shelved.id]);
    const { family: after } = runCommand(scattered, { do: 'replacePicture', from: idOf('Rust'), to: idOf('Sand', 9) });
    expect(JSON.stringify(after)).not.toContain(idOf('Rust') + '"');
    expect(after.axes[0]!.values[0]!.scoped).toEqual({
      'account:fernpost': { pictures: [idOf('Rust', 1), idOf('Sand', 9)] },
    });
  });
  it('which there are, angle by angle: as said, else as the file is called', () => {
    const { angles, rows } = coverageOf(
      run(sold, describe_({ picture: idOf('Rust', 1), angle: 'detail' })),
      sold.axes[0]!,
      pictures,
    );
    expect(angles).toEqual(['front', 'back', 'detail']);
    expect([...rows[0]!.byAngle.keys()]).toEqual(['front', 'detail']);
    expect(rows[1]!.byAngle.get('back')).toEqual([idOf('Spruce', 1)]);
  });
});
