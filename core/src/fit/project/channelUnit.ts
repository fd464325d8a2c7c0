/** Measures in the unit and decimals a channel asks for. */
import type { Figure } from '../../family/shape';
import { lengthIn, weightIn, type LengthUnit, type WeightUnit } from '../../measure/units';
import type { FieldCheck } from '../../rulebook/openRulebook';

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
