/**
 * Typing in the children's grid. The grid's own editor opens and closes a little after the keys that ask for it, so that of keys typed
 * quickly some land in the wrong cell. This one is an input that is always there: it is focused within the very key press, takes every
 * key after it by itself, and the cell it stands at is known here at once, whenever the grid gets round to drawing it.
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
  columns: number;
  rows: () => number;
  textAt: (at: CellAt) => string;
  /** What was typed at a cell. */
  commit: (at: CellAt, text: string) => void;
  /** The grid draws the focus and scrolls to it. */
  focus: (at: CellAt) => Promise<unknown>;
  /** Del, and Ctrl D, on what is selected. */
  clear: () => void;
  fillDown: () => void;
}

/** Milliseconds the grid may need until it knows a selection made with arrow keys pressed quickly one after another. */
const SELECTION_LAG = 250;

const MOVES: Record<string, CellAt> = { ArrowUp: { x: 0, y: -1 }, ArrowDown: { x: 0, y: 1 }, ArrowLeft: { x: -1, y: 0 }, ArrowRight: { x: 1, y: 0 } };
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
  const open = ref(false);
  const box = shallowRef({ left: 0, top: 0, width: 0, height: 0 });
  /** Keys are the grid's: it was pressed last. */
  let active = false;
  /** Begun by typing: arrows leave the cell. Begun by Enter: they move in the text. */
  let typed = false;
  let pending = 0;
  let selectedAt = 0;
  let frame = 0;

  function goTo(next: CellAt): void {
    at.value = { x: Math.max(0, Math.min(options.columns - 1, next.x)), y: Math.max(0, Math.min(options.rows() - 1, next.y)) };
    pending += 1;
    void options.focus(at.value).finally(() => (pending -= 1));
  }
  const move = (by: CellAt) => at.value && goTo({ x: at.value.x + by.x, y: at.value.y + by.y });

  /** Follows its cell, which may be drawn later, or scroll. */
  function place(): void {
    if (!open.value || !at.value || !holder.value) return;
    const cell = holder.value.querySelector<HTMLElement>(`.rgCol revogr-data [data-rgcol="${at.value.x}"][data-rgrow="${at.value.y}"]`);
    if (cell) {
      const inner = cell.getBoundingClientRect();
      const outer = holder.value.getBoundingClientRect();
      box.value = { left: inner.left - outer.left, top: inner.top - outer.top, width: inner.width, height: inner.height };
    }
    frame = requestAnimationFrame(place);
  }

  function begin(text: string, byTyping: boolean): void {
    typed = byTyping;
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
    if (taken && at.value) options.commit(at.value, text);
  }

  function inEditor(event: KeyboardEvent): void {
    event.stopPropagation();
    if (event.isComposing) return;
    const step = event.key === 'Enter' ? (event.shiftKey ? UP : DOWN) : event.key === 'Tab' ? (event.shiftKey ? LEFT : RIGHT) : typed && !event.shiftKey ? MOVES[event.key] : undefined;
    if (!step && event.key !== 'Escape') return;
    event.preventDefault();
    end(event.key !== 'Escape');
    if (step) move(step);
  }

  function onKey(event: KeyboardEvent): void {
    if (event.target === input.value) return inEditor(event);
    if (!active || !at.value || isTyping(event) || event.altKey) return;
    if (event.key in MOVES) selectedAt = performance.now();
    const act = { 'Delete': options.clear, 'Backspace': options.clear, 'Ctrl+d': options.fillDown }[keyName(event)];
    if (act) {
      event.preventDefault();
      event.stopPropagation();
      act();
    }
    if (act || event.ctrlKey || event.metaKey) return;
    const step = event.shiftKey ? undefined : MOVES[event.key];
    if (step || event.key === 'Enter' || event.key === 'F2') {
      event.preventDefault();
      event.stopPropagation();
      if (step) move(step);
      else begin(options.textAt(at.value), false);
    } else if (begins(event)) {
      // The key itself goes on: it is typed into the input, which has the focus by then.
      event.stopPropagation();
      begin('', true);
    }
  }

  function onPress(event: Event): void {
    const inside = holder.value?.contains(event.target as Node) ?? false;
    if (event.target === input.value) return;
    active = inside;
    if (inside) at.value = cellOf(event.target);
  }
  function onFocusElsewhere(event: FocusEvent): void {
    if (event.target !== input.value && !holder.value?.contains(event.target as Node)) active = false;
  }

  onMounted(() => {
    window.addEventListener('keydown', onKey, true);
    window.addEventListener('pointerdown', onPress, true);
    window.addEventListener('focusin', onFocusElsewhere, true);
  });
  onUnmounted(() => {
    cancelAnimationFrame(frame);
    window.removeEventListener('keydown', onKey, true);
    window.removeEventListener('pointerdown', onPress, true);
    window.removeEventListener('focusin', onFocusElsewhere, true);
  });

  return {
    open, box,
    /** Waits until the grid knows what was selected last. */
    selectionSettled: async () => {
      while (performance.now() - selectedAt < SELECTION_LAG) await new Promise(requestAnimationFrame);
    },
    /** The grid wants to edit: by a double click. */
    beginHere: () => at.value && begin(options.textAt(at.value), false),
    /** The input lost the focus: what is typed is taken. */
    leave: () => end(true),
    /** The grid moved the focus by itself. */
    followed: (cell: CellAt | null) => {
      if (pending > 0 || open.value) return;
      at.value = cell;
      active = true;
    },
  };
}
