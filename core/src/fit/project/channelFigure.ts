/** A figure as a channel takes it: measures in its unit and decimals, choices in its own words. */
import { pairedField } from '../../pairing/pairings';
import type { Figure } from '../../family/shape';
import { lengthIn, weightIn, type LengthUnit, type WeightUnit } from '../../measure/units';
import type { FieldCheck } from '../../rulebook/openRulebook';
import { plainText } from '../../wording/markup';
import type { CheckContext } from '../context';

/** So many different measures are remembered for a rule. */
const REMEMBERED = 5000;

/** A figure as the channel's field has it: measures in its unit, everything else as it is. */
export function inChannelUnit(check: FieldCheck, figure: Figure): Figure {
  if (typeof figure !== 'number') return figure;
  const known = check.converted.get(figure);
  if (known !== undefined) return known;
  const converted = convert(check, figure);
  if (check.converted.size < REMEMBERED) check.converted.set(figure, converted);
  return converted;
}

function convert({ rule, field }: FieldCheck, figure: number): number {
  if (field?.type === 'weight') return Number(weightIn(figure, (rule.unit ?? 'g') as WeightUnit, rule.decimals));
  if (field?.type === 'length') return Number(lengthIn(figure, (rule.unit ?? 'cm') as LengthUnit, rule.decimals));
  return figure;
}

/** The figure that is sent: what the channel has a closed list for goes out in the channel's words. */
export function channelFigure({ pairingOf }: CheckContext, check: FieldCheck, figure: Figure): Figure {
  if (!check.rule.choices) return saidThere(check, inChannelUnit(check, figure));
  const paired = pairedField(check.rule.key);
  const inItsWords = (said: string) => pairingOf(paired, said) ?? said;
  if (Array.isArray(figure)) return figure.map(inItsWords);
  return typeof figure === 'string' ? inItsWords(figure) : figure;
}

/** Terms and charts by what they say; a text with form as its words, where the channel takes no form. */
export function saidThere({ rule, field }: FieldCheck, figure: Figure): Figure {
  if (typeof figure !== 'string') return figure;
  if (field?.chosenOf) return field.choices?.find((one) => one.value === figure)?.says ?? figure;
  return field?.markup && !rule.markup ? plainText(figure) : figure;
}
