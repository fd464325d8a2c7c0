/** Ticks as one small picture, shared by every crossing that stands alike: a large weave would else be made of ten thousand parts. */
import type { FitState } from '@loom-kin/core/fit';

const WIDTH = 8;
const HEIGHT = 14;
/** The look's colours, which a picture cannot ask for by name. */
const COLOURS: Record<FitState, string> = { fits: '#3e7440', needs: '#96650f', stopped: '#a9362b', absent: 'none' };

const SHAPES: Record<FitState, string> = {
  fits: `<rect x="1" width="4" height="${HEIGHT}"/>`,
  needs: `<path d="M1.5 .5h3v5l-2 1.5 2 1.5v5h-3z" fill="none" stroke="${COLOURS.needs}"/>`,
  stopped: `<rect x="1" width="4" height="4.5"/><rect x="1" y="9.5" width="4" height="4.5"/>`,
  absent: '',
};

/** A CSS `url(…)` of the ticks of some accounts, in their order. */
export function tickImage(states: readonly FitState[]): string {
  const shapes = states
    .map((state, at) => `<g transform="translate(${at * WIDTH} 0)" fill="${COLOURS[state]}">${SHAPES[state]}</g>`)
    .join('');
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${states.length * WIDTH - 2}" height="${HEIGHT}">${shapes}</svg>`;
  return `url("data:image/svg+xml,${encodeURIComponent(svg)}")`;
}

/** Pixels that the ticks of so many accounts take. */
export const tickWidth = (accounts: number): number => accounts * WIDTH - 2;

const ORDER: readonly FitState[] = ['absent', 'fits', 'needs', 'stopped'];
/** The state that most is to be done about. */
export const worstOf = (states: readonly FitState[]): FitState =>
  states.reduce<FitState>((worst, state) => (ORDER.indexOf(state) > ORDER.indexOf(worst) ? state : worst), 'absent');

/** States in words, for a title and for screen readers. */
export const STATE_WORDS: Record<FitState, string> = {
  fits: 'fits',
  needs: 'needs work',
  stopped: 'stopped',
  absent: 'not offered',
};
