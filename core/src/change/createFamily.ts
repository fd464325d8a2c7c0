/** Starting a family. */
import { freeze } from 'immer';
import { makeAxis } from '../axes/axes';
import { crossingsOf, requireSize } from '../axes/weaving';
import { foldLabel } from '../family/foldLabel';
import type { Child, Family, Figures } from '../family/shape';
import { takeId } from '../family/takeId';
import { allCrossings, familyIndex } from '../family/weave';
import { familyPattern } from '../identifiers/housePattern';
import { Refusal } from '../refusal/refusal';
import type { Registry } from '../registry/openRegistry';
import { EVERYWHERE } from '../family/scope';
import { checkIdentifiers } from './checkIdentifiers';
import { checkedFigure } from './setFigures';
import type { CreateFamily } from './commands';

/** What labels of a crossing are compared by, in axis order. */
const labelsKey = (labels: readonly string[]) => JSON.stringify(labels.map(foldLabel));

/** A new family at revision 1, every crossing woven but those in `off`. */
export function createFamily(registry: Registry, spec: CreateFamily): Family {
  requireSize(crossingsOf(spec.axes.map((axis) => axis.values.length)));
  const family = begun(registry, spec);
  const off = new Set(spec.off.map(labelsKey));
  const labelOf = new Map(family.axes.flatMap((axis) => axis.values.map((value) => [value.id, value.label] as const)));
  for (const at of allCrossings(family.axes)) {
    const woven = !off.has(labelsKey(family.axes.map((axis) => labelOf.get(at[axis.id]!)!)));
    const id = takeId(family, 'c');
    family.children[id] = { id, at, woven, fields: {}, pictures: [] };
  }
  return freeze(family, true);
}

/** A child of a new family: the labels of its values in the order of the axes, and its figures, as a field's reader gives them. */
export interface NewChild {
  labels: readonly string[];
  fields: Figures;
}

/**
 * A new family at revision 1 with these children alone, however many crossings its axes have. Throws a Refusal where a label is not on
 * its axis, or two children have one number.
 */
export function createWoven(
  registry: Registry,
  spec: Omit<CreateFamily, 'off'>,
  children: readonly NewChild[],
): Family {
  requireSize(children.length);
  const family = begun(registry, spec);
  const { valueCalled } = familyIndex(family);
  for (const { labels, fields } of children) {
    const at: Child['at'] = {};
    family.axes.forEach((axis, place) => {
      const value = valueCalled(axis.id, labels[place] ?? '');
      if (!value) throw new Refusal('value.unknown', { label: axis.label });
      at[axis.id] = value.id;
    });
    const id = takeId(family, 'c');
    family.children[id] = { id, at, woven: true, fields, pictures: [] };
  }
  checkIdentifiers(registry, family, null);
  return freeze(family, true);
}

function begun(registry: Registry, spec: Omit<CreateFamily, 'off'>): Family {
  const family: Family = {
    id: spec.id,
    revision: 1,
    next: 1,
    fields: firstFields(registry, spec),
    pictures: [],
    axes: [],
    children: {},
    shelf: {},
    skuPattern: spec.skuPattern || familyPattern(registry.data.skuPattern, axisLabels(spec)),
    wishes: {},
    retired: false,
  };
  for (const axis of spec.axes) family.axes.push(makeAxis(registry, family, axis));
  return family;
}

const axisLabels = ({ axes }: Pick<CreateFamily, 'axes'>) => axes.map((axis) => axis.label);

function firstFields(registry: Registry, spec: Omit<CreateFamily, 'off'>): Family['fields'] {
  const place = { level: 'family' } as const;
  const fields: Family['fields'] = {};
  for (const [key, figure] of Object.entries(spec.fields)) {
    const checked = checkedFigure(registry, place, key, figure, EVERYWHERE);
    if (checked !== null) fields[key] = checked;
  }
  if (fields.name === undefined) throw new Refusal('family.no-name', {}, { place: { ...place, key: 'name' } });
  return fields;
}
