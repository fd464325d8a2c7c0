/** Walking and choosing crossings by key and mouse. Heads are walked to as well: they stand before the first row and column. */
import { computed, shallowRef, watch, type ComputedRef } from 'vue';
import type { Place } from '@loom-kin/core/place';
import { ARROWS, type Spot } from '../common/arrows';
import { bandAt, childrenIn, type Band, type Cloth } from './cloth';

export interface WeaveCallbacks {
  isWeaving(): boolean;
  select(place: Place): void;
  choose(childIds: string[]): void;
  chosen(): ReadonlySet<string>;
  /** Woven children that have a value. */
  childrenOf(axisId: string, valueId: string): string[];
  toggle(crossings: Record<string, string>[], woven: boolean): void;
  show(spot: Spot): void;
}

export function useWeaveMoves(cloth: ComputedRef<Cloth>, hands: WeaveCallbacks) {
  const active = shallowRef<Spot>({ x: 0, y: 0 });
  /** Where a rectangle was begun. */
  const anchor = shallowRef<Spot>({ x: 0, y: 0 });

  const least = computed((): Spot => ({ x: -cloth.value.sideAxes.length, y: -cloth.value.topAxes.length }));
  function within({ x, y }: Spot): Spot {
    const there = {
      x: Math.min(cloth.value.columns.length - 1, Math.max(least.value.x, x)),
      y: Math.min(cloth.value.rows.length - 1, Math.max(least.value.y, y)),
    };
    // There is nothing in the corner.
    return there.x < 0 && there.y < 0 ? { ...there, y: 0 } : there;
  }
  watch(cloth, () => {
    active.value = within(active.value);
    anchor.value = within(anchor.value);
  });

  /** The crossings that a gesture at a spot is about: itself, or all of its band. */
  function reach(spot: Spot): [Spot, Spot] {
    const band = bandAt(cloth.value, spot);
    const last = { x: cloth.value.columns.length - 1, y: cloth.value.rows.length - 1 };
    if (band && spot.y < 0)
      return [
        { x: band.from, y: 0 },
        { x: band.to, y: last.y },
      ];
    if (band)
      return [
        { x: 0, y: band.from },
        { x: last.x, y: band.to },
      ];
    return [spot, spot];
  }

  const ids = (from: Spot, to: Spot) => childrenIn(cloth.value, from, to).map((child) => child.id);

  function press(spot: Spot, how: { extends?: boolean; adds?: boolean } = {}): void {
    active.value = spot;
    if (how.extends) return hands.choose(ids(anchor.value, reach(spot)[1]));
    const [from, to] = reach(spot);
    anchor.value = from;
    const wanted = ids(from, to);
    if (how.adds) {
      const before = hands.chosen();
      const isIn = wanted.every((id) => before.has(id));
      return hands.choose(
        isIn ? [...before].filter((id) => !wanted.includes(id)) : [...new Set([...before, ...wanted])],
      );
    }
    const band = bandAt(cloth.value, spot);
    if (hands.isWeaving()) return weave(from, to);
    if (band) return chooseValue(band);
    hands.choose(wanted);
    if (wanted.length === 1) hands.select({ level: 'child', childId: wanted[0]! });
  }

  /** A head stands for its value, wherever that is woven: figures of it hold for all of these children. */
  function chooseValue({ axis, value }: Band): void {
    hands.choose(hands.childrenOf(axis.id, value.id));
    hands.select({ level: 'value', axisId: axis.id, valueId: value.id });
  }

  /** A crossing, a row, a column or a band: out when all of it is woven, else in. */
  function weave(from: Spot, to: Spot): void {
    const crossings: Record<string, string>[] = [];
    let isWhole = true;
    for (let y = Math.min(from.y, to.y); y <= Math.max(from.y, to.y); y++) {
      for (let x = Math.min(from.x, to.x); x <= Math.max(from.x, to.x); x++) {
        crossings.push(cloth.value.at(y, x));
        if (!cloth.value.childAt(y, x)?.woven) isWhole = false;
      }
    }
    hands.toggle(crossings, !isWhole);
  }

  function go(to: Spot, isExtending: boolean): void {
    active.value = within(to);
    hands.show(active.value);
    if (isExtending) hands.choose(ids(anchor.value, active.value));
    else anchor.value = active.value;
  }

  function onKey(event: KeyboardEvent): void {
    const { x, y } = active.value;
    const isCtrl = event.ctrlKey || event.metaKey;
    const last = { x: cloth.value.columns.length - 1, y: cloth.value.rows.length - 1 };
    const step = ARROWS[event.key];
    const deeds: Record<string, () => void> = {
      Home: () => go(isCtrl ? { x: 0, y: 0 } : { x: 0, y }, event.shiftKey),
      End: () => go(isCtrl ? last : { x: last.x, y }, event.shiftKey),
      PageUp: () => go({ x, y: Math.max(0, y - 8) }, event.shiftKey),
      PageDown: () => go({ x, y: y + 8 }, event.shiftKey),
      Enter: () => press(active.value, { adds: isCtrl }),
      ' ': () => space(event),
      Escape: () => hands.choose([]),
    };
    const act = step
      ? () => goBy(step, isCtrl, event.shiftKey)
      : isCtrl && event.key === 'a'
        ? () => hands.choose(ids({ x: 0, y: 0 }, last))
        : deeds[event.key];
    if (!act || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  }
  function goBy(step: Spot, isFar: boolean, isExtending: boolean): void {
    const { x, y } = active.value;
    const far = Math.max(cloth.value.columns.length, cloth.value.rows.length);
    const times = isFar ? far : 1;
    const to = { x: x + step.x * times, y: y + step.y * times };
    // A long step stops at the cloth's edge; heads are a step further.
    go(isFar ? { x: step.x === 0 ? x : Math.max(0, to.x), y: step.y === 0 ? y : Math.max(0, to.y) } : to, isExtending);
  }
  /** Space weaves while weaving, chooses else; Shift takes the row, Ctrl the column. */
  function space(event: KeyboardEvent): void {
    const { x, y } = active.value;
    const last = { x: cloth.value.columns.length - 1, y: cloth.value.rows.length - 1 };
    if (event.shiftKey) hands.choose(ids({ x: 0, y }, { x: last.x, y }));
    else if (event.ctrlKey || event.metaKey) hands.choose(ids({ x, y: 0 }, { x, y: last.y }));
    else press(active.value);
  }

  return { active, press, drag: (to: Spot) => hands.choose(ids(anchor.value, to)), onKey };
}
