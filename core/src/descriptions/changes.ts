/** What a change changed, in the seller's words, for the journal: place, field, from, to. */
import { dequal } from 'dequal';
import type { Command } from '../change/commands';
import { EVERYWHERE, figuresIn, scopeName, type Scope } from '../family/scope';
import type { Axis, Carrier, Child, Family, Figures, PictureNote, Value } from '../family/shape';
import type { Place } from '../place/place';
import { childLabels, placeLabel } from '../family/weave';
import { ANGLE_LABELS, isAngle } from '../pictures/angles';
import { showFigure } from '../registry/figures';
import type { Registry } from '../registry/openRegistry';
import { byKind, type ByKind } from '../text/byKind';
import { children, count } from '../text/counts';

export interface ChangeLine {
  where: string;
  what: string;
  before: string;
  after: string;
}

/** What the words are made with: the registry, and how accounts are called. */
export interface Namer {
  registry: Registry;
  account(id: string): string;
}

/** Most lines that are kept of one change. */
const LINES = 200;

/** The differences between two states of a family, in the order family, values, children. At most `most` lines. */
export function describeChange(namer: Namer, before: Family | null, after: Family, most = LINES): ChangeLine[] {
  const lines = before ? differences(namer, before, after) : beginnings(namer, after);
  const first: ChangeLine[] = [];
  for (const line of lines) {
    if (line.before === line.after) continue;
    if (first.push(line) >= most) break;
  }
  return first;
}

const settledText = ({ settled = [] }: Family): string =>
  settled.length === 0 ? 'nothing' : count(settled.length, 'likeness', 'likenesses');

function* beginnings(namer: Namer, family: Family): Iterable<ChangeLine> {
  yield* carrierLines(namer, 'the family', { fields: {}, pictures: [] }, family);
  const woven = Object.values(family.children).filter((child) => child.woven).length;
  yield { where: 'the family', what: 'Children', before: '0', after: String(woven) };
}

function* differences(namer: Namer, before: Family, after: Family): Iterable<ChangeLine> {
  const family = 'the family';
  yield* carrierLines(namer, family, before, after);
  yield { where: family, what: 'Axes', before: axesText(before), after: axesText(after) };
  yield { where: family, what: 'SKU pattern', before: before.skuPattern, after: after.skuPattern };
  yield { where: family, what: 'Called right', before: settledText(before), after: settledText(after) };
  yield { where: family, what: 'State', before: stateText(before), after: stateText(after) };
  yield* noteLines(namer, before, after);
  for (const account of new Set([...Object.keys(before.wishes), ...Object.keys(after.wishes)])) {
    if (dequal(before.wishes[account], after.wishes[account])) continue;
    yield { where: family, what: `Wishes for ${namer.account(account)}`, before: 'as before', after: 'changed' };
  }
  for (const axis of after.axes) {
    const was = before.axes.find((one) => one.id === axis.id);
    if (was && was !== axis) yield* axisLines(namer, was, axis);
  }
  for (const child of Object.values(after.children)) {
    const was = before.children[child.id];
    if (was !== child) yield* childLines(namer, after, was, child);
  }
  for (const child of Object.values(before.children)) {
    if (!child.woven || after.children[child.id]) continue;
    const where = childLabels(before, child).join(' · ');
    yield { where, what: 'Crossing', before: 'woven', after: after.shelf[child.id] ? 'kept on the shelf' : 'gone' };
  }
}

/** Texts and angles of pictures that differ. */
function* noteLines(namer: Namer, before: Family, after: Family): Iterable<ChangeLine> {
  const [was, now] = [before.pictureNotes ?? {}, after.pictureNotes ?? {}];
  for (const id of new Set([...Object.keys(was), ...Object.keys(now)])) {
    const where = 'a picture';
    const angle = (note: PictureNote | undefined) =>
      note?.angle && isAngle(note.angle) ? ANGLE_LABELS[note.angle] : '';
    yield { where, what: 'Angle', before: angle(was[id]), after: angle(now[id]) };
    const languages = new Set([...Object.keys(was[id]?.texts ?? {}), ...Object.keys(now[id]?.texts ?? {})]);
    for (const language of languages) {
      const what = `Text in its stead${scopeText(namer, `language:${language}`)}`;
      yield { where, what, before: was[id]?.texts?.[language] ?? '', after: now[id]?.texts?.[language] ?? '' };
    }
  }
}

