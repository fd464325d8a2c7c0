/** What an intake of pictures comes to: each with the place its name or colour proposes, or the seller has said. */
import { eq } from 'drizzle-orm';
import { matchQuestion, matchReasonText } from '@loom-kin/core/descriptions';
import {
  type Family,
  carrierAt,
  combinationLabel,
  familyIndex,
  placeKey,
  placeLabel,
  sharedPairs,
} from '@loom-kin/core/family';
import {
  type PictureCatalogue,
  type PictureMatch,
  matchPictures,
  openPictureCatalogue,
  placesOfPicture,
} from '@loom-kin/core/pictures';
import type { Place } from '@loom-kin/core/place';
import type { Arrival, PictureIntake, PicturePlaces } from '@loom-kin/contract';
import { hasFamily, loadFamily } from '../store/loadFamily';
import { readJob } from '../jobs/jobs';
import type { Database } from '../store/database';
import { families, identifiers } from '../store/schema';
import type { Store } from '../store/store';
import { arrivalsOf, requireIntake, type ArrivalRow } from './arrivals';
import { factsOf } from '../pictures/pictureFacts';

/** Families with more children are shown by their values alone. */
const CHILDREN_SHOWN = 240;

/** Everything of an intake, matched to what the catalogue is now. */
export function readIntake(store: Store, id: string): PictureIntake {
  const { database } = store;
  const { pictures } = requireIntake(database, id);
  const rows = arrivalsOf(database, id);
  const known = familyReader(database);
  const facts = factsOf(
    database,
    rows.flatMap((row) => row.pictureId ?? []),
  );
  const matches = matchRows(store, rows, known, pictures.familyId);
  const arrivals = rows.map((row, at): Arrival => {
    const { path, problem, settled } = row;
    const picture = row.pictureId ? (facts[row.pictureId] ?? null) : null;
    const match = matches.get(at);
    const target = targetOf(row, match);
    const isThere = picture !== null && target !== null && standsAt(known(target.familyId), target.place, picture.id);
    return { at: row.at, path, picture, problem, settled, isThere, match: match ? toldOf(match, known) : null };
  });
  const ids = new Set(
    arrivals.flatMap((one) =>
      [one.match?.familyId ?? [], one.settled && one.settled !== 'left-out' ? one.settled.familyId : []].flat(),
    ),
  );
  const used = [...ids, pictures.familyId ?? []].flat().flatMap((one) => known(one) ?? []);
  const targets = [
    ...matches.values(),
    ...rows.flatMap(({ settled }) => (settled && settled !== 'left-out' ? settled : [])),
  ];
  const placesMeant = (family: Family) =>
    targets.flatMap(({ familyId, place }) => (familyId === family.id && place ? [place] : []));
  return {
    job: readJob(database, id),
    within: pictures.familyId,
    arrivals,
    families: [...new Set(used)].map((family) => placesOf(family, placesMeant(family))),
  };
}

/** Whether a picture stands at a place for all; at a place that is gone none does. */
const standsAt = (family: Family | undefined, place: Place, id: string): boolean =>
  family !== undefined && placesOfPicture(family, id).some((one) => placeKey(one) === placeKey(place));

/** Where a picture goes as things stand: as the seller has said, else where it is sure to belong; null where that is open. */
export function targetOf(
  row: Pick<ArrivalRow, 'settled'>,
  match: PictureMatch | undefined,
): { familyId: string; place: Place } | null {
  if (row.settled === 'left-out') return null;
  if (row.settled) return row.settled;
  if (!match || match.confidence !== 'sure' || match.familyId === null || match.place === null) return null;
  return { familyId: match.familyId, place: match.place };
}

