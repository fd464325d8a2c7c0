/** What is said of a list: why rows belong together, what is in doubt, what could not be read. */
import { ownOf } from '../text/own';
import type { Bond, Doubt, ListFamily, ListProblem, Mended } from './families/shape';
import type { RegistryParts } from '../export/registryUsed';
import { count, listed } from '../text/counts';

const BONDS: { [B in Bond['by']]: (bond: Extract<Bond, { by: B }>) => string } = {
  name: ({ name }) => `their names are all "${name}" without the options`,
  style: ({ code }) => `they have one style code, ${code}`,
  parent: ({ ref }) => `they name one parent, ${ref}`,
  across: () => 'its sizes go across the columns',
  blank: () => 'they stand below one name',
  seller: () => 'you put them together',
};

/** Why the rows of a family are one: "34 rows: their names are all "Storm jacket" without the options. They differ by Colour (4) and Size (6)." */
export function whyText({ bonds, axes, children }: ListFamily): string {
  const rows = new Set(children.flatMap((child) => child.rows)).size;
  const reasons = bonds.map((bond) => (BONDS[bond.by] as (one: Bond) => string)(bond));
  const differ = listed(axes.filter(hasSeveral).map(({ label, values }) => `${label} (${values.length})`));
  const alike = axes.filter((axis) => !hasSeveral(axis)).map(({ values }) => values[0]!);
  const all = alike.length > 0 ? `; all are ${listed(alike)}` : '';
  const why = reasons.length > 0 ? `: ${listed(reasons)}` : '';
  return `${rows} ${rows === 1 ? 'row' : 'rows'}${why}. ${children.length} children differ by ${differ}${all}.`;
}
const hasSeveral = ({ values }: ListFamily['axes'][number]): boolean => values.length > 1;

const DOUBTS: Record<Doubt['code'], (text: string) => string> = {
  unknownWord: (text) => `"${text}" is taken for an option, since it stands where others have one.`,
  sizeIsDay: (text) => `Its size reads "${text}": a spreadsheet made a day of it, and which size it was is not sure.`,
  looksAlike: (text) => `Its name is the same, but it has not the same options (${text}): it is kept apart.`,
};
export const doubtText = ({ code, text }: Doubt): string => DOUBTS[code](text);

/** An axis that a list brings to a family that is there. */
export const axisAddedText = (label: string, taken: string): string =>
  `${label} comes to it; the children that are there are ${taken}.`;

const PROBLEMS: Record<string, (problem: ListProblem) => string> = {
  'column.twice': ({ column }) =>
    `There is more than one column ${column}: the first that fits is used. Say in the columns which it is.`,
  'list.no-rows': () =>
    'There is no row of goods in this list. Is its header in another row, or the table on another sheet?',
  'list.no-name': () =>
    'No column says what the goods are called. Families are found by codes alone: choose the column with the name if there is one.',
  'cell.open-mark': ({ column }) =>
    `${column} begins with a quotation mark that is not closed: the line is read as it stands. Look whether the cells after it are right.`,
  'child.twice': ({ text }) =>
    `It stands where row ${text} stands, and says something else. The figures of row ${text} hold.`,
  'sku.twice': numberTwice,
  'gtin.twice': numberTwice,
  'size.date': ({ text }) => {
    const [day, ...sizes] = text.split('\n');
    const which = sizes.length > 0 ? `it was ${sizes.join(' or ')}` : 'which size it was cannot be told';
    return `"${day}" is a day: a spreadsheet made it of a size, and ${which}. Write the size, in a column that is formatted as text.`;
  },
  'row.several': ({ text }) => {
    const [count, ...said] = text.split(' ');
    return `"${said.join(' ')}" stands in a row of ${count} children and is none of theirs alone: it is left out.`;
  },
};
function numberTwice({ text, column }: ListProblem): string {
  return `${column} is the same as in row ${text}. Each number belongs to one child: give this row its own.`;
}
const MENDED: Record<Mended['code'], (mended: Mended) => string> = {
  'gtin.lost-zero': ({ from, to }) => `${from} had lost a zero; its check digit proves ${to}.`,
  'size.date': ({ from, to }) => `a spreadsheet had made the day "${from}" of the size ${to}.`,
};
/** What a cell was mended from, and why it could be. */
export const mendedText = (mended: Mended): string => MENDED[mended.code](mended);

/** What a problem of a list says; those of cells bring their sentence along. */
export const listProblemText = (problem: ListProblem): string =>
  ownOf(PROBLEMS, problem.code)?.(problem) ?? problem.text;

const PARTS: { [P in keyof RegistryParts]-?: [one: string, many: string] } = {
  categories: ['category', 'categories'],
  facts: ['fact', 'facts'],
  taxCodes: ['tax code', 'tax codes'],
  terms: ['term', 'terms'],
  sizeCharts: ['size chart', 'size charts'],
  locations: ['place', 'places'],
};

/** "12 categories and 2 size charts that are not here yet are added with them." */
export function bringsText(parts: RegistryParts): string {
  const counts = Object.entries(PARTS).flatMap(([part, [one, many]]) => {
    const number = Object.keys(parts[part as keyof RegistryParts] ?? {}).length;
    return number > 0 ? [count(number, one, many)] : [];
  });
  return `${listed(counts)} that are not here yet are added with them.`;
}

export const picturesMissingText = (number: number): string =>
  `${count(number, 'picture is', 'pictures are')} not here and left out. Take the Data Package of the same catalogue in under Pictures first, then read this file again.`;

export const accountsMissingText = (ids: readonly string[]): string =>
  `What it says for ${listed(ids)} is kept, but shows nowhere: there is no such account here.`;

/** @param why the sentence of the refusal */
export const partsRefusedText = (why: string): string =>
  `The categories, facts and the like of this file cannot be added: ${why} Families that need them are refused below; put that right, then read this file again.`;

/** Of a figure that a family has once, where its rows say several things: the first is taken. */
export const rowsDifferText = (taken: string, other: string): string =>
  `its rows say "${taken}" and "${other}". A family has one: "${taken}" is taken.`;
