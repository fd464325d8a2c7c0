/** Conditions in plain words: "Category is Outerwear and Price is above 50". */
import type { Comparison, Condition, Conditions } from '../catalogue/conditions';
import type { Registry } from '../registry/openRegistry';
import { listed } from '../text/counts';

export const COMPARISON_WORDS: Record<Comparison, string> = {
  is: 'is',
  isNot: 'is not',
  contains: 'contains',
  oneOf: 'is one of',
  above: 'is above',
  below: 'is below',
};

/** What conditions ask for. */
export function conditionsText({ match, of }: Conditions, registry: Registry): string {
  if (of.length === 0) return 'every family';
  const texts = of.map((part) =>
    'of' in part ? `(${conditionsText(part, registry)})` : conditionText(part, registry),
  );
  return texts.join(match === 'all' ? ' and ' : ' or ');
}

function conditionText({ key, is, value }: Condition, registry: Registry): string {
  const label = registry.field(key)?.label ?? key;
  const shown = [value].flat().map((one) => shownValue(key, one, registry));
  return `${label} ${COMPARISON_WORDS[is]} ${is === 'oneOf' ? listed(shown, 'or') : shown.join(', ')}`;
}

function shownValue(key: string, value: string | number | boolean, registry: Registry): string {
  if (key === 'category') return registry.pathLabel(value) || String(value);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return registry.field(key)?.choices?.find((one) => one.value === value)?.label ?? String(value);
}
