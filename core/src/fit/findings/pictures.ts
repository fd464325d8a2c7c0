/**
 * Findings about pictures: enough of them, large enough, the main one on white. Told where the picture stands, or
 * should.
 */
import { NO_WISH } from '../../family/shape';
import { type Place } from '../../place/place';
import { familyIndex } from '../../family/weave';
import type { PictureFacts } from '../../pictures/pictureFacts';
import { picturesAt, picturesOf } from '../../pictures/picturesOf';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import type { Remedy } from '../remedy';
import type { Plan } from '../planner';
import { chosenOptions } from '../project/chosenOptions';
import { listingPictures, type ListingPictures } from '../project/listingPictures';
import { FAMILY, makeFinding } from './report';

export function pictureFindings(context: CheckContext): Finding[] {
  if (context.category.rules.axes.pictures === 'child') return ofChildren(context);
  return context.plan ? ofListings(context, context.plan) : [];
}

/** Channels that tie pictures to children: every child's own. */
function ofChildren(context: CheckContext): Finding[] {
  const { atLeast, atMost } = context.category.rules.pictures;
  const { position, woven } = familyIndex(context.family);
  const shown = context.described(context.offered.map((child) => position.get(child.id)!)).map((at) => ({
    at,
    ids: picturesOf(context.family, woven[at]!, context.scopes),
  }));
  const bare = shown.filter((one) => one.ids.length === 0 && atLeast > 0);
  const few = shown.filter((one) => one.ids.length > 0 && one.ids.length < atLeast);
  const more = shown.filter((one) => one.ids.length > atMost);
  return [
    ...byCause(
      context,
      bare.map((one) => one.at),
    ).map(({ place, members }) => missing(context, place, members)),
    ...byCause(
      context,
      few.map((one) => one.at),
    ).map(({ place, members }) => {
      const count = Math.min(...few.filter((one) => members.includes(one.at)).map((one) => one.ids.length));
      return tooFew(context, place, members, count);
    }),
    ...(more.length > 0
      ? [
          tooMany(
            context,
            more.map((one) => one.at),
            Math.max(...more.map((one) => one.ids.length)),
            atMost,
          ),
        ]
      : []),
    ...flaws(
      context,
      shown.map((one) => ({ ids: one.ids.slice(0, atMost), members: [one.at] })),
    ),
  ];
}

/** Where pictures of these children should stand: at each value of the axis that has pictures, or at the family. */
function byCause(context: CheckContext, members: readonly number[]): { place: Place; members: number[] }[] {
  if (members.length === 0) return [];
  const { axes } = context.family;
  const pictured = axes.filter((axis) => axis.values.some((value) => value.pictures.length > 0));
  const axis = pictured[0] ?? axes.find((one) => one.role === 'colour' || one.role === 'pattern');
  if (!axis) return [{ place: FAMILY, members: [...members] }];
  const { woven } = familyIndex(context.family);
  const byValue = new Map<string, number[]>();
  for (const at of members) {
    const valueId = woven[at]!.at[axis.id]!;
    byValue.set(valueId, [...(byValue.get(valueId) ?? []), at]);
  }
  // Where nothing has a picture yet, one for the family is the first thing to do.
  const all = pictured.length === 0 && byValue.size === axis.values.length;
  if (all) return [{ place: FAMILY, members: [...members] }];
  return [...byValue].map(([valueId, own]) => ({ place: { level: 'value', axisId: axis.id, valueId }, members: own }));
}

