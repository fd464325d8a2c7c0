/** What each kind of step does. Each works on what the steps before it left. */
import { count as heldCount, eq } from 'drizzle-orm';
import { AccountSchema, CategoryMapSchema, SellerSchema } from '@loom-kin/core/catalogue';
import { type Command, createFamily, runCommand } from '@loom-kin/core/change';
import { titleOf } from '@loom-kin/core/descriptions';
import { PairingTableSchema, foldForPairing, withPairings } from '@loom-kin/core/pairing';
import { Refusal, unreadableText } from '@loom-kin/core/refusal';
import { RegistryDataSchema, emptyRegistry, runRegistryCommand } from '@loom-kin/core/registry';
import type { Location } from '@loom-kin/core/stock';
import { children, listed } from '@loom-kin/core/text';
import type { Step } from '@loom-kin/contract';
import { newFamilyId } from '../families/newFamilyId';
import { requirePictures } from '../pictures/pictureFacts';
import { piecesAt } from '../stock/ledger';
import { heldListings } from '../store/schema';
import { GATHER_STEPS } from './gatherSteps';
import { NUMBER_STEPS, skusFor } from './numberSteps';
import { renameValue } from './renameValue';
import { ROUTE_STEPS } from './routeSteps';
import { RULE_STEPS } from './ruleSteps';
import { requireBundleStock } from './bundles';
import { countPieces } from './countPieces';
import { requireNotChosen, TERM_FIELDS } from './requireNotChosen';
import { documentIn, familyIn, putDocument, putFamily, registryIn, runOn, type Work } from './work';
import { lastDone } from '../journal/journal';

type StepOn<On extends Step['on']> = Extract<Step, { on: On }>;
type Steps = { [On in Step['on']]: (work: Work, step: StepOn<On>) => void };

/** Does one step. Throws a Refusal where it cannot be done. */
export function doStep(work: Work, step: Step): void {
  (STEPS[step.on] as (work: Work, step: Step) => void)(work, step);
}

const STEPS: Steps = {
  start(work, { family: spec, skus }) {
    const family = createFamily(registryIn(work), { ...spec, id: newFamilyId() });
    putFamily(work, family);
    if (skus) {
      const made = skusFor(work, family.id);
      if (made.ok) runOn(work, family.id, { do: 'setFigures', changes: made.changes });
      // A clash of SKUs with another family must not lose the family.
      else work.notices.push(unreadableText(made));
    }
    work.started.push(family.id);
    work.titles.push('Start the family');
  },
  family(work, { familyId, revision, command }) {
    const isFirst = !work.families.has(familyId);
    const before = familyIn(work, familyId);
    if (isFirst && before.revision !== revision) throw stale(work, familyId, before.revision, revision);
    requirePictures(work.store.database, picturesOf(command));
    const { family } = runCommand(registryIn(work), before, command);
    if (family === before) return;
    putFamily(work, family);
    work.titles.push(titleOf(work.store.catalogue().namer, command, before));
  },
  stock(work, { familyId, ...movement }) {
    requireBundleStock(
      work,
      familyId,
      movement.counts.map(({ childId }) => childId),
    );
    const moved = countPieces(work, familyId, movement);
    if (moved.moves.length === 0) return;
    const verb = MOVING[movement.kind];
    work.titles.push(`${verb} ${moved.lines.length === 1 ? moved.lines[0]!.where : children(moved.lines.length)}`);
  },
  pairings(work, { pairings }) {
    for (const channel of new Set(pairings.map((one) => one.channel))) {
      requireChannel(work, channel);
      const before = documentIn(work, PairingTableSchema, 'pairings', channel) ?? {};
      const wanted = pairings.filter((one) => one.channel === channel);
      // Roles stand in the table from the first, so that pairings made apart can be taken back apart.
      const rooted = { ...Object.fromEntries(wanted.map((one) => [one.role, {}])), ...before };
      putDocument(
        work,
        'pairings',
        channel,
        rooted,
        withPairings(documentIn(work, PairingTableSchema, 'pairings', channel) ?? rooted, wanted),
      );
    }
    const values = [...new Set(pairings.map((one) => foldForPairing(one.value)))];
    work.titles.push(values.length > 3 ? `Pair ${values.length} values` : `Pair ${listed(values)}`);
  },
  renameValue,
  registry(work, { command }) {
    const before = documentIn(work, RegistryDataSchema, 'registry') ?? emptyRegistry();
    if (command.do === 'setLanguages') requireLanguages(work, command.languages);
    if (command.do === 'setLocations') requireLocations(work, before.locations, command.locations);
    if (command.do === 'removeTerm') requireNotChosen(work, TERM_FIELDS, command.id);
    if (command.do === 'removeSizeChart') requireNotChosen(work, ['sizeChart'], command.id);
    if (command.do === 'removeTaxCode') requireNotChosen(work, ['taxCode'], command.code);
    const { data, forward } = runRegistryCommand(before, command);
    if (forward.length === 0) return;
    putDocument(work, 'registry', '', before, data);
    work.titles.push(REGISTRY_TITLES[command.do]);
  },
  seller(work, { seller }) {
    const before = documentIn(work, SellerSchema, 'seller') ?? work.store.catalogue().seller;
    putDocument(work, 'seller', '', before, seller);
    work.titles.push('Change what the seller is');
  },
  account(work, { account }) {
    requireChannel(work, account.channel);
    const { accounts } = work.store.catalogue();
    const twin = accounts.find((one) => one.id !== account.id && one.name.toLowerCase() === account.name.toLowerCase());
    if (twin) throw new Refusal('account.twice', { label: twin.name });
    if (!registryIn(work).languages.includes(account.language))
      throw new Refusal('language.wrong', { tag: account.language });
    const before = documentIn(work, AccountSchema, 'account', account.id);
    putDocument(work, 'account', account.id, before, account);
    work.titles.push(before ? `Change the account ${account.name}` : `Add the account ${account.name}`);
  },
  removeAccount(work, { id }) {
    const account = documentIn(work, AccountSchema, 'account', id);
    if (!account) throw new Refusal('account.unknown', {});
    const { database } = work.store;
    const held = database
      .select({ listings: heldCount() })
      .from(heldListings)
      .where(eq(heldListings.account, id))
      .get()!;
    if (held.listings > 0) throw new Refusal('account.holds', { label: account.name, listings: held.listings });
    const others = work.store.catalogue().accounts.filter((one) => one.channel === account.channel && one.id !== id);
    if (others.length === 0) throw new Refusal('account.last', { label: account.name });
    putDocument(work, 'account', id, account, undefined);
    work.titles.push(`Remove the account ${account.name}`);
  },
  categoryMap(work, { channel, map }) {
    const rulebook = requireChannel(work, channel);
    const before = documentIn(work, CategoryMapSchema, 'categoryMap', channel) ?? {};
    const next = { ...before };
    for (const [category, target] of Object.entries(map)) {
      if (!registryIn(work).category(category)) throw new Refusal('category.unknown', { id: category });
      if (target === '') delete next[category];
      else if (rulebook.category(target)) next[category] = target;
      else throw new Refusal('channel.no-category', { id: target });
    }
    putDocument(work, 'categoryMap', channel, before, next);
    work.titles.push(`Change where goods go on ${rulebook.rulebook.name}`);
  },
  ...NUMBER_STEPS,
  ...GATHER_STEPS,
  ...RULE_STEPS,
  ...ROUTE_STEPS,
};

