/** How well a list was read: pairs of rows held together, and axes of families, against the truth. */
import type { ListReading } from '@loom-kin/core/intake';
import type { MessyList } from './messyLists';

export interface Score {
  /** Pairs that are one family and were held together; held together though they are not; parted though they are. */
  right: number;
  joined: number;
  parted: number;
  families: number;
  /** Families whose axes have the right roles. */
  axesRight: number;
  /** Families of which it is known what they and their values are called, and those that are called so. */
  called: number;
  calledRight: number;
}

export const NO_SCORE: Score = {
  right: 0,
  joined: 0,
  parted: 0,
  families: 0,
  axesRight: 0,
  called: 0,
  calledRight: 0,
};

export function scoreOf({ families, singles }: ListReading, truth: Pick<MessyList, 'families' | 'singles'>): Score {
  const found = new Map<number, string>();
  for (const family of families)
    for (const { rows } of family.children) for (const row of rows) found.set(row, family.key);
  singles.forEach(({ rows }, at) => rows.forEach((row) => found.set(row, `single ${at}`)));
  const trueFamily = new Map<number, string>(truth.singles.map((row) => [row, `alone ${row}`]));
  truth.families.forEach(({ rows }, at) => rows.forEach((row) => trueFamily.set(row, `family ${at}`)));
  const score = { ...NO_SCORE };
  const rows = [...trueFamily.keys()];
  rows.forEach((row, at) => {
    for (const other of rows.slice(at + 1)) {
      const isOne = trueFamily.get(row) === trueFamily.get(other);
      const isHeld = found.has(row) && found.get(row) === found.get(other);
      if (isOne && isHeld) score.right += 1;
      else if (isHeld) score.joined += 1;
      else if (isOne) score.parted += 1;
    }
  });
  for (const { name, axes, values, rows: own } of truth.families) {
    const family = families.find((one) => one.children.some((child) => child.rows.includes(own[0]!)));
    const roles = family?.axes.filter(({ values }) => values.length > 1).map(({ role }) => role) ?? [];
    score.families += 1;
    if (roles.sort().join() === [...axes].sort().join()) score.axesRight += 1;
    if (!values) continue;
    score.called += 1;
    const found = [family?.name ?? '', ...(family?.axes.flatMap((axis) => axis.values) ?? [])];
    if (found.sort().join() === [name, ...values].sort().join()) score.calledRight += 1;
  }
  return score;
}

export const addScores = (a: Score, b: Score): Score => ({
  right: a.right + b.right,
  joined: a.joined + b.joined,
  parted: a.parted + b.parted,
  families: a.families + b.families,
  axesRight: a.axesRight + b.axesRight,
  called: a.called + b.called,
  calledRight: a.calledRight + b.calledRight,
});

export function measures({ right, joined, parted, families, axesRight, called, calledRight }: Score) {
  // Where each family is a row there are no pairs, and none can be wrong.
  const share = (wrong: number) => (right + wrong === 0 ? 1 : right / (right + wrong));
  const precision = share(joined);
  const recall = share(parted);
  return {
    precision,
    recall,
    f1: (2 * precision * recall) / (precision + recall || 1),
    axes: axesRight / (families || 1),
    called: called === 0 ? 1 : calledRight / called,
  };
}
