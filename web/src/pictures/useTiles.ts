/** Pictures that are gone through and chosen by key and mouse: arrows go, blank chooses, Shift chooses all between. */
import { nextTick, ref } from 'vue';

/** The tiles lie in the page in the order they are gone through; each says what it is by `data-tile`. */
export function useTiles(root: () => HTMLElement | null) {
  const chosen = ref<ReadonlySet<string>>(new Set());
  let anchor: string | null = null;

  const tiles = () => [...(root()?.querySelectorAll<HTMLElement>('[data-tile]') ?? [])];
  const keyOf = (tile: Element | undefined) => (tile instanceof HTMLElement ? tile.dataset.tile! : null);

  function between(from: string, to: string): string[] {
    const all = tiles().map((tile) => keyOf(tile)!);
    const [a, b] = [all.indexOf(from), all.indexOf(to)].toSorted((x, y) => x - y) as [number, number];
    return a < 0 ? [to] : all.slice(a, b + 1);
  }
  /** A press: alone, with Ctrl beside what is chosen, with Shift all between. */
  function press(at: string, event: MouseEvent | KeyboardEvent): void {
    if (event.shiftKey && anchor !== null) chosen.value = new Set([...chosen.value, ...between(anchor, at)]);
    else if (event.ctrlKey || event.metaKey || event instanceof KeyboardEvent) {
      const next = new Set(chosen.value);
      if (!next.delete(at)) next.add(at);
      chosen.value = next;
      anchor = at;
    } else {
      chosen.value = chosen.value.size === 1 && chosen.value.has(at) ? new Set() : new Set([at]);
      anchor = at;
    }
  }
  /** The tile above or below: that of the next row whose middle is nearest. */
  function inNextRow(all: readonly HTMLElement[], from: HTMLElement, down: boolean): HTMLElement | undefined {
    const here = from.getBoundingClientRect();
    const middle = here.left + here.width / 2;
    const beyond = all.filter((one) => {
      const box = one.getBoundingClientRect();
      return down ? box.top > here.top + 8 : box.top < here.top - 8;
    });
    const far = (one: HTMLElement) => {
      const box = one.getBoundingClientRect();
      return Math.abs(box.top - here.top) * 8 + Math.abs(box.left + box.width / 2 - middle);
    };
    return beyond.toSorted((a, b) => far(a) - far(b))[0];
  }
  /** Arrow keys, Home and End; true where the key was one of them. */
  function go(event: KeyboardEvent): boolean {
    const all = tiles();
    const from = (event.target as HTMLElement).closest<HTMLElement>('[data-tile]');
    if (!from) return false;
    const at = all.indexOf(from);
    const to =
      event.key === 'ArrowRight'
        ? all[at + 1]
        : event.key === 'ArrowLeft'
          ? all[at - 1]
          : event.key === 'ArrowDown' || event.key === 'ArrowUp'
            ? inNextRow(all, from, event.key === 'ArrowDown')
            : event.key === 'Home'
              ? all[0]
              : event.key === 'End'
                ? all.at(-1)
                : undefined;
    if (!to) return false;
    event.preventDefault();
    to.focus();
    to.scrollIntoView({ block: 'nearest' });
    const key = keyOf(to)!;
    if (event.shiftKey) chosen.value = new Set([...chosen.value, ...between(anchor ?? keyOf(from)!, key)]);
    else anchor = key;
    return true;
  }
  /** The chosen ones, else the one that has the focus. */
  function meant(): string[] {
    if (chosen.value.size > 0) return [...chosen.value];
    const at = keyOf(document.activeElement?.closest('[data-tile]') ?? undefined);
    return at === null ? [] : [at];
  }
  const chooseAll = () => (chosen.value = new Set(tiles().map((tile) => keyOf(tile)!)));
  const clear = () => (chosen.value = new Set());
  /** The focus stays near where it was when its tile goes elsewhere. */
  async function keepFocus(work: () => void | Promise<void>): Promise<void> {
    const before = tiles();
    const at = before.findIndex((tile) => tile.contains(document.activeElement));
    await work();
    await nextTick();
    if (at >= 0 && document.activeElement === document.body) tiles()[Math.min(at, tiles().length - 1)]?.focus();
  }
  return { chosen, press, go, meant, chooseAll, clear, keepFocus };
}
