/**
 * Findings about measures that no parcel has: a unit was mixed up. Bounds are common practice for what one person
 * sends.
 */
import type { Field } from '../../registry/field';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import { makeFinding, typeHere } from './report';

/** In grams and centimetres. */
const BOUNDS = {
  weight: { least: 5, most: 30_000, factor: 1000, unit: 'g', large: { from: 1000, unit: 'kg' } },
  length: { least: 0.5, most: 200, factor: 10, unit: 'cm', large: { from: Infinity, unit: 'm' } },
} as const;

export function measureFindings(context: CheckContext): Finding[] {
  const { registry } = context.rulebook;
  return registry.fields
    .filter((field) => field.group === 'delivery' && (field.type === 'weight' || field.type === 'length'))
    .flatMap((field) => oddFigures(context, field));
}

function oddFigures(context: CheckContext, field: Field): Finding[] {
  const bounds = BOUNDS[field.type as keyof typeof BOUNDS];
  const shown = (figure: number) =>
    figure >= bounds.large.from ? `${figure / bounds.large.from} ${bounds.large.unit}` : `${figure} ${bounds.unit}`;
  return context.groups(field.key).flatMap(({ figure, place, scope, members }) => {
    if (typeof figure !== 'number' || !place || (figure >= bounds.least && figure <= bounds.most)) return [];
    const perhaps = figure > bounds.most ? figure / bounds.factor : figure * bounds.factor;
    return makeFinding(context, {
      code: 'measure.odd',
      params: { field: field.label, shown: shown(figure), perhaps: shown(Math.round(perhaps * 100) / 100) },
      severity: 'warns',
      key: field.key,
      rule: field.type,
      members,
      place,
      scope,
      remedies: [typeHere(field.key, place)],
    });
  });
}
