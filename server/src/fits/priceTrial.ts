/** What other settings of an account would make of its prices, family by family. */
import { type Account, destinationOf, sortedOf } from '@loom-kin/core/catalogue';
import { type Family, familyIndex } from '@loom-kin/core/family';
import { type EarningGroup, accountPrices, earningGroups } from '@loom-kin/core/fit';
import { compareAmounts } from '@loom-kin/core/money';
import type { PriceRange, PriceTrial } from '@loom-kin/contract';
import { rulebookOf, type Catalogue } from '../store/readCatalogue';
import { loadFamily } from '../store/loadFamily';
import { loadStock } from '../stock/ledger';
import type { Database } from '../store/database';

/** So many families are told by name. */
const TOLD = 200;

/** The prices of some families as the account is and as it would be. */
export function priceTrialOf(
  database: Database,
  catalogue: Catalogue,
  familyIds: readonly string[],
  account: Account,
): PriceTrial {
  const before = catalogue.accounts.find((one) => one.id === account.id) ?? account;
  const trial = nothing();
  for (const familyId of familyIds) {
    const family = loadFamily(database, familyId);
    const groupsFor = (one: Account) => groupsOn(catalogue, one, family, () => loadStock(database, familyId));
    const [old, now] = [groupsFor(before), groupsFor(account)];
    if (!old || !now) continue;
    trial.families += 1;
    trial.children += familyIndex(family).woven.length;
    const changed = changedChildren(old, now);
    trial.changed += changed;
    trial.unruled += now.reduce((sum, { price, childIds }) => sum + (price.unruled ? childIds.length : 0), 0);
    trial.losing += now.reduce(
      (sum, { waterfall, childIds }) => sum + (waterfall?.left.lt(0) ? childIds.length : 0),
      0,
    );
    if (trial.rows.length < TOLD)
      trial.rows.push({ familyId, name: String(family.fields.name ?? ''), before: rangeOf(old), after: rangeOf(now) });
  }
  return trial;
}

const nothing = (): PriceTrial => ({ families: 0, children: 0, changed: 0, unruled: 0, losing: 0, rows: [] });

/** Several trials, each of other families, as one. */
export function togetherTried(parts: readonly PriceTrial[]): PriceTrial {
  const whole = nothing();
  for (const { rows, ...counts } of parts) {
    for (const key of Object.keys(counts) as (keyof typeof counts)[]) whole[key] += counts[key];
    whole.rows.push(...rows);
  }
  return { ...whole, rows: whole.rows.slice(0, TOLD) };
}

/** Null where the family has no place on the account. */
function groupsOn(
  catalogue: Catalogue,
  account: Account,
  family: Family,
  stock: () => Record<string, number>,
): EarningGroup[] | null {
  const rulebook = rulebookOf(catalogue, account);
  const routes = catalogue.routes[account.id] ?? [];
  const { category, notOffered } = destinationOf(
    { family, accountId: account.id, sorted: () => sortedOf(family, stock()) },
    { routes, categories: catalogue.categoryMaps[account.channel] ?? {}, registry: catalogue.registry },
  );
  const rules = rulebook?.category(category);
  if (!rulebook || !rules || notOffered || family.retired) return null;
  const prices = accountPrices({ family, account, rulebook, seller: catalogue.seller }, rules);
  return earningGroups(
    family,
    prices,
    familyIndex(family).woven.map((child) => child.id),
  );
}

function changedChildren(old: readonly EarningGroup[], now: readonly EarningGroup[]): number {
  const before = new Map(old.flatMap(({ childIds, price }) => childIds.map((id) => [id, price.price] as const)));
  return now.reduce(
    (sum, { childIds, price }) => sum + childIds.filter((id) => before.get(id) !== price.price).length,
    0,
  );
}

/** From the cheapest to the dearest, and the least that is left of any. */
function rangeOf(groups: readonly EarningGroup[]): PriceRange | null {
  const priced = groups.flatMap(({ price, waterfall }) =>
    price.price === null || !waterfall ? [] : [{ price: price.price, waterfall }],
  );
  const [first] = priced;
  if (!first) return null;
  const sorted = priced.toSorted((a, b) => compareAmounts(a.price, b.price));
  const poorest = priced.reduce((least, one) => (one.waterfall.left.lt(least.waterfall.left) ? one : least), first);
  return {
    from: sorted[0]!.price,
    to: sorted.at(-1)!.price,
    left: poorest.waterfall.left.toFixed(),
    margin: poorest.waterfall.margin?.toFixed(1) ?? null,
  };
}
