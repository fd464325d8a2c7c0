/**
 * Selecting and typing in the children's grid. The grid follows keys a little later than they are pressed, and its
 * own editor opens and closes later still, so that of keys pressed quickly some land in the wrong cell. Here the
 * selection is known at once, whenever the grid gets round to drawing it, and the editor is an input that is always
 * there: it is focused within the very key press and takes every key after it by itself.
 */
import { onMounted, onUnmounted, ref, shallowRef, type Ref } from 'vue';
import { isTyping, keyName } from '../shell/keys';

/** A cell by its column and row, counted from the first field column. */
export interface CellAt {
  x: number;
  y: number;
}

export interface CellEditorOptions {
  /** The element the grid stands in. */
  holder: Ref<HTMLElement | undefined>;
  input: Ref<HTMLInputElement | undefined>;
  columns: () => number;
  rows: () => number;
  textAt: (at: CellAt) => string;
  /** The id of a row: rows may come and go while somebody types. */
  rowId: (y: number) => string;
  /** What was typed in a column of a row. */
  commit: (x: number, rowId: string, text: string) => void;
  /** The grid draws the selection and scrolls to it. */
  draw: (from: CellAt, to: CellAt) => Promise<unknown>;
  /** Del, and Ctrl D, on what is selected. */
  clear: () => void;
  fillDown: () => void;
}

/** What is selected, first and last column and row. */
export interface Selection extends CellAt {
  x1: number;
  y1: number;
}

const MOVES: Record<string, CellAt> = {
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
};
const DOWN = MOVES.ArrowDown!;
const UP = MOVES.ArrowUp!;
const RIGHT = MOVES.ArrowRight!;
const LEFT = MOVES.ArrowLeft!;
/** Keys that begin a text: signs, and those that begin one with another key or an input method. */
const begins = (event: KeyboardEvent) => event.key.length === 1 || event.key === 'Dead' || event.key === 'Process';

/** The cell a mouse or a drawing is at; null outside the field columns. */
function cellOf(element: EventTarget | null): CellAt | null {
  const cell = (element as HTMLElement | null)?.closest?.<HTMLElement>('.rgCol [data-rgcol][data-rgrow]');
  return cell ? { x: Number(cell.dataset.rgcol), y: Number(cell.dataset.rgrow) } : null;
}

