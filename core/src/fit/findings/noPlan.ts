/** No plan keeps to rules and wishes: which wish is in the way, told by trying what is possible without it. */
import { NO_WISH, type Wish } from '../../family/shape';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import { bestPlans, planTask } from '../planner';
import type { Remedy } from '../remedy';
import { makeFinding } from './report';

export const wishOf = (context: CheckContext): Wish => context.family.wishes[context.account.id] ?? NO_WISH;

/** Without wishes there always is a plan: at worst each child has a listing of its own. */
export function noPlan(context: CheckContext): Finding {
  const { names, remedies } = wishesInTheWay(context, wishOf(context));
  const about = { severity: 'stops', key: 'plan', rule: 'axes' } as const;
  return makeFinding(context, { ...about, code: 'plan.wishes', params: { wishes: names }, remedies });
}

const lifted = (wish: Wish): Wish => ({ ...wish, apart: [], whole: [] });

const isPossible = ({ family, scopes, category }: CheckContext, wish: Wish): boolean =>
  bestPlans(planTask(family, category.rules, { wish, scopes }), 1).length > 0;

/** Each single wish without which there is a way; all of them where no single one is enough. */
function wishesInTheWay(context: CheckContext, wish: Wish): { names: string[]; remedies: Remedy[] } {
  const { account, family } = context;
  const each = family.axes.flatMap((axis) =>
    (['apart', 'whole'] as const)
      .filter((kind) => wish[kind].includes(axis.id))
      .map((kind) => ({
        axis: axis.label,
        kind,
        rest: { ...wish, [kind]: wish[kind].filter((id) => id !== axis.id) },
      })),
  );
  const alone = each.filter(({ rest }) => isPossible(context, rest));
  const named = alone.length > 0 ? alone : each;
  const names = named.map(({ axis, kind }) => (kind === 'apart' ? `${axis} not joined` : `${axis} not split`));
  const commands = (rest: Wish) => [{ do: 'setWish' as const, account: account.id, wish: rest }];
  if (alone.length === 0) {
    return { names, remedies: [{ kind: 'change', label: { do: 'liftWishes' }, commands: commands(lifted(wish)) }] };
  }
  const remedies = alone.map(({ axis, kind, rest }): Remedy => ({
    kind: 'change',
    label: { do: 'liftWish', axis, wish: kind },
    commands: commands(rest),
  }));
  return { names, remedies };
}