const axesText = (family: Family) => family.axes.map((axis) => axis.label).join(' × ');
const stateText = (family: Family) => (family.retired ? 'retired' : 'in use');

function* axisLines(namer: Namer, was: Axis, axis: Axis): Iterable<ChangeLine> {
  const labels = (one: Axis) => one.values.map((value) => value.label).join(', ');
  yield { where: 'the family', what: `Values of ${axis.label}`, before: labels(was), after: labels(axis) };
  const before = new Map(was.values.map((value) => [value.id, value]));
  for (const value of axis.values) {
    const old = before.get(value.id);
    if (old && old !== value) yield* valueLines(namer, old, value);
  }
}

function* valueLines(namer: Namer, was: Value, value: Value): Iterable<ChangeLine> {
  const where = `everything ${value.label}`;
  yield { where, what: 'Short code', before: was.code, after: value.code };
  yield { where, what: 'Swatch', before: was.swatch ?? '', after: value.swatch ?? '' };
  yield* carrierLines(namer, where, was, value);
}

function* childLines(namer: Namer, family: Family, was: Child | undefined, child: Child): Iterable<ChangeLine> {
  const where = childLabels(family, child).join(' · ') || 'the only child';
  const woven = (one: Child | undefined) => (one?.woven ? 'woven' : 'not woven');
  yield { where, what: 'Crossing', before: woven(was), after: woven(child) };
  if (was) yield* carrierLines(namer, where, was, child);
}

/** Figures and pictures of one place that differ, in all scopes. */
function* carrierLines(namer: Namer, where: string, was: Carrier, now: Carrier): Iterable<ChangeLine> {
  const scopes = new Set([EVERYWHERE, ...Object.keys(was.scoped ?? {}), ...Object.keys(now.scoped ?? {})]);
  for (const scope of scopes) yield* figureLines(namer, where, scope, figuresIn(was, scope), figuresIn(now, scope));
  if (was.pictures !== now.pictures) yield { where, what: 'Pictures', ...picturesText(was.pictures, now.pictures) };
}

function* figureLines(namer: Namer, where: string, scope: Scope, was: Figures, now: Figures): Iterable<ChangeLine> {
  if (was === now) return;
  const { registry } = namer;
  const fields = new Set([...registry.fields.map((field) => field.key), ...Object.keys(was), ...Object.keys(now)]);
  for (const key of fields) {
    if (was[key] === now[key]) continue;
    const field = registry.field(key);
    const what = `${field?.label ?? key}${scopeText(namer, scope)}`;
    if (key === 'pictures') yield { where, what, ...picturesText(listOf(was[key]), listOf(now[key])) };
    else
      yield {
        where,
        what,
        before: showFigure(registry, field, was[key]),
        after: showFigure(registry, field, now[key]),
      };
  }
}

/** " in de", " on Fernpost"; nothing for everywhere. */
export function scopeText(namer: Namer, scope: Scope): string {
  const { kind, name } = scopeName(scope);
  if (kind === 'everywhere') return '';
  return kind === 'language' ? ` in ${name}` : ` on ${namer.account(name)}`;
}

const listOf = (figure: unknown): string[] => (Array.isArray(figure) ? (figure as string[]) : []);

function picturesText(was: readonly string[], now: readonly string[]): { before: string; after: string } {
  if (was.join() === now.join()) return { before: '', after: '' };
  if (was.length === now.length)
    return {
      before: 'as before',
      after: [...was].sort().join() === [...now].sort().join() ? 'another order' : 'others',
    };
  const text = (ids: readonly string[]) => (ids.length === 0 ? 'none' : String(ids.length));
  return { before: text(was), after: text(now) };
}

/** What titles of commands are made with. */
interface TitleContext {
  namer: Namer;
  family: Family;
  /** What the axis that a command is about is called, or what stands instead. */
  axisName(instead: string): string;
  axis: Axis | undefined;
  valueName(id: string): string;
}

