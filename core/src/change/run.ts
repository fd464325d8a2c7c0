/**
 * Running commands: a family and a command in, the changed family and its patches out. Pure: the same on the server
 * and in the browser.
 */
import { enablePatches, freeze, produceWithPatches } from 'immer';
import { checkFigure, fieldOf, showFigure } from '../registry/fields';
import { mayStand } from '../family/level';
import { takeId } from '../family/takeId';
import * as shape from '../axes/restructure';
import { weaver } from '../axes/shelf';
import { allCrossings, axisOf, childOf, crossingKey, placeLabel, valueOf } from '../family/weave';
import { Refusal, type Child, type Family, type Figures, type Place } from '../family/shape';
import { gtin14 } from '../identifiers/gtin';
import { unknownMarks, usualPattern } from '../identifiers/sku';
import type { Command, CreateFamily, SingleCommand } from './commands';
import { toJsonPatch, type JsonPatch } from './patch';

enablePatches();

export interface Changed {
  family: Family;
  /** RFC 6902: the family before → after. Empty when the command changed nothing. */
  forward: JsonPatch;
  /** RFC 6902: after → before, but for `next`, which never goes back. */
  inverse: JsonPatch;
}

/**
 * Runs a command. Throws a Refusal, with nothing changed, when it cannot be done. The revision is raised by one when
 * anything changed.
 */
export function runCommand(family: Family, command: Command): Changed {
  const [after, forward, inverse] = produceWithPatches(family, (draft) => {
    for (const one of command.do === 'batch' ? command.commands : [command]) apply(draft as Family, one);
  });
  checkIdentifiers(after);
  const patches = toJsonPatch(forward);
  if (patches.length === 0) return { family, forward: [], inverse: [] };
  return {
    family: freeze({ ...after, revision: family.revision + 1 }, true),
    forward: patches,
    inverse: toJsonPatch(inverse).filter((step) => step.path !== '/next'),
  };
}

/** A new family at revision 1, every crossing woven but those in `off`. */
export function createFamily(spec: CreateFamily): Family {
  const family: Family = {
    id: spec.id,
    revision: 1,
    next: 1,
    fields: {},
    pictures: [],
    axes: [],
    children: {},
    shelf: {},
    skuPattern: spec.skuPattern || usualPattern(spec.axes.map((axis) => axis.label)),
    wishes: {},
    retired: false,
  };
  setFields(family.fields, { level: 'family' }, spec.fields);
  const name = String(family.fields.name ?? '').trim();
  if (name === '') throw new Refusal('family.no-name', 'A family needs a name.', { level: 'family', key: 'name' });
  for (const axis of spec.axes) {
    if (family.axes.some((one) => one.label.toLowerCase() === axis.label.toLowerCase()))
      throw new Refusal('axis.twice', `There are two axes ${axis.label}.`);
    const made = {
      id: takeId(family, 'a'),
      role: axis.role,
      label: axis.label,
      values: shape.makeValues(family, axis.values, []),
    };
    shape.sortIfSizes(made);
    family.axes.push(made);
  }
  const crossings = allCrossings(family.axes);
  if (crossings.length > 20_000)
    throw new Refusal('family.too-large', `These axes make ${crossings.length} crossings; 20,000 fit into one family.`);
  const off = new Set(spec.off.map((labels) => labels.map((label) => label.toLowerCase()).join('|')));
  for (const at of crossings) {
    const labels = family.axes.map((axis) => valueOf(axis, at[axis.id]!).label.toLowerCase()).join('|');
    const id = takeId(family, 'c');
    family.children[id] = { id, at, woven: !off.has(labels), fields: {}, pictures: [] };
  }
  return freeze(family, true);
}

function apply(family: Family, command: SingleCommand): void {
  switch (command.do) {
    case 'setFigures':
      for (const change of command.changes) setFigure(family, change.place, change.key, change.figure);
      return;
    case 'setPictures':
      assign(carrier(family, command.place), 'pictures', [...new Set(command.pictures)]);
      return;
    case 'addAxis':
      return keepUsualPattern(family, () => shape.addAxis(family, command));
    case 'renameAxis':
      return renameEverywhere(family, command.axisId, command.label, () =>
        shape.renameAxis(family, command.axisId, command.label, command.role),
      );
    case 'moveAxis':
      return shape.moveAxis(family, command.axisId, command.to);
    case 'removeAxis':
      return keepUsualPattern(family, () => shape.removeAxis(family, command.axisId, command.keep));
    case 'addValues':
      return shape.addValues(family, command.axisId, command.values);
    case 'editValue':
      return shape.editValue(family, command.axisId, command.valueId, command);
    case 'orderValues': {
      const axis = axisOf(family, command.axisId);
      const wanted = command.valueIds.map((id) => valueOf(axis, id));
      const ordered = [...wanted, ...axis.values.filter((value) => !command.valueIds.includes(value.id))];
      if (ordered.some((value, at) => value.id !== axis.values[at]!.id)) axis.values = ordered;
      return;
    }
    case 'removeValues':
      return shape.removeValues(family, command.axisId, command.valueIds);
    case 'setWoven':
      return setWoven(family, command.crossings, command.woven);
    case 'setWish':
      for (const id of command.wish.leaveOut) childOf(family, id);
      assign(family.wishes, command.channel, command.wish);
      return;
    case 'setSkuPattern': {
      const unknown = unknownMarks(family, command.pattern);
      if (unknown.length > 0)
        throw new Refusal('sku.pattern', `The pattern has {${unknown[0]}}, which this family does not have.`);
      family.skuPattern = command.pattern;
      return;
    }
    case 'retireFamily':
      family.retired = command.retired;
  }
}

