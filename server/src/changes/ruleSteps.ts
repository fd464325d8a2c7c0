/** Steps about rulebooks: putting an edition in force, and the seller's own. */
import { and, count, eq } from 'drizzle-orm';
import { type Account, AccountSchema, usualSettings } from '@loom-kin/core/catalogue';
import { Refusal } from '@loom-kin/core/refusal';
import { type Rulebook, RulebookSchema, readRulebook } from '@loom-kin/core/rulebook';
import type { Step } from '@loom-kin/contract';
import { channels, editions, heldListings } from '../store/schema';
import { documentIn, putDocument, type Work } from './work';

type StepOn<On extends Step['on']> = Extract<Step, { on: On }>;

export const RULE_STEPS = {
  adoptRules(work: Work, { channel, version }: StepOn<'adoptRules'>): void {
    const here = and(eq(editions.channel, channel), eq(editions.version, version));
    const edition = work.store.database.select().from(editions).where(here).get();
    if (!edition) throw new Refusal('rulebook.unknown', { version });
    const before = documentIn(work, RulebookSchema, 'rulebook', channel);
    const rulebook = RulebookSchema.parse(edition.rulebook);
    putDocument(work, 'rulebook', channel, before, rulebook);
    const isBack = before !== undefined && version < before.version;
    work.titles.push(`${isBack ? 'Go back to' : 'Adopt'} the rules of ${rulebook.name}, version ${version}`);
  },
  ownRules(work: Work, { rulebook }: StepOn<'ownRules'>): void {
    requireOwn(work, rulebook.channel);
    const { registry, accounts } = work.store.catalogue();
    const read = readRulebook(rulebook, registry);
    if (!read.ok) {
      const problem = `${read.problems[0]!.place}: ${read.problems[0]!.text}`;
      throw new Refusal('rulebook.wrong', { channel: rulebook.name, problem }, { detail: read.problems });
    }
    const before = documentIn(work, RulebookSchema, 'rulebook', rulebook.channel);
    putDocument(work, 'rulebook', rulebook.channel, before, read.rulebook);
    if (!accounts.some((account) => account.channel === rulebook.channel)) {
      const twin = accounts.find((one) => one.name.toLowerCase() === rulebook.name.toLowerCase());
      if (twin) throw new Refusal('account.twice', { label: twin.name });
      const account = firstAccount(read.rulebook, registry.firstLanguage, accounts.length);
      putDocument(work, 'account', account.id, documentIn(work, AccountSchema, 'account', account.id), account);
    }
    work.titles.push(`${before ? 'Change' : 'Write'} the rules of ${rulebook.name}`);
  },
  removeOwnRules(work: Work, { channel }: StepOn<'removeOwnRules'>): void {
    requireOwn(work, channel);
    const before = documentIn(work, RulebookSchema, 'rulebook', channel);
    if (!before) throw new Refusal('channel.unknown', {});
    for (const account of work.store.catalogue().accounts.filter((one) => one.channel === channel)) {
      const { listings } = work.store.database
        .select({ listings: count() })
        .from(heldListings)
        .where(eq(heldListings.account, account.id))
        .get()!;
      if (listings > 0) throw new Refusal('account.holds', { label: account.name, listings });
      putDocument(work, 'account', account.id, documentIn(work, AccountSchema, 'account', account.id), undefined);
    }
    putDocument(work, 'rulebook', channel, before, undefined);
    work.titles.push(`Remove the rules of ${before.name}`);
  },
};

/** Rules that a channel publishes itself are not written by the seller. */
function requireOwn({ store: { database } }: Work, channel: string): void {
  if (database.select().from(channels).where(eq(channels.channel, channel)).get())
    throw new Refusal('rulebook.not-own', { channel });
}

function firstAccount({ channel, name }: Rulebook, language: string, at: number): Account {
  const settings = usualSettings();
  return { id: channel, channel, name, language, at, settings };
}
