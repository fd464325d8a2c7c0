/** Findings about order limits: whether there is any number of pieces that meets all of them. */
import { familyIndex } from '../../family/weave';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import { FAMILY, makeFinding, typeHere } from './report';

const LIMITS = ['orderLeast', 'orderMost', 'orderMultiple'] as const;

export function orderFindings(context: CheckContext): Finding[] {
  const columns = LIMITS.map((key) => context.column(key));
  if (columns.every((column) => column.groups.every((group) => group.figure === undefined))) return [];
  const { position } = familyIndex(context.family);
  return context.offered.flatMap(({ id }) => {
    const at = position.get(id)!;
    const [least, most, multiple] = columns.map((column) => numberOf(column.at(at)));
    if (canBeMet(least!, most!, multiple!)) return [];
    // The figure that is nearest to what is sold is the likeliest to be wrong: the most, then the step.
    const key = most === null ? 'orderMultiple' : 'orderMost';
    const { place, scope } = context.column(key).groupAt(at);
    return makeFinding(context, {
      code: 'order.limits',
      params: { least: least!, most: most!, multiple: multiple! },
      severity: 'warns',
      key,
      rule: 'order',
      members: [at],
      place: place ?? FAMILY,
      scope,
      remedies: [typeHere(key, place ?? FAMILY)],
    });
  });
}

const numberOf = (figure: unknown): number | null => (typeof figure === 'number' ? figure : null);

/** Whether some number of pieces from `least` to `most` is a multiple. */
export function canBeMet(least: number | null, most: number | null, multiple: number | null): boolean {
  if (multiple === 0 || most === 0) return false;
  const step = multiple ?? 1;
  const first = Math.max(1, Math.ceil((least ?? 1) / step)) * step;
  return most === null || first <= most;
}
