/** The seller's words that a channel keeps lists of its own for: values of axes, and what fields say. */
import { and, eq, inArray, sql } from 'drizzle-orm';
import type { Role } from '@loom-kin/core/family';
import { fieldOfPaired, foldForPairing } from '@loom-kin/core/pairing';
import { Refusal } from '@loom-kin/core/refusal';
import type { Registry } from '@loom-kin/core/registry';
import type { WordInUse } from '@loom-kin/contract';
import { families, familyValues } from '../store/schema';
import type { Store } from '../store/store';

export function wordsInUse(store: Store, channel: string): WordInUse[] {
  const { rulebooks, registry } = store.catalogue();
  const rulebook = rulebooks.get(channel);
  if (!rulebook) throw new Refusal('channel.unknown', {});
  const paired = new Set(
    rulebook.rulebook.categories.flatMap(({ id }) => [...(rulebook.category(id)?.lists.keys() ?? [])]),
  );
  const keys = [...paired].flatMap((one) => fieldOfPaired(one) ?? []).filter((key) => registry.field(key));
  const roles = [...paired].filter((one) => fieldOfPaired(one) === null);
  return [...wordsOfAxes(store, registry, roles), ...keys.flatMap((key) => wordsOfField(store, registry, key))];
}

function wordsOfAxes({ database }: Store, registry: Registry, roles: readonly string[]): WordInUse[] {
  const rows = database
    .select({ role: familyValues.role, word: familyValues.word, families: sql<number>`count(*)` })
    .from(familyValues)
    .innerJoin(families, and(eq(families.id, familyValues.familyId), eq(families.retired, false)))
    .where(inArray(familyValues.role, [...roles]))
    .groupBy(familyValues.role, familyValues.word)
    .all();
  return rows.map(({ role, word, ...row }) => {
    const entry = wordLike(registry, role as Role, word);
    return { role, label: entry?.label ?? word, swatch: entry?.swatch ?? null, families: row.families };
  });
}

/** The dictionary's entry for a word as pairings write it. */
const wordLike = (registry: Registry, role: Role, word: string) =>
  registry.word(role, word) ??
  Object.values(registry.data.dictionary[role] ?? {}).find((entry) => foldForPairing(entry.label) === word);

function wordsOfField({ database }: Store, registry: Registry, key: string): WordInUse[] {
  const said = sql<string | null>`json_extract(${families.doc}, ${`$.fields.${key}`})`;
  const rows = database
    .select({ said, families: sql<number>`count(*)` })
    .from(families)
    .where(and(eq(families.retired, false), sql`${said} IS NOT NULL`))
    .groupBy(said)
    .all();
  const choices = registry.field(key)?.choices ?? [];
  return rows.map((row) => ({
    ...{ role: `field:${key}`, swatch: null, families: row.families },
    label: choices.find((one) => one.value === row.said)?.value ?? String(row.said),
  }));
}
