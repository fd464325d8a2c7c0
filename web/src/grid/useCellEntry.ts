/**
 * Typing in a cell. The entry is an input that is always there: it takes the focus within the very key press that begins a text and takes
 * every key after it by itself, however long the page takes to draw. What is half typed is kept as a draft.
 */
import { computed, nextTick, ref, shallowRef, type Ref } from 'vue';
import { isLong } from '@loom-kin/core/registry';
import { z } from 'zod';
import { ARROWS } from '../common/arrows';
import { isLeaving } from '../common/leaving';
import { dropDraft, keepDraft, readDraft } from '../common/drafts';
import type { FieldColumn } from './gridColumns';
import type { GridEdits } from './useGridEdits';
import type { GridSelection } from './useGridSelection';
import type { GridView } from './useGridView';

const DraftSchema = z.object({ childId: z.string(), columnId: z.string(), text: z.string() });
export type CellDraft = z.infer<typeof DraftSchema>;

export interface EntryCallbacks {
  input: Ref<HTMLTextAreaElement | undefined>;
  /** Gives the focus back to the grid. */
  focusGrid(): void;
  /** Takes the selection somewhere and scrolls there. */
  go(spot: { x: number; y: number }): void;
}

export function useCellEntry(view: GridView, selection: GridSelection, edits: GridEdits, hands: EntryCallbacks) {
  /** The cell that is typed in; rows and columns may move meanwhile. */
  const open = shallowRef<{ childId: string; column: FieldColumn } | null>(null);
  /** Begun by typing: arrows leave the cell. Begun by Enter or F2: they move in the text. */
  const isTyped = ref(false);
  const text = ref('');
  /** Where Tab began to go to the right: Enter goes back to that column, a row further down. */
  let runFrom: number | null = null;

  const draftName = () => `cell.${view.family.value.id}`;
  const rows = computed(() =>
    open.value && isLong(open.value.column.field) ? Math.min(6, text.value.split('\n').length + 1) : 1,
  );

  function begin(first: string, byTyping: boolean): void {
    const at = selection.begin.value;
    const column = at && selection.columnOfSpot(at.x);
    const childId = at && selection.childIdAt(at.y);
    const input = hands.input.value;
    if (!column || !childId || !input) return;
    if (byTyping && runFrom === null) runFrom = at.x;
    open.value = { childId, column };
    isTyped.value = byTyping;
    text.value = first;
    input.value = first;
    input.focus({ preventScroll: true });
    input.setSelectionRange(first.length, first.length);
  }

  function onInput(): void {
    text.value = hands.input.value!.value;
    if (!open.value) return;
    const draft: CellDraft = { childId: open.value.childId, columnId: open.value.column.id, text: text.value };
    keepDraft(draftName(), JSON.stringify(draft));
  }

  /** What one of a closed list begins with means it. */
  function completed(column: FieldColumn, typed: string): string {
    const choices = choicesOf(column).filter((one) => one.toLowerCase().startsWith(typed.trim().toLowerCase()));
    return typed.trim() !== '' && choices.length === 1 ? choices[0]! : typed;
  }

  /** Ends typing; what is taken goes into the cell, or into all that are selected. */
  function end(taken: boolean, intoAll = false): void {
    const cell = open.value;
    if (!cell) return;
    const typed = hands.input.value!.value;
    open.value = null;
    dropDraft(draftName());
    hands.focusGrid();
    if (!taken) return;
    const final = completed(cell.column, typed);
    if (intoAll) edits.takeIntoAll(final);
    else if (view.family.value.children[cell.childId]?.woven) edits.takeTyped({ ...cell, text: final });
    else edits.refused.value = [`"${typed}" was typed for a child that is not woven any more.`];
  }

  function move(x: number, y: number): void {
    const at = selection.begin.value;
    if (at) hands.go({ x: at.x + x, y: at.y + y });
  }
  /** Down, or up; to the column where Tab began. */
  function nextRow(step: 1 | -1): void {
    const at = selection.begin.value;
    if (!at) return;
    hands.go({ x: runFrom ?? at.x, y: at.y + step });
    runFrom = null;
  }

  /** Keys in the entry. */
  function onKey(event: KeyboardEvent): void {
    event.stopPropagation();
    if (event.isComposing || !open.value) return;
    const { key } = event;
    const arrow = isTyped.value && !event.shiftKey && !event.ctrlKey ? ARROWS[key] : undefined;
    if (key === 'Enter' && event.altKey) {
      if (isLong(open.value.column.field)) breakLine(hands.input.value!);
      else event.preventDefault();
      return onInput();
    }
    if (!arrow && !['Enter', 'Tab', 'Escape'].includes(key)) return;
    event.preventDefault();
    const intoAll = key === 'Enter' && (event.ctrlKey || event.metaKey);
    end(key !== 'Escape', intoAll);
    const step = event.shiftKey ? -1 : 1;
    if (key === 'Escape' || arrow) runFrom = null;
    if (key === 'Tab') move(step, 0);
    else if (arrow) move(arrow.x, arrow.y);
    else if (key === 'Enter' && !intoAll) nextRow(step);
  }

  /** The entry lost the focus to another part of the page: what is typed is taken. To another window: it stays. */
  function onBlur(): void {
    if (document.hasFocus() && !isLeaving()) end(true);
  }

  /** A text that was half typed when the page was left; null where its cell is gone. */
  function draft(): CellDraft | null {
    const kept = readDraft(draftName(), DraftSchema);
    return kept && view.family.value.children[kept.childId]?.woven ? kept : null;
  }
  async function goOnWith({ childId, columnId, text: typed }: CellDraft): Promise<boolean> {
    if (!selection.selectCell(childId, columnId)) return false;
    await nextTick();
    begin(typed, false);
    onInput();
    return true;
  }

  return {
    open,
    text,
    rows,
    isTyped,
    begin,
    end,
    onInput,
    onKey,
    onBlur,
    nextRow,
    move,
    /** Whether Tab goes on to the next cell: while a row is being filled. */
    isRunning: () => runFrom !== null,
    endRun: () => (runFrom = null),
    draft,
    goOnWith,
    dropDraft: () => dropDraft(draftName()),
    choices: computed(() => (open.value ? choicesOf(open.value.column) : [])),
  };
}

/** What a cell of a closed list may say. */
function choicesOf({ field }: FieldColumn): string[] {
  if (field.type === 'yesno') return ['yes', 'no'];
  return field.type === 'choice' ? (field.choices ?? []).map((one) => one.label) : [];
}

const breakLine = (input: HTMLTextAreaElement) =>
  input.setRangeText('\n', input.selectionStart, input.selectionEnd, 'end');

export type CellEntry = ReturnType<typeof useCellEntry>;
