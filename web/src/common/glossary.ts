/** Words of the program's own, explained once: on hover where they are met, and together beside the keys of a view. */
export const GLOSSARY = {
  family: 'One product sold in several options: the record that is never sold itself, and its children.',
  child: 'What a buyer puts in the basket: one option of each axis, with SKU, price and stock of its own.',
  axis: 'What the children differ by: colour, size, lining. Each of its entries is a value.',
  weave: 'The children over the axes, as cloth: a crossing for every combination that exists.',
  weaving: 'While weaving, a press takes a crossing, a row or a column out of the family, or in. What it held is kept.',
  level: 'Where a figure stands: the family, everything of a value, or one child. The nearest one holds.',
  own: 'A figure of its own stands on this very child, value or account, and stays when the one below it moves.',
  giveBack: 'Takes the figure away here, so that the one below it holds again.',
  keepHere: 'Puts the figure that holds now here as well, so that it stays whatever happens below.',
  surcharge: 'Added to the price that holds below; it stays a surcharge when that price moves.',
  margin: 'What is left of a price after tax, fees, shipping and cost, in percent of the price without tax.',
  markup: 'The same in percent of what the goods cost you.',
  scope: 'For whom a figure holds: for everybody, in one language, or on one account.',
  shelf: 'Where children go whose value or axis was taken away: with all their figures, until it comes back.',
  pairing: 'Which of the channel’s own values one of yours is: “Rust” is “Orange” there. Remembered for every family.',
  plan: 'How the options of the family become those of the listing: as they are, several in one, or a listing for each.',
  finding: 'One thing that is missing or wrong for an account, told once for all children it concerns.',
  dispatch: 'A batch sent to accounts, with what each channel answered.',
} as const;
export type Word = keyof typeof GLOSSARY;

/** How the words are written. */
export const WORD_LABELS: Record<Word, string> = {
  family: 'Family',
  child: 'Child',
  axis: 'Axis, value',
  weave: 'Weave, crossing',
  weaving: 'Weaving',
  level: 'Level',
  own: 'Its own',
  giveBack: 'Give back',
  keepHere: 'Keep it here',
  surcharge: 'Surcharge',
  margin: 'Margin',
  markup: 'Markup',
  scope: 'Holds for',
  shelf: 'Shelf',
  pairing: 'Pairing',
  plan: 'Plan',
  finding: 'Finding',
  dispatch: 'Dispatch',
};
