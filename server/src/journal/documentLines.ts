/** What a change did to a document that is no family, in words for the journal. */
import { ownOf } from '@loom-kin/core/text';
import type { ChangeLine } from '@loom-kin/core/descriptions';
import { difference, pathOf } from '@loom-kin/core/difference';
import type { Thing } from '../store/schema';
import type { Store } from '../store/store';

const LINES = 200;

/** One line for each place that differs. */
export function documentLines(store: Store, thing: Thing, before: unknown, now: unknown): ChangeLine[] {
  const { forward } = difference({ doc: before }, { doc: now });
  return forward.slice(0, LINES).map(({ path, value }) => {
    const steps = pathOf(path).slice(1);
    return { ...wordsFor(store, thing, steps), before: text(at(before, steps)), after: text(value) };
  });
}

function wordsFor(store: Store, thing: Thing, steps: readonly string[]): { where: string; what: string } {
  const { registry } = store.catalogue();
  if (thing === 'pairings') return { where: steps[0] ?? '', what: `Pairing of ${steps[1] ?? ''}` };
  if (thing === 'categoryMap') return { where: 'Categories', what: registry.pathLabel(steps[0]) || (steps[0] ?? '') };
  if (thing === 'registry')
    return { where: ownOf(REGISTRY_PARTS, steps[0] ?? '') ?? 'Registry', what: steps.slice(1).join(' › ') };
  return { where: WHERE[thing] ?? 'Account', what: steps.join(' › ') || 'all of it' };
}

const WHERE: Partial<Record<Thing, string>> = {
  seller: 'Seller',
  rulebook: 'Rules',
  routes: 'Routes',
  collections: 'Collections',
};

const REGISTRY_PARTS: Record<string, string> = {
  categories: 'Categories',
  facts: 'Facts',
  dictionary: 'Dictionary',
  languages: 'Languages',
  remembered: 'Entered before',
};

function at(doc: unknown, steps: readonly string[]): unknown {
  return steps.reduce<unknown>((part, step) => (part as Record<string, unknown> | undefined)?.[step], doc);
}

function text(part: unknown): string {
  if (part === undefined || part === null) return '';
  if (typeof part !== 'object') return String(part);
  const { label, name } = part as { label?: unknown; name?: unknown };
  if (typeof label === 'string' || typeof name === 'string') return String(label ?? name);
  return Array.isArray(part) ? part.map(text).join(', ') : `${Object.keys(part).length} entries`;
}
