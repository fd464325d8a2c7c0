/** Where a figure comes from, in words: "from the family, + 4.00 for everything XXL, as on Quayside". */
import type { Account } from '@loom-kin/core/catalogue';
import { type Family, type Scope, type Surcharge, placeLabel } from '@loom-kin/core/family';
import { showSurcharge } from '@loom-kin/core/money';
import type { Place } from '@loom-kin/core/place';
import { scopeText } from './scopes';

export interface Source {
  from: Place;
  scope: Scope;
  surcharges?: readonly Surcharge[] | undefined;
}

/** @param here the place that asks: what stands there itself is "its own" */
export function sourceText(
  family: Family,
  accounts: readonly Account[],
  { from, scope, surcharges = [] }: Source,
  here: { isOwn: boolean; scope: Scope },
): string {
  const where = here.isOwn ? 'its own' : `from ${placeLabel(family, from)}`;
  const raised = surcharges.map((one) => `${showSurcharge(one.surcharge)} for ${placeLabel(family, one.place)}`);
  const whose = scope === here.scope ? [] : [`as ${scopeText(accounts, scope)}`];
  return [where, ...raised, ...whose].join(', ');
}
