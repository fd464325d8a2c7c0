/** What each crossing in view shows and is called. */
import { computed } from 'vue';
import type { Child, Family } from '@loom-kin/core/family';
import type { FitState } from '@loom-kin/core/fit';
import type { Place } from '@loom-kin/core/place';
import { useSetup } from '../stores/setup';
import type { Cloth } from './cloth';
import type { Spot } from '../common/arrows';
import { STATE_WORDS, tickImage, tickWidth, worstOf } from './tickImage';

/** What stands in a crossing instead of ticks. */
export interface CrossingFigure {
  text: string;
  picture?: string | undefined;
}

export interface CrossingContext {
  family: Family;
  /** account → child → state; without it the crossings carry no ticks. */
  states?: Readonly<Record<string, Readonly<Record<string, FitState>>>> | undefined;
  /** One account's ticks alone. */
  only?: string | undefined;
  selected?: Place | undefined;
  chosen: ReadonlySet<string>;
  lit?: ReadonlySet<string> | undefined;
  figure: ((childId: string) => CrossingFigure) | null;
}

export interface DrawnCrossing {
  spot: Spot;
  name: string;
  warp: string;
  weft: string;
  classes: string;
  isChosen: boolean;
  isPictured: boolean;
  /** Chosen, or lit up. */
  hasRing: boolean;
  /** A CSS `url(…)`, of ticks or of a picture. */
  image: string | null;
  text: string;
}

const BARE = '#9aa69e';

/** @param isTiny whether there is room for one tick alone: that of the account where most is to be done */
export function useCrossings(ground: () => CrossingContext, cloth: () => Cloth, isTiny: () => boolean) {
  const setup = useSetup();
  const accounts = computed(() => {
    const { states, only } = ground();
    return setup.accounts.filter((one) => states?.[one.id] && (!only || one.id === only));
  });
  const images = new Map<string, string>();
  function ticksOf(childId: string): string {
    const states = statesOf(childId);
    const shown = isTiny() ? [worstOf(states)] : states;
    const name = shown.join();
    let image = images.get(name);
    if (image === undefined) images.set(name, (image = tickImage(shown)));
    return image;
  }
  const statesOf = (childId: string) => accounts.value.map((one) => ground().states![one.id]![childId] ?? 'absent');

  function nameOf(spot: Spot, child: Child | undefined, isChosen: boolean, text: string): string {
    const states = child?.woven
      ? statesOf(child.id).map((state, at) => `${accounts.value[at]!.name}: ${STATE_WORDS[state]}`)
      : [];
    const told = [child?.woven ? 'woven' : 'not woven', isChosen ? 'chosen' : '', text, ...states].filter(Boolean);
    return `${cloth().labelAt(spot.y, spot.x)}: ${told.join(', ')}`;
  }

  /** How a child is marked: chosen or selected, and lit up from elsewhere. */
  function marksOf(child: Child | undefined): { isChosen: boolean; hasRing: boolean } {
    if (!child) return { isChosen: false, hasRing: false };
    const { chosen, selected, lit } = ground();
    const isChosen = chosen.has(child.id) || (selected?.level === 'child' && selected.childId === child.id);
    return { isChosen, hasRing: isChosen || (lit?.has(child.id) ?? false) };
  }

  /** What is shown of a child that is woven: a figure where one is asked for, else ticks of its states. */
  function contentOf(child: Child | undefined): Pick<DrawnCrossing, 'text' | 'isPictured' | 'image'> {
    const { states, figure: show } = ground();
    if (!child?.woven) return { text: '', isPictured: false, image: null };
    if (!show) return { text: '', isPictured: false, image: states ? ticksOf(child.id) : null };
    const { text, picture } = show(child.id) ?? { text: '', picture: null };
    return { text, isPictured: Boolean(picture), image: picture ? `url("/pictures/${picture}.small")` : null };
  }

  function drawn(y: number, x: number): DrawnCrossing {
    const child = cloth().childAt(y, x);
    const { isChosen, hasRing } = marksOf(child);
    const { text, isPictured, image } = contentOf(child);
    return {
      spot: { x, y },
      name: nameOf({ x, y }, child, isChosen, text),
      text,
      warp: cloth().columns[x]!.values.findLast((value) => value.swatch)?.swatch ?? BARE,
      weft: cloth().rows[y]!.values.findLast((value) => value.swatch)?.swatch ?? BARE,
      isChosen,
      isPictured,
      hasRing,
      classes: [
        'crossing',
        child?.woven && 'woven',
        (x + y) % 2 === 0 && 'over',
        isPictured && 'pictured',
        hasRing && 'ringed',
      ]
        .filter(Boolean)
        .join(' '),
      image,
    };
  }

  return {
    drawn,
    /** Pixels that the ticks of a crossing take. */
    tickRoom: computed(() => (isTiny() ? 6 : tickWidth(accounts.value.length))),
  };
}
