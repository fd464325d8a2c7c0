/** Categories that sellers have to be let into: asked for, and answered after a while. */
import type { Shelf } from './shelves';

export type ApprovalState = 'waiting' | 'granted' | 'refused';

/** How the account of a shelf stands in each category it asked for; an answer takes `delay` milliseconds. */
export function approvalStates({ approvals = {} }: Shelf, now: number, delay: number): Record<string, ApprovalState> {
  return Object.fromEntries(
    Object.entries(approvals).map(([category, { asked, refused }]) => [
      category,
      now - asked < delay ? 'waiting' : refused ? 'refused' : 'granted',
    ]),
  );
}

/** Whether goods may stand in a category, given the categories that are closed. */
export const isLetIn = (
  shelf: Shelf,
  closed: readonly string[],
  category: string,
  now: number,
  delay: number,
): boolean => !closed.includes(category) || approvalStates(shelf, now, delay)[category] === 'granted';
