/** All that holds for a child as figures of a family: what only a child has stays its own. */
import { withFigure } from '../family/draft';
import { EVERYWHERE, figuresIn, type Scope } from '../family/scope';
import type { Carrier, Child, Family, Figures } from '../family/shape';
import type { Registry } from '../registry/openRegistry';
import { carrier } from './carry';

export interface FamilyFigures {
  fields: Figures;
  scoped?: Carrier['scoped'];
  /** What no family has: SKU, GTIN. */
  own: Carrier;
  pictures: string[];
}

export function familyFigures(registry: Registry, family: Family, child: Child): FamilyFigures {
  const { own, ofFamily } = carrier(registry, family)(child);
  let high: Carrier = { fields: {}, pictures: [] };
  for (const { scope, key, figure } of ofFamily) high = { ...high, ...withFigure(high, scope, key, figure) };
  let kept: Carrier = { fields: {}, pictures: [] };
  for (const scope of [EVERYWHERE, ...(Object.keys(own.scoped ?? {}) as Scope[])])
    for (const [key, figure] of Object.entries(figuresIn(own, scope))) {
      if (registry.field(key)?.levels.includes('family')) high = { ...high, ...withFigure(high, scope, key, figure) };
      else kept = { ...kept, ...withFigure(kept, scope, key, figure) };
    }
  return {
    fields: high.fields,
    ...(high.scoped ? { scoped: high.scoped } : {}),
    own: kept,
    pictures: [...own.pictures],
  };
}
