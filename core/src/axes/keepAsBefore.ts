/** Children as they were, whatever was done to the axes: what would hold for them from now on differs, so it becomes their own. */
import { dequal } from 'dequal';
import { withFigure } from '../family/draft';
import { figureOf } from '../family/level';
import { EVERYWHERE, type Scope } from '../family/scope';
import { familyIndex } from '../family/weave';
import { MOST, type Child, type Family } from '../family/shape';
import { surchargedKey } from '../money/surcharge';
import { picturesOf } from '../pictures/picturesOf';
import { Refusal } from '../refusal';

/** Whose children are kept: the family before, and the one that is being made, with its axes as they will be. */
export interface Turn {
  before: Family;
  after: Family;
  /** Scopes and fields that values have something to say about, before or after: what else holds for a child does not change. */
  concerned: readonly (readonly [Scope, string])[];
}

/** Begins a turn. Both families are read many times, so both are frozen. */
export function openTurn(before: Family, after: Family): Turn {
  const all = [...inherited(before), ...inherited(after)];
  const concerned = [...new Map(all.map((one) => [one.join('\n'), one])).values()];
  // What holds for everybody comes first: a figure for one account is only written where it still differs then.
  return { before, after, concerned: concerned.sort(([one], [other]) => rank(one) - rank(other)) };
}

const rank = (scope: Scope): number => (scope === EVERYWHERE ? 0 : 1);

/**
 * A child of the family after with every figure and the order of pictures that held for it before.
 * @param was the child as it stood before
 * @param now the same child as it stands after; it comes back as it is where nothing changes for it
 */
export function keptAsBefore(turn: Turn, was: Child, now: Child): Child {
  return withPicturesAsBefore(turn, was, withFiguresAsBefore(turn, was, now));
}

function withFiguresAsBefore({ before, after, concerned }: Turn, was: Child, now: Child): Child {
  let kept = now;
  for (const [scope, key] of concerned) {
    const scopes = scope === EVERYWHERE ? [] : [scope];
    const figure = figureOf(before, was, key, scopes);
    if (figure === undefined || dequal(figure, figureOf(after, kept, key, scopes))) continue;
    kept = { ...kept, ...withFigure(kept, scope, key, figure) };
  }
  return kept;
}

/** Scopes and fields that values have something to say about; what a surcharge makes is looked at with the field it is added to. */
function inherited(family: Family): [Scope, string][] {
  const { keysOnValues, keysInScope } = familyIndex(family);
  return [[EVERYWHERE, keysOnValues] as const, ...keysInScope].flatMap(([scope, keys]) => {
    const fields = new Set([...keys].map((key) => surchargedKey(key) ?? key));
    return [...fields].flatMap((key): [Scope, string][] =>
      key === 'pictures' || key === 'label' ? [] : [[scope, key]],
    );
  });
}

function withPicturesAsBefore({ before, after }: Turn, was: Child, now: Child): Child {
  const shown = picturesOf(before, was);
  if (dequal(picturesOf(after, now), shown)) return now;
  const general = new Set(before.pictures);
  const pictures = shown.filter((id) => !general.has(id) || was.pictures.includes(id));
  if (pictures.length > MOST.pictures) throw new Refusal('picture.too-many', { most: MOST.pictures });
  return { ...now, pictures };
}
