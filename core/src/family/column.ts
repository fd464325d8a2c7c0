/**
 * A field for all children at once: every figure that holds for somebody, with the place it stands at and the
 * children it holds for. Checks look at each figure once and know its cause; sheets and listings read it child by
 * child.
 */
import { surchargeKey } from '../money/surcharge';
import { resolve } from './level';
import { EVERYWHERE, figureIn, type Scope, type Scopes } from './scope';
import { familyIndex, type FamilyIndex } from './weave';
import type { Column, ColumnGroup } from './columnShape';
import type { Family, Figure } from './shape';
import type { Place } from '../place/place';

const FROM_FAMILY: Place = Object.freeze({ level: 'family' });

/** The column of a field, in the scopes a reader looks into. Made once for a frozen family. */
export function columnOf(family: Family, key: string, scopes: Scopes = []): Column {
  const index = familyIndex(family);
  const concerns = (scope: Scope, one: string) => index.keysInScope.get(scope)?.has(one) ?? false;
  const used = scopes.filter((scope) => concerns(scope, key) || concerns(scope, surchargeKey(key)));
  const name = `${key}|${used.join('|')}`;
  const known = index.columns.get(name);
  if (known) return known;
  const column = makeColumn(family, index, key, used);
  index.columns.set(name, column);
  return column;
}

type Origin = Omit<ColumnGroup, 'members'>;

function makeColumn(family: Family, index: FamilyIndex, key: string, scopes: Scopes): Column {
  if (index.surcharged.has(key)) return surchargedColumn(family, index, key, scopes);
  const isPlain = scopes.length === 0 && !index.keysOnValues.has(key) && !index.keysOnChildren.has(key);
  return isPlain ? familyColumn(family, index, key) : mixedColumn(family, index, key, scopes);
}

/** A field that stands on the family alone, or nowhere: all children are one group. */
function familyColumn(family: Family, { positions }: FamilyIndex, key: string): Column {
  const figure = figureIn(family, EVERYWHERE, key);
  const place = figure === undefined ? null : FROM_FAMILY;
  const group: ColumnGroup = { figure, place, scope: EVERYWHERE, members: positions };
  return { groups: positions.length > 0 ? [group] : [], at: () => figure, groupAt: () => group };
}

function mixedColumn(family: Family, index: FamilyIndex, key: string, scopes: Scopes): Column {
  const { woven } = index;
  const origins: Origin[] = [{ figure: undefined, place: null, scope: EVERYWHERE }];
  const originOf = new Int32Array(woven.length);
  /** Later calls win: scopes go from the widest to the narrowest, levels from the family to the child. */
  const put = (figure: Figure | undefined, place: () => Place, scope: Scope, members: Iterable<number> | null) => {
    if (figure === undefined) return;
    const origin = origins.push({ figure, place: place(), scope }) - 1;
    if (members === null) originOf.fill(origin);
    else for (const position of members) originOf[position] = origin;
  };
  for (const scope of [EVERYWHERE, ...scopes.toReversed()]) {
    put(figureIn(family, scope, key), () => FROM_FAMILY, scope, null);
    if (scope !== EVERYWHERE || index.keysOnValues.has(key)) {
      for (const axis of family.axes) {
        for (const value of axis.values) {
          const place = (): Place => ({ level: 'value', axisId: axis.id, valueId: value.id });
          put(figureIn(value, scope, key), place, scope, index.positionsOf(value.id));
        }
      }
    }
    if (scope === EVERYWHERE && !index.keysOnChildren.has(key)) continue;
    woven.forEach((child, position) => {
      const figure = figureIn(child, scope, key);
      if (figure !== undefined) put(figure, () => ({ level: 'child', childId: child.id }), scope, [position]);
    });
  }
  const all = groupsOf(origins, originOf);
  return {
    groups: all.filter((group) => group.members.length > 0),
    at: (position) => all[originOf[position]!]!.figure,
    groupAt: (position) => all[originOf[position]!]!,
  };
}

/** Children whose figure stands at one place and is raised by the same surcharges are a group. */
function surchargedColumn(family: Family, { woven }: FamilyIndex, key: string, scopes: Scopes): Column {
  const groups = new Map<string, ColumnGroup & { members: number[] }>();
  const groupOf = woven.map((child, position) => {
    const { figure, from: place, scope, surcharges = [] } = resolve(family, child, key, scopes);
    const name = JSON.stringify([place, scope, surcharges.map((one) => one.place.valueId)]);
    const group = groups.get(name) ?? { figure, place, scope, surcharges, members: [] };
    groups.set(name, group);
    group.members.push(position);
    return group;
  });
  return {
    groups: [...groups.values()],
    at: (position) => groupOf[position]!.figure,
    groupAt: (position) => groupOf[position]!,
  };
}

function groupsOf(origins: readonly Origin[], originOf: Int32Array): ColumnGroup[] {
  const members: number[][] = origins.map(() => []);
  originOf.forEach((origin, position) => members[origin]!.push(position));
  return origins.map((origin, at) => ({ ...origin, members: members[at]! }));
}
