/** How many listings of a family an account holds, and of how many that is not certain. */
export interface HeldCounts {
  live: number;
  drafts: number;
  unconfirmed: number;
}

/** "2 live", "1 draft", "1 not confirmed": only what there is. */
export function heldWords(held: HeldCounts | undefined): string[] {
  if (!held) return [];
  const { live, drafts, unconfirmed } = held;
  return [
    ...(live ? [`${live} live`] : []),
    ...(drafts ? [`${drafts} ${drafts === 1 ? 'draft' : 'drafts'}`] : []),
    ...(unconfirmed ? [`${unconfirmed} not confirmed`] : []),
  ];
}