const MOVING = {
  counted: 'Count stock of',
  received: 'Receive pieces of',
  corrected: 'Correct stock of',
  returned: 'Take pieces back of',
};

const REGISTRY_TITLES = {
  setCategory: 'Change a category',
  retireCategory: 'Change which categories are in use',
  setFact: 'Change a fact',
  retireFact: 'Change which facts are in use',
  setWord: 'Change the dictionary',
  removeWord: 'Change the dictionary',
  setLanguages: 'Change the languages',
  setTaxCode: 'Change a tax code',
  removeTaxCode: 'Remove a tax code',
  setLocations: 'Change where pieces are kept',
  setNumberBlock: 'Change a number block',
  setHousePattern: 'Change the SKU pattern of new families',
  removeNumberBlock: 'Remove a number block',
  setTerm: 'Change terms',
  removeTerm: 'Remove terms',
  setSizeChart: 'Change a size chart',
  removeSizeChart: 'Remove a size chart',
  forget: 'Forget what was entered before',
  takeGeneralTree: 'Begin with a general tree of categories',
  takeRegistry: 'Take a registry file in',
} as const;

function requireChannel(work: Work, channel: string) {
  const rulebook = work.store.catalogue().rulebooks.get(channel);
  if (!rulebook) throw new Refusal('channel.unknown', {});
  return rulebook;
}

/** A language that an account is written in stays. */
function requireLanguages(work: Work, languages: readonly string[]): void {
  const kept = new Set(languages.map((tag) => Intl.getCanonicalLocales(tag)[0]));
  const account = work.store.catalogue().accounts.find((one) => !kept.has(one.language));
  if (account) throw new Refusal('language.used', { tag: account.language, account: account.name });
}

/** A place that holds pieces is not taken away. */
function requireLocations(work: Work, before: readonly Location[], after: readonly Location[]): void {
  for (const { id, label } of before) {
    if (after.some((one) => one.id === id)) continue;
    const pieces = piecesAt(work.store.database, id);
    if (pieces > 0) throw new Refusal('location.holds', { label, pieces });
  }
}

function picturesOf(command: Command): string[] {
  const commands = command.do === 'batch' ? command.commands : [command];
  return commands.flatMap((one) =>
    one.do === 'setPictures' ? one.pictures : one.do === 'replacePicture' ? [one.to] : [],
  );
}

function stale(work: Work, familyId: string, now: number, seen: number): Refusal {
  const last = lastDone(work.store.database, familyId)?.title;
  return new Refusal('family.stale', { now, seen }, { detail: { revision: now, last } });
}
