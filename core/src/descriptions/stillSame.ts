/** Sentences for what is still the same. */
import { listed } from '../text/counts';
import type { SameCode, StillSame } from '../copies/shape';

type Params = Record<string, string>;

/** So many values are named; of more it is said how many there are. */
const NAMED = 4;
function valuesIn({ values = '' }: Params): string {
  const labels = values.split('\n');
  const more = labels.length - NAMED;
  return listed(more > 0 ? [...labels.slice(0, NAMED), `${more} more`] : labels);
}

const SENTENCES: Record<SameCode, (p: Params) => string> = {
  'part-number': (p) => `${p.children} children have the maker's part number ${p.number}.`,
  pictures: (p) => `${valuesIn(p)} have the same main picture.`,
  'measure-tie': (p) => `${p.field} is ${p.figure} for ${p.sizes}; the other sizes differ.`,
  'measure-all': (p) => `${p.field} is ${p.figure} for every ${p.sizes}, each for itself.`,
  'stock-alike': (p) => `${valuesIn(p)} have the same pieces, child by child.`,
  'stock-all': (p) => `All ${p.children} children have ${p.pieces} pieces.`,
  swatch: (p) => `${valuesIn(p)} have the same swatch.`,
  'says-other': (p) => `${p.field} of ${p.value} says "${p.other}".`,
  'says-origin': (p) => `${p.field} says "${p.name}", which this was copied from.`,
  'origin-pictures': (p) =>
    p.count === '1' ? `A picture is that of ${p.name}.` : `${p.count} pictures are those of ${p.name}.`,
  'origin-figures': (p) => `As for ${p.name}: ${p.fields}.`,
};

/** What is still the same, in a sentence. */
export const stillSameText = ({ code, params }: Pick<StillSame, 'code' | 'params'>): string => SENTENCES[code](params);