const TITLES: ByKind<Command, 'do', string, [TitleContext]> = {
  setFigures: ({ changes }, { namer, family }) => figuresTitle(namer, changes, family),
  setPictures: ({ place, scope }, { namer, family }) =>
    `Place pictures on ${placeLabel(family, place)}${scopeText(namer, scope ?? EVERYWHERE)}`,
  describePictures: ({ notes }) =>
    notes.length === 1 ? 'Describe a picture' : `Describe ${count(notes.length, 'picture')}`,
  replacePicture: () => 'Change a picture',
  addAxis: ({ label }) => `Add the axis ${label}`,
  renameAxis: ({ label }, { axisName }) => `Rename the axis ${axisName('')} to ${label}`,
  moveAxis: (_command, { axisName }) => `Move the axis ${axisName('')}`,
  removeAxis: (_command, { axisName }) => `Remove the axis ${axisName('')}`,
  joinAxes: ({ axisIds, label }, { family }) => {
    const labels = axisIds.map((id) => family.axes.find((one) => one.id === id)?.label ?? '');
    return `Join ${labels.join(' and ')} into ${label}`;
  },
  splitAxis: ({ into }, { axisName }) =>
    `Split ${axisName('an axis')} into ${into.map(({ label }) => label).join(' and ')}`,
  mergeValues: ({ from, into }, { valueName }) => `Merge ${someOf(from.map(valueName))} into ${valueName(into)}`,
  addValues: ({ values, like }, { axis, axisName }) =>
    `Add ${someOf(values.map((one) => one.label))} to ${axisName('an axis')}${likeText(axis, like)}`,
  editValue: ({ label, valueId }, { valueName }) => {
    const before = valueName(valueId);
    return label && label !== before ? `Rename ${before} to ${label}` : `Change ${before || 'a value'}`;
  },
  orderValues: (_command, { axisName }) => `Reorder ${axisName('values')}`,
  removeValues: ({ valueIds }, { axisName, valueName }) =>
    `Remove ${someOf(valueIds.map(valueName))} from ${axisName('an axis')}`,
  setWoven: ({ woven, crossings }) => `${woven ? 'Weave' : 'Take out'} ${count(crossings.length, 'crossing')}`,
  setWish: ({ account }, { namer }) => `Change the wishes for ${namer.account(account)}`,
  setSkuPattern: () => 'Change the SKU pattern',
  settleSame: ({ settled }) => (settled ? 'Call right what is still the same' : 'Look again at what is still the same'),
  retireFamily: ({ retired }) => (retired ? 'Retire the family' : 'Bring the family back'),
  batch: ({ title }) => title,
};

/** One line for a command: "Set price on everything XXL". */
export function titleOf(namer: Namer, command: Command, family: Family): string {
  const axis = 'axisId' in command ? family.axes.find((one) => one.id === command.axisId) : undefined;
  return byKind(TITLES, 'do', command, {
    namer,
    family,
    axis,
    axisName: (instead) => axis?.label ?? instead,
    valueName: (id) => axis?.values.find((one) => one.id === id)?.label ?? '',
  });
}

function likeText(axis: Axis | undefined, like: string | undefined): string {
  const value = axis?.values.find(({ id }) => id === like);
  return value ? `, like ${value.label}` : '';
}

function figuresTitle(
  namer: Namer,
  changes: readonly { place: Place; key: string; figure: unknown; scope?: Scope | undefined }[],
  family: Family,
): string {
  const keys = [...new Set(changes.map((change) => change.key))];
  const labels = keys.map((key) => lowerLabel(namer.registry.field(key)?.label ?? key));
  const what = labels.length > 3 ? `${labels.length} fields` : labels.join(', ');
  const places = new Set(changes.map((change) => JSON.stringify(change.place)));
  const levels = new Set(changes.map((change) => change.place.level));
  const kind =
    levels.size > 1
      ? count(places.size, 'place')
      : levels.has('child')
        ? children(places.size)
        : count(places.size, 'value');
  const where = places.size === 1 ? placeLabel(family, changes[0]!.place) : kind;
  const scopes = new Set(changes.map((change) => change.scope ?? EVERYWHERE));
  const whom = scopes.size === 1 ? scopeText(namer, [...scopes][0]!) : '';
  return `${changes.every((change) => change.figure === null) ? 'Give back' : 'Set'} ${what} on ${where}${whom}`;
}

/** A label inside a sentence: small, but for words in capitals such as SKU. */
const lowerLabel = (label: string) => label.replace(/^[A-Z](?![A-Z])/, (letter) => letter.toLowerCase());

/** "Rust, Spruce and 4 more". */
function someOf(labels: readonly string[], most = 6): string {
  if (labels.length <= most) return labels.join(', ');
  return `${labels.slice(0, most - 1).join(', ')} and ${labels.length - most + 1} more`;
}
