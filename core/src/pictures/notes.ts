/** What is said of a family's pictures, and one picture in the place of another. */
import type { Carrier, Family, PictureNote } from '../family/shape';
import type { Place } from '../place/place';
import { familyIndex } from '../family/weave';
import { withPictureIds } from './picturesOf';
import type { Angle } from './angles';

interface Said {
  picture: string;
  angle?: Angle | null | undefined;
  text?: { language: string; text: string | null } | undefined;
}

/** Says something of a picture; null takes it away, and a note with nothing in it goes. */
export function describePicture(family: Family, { picture, angle, text }: Said): void {
  const { [picture]: before = {}, ...others } = family.pictureNotes ?? {};
  const { angle: oldAngle, texts: oldTexts = {} } = before;
  const kept = angle === undefined ? oldAngle : (angle ?? undefined);
  const { [text?.language ?? '']: _before, ...rest } = oldTexts;
  const texts = text ? { ...rest, ...(text.text ? { [text.language]: text.text } : {}) } : oldTexts;
  const note: PictureNote = { ...(kept ? { angle: kept } : {}), ...(Object.keys(texts).length > 0 ? { texts } : {}) };
  putNotes(family, Object.keys(note).length > 0 ? { ...others, [picture]: note } : others);
}

function putNotes(family: Family, notes: Record<string, PictureNote>): void {
  if (Object.keys(notes).length > 0) family.pictureNotes = notes;
  else delete family.pictureNotes;
}

/** Puts another picture wherever one stands, for all and for single accounts, shelved children too; what is said of it stays. */
export function replacePicture(family: Family, from: string, to: string): void {
  const { [from]: note, ...others } = family.pictureNotes ?? {};
  Object.assign(
    family,
    withPictureIds(family, (id) => (id === from ? to : id)),
  );
  if (note) putNotes(family, { ...others, [to]: note });
}

/** Every place of a family that can have pictures. */
export function* carriersOf(family: Family): Iterable<{ place: Place; carrier: Carrier }> {
  yield { place: { level: 'family' }, carrier: family };
  for (const axis of family.axes)
    for (const value of axis.values)
      yield { place: { level: 'value', axisId: axis.id, valueId: value.id }, carrier: value };
  for (const combination of familyIndex(family).combinations)
    yield { place: { level: 'combination', at: combination.at }, carrier: combination };
  for (const child of Object.values(family.children))
    yield { place: { level: 'child', childId: child.id }, carrier: child };
}

/** The places where a picture stands for all. */
export const placesOfPicture = (family: Family, id: string): Place[] =>
  [...carriersOf(family)].filter(({ carrier }) => carrier.pictures.includes(id)).map(({ place }) => place);
