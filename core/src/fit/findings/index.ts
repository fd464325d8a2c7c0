/** All checks of a family against an account, one file for each section of a rulebook. */
import type { CheckContext } from '../context';
import { SEVERITIES, type Finding } from '../finding';
import { planFindings, nothingOffered } from './plan';
import { pairingFindings } from './pairings';
import { identifierFindings } from './identifiers';
import { entryFindings } from './entries';
import { moneyFindings } from './money';
import { priceFindings } from './prices';
import { stockFindings } from './stock';
import { pictureFindings } from './pictures';
import { pictureLookFindings } from './pictureLooks';
import { fieldFindings } from './fields';
import { wordingFindings } from './wording';
import { orderFindings } from './orders';
import { soldWithFindings } from './soldWith';
import { measureFindings } from './measures';
import { settingFindings } from './settings';
import { mergeAlike } from './report';

const CHECKS: readonly ((context: CheckContext) => Finding[])[] = [
  planFindings,
  settingFindings,
  pairingFindings,
  identifierFindings,
  entryFindings,
  moneyFindings,
  priceFindings,
  stockFindings,
  pictureFindings,
  pictureLookFindings,
  fieldFindings,
  wordingFindings,
  orderFindings,
  soldWithFindings,
  measureFindings,
];

/** Every finding, each told once, what stops first. `leftOut` are children kept off by wish. */
export function checkAll(context: CheckContext, leftOut: readonly string[]): Finding[] {
  // Where no child is offered that is all there is to say.
  if (context.offered.length === 0) return [nothingOffered(context, leftOut)];
  const found = mergeAlike(CHECKS.flatMap((check) => check(context)));
  return found.sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
}
