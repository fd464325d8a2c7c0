/**
 * Whether the page is about to go. Fields lose the focus then as well, at times while the document still has it: what is half typed in
 * them was not left by anybody.
 */
let isGoing = false;
addEventListener('beforeunload', () => (isGoing = true));
// It was asked to go and stayed.
for (const sign of ['keydown', 'pointerdown']) addEventListener(sign, () => (isGoing = false), { capture: true });

export const isLeaving = (): boolean => isGoing;
