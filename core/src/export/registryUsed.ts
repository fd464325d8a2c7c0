/**
 * The parts of the registry that families refer to: they leave with them, so that the families can be read where
 * these are not known.
 */
import type { z } from 'zod';
import { everyCarrier } from '../family/everyChild';
import type { FamilyFile } from '../family/familyFile';
import { scopeName } from '../family/scope';
import type { Carrier, Figure } from '../family/shape';
import type { Registry } from '../registry/openRegistry';
import { RegistryDataSchema, type RegistryData } from '../registry/shape';
import { ownOf } from '../text/own';

export const RegistryPartsSchema = RegistryDataSchema.pick({
  categories: true,
  facts: true,
  taxCodes: true,
  terms: true,
  sizeCharts: true,
  locations: true,
}).partial();

/** Categories, facts, tax codes, terms, size charts and places, by their ids. */
export type RegistryParts = z.infer<typeof RegistryPartsSchema>;

const RECORDS = ['categories', 'facts', 'taxCodes', 'terms', 'sizeCharts'] as const;

/** Collects what families refer to, one after the other. */
export function registryUsed(registry: Registry): { note(file: FamilyFile): void; parts(): RegistryParts } {
  const { data } = registry;
  const used = Object.fromEntries(RECORDS.map((part) => [part, new Set<string>()])) as Record<
    (typeof RECORDS)[number],
    Set<string>
  >;
  const places = new Set<string>();

  function noteFigure(key: string, figure: Figure): void {
    const field = registry.field(key);
    if (ownOf(data.facts, key)) {
      used.facts.add(key);
      for (const id of data.facts[key]!.categories) noteCategory(id);
    }
    if (field?.type === 'category') noteCategory(figure);
    else if (key === 'taxCode') used.taxCodes.add(String(figure));
    else if (field?.chosenOf) used[field.chosenOf === 'sizeChart' ? 'sizeCharts' : 'terms'].add(String(figure));
  }
  const noteCategory = (id: unknown) => registry.path(id).forEach((one) => used.categories.add(one.id));

  function noteCarrier({ fields, scoped = {} }: Carrier): void {
    for (const figures of [fields, ...Object.values(scoped)])
      for (const [key, figure] of Object.entries(figures)) noteFigure(key, figure);
  }

  return {
    note({ family, stockAt = {} }) {
      everyCarrier(family).forEach(noteCarrier);
      for (const kept of Object.values(stockAt)) for (const place of Object.keys(kept)) places.add(place);
    },
    parts: () => ({
      ...Object.fromEntries(
        RECORDS.map((part) => [
          part,
          Object.fromEntries(Object.entries(data[part]).filter(([id]) => used[part].has(id))),
        ]),
      ),
      locations: data.locations.filter(({ id }) => places.has(id)),
    }),
  };
}

/** The parts that are not there yet; null where all of them are. What is there already stays as it is. */
export function partsMissing(data: RegistryData, given: RegistryParts): RegistryParts | null {
  const known = new Set(data.locations.map(({ id }) => id));
  const missing: RegistryParts = {
    ...Object.fromEntries(
      RECORDS.map((part) => [
        part,
        Object.fromEntries(Object.entries(given[part] ?? {}).filter(([id]) => !Object.hasOwn(data[part], id))),
      ]),
    ),
    locations: (given.locations ?? []).filter(({ id }) => !known.has(id)),
  };
  return Object.values(missing).some((part) => Object.keys(part).length > 0) ? missing : null;
}

/** Accounts that a family has figures or wishes for. */
export function accountsNamed({ family }: Pick<FamilyFile, 'family'>): Set<string> {
  const accounts = new Set(Object.keys(family.wishes));
  for (const { scoped = {} } of everyCarrier(family))
    for (const { kind, name } of Object.keys(scoped).map(scopeName)) if (kind === 'account') accounts.add(name);
  return accounts;
}