/** Sets what differs: the same list again is no change, and stands in no journal. */
function assign<T extends object, K extends keyof T>(to: T, key: K, wanted: T[K]): void {
  if (JSON.stringify(to[key]) !== JSON.stringify(wanted)) to[key] = wanted;
}

/** A pattern of the style and every axis stays one when axes come and go. One of the seller's own is left alone. */
function keepUsualPattern(family: Family, change: () => void): void {
  const usual = () => usualPattern(family.axes.map((axis) => axis.label));
  const was = family.skuPattern === usual();
  change();
  if (was) family.skuPattern = usual();
}

/** A pattern that names the axis goes on naming it. */
function renameEverywhere(family: Family, axisId: string, label: string, rename: () => void): void {
  const mark = (text: string) => usualPattern([text]).slice('{style}-'.length);
  const before = mark(axisOf(family, axisId).label);
  rename();
  family.skuPattern = family.skuPattern.replaceAll(before, mark(label));
}

function setWoven(family: Family, crossings: Record<string, string>[], woven: boolean): void {
  const places = crossings.map((at) =>
    Object.fromEntries(family.axes.map((axis) => [axis.id, valueOf(axis, at[axis.id] ?? '').id])),
  );
  if (woven) {
    const weave = weaver(family);
    for (const at of places) weave(at);
    return;
  }
  const there = new Map(Object.values(family.children).map((child) => [crossingKey(family.axes, child.at), child]));
  for (const at of places) {
    const child = there.get(crossingKey(family.axes, at));
    if (child) child.woven = false;
  }
}

/** The thing at a place that holds figures and pictures. */
function carrier(family: Family, place: Place): { fields: Figures; pictures: string[] } {
  if (place.level === 'family') return family;
  if (place.level === 'value') return valueOf(axisOf(family, place.axisId), place.valueId);
  return childOf(family, place.childId);
}

function setFigure(family: Family, place: Place, key: string, figure: Figures[string] | null): void {
  setFields(carrier(family, place).fields, place, { [key]: figure });
}

function setFields(fields: Figures, place: Place, figures: Record<string, Figures[string] | null>): void {
  for (const [key, figure] of Object.entries(figures)) {
    const field = fieldOf(key);
    if (!field) throw new Refusal('field.unknown', `There is no field "${key}".`, { ...place, key });
    if (!mayStand(place, key))
      throw new Refusal(
        'field.level',
        `${field.label} cannot stand on ${place.level === 'child' ? 'a child' : `the ${place.level}`}.`,
        { ...place, key },
      );
    if (figure === null) {
      if (key === 'name') throw new Refusal('family.no-name', 'A family needs a name.', { ...place, key });
      delete fields[key];
      continue;
    }
    const read = checkFigure(field, figure);
    if (!read.ok) throw new Refusal('field.wrong', read.message, { ...place, key });
    if (read.figure === null) delete fields[key];
    else assign(fields, key, read.figure);
  }
}

/** SKUs and GTINs are unique within the family, and a SKU on the shelf stays taken. */
export function checkIdentifiers(family: Family): void {
  const everyone = [...Object.values(family.children), ...Object.values(family.shelf).map((one) => one.child)];
  unique(family, everyone, 'sku', (text) => text.toUpperCase());
  unique(family, everyone, 'gtin', gtin14);
}

function unique(family: Family, children: Child[], key: 'sku' | 'gtin', same: (text: string) => string): void {
  const first = new Map<string, Child>();
  for (const child of children) {
    const figure = child.fields[key];
    if (typeof figure !== 'string') continue;
    const twin = first.get(same(figure));
    if (twin) {
      const name = showFigure(fieldOf(key), figure);
      const owner = placeLabel(family, { level: 'child', childId: twin.id });
      throw new Refusal(
        `${key}.twice`,
        `${fieldOf(key)!.label} ${name} belongs to ${owner} already. Each child has its own.`,
        { level: 'child', childId: child.id, key },
      );
    }
    first.set(same(figure), child);
  }
}
