/** What a pattern of SKUs would make of children: looked at over the whole catalogue and the rules of all accounts. */
import { mappedCategory } from '@loom-kin/core/catalogue';
import { type Family, familyIndex } from '@loom-kin/core/family';
import { SKU_MOST, type SkuProposal, proposeSkus, skuWayOut } from '@loom-kin/core/identifiers';
import { refusalText, unreadableText } from '@loom-kin/core/refusal';
import type { SkuPreview } from '@loom-kin/contract';
import { boundSkus } from './boundSkus';
import type { Store } from '../store/store';
import { skuTaken, takenElsewhere } from './identifiers';
import { loadFamily } from '../store/loadFamily';

/** The SKUs for these children, in their order, what stands against each, and the nearest pattern that is good. */
export function skuPreview(store: Store, familyId: string, pattern: string, childIds: readonly string[]): SkuPreview {
  const { database } = store;
  const family = loadFamily(database, familyId);
  const asked = childIds.flatMap((id) => family.children[id] ?? []);
  const isTaken = skuTaken(database, familyId);
  const proposals = proposeSkus(family, asked, pattern, isTaken);
  const limit = shortestLimit(store, family);
  const most = limit?.most ?? SKU_MOST;
  const isGood = proposals.every(({ sku, problem }) => !problem && sku.length <= most);
  const ownerOf = takenElsewhere(database, familyId);
  const problemOf = ({ sku, problem }: SkuProposal): string | null => {
    if (problem?.code === 'sku.given-before') return unreadableText(ownerOf('sku', sku) ?? problem);
    if (problem) return unreadableText(problem);
    if (!limit || sku.length <= limit.most) return null;
    return refusalText('sku.long-there', { ...limit, text: sku });
  };
  return {
    proposals: proposals.map((one) => ({ childId: one.childId, sku: one.sku, problem: problemOf(one) })),
    limit,
    bound: boundChildren(store, family),
    wayOut: isGood || asked.length === 0 ? null : skuWayOut(family, asked, pattern, isTaken, most),
  };
}

/** The account, of those that take goods of its category, whose rules take the fewest characters. */
function shortestLimit(store: Store, family: Family): SkuPreview['limit'] {
  const { accounts, rulebooks, categoryMaps, registry } = store.catalogue();
  let shortest: SkuPreview['limit'] = null;
  for (const account of accounts) {
    const target = mappedCategory(registry, categoryMaps[account.channel] ?? {}, family.fields.category);
    const most = target && rulebooks.get(account.channel)?.category(target)?.rules.identifiers.skuAtMost;
    if (most && (!shortest || most < shortest.most)) shortest = { account: account.name, most };
  }
  return shortest;
}

/** Child → why its SKU stays. */
function boundChildren(store: Store, family: Family): Record<string, string> {
  const bound = boundSkus(store.database, store.catalogue().namer, family.id);
  const found: Record<string, string> = {};
  for (const { id, fields } of familyIndex(family).woven) {
    const why = bound.get(String(fields.sku));
    if (why) found[id] = refusalText(why.code, why.params as never);
  }
  return found;
}
