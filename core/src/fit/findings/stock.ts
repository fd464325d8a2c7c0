/** Findings about stock: too few or too many pieces for the channel. What is not counted is never too little. */
import { partsOf } from '../../bundles/parts';
import { familyIndex } from '../../family/weave';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import { piecesFor } from '../../stock/stockRule';
import { piecesSent } from '../project/piecesSent';
import { wishOf } from './noPlan';
import { homeOf, makeFinding } from './report';

/** Of so many children pieces are typed at the finding, or they are left out; more are given pieces in the grid. */
const FEW = 3;

export function stockFindings(context: CheckContext): Finding[] {
  const { least, most } = context.category.rules.stock;
  const { woven, position } = familyIndex(context.family);
  const counting = context.column('counting');
  const counted = context.offered
    .map((child) => position.get(child.id)!)
    .filter((at) => (counting.at(at) ?? 'counted') === 'counted');
  const piecesOf = (at: number) => context.stock[woven[at]!.id] ?? 0;
  const low = counted.filter((at) => piecesOf(at) < least);
  const capped = counted.filter((at) => piecesOf(at) > most);
  return [
    ...(low.length > 0 ? [tooLow(context, low)] : []),
    ...heldBack(context, counted, low),
    ...notTold(context),
    ...(capped.length > 0 ? [tooMany(context, capped)] : []),
  ];
}

/** Children that have pieces enough, of which the account is told too few for the channel. */
function heldBack(context: CheckContext, counted: readonly number[], low: readonly number[]): Finding[] {
  const { account, category, stock, stockAt } = context;
  const { least } = category.rules.stock;
  const rule = account.settings.stock;
  if (!rule || least === 0) return [];
  const { woven } = familyIndex(context.family);
  const short = new Set(low);
  const members = counted.filter((at) => {
    const { id } = woven[at]!;
    return !short.has(at) && piecesFor(rule, stock[id] ?? 0, stockAt?.[id]) < least;
  });
  if (members.length === 0) return [];
  const params = { account: account.name, least };
  return [
    makeFinding(context, {
      code: 'stock.held-back',
      params,
      severity: 'stops',
      key: 'stockRule',
      rule: 'stock.least',
      members,
    }),
  ];
}

/** Children that have more pieces than those they share a count with on the channel. */
function notTold(context: CheckContext): Finding[] {
  const { account, plan } = context;
  const { axis, more } = piecesSent(context);
  if (more.length === 0) return [];
  return [
    makeFinding(context, {
      code: 'stock.not-told',
      params: { account: account.name, axis: axis === null ? null : plan!.axes[axis]!.name },
      severity: 'warns',
      key: 'stock',
      rule: 'stock.variesBy',
      members: more,
    }),
  ];
}

function tooLow(context: CheckContext, members: number[]): Finding {
  const { account, category, family, rulebook } = context;
  const place = homeOf(context, rulebook.registry.field('stock'), members);
  const wish = wishOf(context);
  const low = members.map((at) => familyIndex(family).woven[at]!);
  const childIds = low.map(({ id }) => id);
  // Of a set there are as many pieces as its parts make: none are typed.
  const typed = low.filter((child) => partsOf(child).length === 0);
  const leaveOut = {
    do: 'setWish' as const,
    account: account.id,
    wish: { ...wish, leaveOut: [...wish.leaveOut, ...childIds] },
  };
  return makeFinding(context, {
    code: 'stock.too-low',
    params: { account: account.name, least: category.rules.stock.least },
    severity: 'stops',
    key: 'stock',
    rule: 'stock.least',
    members,
    place,
    remedies:
      members.length > FEW
        ? []
        : [
            ...(typed.length > 0
              ? [
                  {
                    kind: 'figure' as const,
                    key: 'stock',
                    places: typed.map(({ id }) => ({ level: 'child' as const, childId: id })),
                  },
                ]
              : []),
            {
              kind: 'change',
              label: { do: 'leaveOut', account: account.name, children: members.length },
              commands: [leaveOut],
            },
          ],
  });
}

function tooMany(context: CheckContext, members: number[]): Finding {
  const { account, category } = context;
  return makeFinding(context, {
    code: 'stock.capped',
    params: { account: account.name, most: category.rules.stock.most },
    severity: 'advises',
    key: 'stock',
    rule: 'stock.most',
    members,
  });
}
