/** `loomkin fit`: how a family goes onto a channel, as JSON. */
import { z } from 'zod';
import { fitReport } from '@loom-kin/core/descriptions';
import { WishSchema } from '@loom-kin/core/family';
import { PairingTableSchema } from '@loom-kin/core/pairing';
import { PictureFactsSchema } from '@loom-kin/core/pictures';
import { accountOn, readFamily, sellerOn, withWish } from './family';
import { categoryOf, checkRulebook, needed, openForChecks, readArgs, readAs, readJson, readRegistry } from './input';
import { give, say } from './output';

const OPTIONS = {
  family: { type: 'string' },
  rulebook: { type: 'string' },
  category: { type: 'string' },
  wishes: { type: 'string' },
  pairings: { type: 'string' },
  registry: { type: 'string' },
  pictures: { type: 'string' },
  settings: { type: 'string' },
} as const;

/** 0: it fits, or needs some work; 1: it is stopped. */
export function fitCommand(args: readonly string[]): number {
  const { values } = readArgs(args, OPTIONS);
  const familyPath = needed(values.family, 'family');
  const rulebookPath = needed(values.rulebook, 'rulebook');
  const { family, stock, registry } = readFamily(familyPath, readJson(familyPath), readRegistry(values.registry));
  const rulebook = checkRulebook(rulebookPath, readJson(rulebookPath), registry);
  const category = categoryOf(rulebook, values.category);
  const account = accountOn(rulebook, registry, values.settings ? readJson(values.settings) : {});
  const wish = values.wishes ? readAs(values.wishes, WishSchema) : undefined;
  const report = fitReport({
    family: withWish(family, account.id, wish),
    stock,
    account,
    live: [],
    seller: sellerOn(rulebook),
    rulebook: openForChecks(rulebook, registry),
    pictures: values.pictures ? readAs(values.pictures, z.record(z.string(), PictureFactsSchema)) : {},
    pairings: values.pairings ? readAs(values.pairings, PairingTableSchema) : {},
    categories: { [String(family.fields.category)]: category },
  });
  give(report);
  say(
    `${report.family} on ${rulebook.name}: ${report.state}, ${report.findings.length} findings, ${report.listings.length} listings`,
  );
  return report.state === 'stopped' ? 1 : 0;
}
