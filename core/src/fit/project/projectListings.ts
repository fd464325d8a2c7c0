/** Projection: the plan in force made into the listings that go out. */
import { familyIndex } from '../../family/weave';
import { listingFields } from './listingFields';
import { pictureMark } from '../../listing/pictureAddress';
import type { Listing, ListingOffer } from '../../listing/listing';
import { compareAmounts } from '../../money/amount';
import type { Combined } from '../../pictures/combine';
import { textOfPicture } from '../../pictures/altText';
import { angleOfPicture } from '../../pictures/coverage';
import type { CheckContext } from '../context';
import type { Plan } from '../planner';
import { chosenOptions, type ChosenOptions } from './chosenOptions';
import { listingKey } from './listingKey';
import { listingPictures, NO_PICTURES, type ListingPictures } from './listingPictures';
import { offerMaker } from './offers';

/**
 * All listings of the plan in force; none where there is no plan. Children without an SKU or a price are not in them:
 * a finding stops those.
 */
export function projectListings(context: CheckContext): Listing[] {
  const { plan, category, family } = context;
  if (!plan) return [];
  const chosen = chosenOptions(context, plan);
  const labels = plan.axes.map((_, axis) => optionLabels(context, plan, axis));
  const makeOffer = offerMaker(context);
  return plan.listings.map((planned, at): Listing => {
    const positions = context.listings[at]!;
    const described = context.described(positions);
    const pictures = described.length > 0 ? listingPictures(context, plan, chosen, described) : NO_PICTURES;
    const offers = positions.flatMap((position) => {
      const options = chosen.map((places, axis) => labels[axis]![places[position]!]!);
      return makeOffer(position, options) ?? [];
    });
    return {
      key: listingKey(family, planned.key),
      styleCode: String(family.fields.styleCode ?? ''),
      category: category.id,
      currency: category.rules.price.currency,
      structure: plan.structure,
      axes: plan.axes.map((_, axis) =>
        listingAxis(context, plan, axis, { chosen, positions, labels: labels[axis]!, pictures }),
      ),
      fields: listingFields(context, plan, positions),
      pictures: pictures.sent.map(pictureMark),
      ...(category.rules.pictures.texts ? { pictureTexts: pictureTexts(context, pictures) } : {}),
      fromPrice: cheapest(offers),
      offers,
    };
  });
}

/** The pictures of the plan's listings that are made of several, by their ids. */
export function combinedPictures(context: CheckContext): Map<string, Combined> {
  const { plan } = context;
  const found = new Map<string, Combined>();
  if (!plan || !context.family.wishes[context.account.id]?.combine) return found;
  const chosen = chosenOptions(context, plan);
  for (const positions of context.listings) {
    const described = context.described(positions);
    if (described.length === 0) continue;
    for (const [id, combined] of listingPictures(context, plan, chosen, described).made) found.set(id, combined);
  }
  return found;
}

/** A text for each picture of a listing, in the account's language; one of several options names them. */
function pictureTexts(
  { family, account, pictures }: CheckContext,
  { sent, made }: ListingPictures,
): Listing['pictureTexts'] {
  // Pictures of options are among those that are sent; there may be more of them than the channel takes.
  return sent.map((id) => {
    const parts = made.get(id)?.parts;
    const name = family.fields.name;
    const text = parts
      ? [name, parts.map((part) => part.label).join(' / ')].join(', ')
      : textOfPicture(family, id, account.language, angleOfPicture(family, id, pictures[id]));
    return { picture: pictureMark(id), text };
  });
}

/** What the buyer reads of each option: the seller's label, or the channel's own value where it shows that. */
function optionLabels(context: CheckContext, plan: Plan, axis: number): string[] {
  const { valueById } = familyIndex(context.family);
  const { role, options } = plan.axes[axis]!;
  const showsList = context.category.rules.axes.roles[role]?.shows === 'list';
  return options.map((option) => {
    const lead = valueById.get(option.valueIds[0]!)!;
    return showsList ? (context.pairingOf(role, lead.label) ?? option.label) : option.label;
  });
}

interface AxisParts {
  chosen: ChosenOptions;
  positions: readonly number[];
  labels: readonly string[];
  pictures: ListingPictures;
}

function listingAxis(context: CheckContext, plan: Plan, axis: number, parts: AxisParts): Listing['axes'][number] {
  const { name, role, options } = plan.axes[axis]!;
  const { valueById } = familyIndex(context.family);
  const rules = context.category.rules.axes;
  const present = new Set(parts.positions.map((position) => parts.chosen[axis]![position]!));
  const sent = new Set(parts.pictures.sent);
  const carriesPictures = axis === plan.pictureAxis;
  const shown = (at: number) =>
    parts.pictures.ofOptions
      .get(at)
      ?.filter((id) => sent.has(id))
      .slice(0, 1) ?? [];
  return {
    name,
    role,
    options: options.flatMap((option, at) => {
      if (!present.has(at)) return [];
      const lead = valueById.get(option.valueIds[0]!)!;
      const paired = rules.roles[role]?.list ? context.pairingOf(role, lead.label) : undefined;
      return [
        {
          label: parts.labels[at]!,
          ...(paired ? { paired } : {}),
          ...(carriesPictures ? { pictures: shown(at).map(pictureMark) } : {}),
        },
      ];
    }),
  };
}

function cheapest(offers: readonly ListingOffer[]): string {
  return [...new Set(offers.map((offer) => offer.price))].sort(compareAmounts)[0] ?? '';
}
