/**
 * Running commands: a family and a command in, the changed family and its patches out. Pure: the same on the server
 * and in the browser.
 */
import { freeze } from 'immer';
import { addAxis, moveAxis, removeAxis, renameAxis } from '../axes/axes';
import { addValuesLike } from '../axes/likeValues';
import { joinAxes } from '../axes/joinAxes';
import { keepAsBefore, standingsOf } from '../axes/keepAsBefore';
import { mergeValues } from '../axes/mergeValues';
import { splitAxis } from '../axes/splitAxis';
import { addValues, editValue, orderValues, removeValues } from '../axes/values';
import { setWoven } from '../axes/weaving';
import { draftOf } from '../family/draft';
import { MOST, type Family, type Wish } from '../family/shape';
import { axisOf, childOf } from '../family/weave';
import { patternAfter } from '../identifiers/housePattern';
import { renamedMark, unknownMarks } from '../identifiers/skuPattern';
import { Refusal } from '../refusal/refusal';
import type { Registry } from '../registry/openRegistry';
import { checkIdentifiers } from './checkIdentifiers';
import { describePicture, replacePicture } from '../pictures/notes';
import { setFigure, setPictures } from './setFigures';
import { byKind, type ByKind } from '../text/byKind';
import { difference, type Difference } from '../difference/difference';
import type { Command, SingleCommand } from './commands';

/** A changed family and how it differs from before; `next` never goes back. */
export interface Changed extends Difference {
  family: Family;
}

/**
 * Runs a command. Throws a Refusal, with nothing changed, when it cannot be done. The revision is raised by one when
 * anything changed; else the very same family comes back with empty patches.
 */
export function runCommand(registry: Registry, family: Family, command: Command): Changed {
  const draft = draftOf(family);
  for (const one of command.do === 'batch' ? command.commands : [command]) {
    if (STRUCTURE.has(one.do)) applyToStructure(registry, draft, one);
    else apply(registry, draft, one);
  }
  checkIdentifiers(registry, draft, family);
  return changedFrom(family, draft);
}

/** A draft made into the family's next state. */
export function changedFrom(before: Family, draft: Family): Changed {
  const { forward, inverse } = difference(before, draft);
  if (forward.length === 0) return { family: before, forward, inverse };
  return {
    family: freeze({ ...draft, revision: before.revision + 1 }, true),
    forward,
    inverse: inverse.filter((step) => step.path !== '/next'),
  };
}

/** Changes of what children stand on. What holds for each of them is the same afterwards. */
const STRUCTURE: ReadonlySet<SingleCommand['do']> = new Set([
  ...(['addAxis', 'moveAxis', 'removeAxis', 'joinAxes', 'splitAxis'] as const),
  ...(['mergeValues', 'addValues', 'removeValues'] as const),
]);

/** Whether a command changes what children stand on. */
export const isStructural = (command: Command): boolean =>
  command.do === 'batch' ? command.commands.some((one) => STRUCTURE.has(one.do)) : STRUCTURE.has(command.do);

function applyToStructure(registry: Registry, draft: Family, command: SingleCommand): void {
  const befores = standingsOf(Object.freeze(draftOf(draft)));
  apply(registry, draft, command);
  keepAsBefore(registry, draft, befores, true);
}

/** What a command does to a draft. */
const APPLY: ByKind<SingleCommand, 'do', void, [Registry, Family]> = {
  setFigures: ({ changes }, registry, family) => changes.forEach((change) => setFigure(registry, family, change)),
  setPictures: ({ place, pictures, scope }, _registry, family) => setPictures(family, place, pictures, scope),
  describePictures: ({ notes }, _registry, family) => notes.forEach((note) => describePicture(family, note)),
  replacePicture: ({ from, to }, _registry, family) => replacePicture(family, from, to),
  addAxis: (command, registry, family) => keepPattern(registry, family, () => addAxis(registry, family, command)),
  renameAxis: ({ axisId, label, role }, _registry, family) =>
    renameInPattern(family, axisId, label, () => renameAxis(family, axisId, label, role)),
  moveAxis: ({ axisId, to }, _registry, family) => moveAxis(family, axisId, to),
  removeAxis: ({ axisId, keep }, registry, family) =>
    keepPattern(registry, family, () => removeAxis(family, axisId, keep)),
  joinAxes: (command, registry, family) => keepPattern(registry, family, () => joinAxes(registry, family, command)),
  splitAxis: (command, registry, family) => keepPattern(registry, family, () => splitAxis(registry, family, command)),
  mergeValues: ({ axisId, from, into, keep }, _registry, family) => mergeValues(family, axisId, from, into, keep),
  addValues: ({ axisId, values, weave, like }, registry, family) =>
    like === undefined
      ? addValues(registry, family, axisId, values, weave)
      : addValuesLike(registry, family, axisId, values, like),
  editValue: (command, _registry, family) => editValue(family, command.axisId, command.valueId, command),
  orderValues: ({ axisId, valueIds }, _registry, family) => orderValues(family, axisId, valueIds),
  removeValues: ({ axisId, valueIds }, _registry, family) => removeValues(family, axisId, valueIds),
  setWoven: ({ crossings, woven }, _registry, family) => setWoven(family, crossings, woven),
  setWish: ({ account, wish }, _registry, family) => setWish(family, account, wish),
  setSkuPattern: ({ pattern }, _registry, family) => setSkuPattern(family, pattern),
  settleSame: ({ signatures, settled }, _registry, family) => settleSame(family, signatures, settled),
  retireFamily({ retired }, _registry, family) {
    family.retired = retired;
  },
};

const apply = (registry: Registry, draft: Family, command: SingleCommand): void =>
  byKind(APPLY, 'do', command, registry, draft);

function setWish(family: Family, account: string, wish: Wish): void {
  // One on the shelf comes back to what was wished for it.
  for (const id of [...wish.leaveOut, ...Object.keys(wish.entries ?? {})]) if (!family.shelf[id]) childOf(family, id);
  family.wishes[account] = wish;
}

/** Most that is kept as right; the oldest goes. */
const SETTLED = 500;

function settleSame(family: Family, signatures: readonly string[], settled: boolean): void {
  const others = (family.settled ?? []).filter((one) => !signatures.includes(one));
  family.settled = settled ? [...others, ...signatures].slice(-SETTLED) : others;
}

function setSkuPattern(family: Family, pattern: string): void {
  const [unknown] = unknownMarks(family, pattern);
  if (unknown !== undefined) throw new Refusal('sku.pattern', { mark: unknown });
  putSkuPattern(family, pattern);
}

function putSkuPattern(family: Family, pattern: string): void {
  if (pattern.length > MOST.pattern) throw new Refusal('sku.pattern-long', { most: MOST.pattern });
  family.skuPattern = pattern;
}

/** Axes come and go, and the pattern goes with them. */
function keepPattern(registry: Registry, family: Family, change: () => void): void {
  const labels = () => family.axes.map((axis) => axis.label);
  const before = labels();
  change();
  family.skuPattern = patternAfter(registry.data.skuPattern, family.skuPattern, before, labels());
}

/** A pattern that names the axis goes on naming it. */
function renameInPattern(family: Family, axisId: string, label: string, rename: () => void): void {
  const { label: before } = axisOf(family, axisId);
  rename();
  putSkuPattern(family, renamedMark(family.skuPattern, before, label));
}
