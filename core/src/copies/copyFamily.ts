/** A family copied: what must differ is emptied and told. */
import { freeze } from 'immer';
import { EVERYWHERE, type Scope } from '../family/scope';
import { withFigure } from '../family/draft';
import type { Carrier, Child, Family, Figures } from '../family/shape';
import { NEVER_SHARED } from '../identifiers/neverShared';

export interface Copied {
  family: Family;
  /** Fields that were emptied since two goods never have the same. */
  emptied: string[];
}

export interface CopySpec {
  id: string;
  /** Its own name, style code and the like. */
  fields: Figures;
  /** Whether pictures come along; they show the goods that were copied. */
  pictures: boolean;
}

/** A copy with the same axes, values and woven crossings; nothing of it is listed or counted yet. */
export function copyFamily(family: Family, { id, fields, pictures }: CopySpec): Copied {
  const emptied = new Set<string>();
  const bare = <T extends Pick<Child, 'fields' | 'scoped' | 'pictures'>>(carrier: T): T => {
    let now = carrier;
    for (const scope of [EVERYWHERE, ...(Object.keys(carrier.scoped ?? {}) as Scope[])])
      for (const key of NEVER_SHARED) {
        if ((scope === EVERYWHERE ? carrier.fields : carrier.scoped![scope]!)[key] === undefined) continue;
        emptied.add(key);
        now = { ...now, ...withFigure(now, scope, key, null) };
      }
    return pictures ? now : withoutPictures(now);
  };
  const { combinations, pictureNotes, ...plain } = family;
  const own = withoutOtherNames(bare(pictures ? family : plain));
  const children = Object.values(family.children).map((child, at) =>
    bare({ ...child, id: `${id}.c${family.next + at}` }),
  );
  const made: Family = {
    ...own,
    id,
    revision: 1,
    next: family.next + children.length,
    wishes: {},
    shelf: {},
    retired: false,
    copiedFrom: family.id,
    settled: [],
    fields: { ...own.fields, ...fields },
    axes: family.axes.map((axis) => ({ ...axis, values: axis.values.map((value) => bare(value)) })),
    children: Object.fromEntries(children.map((child) => [child.id, child])),
  };
  return { family: freeze(made, true), emptied: [...emptied] };
}

/** None for all, and none for a single account. */
function withoutPictures<T extends Carrier>(carrier: T): T {
  return (Object.keys(carrier.scoped ?? {}) as Scope[]).reduce<T>(
    (now, scope) => ({ ...now, ...withFigure(now, scope, 'pictures', null) }),
    { ...carrier, pictures: [] },
  );
}

/** In other languages and on accounts it is called as the other goods are: that is to be written anew. */
function withoutOtherNames(family: Family): Family {
  return (Object.keys(family.scoped ?? {}) as Scope[]).reduce<Family>(
    (now, scope) =>
      now.scoped?.[scope]?.name === undefined ? now : { ...now, ...withFigure(now, scope, 'name', null) },
    family,
  );
}
