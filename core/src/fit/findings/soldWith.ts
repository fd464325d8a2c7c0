/** Findings about items that are sold only with another: a channel that cannot be told sells them alone. */
import { familyIndex } from '../../family/weave';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import { FAMILY, makeFinding } from './report';

export function soldWithFindings(context: CheckContext): Finding[] {
  const isTold = context.category.fieldChecks.some(({ field }) => field?.key === 'soldWith');
  if (isTold) return [];
  const column = context.column('soldWith');
  if (column.groups.every((group) => group.figure === undefined)) return [];
  const { position } = familyIndex(context.family);
  const offered = new Set(context.offered.map(({ id }) => position.get(id)!));
  return column.groups.flatMap(({ figure, place, scope, members }) => {
    const concerned = [...members].filter((at) => offered.has(at));
    if (!Array.isArray(figure) || concerned.length === 0) return [];
    return makeFinding(context, {
      code: 'sold-with.not-told',
      params: { account: context.account.name, items: figure.join(', ') },
      severity: 'warns',
      key: 'soldWith',
      rule: 'fields',
      members: concerned,
      place: place ?? FAMILY,
      scope,
    });
  });
}
