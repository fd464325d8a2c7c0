/** Findings about sales: whole, ending after they begin, and below the price. */
import type { ColumnGroup } from '../../family/columnShape';
import { compareAmounts, showAmount } from '../../money/amount';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import { FAMILY, makeFinding, typeHere } from './report';

export function saleFindings(context: CheckContext): Finding[] {
  if (SALE.every((key) => context.groups(key).every((group) => group.figure === undefined))) return [];
  return [...halves(context), ...inOrder(context), ...below(context)];
}

const SALE = ['salePrice', 'saleFrom', 'saleUntil'] as const;

/** A sale of which only a part is there, told once where that part stands. */
function halves(context: CheckContext): Finding[] {
  const columns = SALE.map((key) => context.column(key));
  return SALE.flatMap((key, number) =>
    context.groups(key).flatMap(({ figure, place, scope, members }) => {
      if (figure === undefined || !place) return [];
      // The first of the three that is there speaks for them.
      const half = members.filter(
        (position) =>
          columns.slice(0, number).every((column) => column.at(position) === undefined) &&
          columns.some((column) => column.at(position) === undefined),
      );
      if (half.length === 0) return [];
      const missing = SALE.find((other) => columns[SALE.indexOf(other)]!.at(half[0]!) === undefined)!;
      return makeFinding(context, {
        code: 'price.sale-half',
        params: {},
        severity: 'warns',
        key: missing,
        rule: 'price.sale',
        members: half,
        place,
        scope,
        about: key,
        remedies: [typeHere(missing, place)],
      });
    }),
  );
}

/** A sale that ends before it begins, told once where its end stands. */
function inOrder(context: CheckContext): Finding[] {
  const begins = context.column('saleFrom');
  return context.groups('saleUntil').flatMap((group) => {
    const { figure: until, members } = group;
    if (typeof until !== 'string') return [];
    const wrong = members.filter((position) => {
      const from = begins.at(position);
      return typeof from === 'string' && from > until;
    });
    if (wrong.length === 0) return [];
    const from = String(begins.at(wrong[0]!));
    return about(context, group, wrong, {
      code: 'price.sale-order',
      params: { from, until },
      key: 'saleUntil',
    });
  });
}

/** A sale price that is no lower than the price. */
function below(context: CheckContext): Finding[] {
  const { prices, category } = context;
  const { currency } = category.rules.price;
  return context.groups('salePrice').flatMap((group) => {
    if (typeof group.figure !== 'string') return [];
    const sale = prices.of(group.figure, group.scope);
    const wrong = group.members.filter((position) => {
      const price = prices.at(position);
      return price !== null && compareAmounts(sale, price) >= 0;
    });
    if (wrong.length === 0) return [];
    const price = showAmount(prices.at(wrong[0]!)!, currency);
    return about(context, group, wrong, {
      code: 'price.sale-not-below',
      params: { sale: showAmount(sale, currency), price },
      key: 'salePrice',
    });
  });
}

type Wrong =
  | { code: 'price.sale-order'; params: { from: string; until: string }; key: string }
  | { code: 'price.sale-not-below'; params: { sale: string; price: string }; key: string };

function about(context: CheckContext, { place, scope }: ColumnGroup, members: number[], wrong: Wrong): Finding {
  const at = place ?? FAMILY;
  const rest = { severity: 'warns' as const, rule: 'price.sale', members, place: at, scope };
  return makeFinding(context, { ...rest, ...wrong, remedies: [typeHere(wrong.key, at)] } as Parameters<
    typeof makeFinding
  >[1]);
}
