/** A jacket that fits everywhere: what a test takes away is what is found. */
import type { SingleCommand } from '../src/change/commands';
import type { Family, Figure } from '../src/family/shape';
import { familyIndex } from '../src/family/weave';
import { blockNumber } from '../src/identifiers/block';
import { type Pairing, type PairingTable, withPairings } from '../src/pairing/pairings';
import type { PictureFacts } from '../src/pictures/pictureFacts';
import { runCommand, stormJacket } from './sample';

export const facts = (id: string, more: Partial<PictureFacts> = {}): PictureFacts => ({
  id,
  fileName: `${id}.png`,
  width: 1200,
  height: 1200,
  whiteBackground: true,
  ...more,
});
export const run = (family: Family, ...commands: SingleCommand[]) =>
  commands.reduce((now, command) => runCommand(now, command).family, family);
export const setFamily = (key: string, figure: Figure | null): SingleCommand => ({
  do: 'setFigures',
  changes: [{ place: { level: 'family' }, key, figure }],
});
export const setChild = (childId: string, key: string, figure: Figure | null): SingleCommand => ({
  do: 'setFigures',
  changes: [{ place: { level: 'child', childId }, key, figure }],
});
export const pairings: Pairing[] = [
  ['rust', 'Orange'],
  ['spruce', 'Green'],
  ['midnight', 'Navy blue'],
  ['ochre', 'Yellow'],
].map(([value, to]) => ({ channel: 'quayside', role: 'colour', value: value!, to: to! }));

export const table = (list: readonly Pairing[]): PairingTable => withPairings({}, list);

/** The jacket with everything it needs, and what stands beside it. */
export function wholeJacket() {
  const jacket = stormJacket();
  const woven = familyIndex(jacket).woven;
  const colour = jacket.axes[0]!;
  const family = run(
    jacket,
    {
      do: 'setFigures',
      changes: woven.flatMap((child, at) => [
        { place: { level: 'child' as const, childId: child.id }, key: 'sku', figure: `SKJ-${at}` },
        {
          place: { level: 'child' as const, childId: child.id },
          key: 'gtin',
          figure: blockNumber({ prefix: '95010174', digits: 13 }, at),
        },
      ]),
    },
    ...colour.values.map((value): SingleCommand => ({
      do: 'setPictures',
      place: { level: 'value', axisId: colour.id, valueId: value.id },
      pictures: [`p-${value.label}`],
    })),
    ...Object.entries({
      description: 'A waxed jacket for days when the ferry does not run at all.',
      highlights: ['One', 'Two', 'Three', 'Four', 'Five'],
      searchWords: ['jacket'],
      searchTitle: 'Storm jacket',
      searchDescription: 'A waxed jacket.',
      maker: 'Skerry Supply',
      madeIn: 'Norrhavn',
      care: 'Wipe',
      wearer: 'anyone',
      composition: '100 % cotton',
      collections: ['Foul weather'],
      packageLength: 38,
      packageWidth: 30,
      packageHeight: 8,
    }).map(([key, figure]) => setFamily(key, figure)),
  );
  return {
    family,
    stock: Object.fromEntries(woven.map((child) => [child.id, 7])),
    pictures: Object.fromEntries(colour.values.map((value) => [`p-${value.label}`, facts(`p-${value.label}`)])),
    pairings: table(pairings),
  };
}
