/** A child with everything that holds for it, to be carried into another family. */
import { dequal } from 'dequal';
import { combinationsOf } from '../family/combination';
import { inherited, resolve } from '../family/level';
import { EVERYWHERE, figureIn, figuresIn, type Scope } from '../family/scope';
import { withFigure } from '../family/draft';
import { familyIndex } from '../family/weave';
import type { Carrier, Child, Family, Figure, Figures } from '../family/shape';
import { surchargedKey } from '../money/surcharge';
import { picturesOf } from '../pictures/picturesOf';
import type { Registry } from '../registry/openRegistry';

export interface Carried {
  /** What it holds by itself from now on. */
  own: Carrier;
  /** What held for it and a child cannot have: the name, the brand. */
  ofFamily: { scope: Scope; key: string; figure: Figure }[];
}

/** Opens a family to carry children out of it: everything that holds for one, in every scope, as if it were its own. */
export function carrier(registry: Registry, family: Family): (child: Child) => Carried {
  const seen = new Set<string>();
  const shared = fieldsOf([family, ...family.axes.flatMap((axis) => axis.values)], seen);
  const { keysInScope } = familyIndex(family);
  const withPictures = [...keysInScope.keys()].filter((scope) => keysInScope.get(scope)!.has('pictures'));
  return (child) => {
    const ofFamily: Carried['ofFamily'] = [];
    const figures = new Map<Scope, Figures>();
    for (const [scope, key] of [...shared, ...fieldsOf([child], new Set(seen))]) {
      const held = resolve(family, child, key, scope === EVERYWHERE ? [] : [scope]);
      if (held.figure === undefined || held.scope !== scope) continue;
      const levels = registry.field(key)?.levels ?? ['family'];
      if (levels.includes('child')) put(figures, scope, key, held.figure);
      // What only values have, such as a short label, is the value's and stays with it.
      else if (levels.includes('family')) ofFamily.push({ scope, key, figure: held.figure });
    }
    for (const scope of withPictures)
      if (carriersOf(family, child).some((carrier) => figureIn(carrier, scope, 'pictures') !== undefined))
        put(figures, scope, 'pictures', picturesOf(family, child, [scope]));
    const { [EVERYWHERE]: fields = {}, ...scoped } = Object.fromEntries(figures) as Record<Scope, Figures>;
    const own = { fields, pictures: picturesOf(family, child) };
    return { own: Object.keys(scoped).length > 0 ? { ...own, scoped } : own, ofFamily };
  };
}

function put(figures: Map<Scope, Figures>, scope: Scope, key: string, figure: Figure): void {
  const there = figures.get(scope);
  if (there) there[key] = figure;
  else figures.set(scope, { [key]: figure });
}

/** Everything that a child looks into. */
const carriersOf = (family: Family, child: Child): Carrier[] => [
  family,
  ...Object.values(child.at).flatMap((id) => familyIndex(family).valueById.get(id) ?? []),
  ...combinationsOf(family, child),
  child,
];

/** Scopes and fields that stand on any of the carriers, each once; those that were `seen` are left out, and those that are found are seen. */
function fieldsOf(carriers: readonly Carrier[], seen: Set<string>): [Scope, string][] {
  const found: [Scope, string][] = [];
  for (const carrier of carriers)
    for (const scope of [EVERYWHERE, ...(Object.keys(carrier.scoped ?? {}) as Scope[])])
      for (const key of Object.keys(figuresIn(carrier, scope))) {
        // Surcharges are in the figures they raise; labels are the value's own.
        if (key === 'pictures' || key === 'label' || surchargedKey(key) !== null || seen.has(`${scope} ${key}`))
          continue;
        seen.add(`${scope} ${key}`);
        found.push([scope, key]);
      }
  return found;
}

/** A child without what it would have anyway where it stands. */
export function withoutInherited(family: Family, child: Child): Child {
  let bare = child;
  for (const scope of [EVERYWHERE, ...(Object.keys(child.scoped ?? {}) as Scope[])]) {
    const scopes = scope === EVERYWHERE ? [] : [scope];
    const own = Object.entries(figuresIn(child, scope)).filter(
      ([key, figure]) => key !== 'pictures' && dequal(inherited(family, bare, key, scopes).figure, figure),
    );
    for (const [key] of own) bare = { ...bare, ...withFigure(bare, scope, key, null) };
  }
  const shown = picturesOf(family, { ...bare, pictures: [] });
  return shown.join() === bare.pictures.join() ? { ...bare, pictures: [] } : bare;
}
