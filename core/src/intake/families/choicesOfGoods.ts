/** What words for colours are of goods that have other choices: the scents of candles, the flavours of tea, the metals of rings. Common practice. */
import { colourWord } from '../options/colourWords';
import { areGoods, isFlavoured, isJewellery, isScented } from '../options/goodsWords';
import { MATERIALS } from '../options/materialWords';
import { tokensOf } from '../options/tokens';
import { stemWords } from './nameStems';
import type { RowVariant, WovenAxis } from './weaves';

const METALS = new Set(MATERIALS);

/** Axes whose values look like colours and are something else, as their goods are; columns that say what they are stay so. */
export function choicesOfGoods(axes: WovenAxis[], variants: readonly RowVariant[]): WovenAxis[] {
  const at = axes.findIndex(({ role, isGiven, isGuessed }) => role === 'colour' && (!isGiven || isGuessed));
  if (at < 0) return axes;
  const words = stemWords(variants[0]!.item).map(({ text }) => text);
  const values = [...new Set(variants.map((variant) => variant.at.get(axes[at]!.key)?.text ?? ''))];
  const meant = meaningFor(words, values);
  return meant ? axes.with(at, { ...axes[at]!, ...meant }) : axes;
}

function meaningFor(words: readonly string[], values: readonly string[]): Pick<WovenAxis, 'role' | 'label'> | null {
  const are = (test: (word: string) => boolean) => areGoods(words, test);
  if (are(isJewellery) && values.every((value) => METALS.has(value.toLowerCase())))
    return { role: 'material', label: 'Metal' };
  // Candles are red, off-white and forest green, too; what they smell of is called "Black Fig" and "White Tea".
  const colours = values.filter((value) => colourWord(tokensOf(value).at(-1)?.text ?? '') === 'plain');
  if (colours.length * 2 > values.length) return null;
  // What is left of a name as "cream" is one for the skin.
  if (are((word) => isScented(word) || word === 'cream')) return { role: 'other', label: 'Scent' };
  return are(isFlavoured) ? { role: 'other', label: 'Flavour' } : null;
}