/** Channels that tie pictures to an axis or the listing: each listing's. */
function ofListings(context: CheckContext, plan: Plan): Finding[] {
  const { atLeast } = context.category.rules.pictures;
  const chosen = chosenOptions(context, plan);
  const listings = context.listings
    .map((positions) => context.described(positions))
    .filter((positions) => positions.length > 0)
    .map((positions) => ({ positions, pictures: listingPictures(context, plan, chosen, positions) }));
  return listings.flatMap(({ positions, pictures }) => {
    const { wanted, sent } = pictures;
    const members = listings.length > 1 ? positions : [];
    const place = listingPlace(context, plan, positions);
    if (wanted.length === 0 && atLeast > 0) return [missing(context, place, members)];
    return [
      ...(wanted.length < atLeast ? [tooFew(context, place, members, wanted.length)] : []),
      ...bareOptions(context, plan, pictures),
      ...crowded(context, plan, pictures, members),
      ...flaws(context, [
        { ids: sent.flatMap((id) => pictures.made.get(id)?.parts.map((part) => part.picture) ?? id), members },
      ]),
    ];
  });
}

/** The value that a split listing is for, where its pictures belong; else the family. */
function listingPlace(context: CheckContext, plan: Plan, positions: readonly number[]): Place {
  const axisId = plan.split[0];
  if (axisId === undefined) return FAMILY;
  const { woven } = familyIndex(context.family);
  return { level: 'value', axisId, valueId: woven[positions[0]!]!.at[axisId]! };
}

function bareOptions(context: CheckContext, plan: Plan, { ofOptions }: ListingPictures): Finding[] {
  if (plan.pictureAxis === null) return [];
  const axis = plan.axes[plan.pictureAxis]!;
  // A size that nobody shows in pictures needs none; a colour without one is missed all the same.
  const isShown =
    axis.role === 'colour' || axis.role === 'pattern' || [...ofOptions.values()].some((ids) => ids.length > 0);
  if (!isShown) return [];
  const { positionsOf } = familyIndex(context.family);
  return [...ofOptions].flatMap(([at, ids]) => {
    if (ids.length > 0) return [];
    const option = axis.options[at]!;
    const [valueId] = option.valueIds;
    return makeFinding(context, {
      code: 'picture.option-missing',
      params: { account: context.account.name, option: option.label },
      severity: 'warns',
      key: 'pictures',
      rule: 'axes.pictures',
      about: option.key,
      place: { level: 'value', axisId: axis.from[0]!, valueId: valueId! },
      members: positionsOf(valueId!).filter((position) => context.isOffered(position)),
    });
  });
}

/** More pictures than there is room for: options that would show none are told first. */
function crowded(context: CheckContext, plan: Plan, pictures: ListingPictures, members: readonly number[]): Finding[] {
  const { wanted, sent } = pictures;
  const unshown = unshownOptions(context, plan, pictures, members);
  return unshown.length === 0 && wanted.length > sent.length
    ? [tooMany(context, members, wanted.length, sent.length)]
    : unshown;
}

/** Options that have pictures none of which is sent: there is no room for them. */
function unshownOptions(
  context: CheckContext,
  plan: Plan,
  { ofOptions, sent }: ListingPictures,
  members: readonly number[],
): Finding[] {
  if (plan.pictureAxis === null) return [];
  const out = new Set(sent);
  const { options } = plan.axes[plan.pictureAxis]!;
  const unshown = [...ofOptions].filter(([, ids]) => ids.length > 0 && !ids.some((id) => out.has(id)));
  if (unshown.length === 0) return [];
  const { account, family } = context;
  const wish = family.wishes[account.id] ?? NO_WISH;
  const share = (combine: 'names' | 'letters'): Remedy => ({
    kind: 'change',
    label: { do: 'sharePictures', labels: combine },
    commands: [{ do: 'setWish', account: account.id, wish: { ...wish, combine } }],
  });
  return [
    makeFinding(context, {
      code: 'picture.options-unshown',
      params: { account: account.name, options: unshown.map(([at]) => options[at]!.label), most: sent.length },
      severity: 'warns',
      key: 'pictures',
      rule: 'pictures.atMost',
      members,
      remedies: wish.combine ? [] : [share('names'), share('letters')],
    }),
  ];
}

