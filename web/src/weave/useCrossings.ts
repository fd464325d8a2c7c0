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

  function drawn(y: number, x: number): DrawnCrossing {
    const { chosen, selected, lit, states, figure: show } = ground();
    const child = cloth().childAt(y, x);
    const isWoven = child?.woven ?? false;
    const figure = isWoven && show ? show(child!.id) : null;
    const isChosen =
      child !== undefined && (chosen.has(child.id) || (selected?.level === 'child' && selected.childId === child.id));
    const isLit = child !== undefined && (lit?.has(child.id) ?? false);
    const ticks = isWoven && states && !show ? ticksOf(child!.id) : null;
    return {
      spot: { x, y },
      name: nameOf({ x, y }, child, isChosen, figure?.text ?? ''),
      text: figure?.text ?? '',
      warp: cloth().columns[x]!.values.findLast((value) => value.swatch)?.swatch ?? BARE,
      weft: cloth().rows[y]!.values.findLast((value) => value.swatch)?.swatch ?? BARE,
      isChosen,
      isPictured: Boolean(figure?.picture),
      hasRing: isChosen || isLit,
      classes: [
        'crossing',
        isWoven && 'woven',
        (x + y) % 2 === 0 && 'over',
        figure?.picture && 'pictured',
        (isChosen || isLit) && 'ringed',
      ]
        .filter(Boolean)
        .join(' '),
      image: figure?.picture ? `url("/pictures/${figure.picture}.small")` : ticks,
    };
  }

  return {
    drawn,
    /** Pixels that the ticks of a crossing take. */
    tickRoom: computed(() => (isTiny() ? 6 : tickWidth(accounts.value.length))),
  };
}
