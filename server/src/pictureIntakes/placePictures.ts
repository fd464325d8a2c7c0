/** Puts pictures that came in into their places: one change over all families they go to. */
import { group } from 'd3-array';
import type { Command } from '@loom-kin/core/change';
import { type Family, carrierAt, placeKey } from '@loom-kin/core/family';
import { type PictureMatch, inPictureOrder, picturesAt } from '@loom-kin/core/pictures';
import type { Place } from '@loom-kin/core/place';
import type { BodyOf, ChangeDone, Step, endpoints } from '@loom-kin/contract';
import type { Writer } from '../changes/writer';
import type { Store } from '../store/store';
import { arrivalsOf, requireIntake } from './arrivals';
import { familyReader, matchRows, targetOf } from './proposals';

type Order = BodyOf<(typeof endpoints)['placePictures']>;

interface Going {
  familyId: string;
  place: Place;
  pictureId: string;
  path: string;
  angle: PictureMatch['angle'];
  number: number | null;
}

export async function placePictures(
  store: Store,
  writer: Writer,
  id: string,
  { key, at, how = 'behind' }: Order,
): Promise<ChangeDone & { placed: number }> {
  const { database } = store;
  const { pictures } = requireIntake(database, id);
  const rows = arrivalsOf(database, id);
  const known = familyReader(database);
  const matches = matchRows(store, rows, known, pictures.familyId);
  const wanted = at && new Set(at);
  const going = rows.flatMap((row, n): Going[] => {
    const match = matches.get(n);
    const target = wanted && !wanted.has(row.at) ? null : targetOf(row, match);
    if (!target || !row.pictureId || !known(target.familyId)) return [];
    return [
      {
        ...target,
        pictureId: row.pictureId,
        path: row.path,
        angle: match?.angle ?? null,
        number: match?.number ?? null,
      },
    ];
  });
  const byFamily = group(going, (one) => one.familyId);
  const steps = [...byFamily].flatMap(([familyId, all]) => stepFor(known(familyId)!, all, how));
  const placed = new Set(going.map((one) => `${one.familyId} ${placeKey(one.place)} ${one.pictureId}`)).size;
  if (steps.length === 0) return { ...NOTHING, placed: 0 };
  const title = `Put ${placed === 1 ? 'a picture' : `${placed} pictures`} in place${steps.length > 1 ? ` in ${steps.length} families` : ''}`;
  return { ...(await writer.write({ do: 'change', order: { key, title, steps } })), placed };
}

const NOTHING: ChangeDone = { id: null, title: 'Put pictures in place', revisions: {}, started: [], notices: [] };

function stepFor(family: Family, going: readonly Going[], how: 'behind' | 'instead'): Step[] {
  const places = group(going, (one) => placeKey(one.place));
  const commands = [...places.values()].flatMap((all): Extract<Command, { do: 'setPictures' }>[] => {
    const { place } = all[0]!;
    const carrier = carrierAt(family, place);
    const there = how === 'instead' ? [] : picturesAt(carrier);
    const pictures = [...new Set([...there, ...inPictureOrder(all).map((one) => one.pictureId)])];
    const isSame = pictures.length === carrier.pictures.length && pictures.every((id, n) => id === carrier.pictures[n]);
    return isSame ? [] : [{ do: 'setPictures', place, pictures }];
  });
  if (commands.length === 0) return [];
  const command: Command =
    commands.length === 1 ? commands[0]! : { do: 'batch', title: 'Put pictures in place', commands };
  return [{ on: 'family', familyId: family.id, revision: family.revision, command }];
}
