/** Children that leave: each becomes a family of one, with its SKU and all that holds for it. */
import { freeze } from 'immer';
import { cutTo } from '../text/cut';
import { keepAsBefore } from '../axes/keepAsBefore';
import { changedFrom, type Changed } from '../change/run';
import { draftOf } from '../family/draft';
import { familyFigures } from './familyFigures';
import { childLabels } from '../family/weave';
import { NO_WISH, type Child, type Family } from '../family/shape';
import { familyPattern } from '../identifiers/housePattern';
import { Refusal } from '../refusal/refusal';
import { wishesCarried, wishesWithout } from '../family/wishes';
import type { Registry } from '../registry/openRegistry';

export interface Left {
  /** The family without them. */
  from: Changed;
  families: Family[];
  moves: { childId: string; familyId: string; to: string }[];
}

/** Lets children leave. Not all of them can: the last of a family is the family. */
export function leave(registry: Registry, family: Family, childIds: readonly string[], newId: () => string): Left {
  const going = new Set(childIds);
  const draft = draftOf(family);
  const made = [...going].map((id) => {
    const child = family.children[id];
    if (!child) throw new Refusal('child.unknown', {});
    delete draft.children[id];
    return { child, family: alone(registry, family, child, newId()) };
  });
  draft.wishes = wishesWithout(draft.wishes, (id) => going.has(id));
  if (!Object.values(draft.children).some(({ woven }) => woven)) throw new Refusal('leave.all', {});
  return {
    from: changedFrom(family, draft),
    families: made.map((one) => one.family),
    moves: made.map((one) => ({ childId: one.child.id, familyId: one.family.id, to: `${one.family.id}.c1` })),
  };
}

function alone(registry: Registry, family: Family, child: Child, id: string): Family {
  const { fields, scoped, own, pictures } = familyFigures(registry, family, child);
  const labels = childLabels(family, child);
  const childId = `${id}.c1`;
  const made: Family = {
    id,
    revision: 1,
    next: 2,
    pictures,
    axes: [],
    shelf: {},
    retired: false,
    wishes: wishesCarried(offers(family), family.wishes, new Map([[child.id, childId]])),
    fields: { ...fields, name: cutTo([String(family.fields.name ?? ''), ...labels].join(' '), 200) },
    ...(scoped ? { scoped } : {}),
    ...(family.pictureNotes ? { pictureNotes: family.pictureNotes } : {}),
    children: { [childId]: { id: childId, at: {}, woven: true, ...own } },
    skuPattern: familyPattern(registry.data.skuPattern, []),
  };
  keepAsBefore(registry, made, new Map([[childId, { family, child }]]), false);
  return freeze(made, true);
}

/** Where the family is offered, or is not, by the seller's own word. */
const offers = ({ wishes }: Family): Family['wishes'] =>
  Object.fromEntries(
    Object.entries(wishes).flatMap(([account, { offered }]) =>
      offered === undefined ? [] : [[account, { ...NO_WISH, offered }]],
    ),
  );
