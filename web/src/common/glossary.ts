/** Words of the program's own, explained once: said where they are first seen, and shown on hover. */
export const GLOSSARY = {
  weaving: 'While weaving, a press takes a crossing, a row or a column out of the family, or in. What it held is kept.',
  own: 'A figure of its own stands on this very child, value or account, and stays when the one below it moves.',
  giveBack: 'Takes the figure away here, so that the one below it holds again.',
  keepHere: 'Puts the figure that holds now here as well, so that it stays whatever happens below.',
  surcharge: 'Added to the price that holds below; it stays a surcharge when that price moves.',
  plan: 'How the options of the family become those of the listing: as they are, several in one, or a listing for each.',
  scope: 'For whom a figure holds: for everybody, in one language, or on one account.',
} as const;
export type Word = keyof typeof GLOSSARY;