function missing(context: CheckContext, place: Place, members: readonly number[]): Finding {
  return makeFinding(context, {
    code: 'picture.missing',
    params: { account: context.account.name },
    severity: 'stops',
    key: 'pictures',
    rule: 'pictures.atLeast',
    place,
    members,
  });
}

function tooFew(context: CheckContext, place: Place, members: readonly number[], count: number): Finding {
  return makeFinding(context, {
    code: 'picture.few',
    params: { account: context.account.name, count, least: context.category.rules.pictures.atLeast },
    severity: 'stops',
    key: 'pictures',
    rule: 'pictures.atLeast',
    place,
    members,
  });
}

function tooMany(context: CheckContext, members: readonly number[], count: number, most: number): Finding {
  const { axes } = context.category.rules;
  return makeFinding(context, {
    code: 'picture.more',
    params: { account: context.account.name, most, count },
    severity: axes.pictures === 'child' ? 'advises' : 'warns',
    key: 'pictures',
    rule: 'pictures.atMost',
    members,
  });
}

type Flaw = 'gone' | 'small' | 'not-white';

/** Pictures that go out with a flaw, each told once, with everybody it shows. */
function flaws(
  context: CheckContext,
  shown: readonly { ids: readonly string[]; members: readonly number[] }[],
): Finding[] {
  const found = new Map<string, { id: string; flaw: Flaw; members: number[] }>();
  for (const { ids, members } of shown) {
    ids.forEach((id, number) => {
      const flaw = flawOf(context, context.pictures[id], number === 0);
      if (!flaw) return;
      const key = `${flaw}|${id}`;
      const there = found.get(key);
      if (there) there.members.push(...members);
      else found.set(key, { id, flaw, members: [...members] });
    });
  }
  return [...found.values()].map((one) => flawFinding(context, one));
}

function flawOf(context: CheckContext, facts: PictureFacts | undefined, isMain: boolean): Flaw | null {
  const { leastPixels, whiteMain, allWhite } = context.category.rules.pictures;
  if (!facts) return 'gone';
  if (Math.min(facts.width, facts.height) < leastPixels) return 'small';
  const isWhiteWanted = allWhite || (isMain && whiteMain);
  return isWhiteWanted && !facts.whiteBackground ? 'not-white' : null;
}

function flawFinding(
  context: CheckContext,
  { id, flaw, members }: { id: string; flaw: Flaw; members: number[] },
): Finding {
  const account = context.account.name;
  const facts = context.pictures[id];
  const file = facts?.fileName ?? '';
  const base = { severity: 'stops', key: 'pictures', about: id, place: homeOfPicture(context, id), members } as const;
  if (!facts) return makeFinding(context, { ...base, code: 'picture.gone', params: {}, rule: 'pictures.atLeast' });
  if (flaw === 'not-white') {
    return makeFinding(context, {
      ...base,
      code: 'picture.not-white',
      params: { account, file },
      rule: 'pictures.whiteMain',
    });
  }
  const { leastPixels: least } = context.category.rules.pictures;
  const params = { account, file, width: facts.width, height: facts.height, least };
  return makeFinding(context, { ...base, code: 'picture.small', params, rule: 'pictures.leastPixels' });
}

/** Where a picture stands. */
function homeOfPicture(context: CheckContext, id: string): Place {
  const { family, scopes } = context;
  if (picturesAt(family, scopes).includes(id)) return FAMILY;
  for (const axis of family.axes) {
    const value = axis.values.find((one) => picturesAt(one, scopes).includes(id));
    if (value) return { level: 'value', axisId: axis.id, valueId: value.id };
  }
  const combined = familyIndex(family).combinations.find((one) => picturesAt(one, scopes).includes(id));
  if (combined) return { level: 'combination', at: combined.at };
  const child = context.offered.find((one) => picturesAt(one, scopes).includes(id));
  return child ? { level: 'child', childId: child.id } : FAMILY;
}
