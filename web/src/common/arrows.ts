/** A place by column and row, and the step that each arrow key is. */
export interface Spot {
  x: number;
  y: number;
}

export const ARROWS: Readonly<Record<string, Spot>> = {
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
};
