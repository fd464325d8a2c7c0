/** Steps about where families go: routes, being offered at all, collections that fill themselves. */
import { CollectionsSchema, type Conditions, RoutesSchema, conditionProblem } from '@loom-kin/core/catalogue';
import { runCommand } from '@loom-kin/core/change';
import { NO_WISH } from '@loom-kin/core/family';
import { Refusal } from '@loom-kin/core/refusal';
import { count } from '@loom-kin/core/text';
import type { Step } from '@loom-kin/contract';
import { accountIn, documentIn, familyIn, putDocument, putFamily, registryIn, type Work } from './work';

type StepOn<On extends Step['on']> = Extract<Step, { on: On }>;

export const ROUTE_STEPS = {
  offer(work: Work, { account: id, familyIds, offered }: StepOn<'offer'>): void {
    const registry = registryIn(work);
    const { name } = accountIn(work, id);
    for (const familyId of new Set(familyIds)) {
      const family = familyIn(work, familyId);
      const before = family.wishes[id];
      if (before?.offered === offered) continue;
      const command = { do: 'setWish' as const, account: id, wish: { ...NO_WISH, ...before, offered } };
      putFamily(work, runCommand(registry, family, command).family);
    }
    const families = count(new Set(familyIds).size, 'family', 'families');
    work.titles.push(offered ? `Offer ${families} on ${name}` : `Do not offer ${families} on ${name}`);
  },
  routes(work: Work, { account: id, routes }: StepOn<'routes'>): void {
    const account = accountIn(work, id);
    const rulebook = work.store.catalogue().rulebooks.get(account.channel);
    for (const { when, category } of routes) {
      requireConditions(work, when);
      if (category !== null && !rulebook?.category(category))
        throw new Refusal('channel.no-category', { id: category });
    }
    if (new Set(routes.map((route) => route.id)).size < routes.length) throw new Refusal('route.twice', {});
    const before = documentIn(work, RoutesSchema, 'routes', id) ?? [];
    putDocument(work, 'routes', id, before, routes);
    work.titles.push(`Change the routes to ${account.name}`);
  },
  collections(work: Work, { collections }: StepOn<'collections'>): void {
    for (const { name, when } of collections) {
      if (when.of.length === 0) throw new Refusal('collection.all', { label: name });
      requireConditions(work, when);
    }
    const names = collections.map(({ name }) => name.toLowerCase());
    const twice = collections.find(({ name }, at) => names.indexOf(name.toLowerCase()) < at);
    if (twice) throw new Refusal('collection.twice', { label: twice.name });
    putDocument(work, 'collections', '', documentIn(work, CollectionsSchema, 'collections') ?? [], collections);
    work.titles.push('Change which collections fill themselves');
  },
};

function requireConditions(work: Work, when: Conditions): void {
  const problem = conditionProblem(when, registryIn(work));
  if (problem) throw new Refusal(problem.code, problem.params as never);
}
