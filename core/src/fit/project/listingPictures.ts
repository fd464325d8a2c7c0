/**
 * Which pictures a listing shows, in the channel's number: the main one first, each option's first before any second.
 */
import { group } from 'd3-array';
import { hasCombination } from '../../family/combination';
import type { Combination } from '../../family/shape';
import { familyIndex } from '../../family/weave';
import { picturesAt } from '../../pictures/picturesOf';
import type { Rules } from '../../rulebook/shape';
import type { Combined } from '../../pictures/combine';
import type { CheckContext } from '../context';
import type { Plan, TargetAxis } from '../planner';
import type { ChosenOptions } from './chosenOptions';
import { combinedOptions } from './combinedPictures';

export interface ListingPictures {
  /** What goes out, the main one first. */
  sent: string[];
  /** What would go out if there were room for all. */
  wanted: string[];
  /** Option place on the axis that carries pictures → all its pictures. Empty where none does. */
  ofOptions: ReadonlyMap<number, readonly string[]>;
  /** Those of them that are made of several. */
  made: ReadonlyMap<string, Combined>;
}

/** A listing that stands under the channel's entries whole shows theirs. */
export const NO_PICTURES: ListingPictures = Object.freeze({
  sent: [],
  wanted: [],
  ofOptions: new Map(),
  made: new Map(),
});

const NONE_MADE: ListingPictures['made'] = new Map();

/** So many pictures a listing may have whose picture axis shows so many values. */
export const mostPictures = ({ pictures }: Rules, values: number): number =>
  pictures.atMost + pictures.perValue * values;

/** The pictures of the listing whose children stand at these positions. */
export function listingPictures(
  context: CheckContext,
  plan: Plan,
  chosen: ChosenOptions,
  positions: readonly number[],
): ListingPictures {
  const { family, scopes } = context;
  const general = picturesAt(family, scopes);
  const { rules } = context.category;
  if (rules.axes.pictures === 'child') {
    return { ...NO_PICTURES, sent: general.slice(0, rules.pictures.atMost), wanted: [...general] };
  }
  const ofOptions = optionPictures(context, plan, chosen, positions);
  const firsts = [...ofOptions.values()].flatMap((ids) => ids.slice(0, 1));
  const rest = [...ofOptions.values()].flatMap((ids) => ids.slice(1));
  const fixed = fixedPictures(context, plan, positions);
  const inOrder = [...new Set([...firsts, ...general, ...fixed, ...rest])];
  // The main picture leads, whether the family's or an option's.
  const main = general[0];
  const wanted = main === undefined ? inOrder : [main, ...inOrder.filter((id) => id !== main)];
  const most = mostPictures(rules, ofOptions.size);
  // The main picture shows the goods alone; the others may show several options.
  const combined = combinedOptions(context, plan, ofOptions, most - 1);
  if (combined && wanted.length > most) {
    const sent = [...new Set([...wanted.slice(0, 1), ...combined.sent])].slice(0, most);
    return { sent, wanted: sent, ofOptions: combined.ofOptions, made: combined.made };
  }
  return { sent: wanted.slice(0, most), wanted, ofOptions, made: NONE_MADE };
}

function optionPictures(
  context: CheckContext,
  plan: Plan,
  chosen: ChosenOptions,
  positions: readonly number[],
): Map<number, string[]> {
  const found = new Map<number, string[]>();
  if (plan.pictureAxis === null) return found;
  const axis = plan.axes[plan.pictureAxis]!;
  const members = group(positions, (position) => chosen[plan.pictureAxis!]![position]!);
  for (const [option, own] of [...members].toSorted((a, b) => a[0] - b[0]))
    found.set(option, picturesOfOption(context, axis.options[option]!, own));
  return found;
}

/**
 * Pictures of one option: those of combinations that all its children in the listing have, those of its values, those of combinations that
 * some of them have; where there are none, those of its first child.
 */
function picturesOfOption(
  { family, scopes }: CheckContext,
  option: TargetAxis['options'][number],
  positions: readonly number[],
): string[] {
  const { valueById, combinations, woven } = familyIndex(family);
  const isAbout = ({ at }: Combination) => Object.values(at).some((id) => option.valueIds.includes(id));
  const about = combinations.filter(isAbout).map((one) => ({
    pictures: picturesAt(one, scopes),
    share: positions.filter((position) => hasCombination(woven[position]!, one)).length / positions.length,
  }));
  const shown = [
    ...about.filter(({ share }) => share === 1).flatMap(({ pictures }) => pictures),
    ...option.valueIds.flatMap((id) => picturesAt(valueById.get(id)!, scopes)),
    ...about.filter(({ share }) => share > 0 && share < 1).flatMap(({ pictures }) => pictures),
  ];
  return [...new Set(shown.length > 0 ? shown : picturesAt(woven[positions[0]!]!, scopes))];
}

/** Pictures of values and their combinations that hold for the whole listing, or for which no axis shows pictures. */
function fixedPictures(context: CheckContext, plan: Plan, positions: readonly number[]): string[] {
  const { family, scopes } = context;
  const { valueById, combinations, woven } = familyIndex(family);
  const fixed = plan.pictureAxis === null ? family.axes.map((axis) => axis.id) : [...plan.pinned, ...plan.split];
  const values = new Set(fixed.flatMap((axisId) => positions.map((position) => woven[position]!.at[axisId]!)));
  const together = combinations.filter(
    (one) =>
      Object.values(one.at).every((id) => values.has(id)) &&
      positions.some((position) => hasCombination(woven[position]!, one)),
  );
  return [...together, ...[...values].map((id) => valueById.get(id)!)].flatMap((one) => picturesAt(one, scopes));
}