/** The editor's state, for the input's place and look, and what the grid has to tell. */
export function useCellEditor(options: CellEditorOptions) {
  const { holder, input } = options;
  const at = shallowRef<CellAt | null>(null);
  /** The other corner of what is selected. */
  let corner: CellAt | null = null;
  const open = ref(false);
  /** Where is typed: the selection may have moved on by the time the text is taken. */
  let edited: (CellAt & { rowId: string }) | null = null;
  const box = shallowRef({ left: 0, top: 0, width: 0, height: 0 });
  /** Keys are the grid's: it was pressed last. */
  let active = false;
  /** Begun by typing: arrows leave the cell. Begun by Enter: they move in the text. */
  let typed = false;
  let pending = 0;
  let frame = 0;

  function select(from: CellAt, to: CellAt): void {
    at.value = from;
    corner = to;
    pending += 1;
    void options.draw(from, to).finally(() => (pending -= 1));
  }
  const within = (x: number, y: number): CellAt => ({
    x: Math.max(0, Math.min(options.columns() - 1, x)),
    y: Math.max(0, Math.min(options.rows() - 1, y)),
  });
  function move(by: CellAt): void {
    if (!at.value) return;
    const next = within(at.value.x + by.x, at.value.y + by.y);
    select(next, next);
  }
  function extend(by: CellAt): void {
    if (at.value && corner) select(at.value, within(corner.x + by.x, corner.y + by.y));
  }

  /** Follows its cell, which may be drawn later, or scroll. */
  function place(): void {
    if (!open.value || !edited || !holder.value) return;
    const cell = holder.value.querySelector<HTMLElement>(
      `.rgCol revogr-data [data-rgcol="${edited.x}"][data-rgrow="${edited.y}"]`,
    );
    if (cell) {
      const inner = cell.getBoundingClientRect();
      const outer = holder.value.getBoundingClientRect();
      box.value = {
        left: inner.left - outer.left,
        top: inner.top - outer.top,
        width: inner.width,
        height: inner.height,
      };
    }
    frame = requestAnimationFrame(place);
  }

  function begin(text: string, byTyping: boolean): void {
    typed = byTyping;
    edited = { ...at.value!, rowId: options.rowId(at.value!.y) };
    open.value = true;
    input.value!.value = text;
    input.value!.focus();
    if (!byTyping) input.value!.select();
    place();
  }

  function end(taken: boolean): void {
    if (!open.value) return;
    open.value = false;
    cancelAnimationFrame(frame);
    const text = input.value!.value;
    // What is pasted next is for the grid again.
    holder.value!.focus({ preventScroll: true });
    if (taken && edited) options.commit(edited.x, edited.rowId, text);
  }

  function inEditor(event: KeyboardEvent): void {
    event.stopPropagation();
    if (event.isComposing) return;
    const step =
      event.key === 'Enter'
        ? event.shiftKey
          ? UP
          : DOWN
        : event.key === 'Tab'
          ? event.shiftKey
            ? LEFT
            : RIGHT
          : typed && !event.shiftKey
            ? MOVES[event.key]
            : undefined;
    if (!step && event.key !== 'Escape') return;
    event.preventDefault();
    end(event.key !== 'Escape');
    if (step) move(step);
  }

  function onKey(event: KeyboardEvent): void {
    if (event.target === input.value) return inEditor(event);
    if (!active || !at.value || isTyping(event) || event.altKey) return;
    const all = () => select({ x: 0, y: 0 }, within(options.columns(), options.rows()));
    const act = { Delete: options.clear, Backspace: options.clear, 'Ctrl+d': options.fillDown, 'Ctrl+a': all }[
      keyName(event)
    ];
    if (act) {
      event.preventDefault();
      event.stopPropagation();
      act();
    }
    if (act || event.ctrlKey || event.metaKey) return;
    const step = MOVES[event.key];
    if (step || event.key === 'Enter' || event.key === 'F2') {
      event.preventDefault();
      event.stopPropagation();
      if (step && event.shiftKey) extend(step);
      else if (step) move(step);
      else begin(options.textAt(at.value), false);
    } else if (begins(event)) {
      // The key itself goes on: it is typed into the input, which has the focus by then.
      event.stopPropagation();
      begin('', true);
    }
  }

  function onPress(event: PointerEvent): void {
    const inside = holder.value?.contains(event.target as Node) ?? false;
    if (event.target === input.value) return;
    end(true);
    active = inside;
    if (!inside) return;
    const cell = cellOf(event.target);
    if (!(event.shiftKey && cell)) at.value = cell;
    corner = cell;
  }
  /** A range drawn with the mouse ends where the button is let go. */
  function onRelease(event: PointerEvent): void {
    if (active && at.value) corner = cellOf(document.elementFromPoint(event.clientX, event.clientY)) ?? corner;
  }
  function onFocusElsewhere(event: FocusEvent): void {
    if (event.target === input.value) return;
    if (!holder.value?.contains(event.target as Node)) active = false;
    // The grid draws the focus of a press before late: what is being typed goes on.
    else if (open.value) input.value!.focus();
  }

  /** Once the grid has done with the press. */
  function onDouble(event: MouseEvent): void {
    const cell = cellOf(event.target);
    if (!cell || !holder.value?.contains(event.target as Node)) return;
    setTimeout(() => {
      select(cell, cell);
      begin(options.textAt(cell), false);
    });
  }

  onMounted(() => {
    window.addEventListener('dblclick', onDouble, true);
    window.addEventListener('keydown', onKey, true);
    window.addEventListener('pointerdown', onPress, true);
    window.addEventListener('pointerup', onRelease, true);
    window.addEventListener('focusin', onFocusElsewhere, true);
  });
  onUnmounted(() => {
    cancelAnimationFrame(frame);
    window.removeEventListener('dblclick', onDouble, true);
    window.removeEventListener('keydown', onKey, true);
    window.removeEventListener('pointerdown', onPress, true);
    window.removeEventListener('pointerup', onRelease, true);
    window.removeEventListener('focusin', onFocusElsewhere, true);
  });

  return {
    open,
    box,
    /** What is selected, at this moment; null where no field cell is. */
    selection: (): Selection | null => {
      if (!at.value || !corner) return null;
      const [x, x1] = [at.value.x, corner.x].sort((a, b) => a - b) as [number, number];
      const [y, y1] = [at.value.y, corner.y].sort((a, b) => a - b) as [number, number];
      return { x, y, x1, y1 };
    },
    /**
     * The input lost the focus: to another part of the page, then what is typed is taken; to the grid or another
     * window, then it stays.
     */
    leave: (event: FocusEvent) => {
      if (document.hasFocus() && !holder.value?.contains(event.relatedTarget as Node | null)) end(true);
    },
    /** The grid moved the focus by itself. */
    followed: (cell: CellAt | null) => {
      // What was drawn because it was asked for here is known here better.
      if (pending > 0 || open.value || (cell && cell.x === at.value?.x && cell.y === at.value.y)) return;
      at.value = cell;
      corner = cell;
      active = true;
    },
  };
}