/** Row number in the list → its match, for those that are pictures. */
export function matchRows(
  { database, catalogue }: Store,
  rows: readonly ArrivalRow[],
  known: (id: string) => Family | undefined,
  within: string | null,
): Map<number, PictureMatch> {
  const taken = rows.flatMap((row, at) => (row.pictureId ? [{ row, at, id: row.pictureId }] : []));
  const facts = factsOf(
    database,
    taken.map((one) => one.id),
  );
  const matches = matchPictures(
    taken.map(({ row, id }) => ({ path: row.path, id, look: facts[id]?.look })),
    { registry: catalogue().registry, catalogue: readNames(database), familyOf: known, within: within ?? undefined },
  );
  return new Map(matches.map((match) => [taken[match.at]!.at, match]));
}

/** Reads families as they are asked for, each once; undefined for those that are gone. */
export function familyReader(database: Database): (id: string) => Family | undefined {
  const read = new Map<string, Family | undefined>();
  return (id) => {
    if (!read.has(id)) read.set(id, hasFamily(database, id) ? loadFamily(database, id) : undefined);
    return read.get(id);
  };
}

/** Names, codes and numbers of all families that are in use. */
function readNames(database: Database): PictureCatalogue {
  const { id, name, brand, styleCode, retired } = families;
  const entries = database.select({ id, name, brand, styleCode }).from(families).where(eq(retired, false)).all();
  return openPictureCatalogue(entries, database.select().from(identifiers).all());
}

function toldOf(match: PictureMatch, known: (id: string) => Family | undefined): Arrival['match'] {
  const { familyId, place, angle, number, confidence, reasons, question } = match;
  const family = familyId === null ? undefined : known(familyId);
  const name = family ? String(family.fields.name) : '';
  const placeName = family && place ? nameOfPlace(family, place) : null;
  return {
    familyId,
    place,
    angle,
    number,
    confidence,
    question,
    why: reasons.map(matchReasonText),
    asks: matchQuestion(match, name, placeName),
  };
}

function nameOfPlace(family: Family, place: Place): string {
  if (place.level === 'family') return 'all children';
  if (place.level === 'combination') return combinationLabel(family, place.at);
  return place.level === 'value' ? familyIndex(family).valueById.get(place.valueId)!.label : placeLabel(family, place);
}

/**
 * The places of a family that pictures can go to, and what is there.
 * @param meant places that are among them in any case
 */
export function placesOf(family: Family, meant: readonly Place[] = []): PicturePlaces {
  const { woven } = familyIndex(family);
  const text = (key: string) => String(family.fields[key] ?? '');
  return {
    id: family.id,
    name: text('name'),
    styleCode: text('styleCode'),
    places: [
      { place: { level: 'family' }, label: 'All children', axis: null, swatch: null, pictures: family.pictures },
      ...family.axes.flatMap((axis) =>
        axis.values.map((value) => ({
          place: { level: 'value' as const, axisId: axis.id, valueId: value.id },
          label: value.label,
          axis: axis.label,
          swatch: value.swatch ?? null,
          pictures: value.pictures,
        })),
      ),
      ...togetherIn(family, meant).map((place) => ({
        place,
        label: combinationLabel(family, place.at),
        axis: null,
        swatch: null,
        pictures: [...carrierAt(family, place).pictures],
      })),
      ...(woven.length > CHILDREN_SHOWN ? woven.filter((child) => child.pictures.length > 0) : woven).map((child) => {
        const place = { level: 'child' as const, childId: child.id };
        return { place, label: placeLabel(family, place), axis: null, swatch: null, pictures: child.pictures };
      }),
    ],
  };
}

type Together = Extract<Place, { level: 'combination' }>;

/** Options together that pictures can stand on: those that are meant or have some, and any two that several children have. */
function togetherIn(family: Family, meant: readonly Place[]): Together[] {
  const { combinations, woven } = familyIndex(family);
  const all = new Map<string, Together>();
  const add = (place: Place) => {
    if (place.level === 'combination') all.set(placeKey(place), place);
  };
  for (const { at } of combinations) add({ level: 'combination', at });
  meant.forEach(add);
  if (woven.length <= CHILDREN_SHOWN) for (const at of sharedPairs(family)) add({ level: 'combination', at });
  return [...all.values()];
}
