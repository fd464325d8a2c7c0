/** Findings about what is seen in pictures: goods of another colour than their swatch, blur, the same picture twice or on two values. */
import { basicColourOfSwatch } from '../../colour/terms';
import { colourDifference } from '../../colour/name';
import type { Place } from '../../place/place';
import { familyIndex } from '../../family/weave';
import { hashDistance } from '../../pictures/look/perceptualHash';
import { distanceToSwatch } from '../../pictures/match/byColour';
import type { PictureFacts, PictureLook } from '../../pictures/pictureFacts';
import { picturesAt } from '../../pictures/picturesOf';
import type { CheckContext } from '../context';
import type { Finding } from '../finding';
import { FAMILY, makeFinding } from './report';

/** Goods this far from their swatch look like another colour (CIEDE2000), where another basic colour names them, too. */
const OTHER_COLOUR = 22;
/** Blurred as if each point were spread over some four pixels of a picture of 1000. */
const BLURRED = 0.76;
/** Pictures that differ in no larger share of what is strong in them, and have the same colours, show the same. */
const SAME_HASH = 0.01;
const SAME_COLOUR = 4;

interface Shown {
  id: string;
  facts: PictureFacts;
  look: PictureLook;
}

export function pictureLookFindings(context: CheckContext): Finding[] {
  const { family, scopes } = context;
  const { positionsOf } = familyIndex(family);
  const general = seen(context, picturesAt(family, scopes));
  const ofValues = family.axes.flatMap((axis) =>
    axis.values.flatMap((value) => {
      const shown = seen(context, picturesAt(value, scopes));
      if (shown.length === 0) return [];
      const members = positionsOf(value.id).filter((position) => context.isOffered(position));
      const place: Place = { level: 'value', axisId: axis.id, valueId: value.id };
      return members.length > 0 ? [{ axis, value, shown, members, place }] : [];
    }),
  );
  return [
    ...blurred(context, FAMILY, general, []),
    ...twice(context, FAMILY, general, []),
    ...ofValues.flatMap(({ value, shown, members, place }) => [
      ...blurred(context, place, shown, members),
      ...twice(context, place, shown, members),
      ...(value.swatch
        ? otherColour(context, { label: value.label, swatch: value.swatch }, shown, { members, place })
        : []),
    ]),
    ...onTwoValues(context, ofValues),
  ];
}

function seen({ pictures }: CheckContext, ids: readonly string[]): Shown[] {
  return ids.flatMap((id) => {
    const facts = pictures[id];
    return facts?.look ? [{ id, facts, look: facts.look }] : [];
  });
}

const ABOUT = { severity: 'advises', key: 'pictures', rule: 'pictures' } as const;

function blurred(context: CheckContext, place: Place, shown: readonly Shown[], members: readonly number[]): Finding[] {
  return shown
    .filter(({ look }) => look.blur > BLURRED)
    .map(({ id, facts }) =>
      makeFinding(context, {
        ...ABOUT,
        code: 'picture.blurred',
        params: { file: facts.fileName },
        place,
        members,
        about: id,
      }),
    );
}

function twice(context: CheckContext, place: Place, shown: readonly Shown[], members: readonly number[]): Finding[] {
  return shown.flatMap((one, at) => {
    const other = shown.slice(0, at).find((before) => showsTheSame(before, one));
    if (!other) return [];
    const params = { file: one.facts.fileName, other: other.facts.fileName };
    return [makeFinding(context, { ...ABOUT, code: 'picture.twice', params, place, members, about: one.id })];
  });
}

function showsTheSame(one: Shown, other: Shown): boolean {
  if (hashDistance(one.look.hash, other.look.hash) > SAME_HASH) return false;
  const [a, b] = [one.look.colours[0], other.look.colours[0]];
  return !!a && !!b && colourDifference(a.colour, b.colour) <= SAME_COLOUR;
}

function otherColour(
  context: CheckContext,
  value: { label: string; swatch: string },
  shown: readonly Shown[],
  { members, place }: { members: readonly number[]; place: Place },
): Finding[] {
  return shown.flatMap(({ id, facts, look }) => {
    if (distanceToSwatch(look, value.swatch) <= OTHER_COLOUR) return [];
    const looks = basicColourOfSwatch(look.colours[0]!.colour).colour;
    if (looks === basicColourOfSwatch(value.swatch).colour) return [];
    const params = { file: facts.fileName, value: value.label, looks };
    return [makeFinding(context, { ...ABOUT, code: 'picture.other-colour', params, place, members, about: id })];
  });
}

/** The same picture on two values of one axis: choosing between them shows no difference. */
function onTwoValues(
  context: CheckContext,
  ofValues: readonly {
    axis: { id: string };
    value: { label: string };
    shown: readonly Shown[];
    members: number[];
    place: Place;
  }[],
): Finding[] {
  return ofValues.flatMap((here, at) =>
    here.shown.flatMap((one) => {
      const before = ofValues
        .slice(0, at)
        .find(
          (there) =>
            there.axis.id === here.axis.id &&
            there.shown.some((other) => other.id === one.id || showsTheSame(other, one)),
        );
      if (!before) return [];
      const params = { file: one.facts.fileName, values: [before.value.label, here.value.label] };
      const { place, members } = here;
      return [
        makeFinding(context, {
          ...ABOUT,
          severity: 'warns',
          code: 'picture.two-values',
          params,
          place,
          members,
          about: one.id,
        }),
      ];
    }),
  );
}
