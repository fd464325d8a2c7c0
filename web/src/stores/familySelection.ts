/** What of the open family is selected, chosen, lit up or shown alone, in all of its views. */
import { ref, shallowRef, type ShallowRef } from 'vue';
import { EVERYWHERE, type Family, type Scope, hasPlace } from '@loom-kin/core/family';
import type { Place } from '@loom-kin/core/place';

export function createSelection(family: Readonly<ShallowRef<Family | null>>) {
  /** What is selected: the inspector shows it, the weave and the grid mark it. */
  const selected = shallowRef<Place>({ level: 'family' });
  /** For whom what is shown and typed holds, in the inspector and among the words. */
  const scope = ref<Scope>(EVERYWHERE);
  /** Children lit up by a hovered thread, label or finding. */
  const lit = shallowRef<ReadonlySet<string>>(new Set());
  /** Children the grid shows alone; null shows all. */
  const only = shallowRef<ReadonlySet<string> | null>(null);
  /** The cell of the grid that is gone to. */
  const aim = shallowRef<{ childId: string; columnId: string } | null>(null);
  /** Children chosen in the weave or the grid, and in which of them. */
  const chosen = shallowRef<ReadonlySet<string>>(new Set());
  const chosenIn = ref<'weave' | 'grid'>('weave');

  function choose(childIds: Iterable<string>, where: 'weave' | 'grid'): void {
    chosenIn.value = where;
    chosen.value = new Set(childIds);
    // A child that is not among those chosen is not what anybody looks at any more.
    const place = selected.value;
    if (chosen.value.size > 1 && place.level === 'child' && !chosen.value.has(place.childId)) {
      selected.value = { level: 'family' };
    }
  }

  /** A place that is gone is no longer selected. */
  function keepSelection(): void {
    const now = family.value;
    if (now && !hasPlace(now, selected.value)) selected.value = { level: 'family' };
  }

  /** Nothing is chosen of a family that is opened. */
  function clearSelection(): void {
    chosen.value = new Set();
    only.value = null;
    scope.value = EVERYWHERE;
    selected.value = { level: 'family' };
  }

  return { selected, scope, lit, only, aim, chosen, chosenIn, choose, keepSelection, clearSelection };
}
