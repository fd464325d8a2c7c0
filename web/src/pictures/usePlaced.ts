/** The pictures of the open family where they stand, and what is done with them: one command each, one undo. */
import { computed } from 'vue';
import type { SingleCommand } from '@loom-kin/core/change';
import { EVERYWHERE, carrierAt, figureIn, placeKey } from '@loom-kin/core/family';
import { carriersOf, picturesAt } from '@loom-kin/core/pictures';
import type { Place } from '@loom-kin/core/place';
import { commandScope, samePlace, scopesFor } from '../common/scopes';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';

/** A picture at a place: the same one can stand at several. */
export interface Standing {
  place: Place;
  id: string;
}
export const standingKey = ({ place, id }: Standing): string => `${placeKey(place)}|${id}`;

export function usePlaced() {
  const store = useFamily();
  const setup = useSetup();
  const scopes = computed(() => scopesFor(setup.registry, setup.accounts, store.scope));
  /** What is shown at a place in the scope that is chosen. */
  const shownAt = (place: Place): readonly string[] => picturesAt(carrierAt(store.family!, place), scopes.value);
  /** For an account: whether it has a choice of its own at a place. */
  const isOwnAt = (place: Place): boolean =>
    store.scope !== EVERYWHERE && figureIn(carrierAt(store.family!, place), store.scope, 'pictures') !== undefined;
  const setAt = (place: Place, pictures: readonly string[]): SingleCommand => ({
    do: 'setPictures',
    place,
    pictures: [...pictures],
    scope: commandScope(store.scope),
  });
  const run = (title: string, commands: SingleCommand[]) =>
    commands.length === 0 ? null : store.run(commands.length === 1 ? commands[0]! : { do: 'batch', title, commands });
  /** Which picture a key means, as long as it stands there. */
  const standings = computed(() => {
    const found = new Map<string, Standing>();
    if (store.family)
      for (const { place } of carriersOf(store.family))
        for (const id of shownAt(place)) found.set(standingKey({ place, id }), { place, id });
    return found;
  });
  const count = (n: number) => (n === 1 ? 'a picture' : `${n} pictures`);

  /** Takes pictures from where they stand and puts them at a place, before the one at `at`, else behind all. */
  function move(all: readonly Standing[], to: Place, at = Infinity): void {
    const ids = [...new Set(all.map((one) => one.id))];
    const there = shownAt(to).filter((id) => !ids.includes(id));
    const next = [...there.slice(0, at), ...ids, ...there.slice(at)];
    const left = [...new Set(all.filter((one) => !samePlace(one.place, to)).map((one) => placeKey(one.place)))].map(
      (key) => {
        const from = all.filter((one) => placeKey(one.place) === key);
        const gone = new Set(from.map((one) => one.id));
        return setAt(
          from[0]!.place,
          shownAt(from[0]!.place).filter((id) => !gone.has(id)),
        );
      },
    );
    run(`Move ${count(ids.length)}`, [...left, setAt(to, next)]);
  }
  /** Puts pictures behind those at other places as well. */
  function copy(all: readonly Standing[], to: readonly Place[]): void {
    const ids = [...new Set(all.map((one) => one.id))];
    const commands = to.flatMap((place) => {
      const there = shownAt(place);
      const fresh = ids.filter((id) => !there.includes(id));
      return fresh.length > 0 ? [setAt(place, [...there, ...fresh])] : [];
    });
    run(`Copy ${count(ids.length)}`, commands);
  }
  function remove(all: readonly Standing[]): void {
    const keys = [...new Set(all.map((one) => placeKey(one.place)))];
    const commands = keys.map((key) => {
      const here = all.filter((one) => placeKey(one.place) === key);
      const gone = new Set(here.map((one) => one.id));
      return setAt(
        here[0]!.place,
        shownAt(here[0]!.place).filter((id) => !gone.has(id)),
      );
    });
    run(`Take ${count(all.length)} away`, commands);
  }
  /** Earlier or later among those at its place; to the front with `first`. */
  function shift({ place, id }: Standing, by: number | 'first'): void {
    const there = shownAt(place);
    const at = there.indexOf(id);
    const to = by === 'first' ? 0 : Math.min(there.length - 1, Math.max(0, at + by));
    if (to === at) return;
    const others = there.filter((one) => one !== id);
    store.run(setAt(place, [...others.slice(0, to), id, ...others.slice(to)]));
  }
  const set = (place: Place, pictures: readonly string[]) => store.run(setAt(place, pictures));
  return { standings, shownAt, isOwnAt, set, move, copy, remove, shift, run };
}
