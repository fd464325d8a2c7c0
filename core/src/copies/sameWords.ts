/** Texts that still say the name of what they were copied from: another value, or another family. */
import { familyIndex } from '../family/weave';
import type { Carrier, Family, Figure } from '../family/shape';
import type { Place } from '../place/place';
import type { Field } from '../registry/field';
import type { Registry } from '../registry/openRegistry';
import { same, type StillSame } from './shape';

/** Shorter names are found in too many words. */
const LETTERS_LEAST = 3;

/** Texts of a value that say the name of another value of its axis and not its own. */
export function saysOther(registry: Registry, family: Family): StillSame[] {
  const { woven, positionsOf } = familyIndex(family);
  return family.axes.flatMap((axis) => {
    const names = axis.values.filter(({ label }) => isTelling(label)).map(({ label }) => ({ label, in: says(label) }));
    return axis.values.flatMap((value) => {
      const place: Place = { level: 'value', axisId: axis.id, valueId: value.id };
      return textsOf(registry, value).flatMap(({ field, text }) => {
        const other = names.find((one) => one.label !== value.label && one.in(text));
        if (!other || says(value.label)(text)) return [];
        return same({
          code: 'says-other',
          key: field.key,
          places: [place],
          childIds: positionsOf(value.id).map((position) => woven[position]!.id),
          params: { field: field.label, value: value.label, other: other.label },
        });
      });
    });
  });
}

/** Texts of a copy that say the name of what it was copied from and not its own. */
export function saysOrigin(registry: Registry, family: Family, origin: Family): StillSame[] {
  const [own, name] = [family, origin].map(({ fields }) => String(fields.name ?? ''));
  if (!isTelling(name!) || says(name!)(own!)) return [];
  const isOrigin = says(name!);
  return textsOf(registry, family).flatMap(({ field, text }) =>
    field.key !== 'name' && isOrigin(text)
      ? same({
          code: 'says-origin',
          key: field.key,
          places: [{ level: 'family' }],
          childIds: [],
          params: { field: field.label, name: name! },
        })
      : [],
  );
}

const isTelling = (label: string): boolean => label.replace(/[^\p{L}]/gu, '').length >= LETTERS_LEAST;

/** Whether a text has a name as words of its own, in whatever letters. */
function says(name: string): (text: string) => boolean {
  const words = name
    .trim()
    .replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
    .replace(/\s+/g, '\\s+');
  const pattern = new RegExp(`(?<![\\p{L}\\p{N}])${words}(?![\\p{L}\\p{N}])`, 'iu');
  return (text) => pattern.test(text);
}

/** Every text of a carrier, in all scopes. */
function textsOf(registry: Registry, carrier: Carrier): { field: Field; text: string }[] {
  const all = [carrier.fields, ...Object.values(carrier.scoped ?? {})];
  return all.flatMap((fields) =>
    Object.entries(fields).flatMap(([key, figure]) => {
      const field = registry.field(key);
      return field && ['text', 'longtext', 'list'].includes(field.type) ? [{ field, text: textOf(figure) }] : [];
    }),
  );
}

const textOf = (figure: Figure): string => (Array.isArray(figure) ? figure.join('\n') : String(figure));
