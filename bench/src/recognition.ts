/** How well families are recognised in messy lists. */
import { readList } from '@loom-kin/core/intake';
import type { Registry } from '@loom-kin/core/registry';
import { calledList, CALLED_SHAPES } from '../../e2e/messy/calledLists';
import { addScores, measures, NO_SCORE, scoreOf } from '../../e2e/messy/listScore';
import { houseList, HOUSE_SHAPES } from '../../e2e/messy/houseLists';
import { messyList, SHAPES } from '../../e2e/messy/messyLists';
import { BLANK_BELOW, openColourList, PARTED, UNPARTED } from '../../e2e/messy/openColours';
import { otherList, OTHER_SHAPES } from '../../e2e/messy/otherLists';

/** Lists of each kind that families are recognised in. */
const SEEDS = 20;

/** Pairs of rows rightly held together or apart, and families whose axes have the right roles, for each kind of list. */
export function tellRecognition(registry: Registry): void {
  console.log('\nFamilies recognised in messy lists (pairs of rows; axes and roles)');
  for (const shape of SHAPES) tellScore(registry, shape, (seed) => messyList(shape, seed));
  for (const [what, shapes, listOf] of [
    ['lists of another hand', OTHER_SHAPES, otherList],
    ['lists as houses keep them', HOUSE_SHAPES, houseList],
    ['lists of goods called by colours', CALLED_SHAPES, calledList],
  ] as const) {
    console.log(`The same in ${what}, their colours known or not`);
    for (const shape of Object.keys(shapes))
      for (const isStrange of [false, true])
        tellScore(registry, `${shape}${isStrange ? ', strange' : ''}`, (seed) => listOf(shape, seed, isStrange));
  }
  console.log('The same where colours are called as an open list calls them: none, a third, all of them');
  for (const way of [...Object.keys(PARTED), ...Object.keys(UNPARTED), BLANK_BELOW])
    for (const odd of ODD) tellScore(registry, `${way}, ${odd}`, (seed) => openColourList(way, seed, odd));
}

/** Of all colours this share is drawn from an open list of names. */
const ODD = [0, 0.3, 1];

function tellScore(registry: Registry, kind: string, listOf: (seed: number) => ReturnType<typeof otherList>): void {
  let score = NO_SCORE;
  let rows = 0;
  for (let seed = 9001; seed < 9001 + SEEDS; seed++) {
    const list = listOf(seed);
    rows += list.table.length;
    score = addScores(score, scoreOf(readList(registry, list.table), list));
  }
  const { precision, recall, f1, axes, called } = measures(score);
  const shown = [precision, recall, f1, axes].map((one) => one.toFixed(4));
  const calledSo = score.called > 0 ? ` called ${called.toFixed(4)}` : '';
  console.log(
    `  ${kind.padEnd(22)} precision ${shown[0]} recall ${shown[1]} F1 ${shown[2]} axes ${shown[3]}${calledSo} (${rows} rows)`,
  );
}
