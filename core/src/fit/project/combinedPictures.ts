/** Options whose pictures share one, where the channel takes fewer pictures than there are options and the seller wishes it. */
import { combinedId, letterOf, MOST_PARTS, sharedOut, type Combined } from '../../pictures/combine';
import type { CheckContext } from '../context';
import type { Plan } from '../planner';

export interface CombinedOptions {
  /** Option place → the picture that shows it. */
  ofOptions: Map<number, readonly string[]>;
  /** The pictures, in the order of the options. */
  sent: string[];
  made: Map<string, Combined>;
}

/**
 * The first pictures of the options on at most `slots` pictures; null where there is room for each by itself, or the seller does not wish
 * it. An option alone in its group keeps its own picture.
 */
export function combinedOptions(
  context: CheckContext,
  plan: Plan,
  ofOptions: ReadonlyMap<number, readonly string[]>,
  slots: number,
): CombinedOptions | null {
  const labels = context.family.wishes[context.account.id]?.combine;
  const shown = [...ofOptions].flatMap(([option, ids]) => (ids[0] === undefined ? [] : [{ option, picture: ids[0] }]));
  const different = new Set(shown.map((one) => one.picture)).size;
  if (!labels || plan.pictureAxis === null || slots < 1 || different <= slots) return null;
  const { options } = plan.axes[plan.pictureAxis]!;
  const parts = shown.map(({ option, picture }, at) => ({
    option,
    part: { picture, label: options[option]!.label, letter: labels === 'letters' ? letterOf(at) : '' },
  }));
  const found: CombinedOptions = { ofOptions: new Map(ofOptions), sent: [], made: new Map() };
  for (const group of sharedOut(parts, slots, MOST_PARTS)) {
    const combined = { labels, parts: group.map((one) => one.part) };
    const id = group.length === 1 ? group[0]!.part.picture : combinedId(combined);
    if (group.length > 1) found.made.set(id, combined);
    found.sent.push(id);
    for (const { option } of group) found.ofOptions.set(option, [id]);
  }
  return found;
}
