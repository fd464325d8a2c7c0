/** Where a figure comes from, in words: "from the family, + 4.00 for everything XXL, as on Quayside". */
import {
  placeLabel,
  showSurcharge,
  type Account,
  type Family,
  type Place,
  type Scope,
  type Surcharge,
} from '@loom-kin/core';
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
