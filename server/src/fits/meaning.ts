/** What other rules of a channel would mean: every family fitted under them and under those in force. */
import { fitDifferenceText } from '@loom-kin/core/descriptions';
import { type Fit, fitDifference } from '@loom-kin/core/fit';
import { type Rulebook, compilePattern, openRulebook } from '@loom-kin/core/rulebook';
import type { RulesMeaning } from '@loom-kin/contract';
import type { Catalogue } from '../store/readCatalogue';
import { loadFamily } from '../store/loadFamily';
import type { Database } from '../store/database';
import { fitOn, worldOf } from './compute';

/** What the rules would mean for some families. */
export function meaningOf(
  database: Database,
  catalogue: Catalogue,
  familyIds: readonly string[],
  rulebook: Rulebook,
): RulesMeaning {
  const others = { ...catalogue, rulebooks: new Map(catalogue.rulebooks) };
  others.rulebooks.set(rulebook.channel, openRulebook(rulebook, catalogue.registry, compilePattern));
  const accounts = catalogue.accounts.filter((account) => account.channel === rulebook.channel);
  const meaning = nothing();
  for (const familyId of familyIds) {
    const world = worldOf(database, catalogue, loadFamily(database, familyId));
    meaning.families += 1;
    for (const account of accounts) {
      const before = fitOn(catalogue, world, account).fit;
      const after = fitOn(others, world, account).fit;
      addDifference(meaning, world.family, { before, after, account: account.id });
    }
  }
  return meaning;
}

const nothing = (): RulesMeaning => ({ families: 0, changes: [], findings: [], remade: 0 });

function addDifference(
  meaning: RulesMeaning,
  family: Parameters<typeof fitDifferenceText>[1],
  { before, after, account }: { before: Fit; after: Fit; account: string },
): void {
  const difference = fitDifference(before, after);
  if (!difference) return;
  const [from, to] = difference.state;
  const text = fitDifferenceText(difference, family);
  const name = String(family.fields.name ?? '');
  meaning.changes.push({ familyId: family.id, name, account, before: from, after: to, text });
  meaning.remade += difference.remade;
  for (const { code, key, severity, childIds } of difference.gained)
    addFinding(meaning, { code, key, severity, families: 1, children: childIds.length });
}

function addFinding({ findings }: RulesMeaning, one: RulesMeaning['findings'][number]): void {
  const there = findings.find((other) => other.code === one.code && other.key === one.key);
  if (!there) return void findings.push({ ...one });
  there.families += one.families;
  there.children += one.children;
}

/** Several meanings, each of other families, as one. */
export function together(parts: readonly RulesMeaning[]): RulesMeaning {
  const whole = nothing();
  for (const { families, changes, findings, remade } of parts) {
    whole.families += families;
    whole.remade += remade;
    whole.changes.push(...changes);
    for (const one of findings) addFinding(whole, one);
  }
  return whole;
}
