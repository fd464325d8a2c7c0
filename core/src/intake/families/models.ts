/** What goods are made to fit, in their names: "Phone case for Nova 12 Pro". */
import { foldLetters } from '../../text/letters';
import type { OptionRead } from '../options/shape';
import { setsApart, type Token } from '../options/tokens';

const set = (text: string): Set<string> => new Set(text.trim().split(/\s+/).map(foldLetters));

/** Goods that are chosen by what they fit; common practice. */
const FITTING = set(`
  case cases cover covers sleeve folio bumper protector protectors glass strap straps band charger cable cradle
  mount holder battery adapter skin filter bulb blade mat mats hülle schutzhülle handyhülle tasche armband
  ladegerät akku folie coque étui housse verre bracelet chargeur batterie funda cristal correa cargador batería
  custodia vetro cinturino caricatore hoes hoesje oplader
`);
/** Say that what goods fit follows. */
export const BEFORE_MODELS = set('for für fuer pour para per voor fits compatible');

/** Takes what follows "for" up to the next option or sign for the model that goods fit, where it has a number. */
export function withModels(spans: readonly OptionRead[], tokens: readonly Token[]): readonly OptionRead[] {
  const at = tokens.findIndex(({ text }) => BEFORE_MODELS.has(text));
  if (at < 1 || !tokens.slice(0, at).some(({ text }) => FITTING.has(text))) return spans;
  const isNumber = ({ roles, isWeak }: OptionRead) => isWeak && roles[0] === 'size';
  const ends = (place: number) => spans.some((span) => span.from === place && !isNumber(span));
  let to = at + 1;
  while (to < tokens.length && !setsApart(tokens[to]!) && !ends(to)) to += 1;
  const words = tokens.slice(at + 1, to);
  if (!words.some(({ kind }) => kind === 'number')) return spans;
  const key = words.map(({ text }) => text).join('');
  const model: OptionRead = { from: at, to, roles: ['model'], key, isWeak: false };
  return [...spans.filter((span) => span.to <= at || span.from >= to), model].sort((a, b) => a.from - b.from);
}
