/** Findings about SKUs and GTINs. */
import type { AccountSettings } from '../../catalogue/account';
import { isGtin } from '../../identifiers/gtin';
import { familyIndex } from '../../family/weave';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import { FAMILY, homeOf, makeFinding } from './report';

export function identifierFindings(context: CheckContext): Finding[] {
  return [...skuFindings(context), ...gtinFindings(context)];
}

const idsOf = (context: CheckContext, members: readonly number[]) =>
  members.map((position) => familyIndex(context.family).woven[position]!.id);

function skuFindings(context: CheckContext): Finding[] {
  const { skuAtMost } = context.category.rules.identifiers;
  const field = context.rulebook.registry.field('sku');
  return context.groups('sku').flatMap(({ figure, place, members }) => {
    if (typeof figure !== 'string') {
      return makeFinding(context, {
        code: 'sku.missing',
        params: {},
        severity: 'stops',
        key: 'sku',
        rule: 'identifiers.sku',
        members,
        place: homeOf(context, field, members),
        remedies: [{ kind: 'skus', childIds: idsOf(context, members) }],
      });
    }
    if (figure.length <= skuAtMost) return [];
    return makeFinding(context, {
      code: 'sku.too-long',
      params: { account: context.account.name, most: skuAtMost },
      severity: 'stops',
      key: 'sku',
      rule: 'identifiers.skuAtMost',
      members,
      place: place ?? FAMILY,
    });
  });
}

function gtinFindings(context: CheckContext): Finding[] {
  const rule = context.category.rules.identifiers.gtin;
  return context.groups('gtin').flatMap(({ figure, place, members }) => {
    if (typeof figure !== 'string') return rule === 'optional' ? [] : withoutGtin(context, members);
    if (isGtin(figure)) return [];
    return makeFinding(context, {
      code: 'gtin.wrong',
      params: {},
      severity: 'stops',
      key: 'gtin',
      rule: 'identifiers.gtin',
      members,
      place: place ?? FAMILY,
    });
  });
}

/** Whether a channel lets a brand go without GTINs in one of its categories. It compares brands letter by letter. */
const isExempt = ({ exemptBrands, exemptOnlyIn }: AccountSettings, brand: string, category: string): boolean =>
  exemptBrands.includes(brand) && exemptOnlyIn?.[brand]?.includes(category) !== false;

/** Children without a GTIN where the channel wants one: exempt by right, exempt without it, or simply without. */
function withoutGtin(context: CheckContext, members: readonly number[]): Finding[] {
  const { account, category, family, rulebook } = context;
  const mayExempt = category.rules.identifiers.gtin === 'exemptible';
  const brand = String(family.fields.brand ?? '');
  const granted = isExempt(account.settings, brand, category.id);
  const exempt = context.column('gtinExempt');
  const marked = mayExempt ? members.filter((position) => exempt.at(position) === true) : [];
  const bare = mayExempt ? members.filter((position) => exempt.at(position) !== true) : members;
  const found: Finding[] = [];
  if (marked.length > 0 && !granted) {
    const origin = exempt.groupAt(marked[0]!);
    found.push(
      makeFinding(context, {
        code: 'gtin.not-exempt',
        params: { account: account.name, brand, category: category.label },
        severity: 'stops',
        key: 'gtinExempt',
        rule: 'identifiers.gtin',
        members: marked,
        place: origin.place ?? FAMILY,
        scope: origin.scope,
        remedies: [{ kind: 'numbers', childIds: idsOf(context, marked) }],
      }),
    );
  }
  if (bare.length > 0) {
    const markFamily = { do: 'setFigures' as const, changes: [{ place: FAMILY, key: 'gtinExempt', figure: true }] };
    const mayBeExempt = mayExempt && granted;
    found.push(
      makeFinding(context, {
        code: 'gtin.missing',
        params: { mayBeExempt },
        severity: 'stops',
        key: 'gtin',
        rule: 'identifiers.gtin',
        members: bare,
        place: homeOf(context, rulebook.registry.field('gtin'), bare),
        remedies: mayBeExempt
          ? [{ kind: 'change', label: { do: 'markExempt' }, commands: [markFamily] }]
          : [{ kind: 'numbers', childIds: idsOf(context, bare) }],
      }),
    );
  }
  return found;
}
