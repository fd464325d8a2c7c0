/** Keys of the grid while no cell is typed in. */
import { goTo } from './gridMoves';
import type { Spot } from '../common/arrows';
import type { CellEntry } from './useCellEntry';
import type { GridEdits } from './useGridEdits';
import type { GridSelection } from './useGridSelection';

export interface KeyCallbacks {
  /** Scrolls a cell into view. */
  show(spot: Spot): void;
  openFind(withReplacement: boolean): void;
  openMenu(columnIndex: number): void;
  /** Nothing is selected any more: of weave and grid. */
  leaveSelection(): void;
}

/** Keys that begin a text: signs, and those that begin one with another key or an input method. */
const begins = (event: KeyboardEvent) =>
  (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey) ||
  event.key === 'Dead' ||
  event.key === 'Process';

/** A key by its name, Shift left out: it extends the selection. */
function nameOf(event: KeyboardEvent): string {
  const key = event.key === ' ' ? 'Space' : event.key.length === 1 ? event.key.toLowerCase() : event.key;
  return (event.ctrlKey || event.metaKey ? 'Ctrl+' : '') + (event.altKey ? 'Alt+' : '') + key;
}

export function useGridKeys(selection: GridSelection, entry: CellEntry, edits: GridEdits, hands: KeyCallbacks) {
  function extendTo(to: Spot): void {
    selection.extend(to);
    hands.show(to);
  }
  function goOn(to: Spot): void {
    entry.endRun();
    selection.select(to);
    hands.show(to);
  }

  /** What a key does besides moving; undefined for keys that do nothing here. */
  function deed(event: KeyboardEvent): (() => void) | undefined {
    const range = selection.range.value;
    const at = selection.begin.value;
    if (!range || !at) return undefined;
    const deeds: Record<string, () => void> = {
      'Ctrl+a': selection.selectAll,
      'Ctrl+Space': () => selection.selectColumns(range.x, range.x1),
      'Ctrl+d': edits.fillDown,
      'Ctrl+r': edits.fillRight,
      'Ctrl+f': () => hands.openFind(false),
      'Ctrl+h': () => hands.openFind(true),
      'Alt+ArrowDown': () => hands.openMenu(at.x),
      Delete: edits.clear,
      Backspace: edits.clear,
      F2: () => entry.begin(selection.textAt(at), false),
      Enter: () => entry.begin(selection.textAt(at), false),
      Escape: () => {
        entry.endRun();
        hands.leaveSelection();
      },
    };
    const name = nameOf(event);
    if (name === 'Space' && event.shiftKey) return () => selection.selectRows(range.y, range.y1);
    if (name === 'Enter' && event.shiftKey) return () => entry.nextRow(-1);
    // A row is filled cell by cell with Tab; else Tab leaves the grid.
    if (name === 'Tab' && entry.isRunning()) return () => entry.move(event.shiftKey ? -1 : 1, 0);
    return deeds[name];
  }

  return function onKey(event: KeyboardEvent): void {
    if (event.isComposing || event.defaultPrevented) return;
    if (!selection.range.value && selection.ground.value.rows > 0 && /^(Arrow|Home|End|Page)/.test(event.key)) {
      event.preventDefault();
      return goOn({ x: 0, y: 0 });
    }
    const act = deed(event);
    const from = event.shiftKey ? selection.spot.value : selection.begin.value;
    const to = act || !from ? null : goTo(nameOf(event), from, selection.ground.value);
    if (act || to) {
      event.preventDefault();
      event.stopPropagation();
      if (act) act();
      else if (event.shiftKey) extendTo(to!);
      else goOn(to!);
    } else if (begins(event) && selection.begin.value) {
      // The key itself goes on: it is typed into the entry, which has the focus by then.
      event.stopPropagation();
      entry.begin('', true);
    }
  };
}
