/** Which pictures a family has, value by value and angle by angle. */
import type { Scopes } from '../family/scope';
import type { Axis, Family, Value } from '../family/shape';
import { familyIndex } from '../family/weave';
import { angleOfWord, ANGLES, isAngle, type Angle } from './angles';
import { fileWords } from './match/fileWords';
import type { PictureFacts } from './pictureFacts';
import { picturesAt } from './picturesOf';

export interface CoverageRow {
  value: Value;
  /** Angle → the pictures that show it so. */
  byAngle: ReadonlyMap<Angle, readonly string[]>;
  /** Those whose angle nobody has said. */
  others: readonly string[];
}

export interface Coverage {
  axis: Axis;
  /** Angles that any picture shows, in their order. */
  angles: Angle[];
  rows: CoverageRow[];
}

/** From where a picture shows the goods: as the seller says, else by the words of its file's name; null where neither says it. */
export function angleOfPicture(family: Family, picture: string, facts: PictureFacts | undefined): Angle | null {
  const said = family.pictureNotes?.[picture]?.angle;
  if (said && isAngle(said)) return said;
  const words = facts ? fileWords(facts.fileName) : null;
  const named = words?.atoms
    .filter((atom) => atom.part === words.last)
    .flatMap((atom) => (atom.text.length > 1 ? (angleOfWord(atom.text) ?? []) : []));
  return named?.at(-1) ?? null;
}

/** The pictures of an axis's values by angle, with those that show a value together with another. */
export function coverageOf(
  family: Family,
  axis: Axis,
  facts: Readonly<Record<string, PictureFacts>>,
  scopes: Scopes = [],
): Coverage {
  const { combinations } = familyIndex(family);
  const rows = axis.values.map((value): CoverageRow => {
    const byAngle = new Map<Angle, string[]>();
    const others: string[] = [];
    const together = combinations.filter(({ at }) => at[axis.id] === value.id);
    for (const id of new Set([value, ...together].flatMap((one) => picturesAt(one, scopes)))) {
      const angle = angleOfPicture(family, id, facts[id]);
      if (angle === null) others.push(id);
      else byAngle.set(angle, [...(byAngle.get(angle) ?? []), id]);
    }
    return { value, byAngle, others };
  });
  return { axis, rows, angles: ANGLES.filter((angle) => rows.some((row) => row.byAngle.has(angle))) };
}
