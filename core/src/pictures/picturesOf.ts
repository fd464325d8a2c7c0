/** Which pictures show a child. */
import { combinationsOf } from '../family/combination';
import { everyCarrier } from '../family/everyChild';
import { figureIn, type Scopes } from '../family/scope';
import type { Carrier, Figures, Child, Family } from '../family/shape';
import { familyIndex } from '../family/weave';

/** The pictures that stand at a place: the account's own choice where it has one. */
export function picturesAt(carrier: Carrier, scopes: Scopes = []): readonly string[] {
  for (const scope of scopes) {
    const own = figureIn(carrier, scope, 'pictures');
    if (Array.isArray(own)) return own;
  }
  return carrier.pictures;
}

/** The child's pictures, main one first: its own, then those of its values together, then its values' (first axis first), then the family's. */
export function picturesOf(family: Family, child: Child, scopes: Scopes = []): string[] {
  const { valueById } = familyIndex(family);
  const shown = [...picturesAt(child, scopes)];
  for (const combination of combinationsOf(family, child)) shown.push(...picturesAt(combination, scopes));
  for (const { id } of family.axes) {
    const value = valueById.get(child.at[id] ?? '');
    if (value) shown.push(...picturesAt(value, scopes));
  }
  shown.push(...picturesAt(family, scopes));
  return shown.length > 1 ? [...new Set(shown)] : shown;
}

/** The first of them. */
export function mainPicture(family: Family, child: Child): string | undefined {
  if (child.pictures.length > 0) return child.pictures[0];
  const combined = combinationsOf(family, child).find(({ pictures }) => pictures.length > 0);
  if (combined) return combined.pictures[0];
  const { valueById } = familyIndex(family);
  for (const { id } of family.axes) {
    const first = valueById.get(child.at[id] ?? '')?.pictures[0];
    if (first !== undefined) return first;
  }
  return family.pictures[0];
}

/**
 * Pictures that show this child in particular: its own and its values'. Empty means: only the family's, which show no
 * option.
 */
export function particularPictures(family: Family, child: Child): string[] {
  const general = new Set(family.pictures);
  return picturesOf(family, child).filter((id) => !general.has(id) || child.pictures.includes(id));
}

/** Woven children without any picture. */
export function childrenWithoutPicture(family: Family): Child[] {
  return familyIndex(family).woven.filter((child) => picturesOf(family, child).length === 0);
}

/** The picture that stands for the family in a list: its own first, else the first one on any value, combination or child. */
export function facePicture(family: Family): string | undefined {
  return (
    family.pictures[0] ??
    family.axes.flatMap((axis) => axis.values.flatMap((value) => value.pictures))[0] ??
    familyIndex(family).combinations.flatMap(({ pictures }) => pictures)[0] ??
    familyIndex(family).woven.flatMap((child) => child.pictures)[0]
  );
}

/** Every picture a family uses, wherever it stands and for whom. */
export function allPictures(family: Omit<Family, 'revision'>): Set<string> {
  return new Set(everyCarrier(family).flatMap(idsAt));
}

/** The pictures of a carrier, for all and for single accounts. */
const idsAt = ({ pictures, scoped }: Carrier): readonly string[] =>
  scoped
    ? [...pictures, ...Object.values(scoped).flatMap((own) => (Array.isArray(own.pictures) ? own.pictures : []))]
    : pictures;

/**
 * The family with its pictures under other ids, wherever they stand and whatever is said of them.
 * @param idOf the id that a picture has from now on; null where it goes
 */
export function withPictureIds<F extends Omit<Family, 'revision'>>(family: F, idOf: (id: string) => string | null): F {
  const renamed = (ids: readonly string[]) => [...new Set(ids.flatMap((id) => idOf(id) ?? []))];
  const inScopes = (figures: Figures): Figures =>
    Array.isArray(figures.pictures) ? { ...figures, pictures: renamed(figures.pictures) } : figures;
  /** What has none of them stays the very same object. */
  const carrier = <C extends Carrier>(one: C): C =>
    idsAt(one).every((id) => idOf(id) === id)
      ? one
      : {
          ...one,
          pictures: renamed(one.pictures),
          ...(one.scoped ? { scoped: mapEntries(one.scoped, inScopes) } : {}),
        };
  const notes = Object.entries(family.pictureNotes ?? {}).flatMap(([id, note]) => {
    const now = idOf(id);
    return now === null ? [] : [[now, note] as const];
  });
  return {
    ...carrier(family),
    axes: family.axes.map((axis) => {
      const values = axis.values.map(carrier);
      return values.every((value, at) => value === axis.values[at]) ? axis : { ...axis, values };
    }),
    ...(family.combinations ? { combinations: mapEntries(family.combinations, carrier) } : {}),
    children: mapEntries(family.children, carrier),
    shelf: mapEntries(family.shelf, (shelved) => {
      const child = carrier(shelved.child);
      return child === shelved.child ? shelved : { ...shelved, child };
    }),
    ...(family.pictureNotes ? { pictureNotes: Object.fromEntries(notes) } : {}),
  };
}

const mapEntries = <T>(record: Readonly<Record<string, T>>, change: (entry: T) => T): Record<string, T> =>
  Object.fromEntries(Object.entries(record).map(([id, entry]) => [id, change(entry)]));
