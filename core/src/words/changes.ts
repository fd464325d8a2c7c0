/** What a change changed, in the seller's words, for the journal: place, field, from, to. */
import { FIELDS, fieldOf, showFigure } from '../registry/fields';
import { childLabels, placeLabel } from '../family/weave';
import type { Family, Figures, Place } from '../family/shape';
import type { Command } from '../change/commands';

export interface ChangeLine {
  where: string;
  what: string;
  before: string;
  after: string;
}

/** Every difference between two states of a family, in the order family, values, children. At most `most` lines. */
export function describeChange(before: Family | null, after: Family, most = 200): ChangeLine[] {
  const lines: ChangeLine[] = [];
  const add = (where: string, what: string, from: string, to: string) => {
    if (from !== to && lines.length < most) lines.push({ where, what, before: from, after: to });
  };
  const figures = (family: Family, place: Place, from: Figures, to: Figures) => {
    if (from === to) return;
    for (const { key, label } of FIELDS)
      add(placeLabel(family, place), label, showFigure(fieldOf(key), from[key]), showFigure(fieldOf(key), to[key]));
  };
  const count = (pictures: string[]) => (pictures.length === 0 ? 'none' : `${pictures.length}`);
  const pictures = (where: string, from: string[], to: string[]) => {
    if (from.join() === to.join()) return;
    if (from.length === to.length) add(where, 'Pictures', 'order before', 'new order');
    else add(where, 'Pictures', count(from), count(to));
  };

  figures(after, { level: 'family' }, before?.fields ?? {}, after.fields);
  if (!before)
    add('the family', 'Children', '0', String(Object.values(after.children).filter((child) => child.woven).length));
  else {
    pictures('the family', before.pictures, after.pictures);
    add(
      'the family',
      'Axes',
      before.axes.map((axis) => axis.label).join(' × '),
      after.axes.map((axis) => axis.label).join(' × '),
    );
    add('the family', 'SKU pattern', before.skuPattern, after.skuPattern);
    add('the family', 'State', before.retired ? 'retired' : 'in use', after.retired ? 'retired' : 'in use');
    for (const channel of new Set([...Object.keys(before.wishes), ...Object.keys(after.wishes)])) {
      if (JSON.stringify(before.wishes[channel]) !== JSON.stringify(after.wishes[channel]))
        add('the family', `Wishes for ${channel}`, 'as before', 'changed');
    }
    for (const axis of after.axes) {
      const old = before.axes.find((one) => one.id === axis.id);
      if (!old) continue;
      add(
        'the family',
        `Values of ${axis.label}`,
        old.values.map((value) => value.label).join(', '),
        axis.values.map((value) => value.label).join(', '),
      );
      for (const value of axis.values) {
        const was = old.values.find((one) => one.id === value.id);
        if (!was || was === value) continue;
        const where = `everything ${value.label}`;
        add(where, 'Short code', was.code, value.code);
        add(where, 'Swatch', was.swatch ?? '', value.swatch ?? '');
        figures(after, { level: 'value', axisId: axis.id, valueId: value.id }, was.fields, value.fields);
        pictures(where, was.pictures, value.pictures);
      }
    }
    for (const child of Object.values(after.children)) {
      const was = before.children[child.id];
      if (was === child) continue;
      const where = childLabels(after, child).join(' · ') || 'the only child';
      add(where, 'Crossing', was?.woven ? 'woven' : 'not woven', child.woven ? 'woven' : 'not woven');
      if (!was) continue;
      figures(after, { level: 'child', childId: child.id }, was.fields, child.fields);
      pictures(where, was.pictures, child.pictures);
    }
    for (const child of Object.values(before.children)) {
      if (child.woven && !after.children[child.id])
        add(
          childLabels(before, child).join(' · '),
          'Crossing',
          'woven',
          after.shelf[child.id] ? 'kept on the shelf' : 'gone',
        );
    }
  }
  return lines;
}

/** One line for a command: "Set price on everything XXL". */
export function titleOf(command: Command, family: Family): string {
  const axis = 'axisId' in command ? family.axes.find((one) => one.id === command.axisId) : undefined;
  const value = 'valueId' in command ? axis?.values.find((one) => one.id === command.valueId) : undefined;
  switch (command.do) {
    case 'setFigures': {
      const keys = [...new Set(command.changes.map((change) => fieldOf(change.key)?.label ?? change.key))];
      const what =
        keys.length > 3
          ? `${keys.length} fields`
          : keys.join(', ').toLowerCase().replace('sku', 'SKU').replace('gtin', 'GTIN');
      const places = new Set(command.changes.map((change) => JSON.stringify(change.place)));
      const levels = new Set(command.changes.map((change) => change.place.level));
      const kind = levels.size > 1 ? 'places' : levels.has('child') ? 'children' : 'values';
      const where = places.size === 1 ? placeLabel(family, command.changes[0]!.place) : `${places.size} ${kind}`;
      return `${command.changes.every((change) => change.figure === null) ? 'Give back' : 'Set'} ${what} on ${where}`;
    }
    case 'setPictures':
      return `Place pictures on ${placeLabel(family, command.place)}`;
    case 'addAxis':
      return `Add the axis ${command.label}`;
    case 'renameAxis':
      return `Rename the axis ${axis?.label ?? ''} to ${command.label}`;
    case 'moveAxis':
      return `Move the axis ${axis?.label ?? ''}`;
    case 'removeAxis':
      return `Remove the axis ${axis?.label ?? ''}`;
    case 'addValues':
      return `Add ${command.values.map((one) => one.label).join(', ')} to ${axis?.label ?? 'an axis'}`;
    case 'editValue':
      return command.label && command.label !== value?.label
        ? `Rename ${value?.label ?? ''} to ${command.label}`
        : `Change ${value?.label ?? 'a value'}`;
    case 'orderValues':
      return `Reorder ${axis?.label ?? 'values'}`;
    case 'removeValues':
      return `Remove ${command.valueIds.map((id) => axis?.values.find((one) => one.id === id)?.label).join(', ')} from ${axis?.label ?? 'an axis'}`;
    case 'setWoven':
      return `${command.woven ? 'Weave' : 'Take out'} ${command.crossings.length} crossing${command.crossings.length === 1 ? '' : 's'}`;
    case 'setWish':
      return `Change the wishes for ${command.channel}`;
    case 'setSkuPattern':
      return 'Change the SKU pattern';
    case 'retireFamily':
      return command.retired ? 'Retire the family' : 'Bring the family back';
    case 'batch':
      return command.title;
  }
}
