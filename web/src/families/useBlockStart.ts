/** A sheet or a pasted block of rows as the beginning of a family: its axes at once, its figures when the family is started. */
import { computed, shallowRef } from 'vue';
import { z } from 'zod';
import type { FigureChange } from '@loom-kin/core/change';
import { type Family, familyIndex, freeze } from '@loom-kin/core/family';
import { type BlockFamily, blockFamily, readClip } from '@loom-kin/core/intake';
import { type Registry, readFigure } from '@loom-kin/core/registry';
import { count } from '@loom-kin/core/text';
import { makeChange } from '@loom-kin/contract';
import { api, call, tell } from '../api/api';
import { dropDraft, keepDraft, readDraft } from '../common/drafts';
import { fromTabbed } from '../grid/clipboard';
import { fieldColumns } from '../grid/gridColumns';
import { cellsOfClip, readCells } from '../grid/readCells';
import { useSetup } from '../stores/setup';
import { draftValues } from '../weave/draftValues';
import type { useFamilyDraft } from './familyDraft';

type Draft = ReturnType<typeof useFamilyDraft>;
export interface Block {
  rows: string[][];
  found: BlockFamily;
}

const ROWS = 'new-family-rows';
const RowsSchema = z.array(z.array(z.string()));

export function useBlockStart(draft: Draft) {
  const setup = useSetup();
  const left = draft.isRestored.value ? readDraft(ROWS, RowsSchema) : null;
  const leftFound = left && blockFamily(setup.registry, left);
  const block = shallowRef<Block | null>(left && leftFound ? { rows: left, found: leftFound } : null);
  const problem = shallowRef('');

  /** False where the rows cannot begin a family; why is told. */
  function take(rows: string[][]): boolean {
    const found = blockFamily(setup.registry, rows);
    if (!found) {
      problem.value =
        'These rows cannot begin a family: the first has to name the columns, and one of them has to be an option such as Colour or Size.';
      return false;
    }
    problem.value = '';
    block.value = { rows, found };
    keepDraft(ROWS, JSON.stringify(rows));
    Object.assign(draft.typed, Object.fromEntries(Object.entries(found.figures).filter(([key]) => key in draft.typed)));
    draft.axes.value = found.axes.map(({ role, label, values }) => {
      return { role, label, text: values.join(', '), values: draftValues(setup.registry, values, role) };
    });
    draft.off.value = new Set(found.off.map((labels) => JSON.stringify(labels)));
    return true;
  }

  /** Rows on the clipboard begin the family; a line of text goes where it is pasted. */
  function onPaste(event: ClipboardEvent): void {
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if (!/\t/.test(text) || !/\n./.test(text)) return;
    event.preventDefault();
    take(fromTabbed(text));
  }
  async function takeFile(file: File): Promise<void> {
    const form = new FormData();
    form.append('file', file);
    try {
      take((await call(api.readTable, { form })).rows);
    } catch (error) {
      tell(error);
    }
  }

  const words = computed(() => {
    if (!block.value) return '';
    const { rows, childColumns, unknown, doubled } = block.value.found;
    return [
      `${count(rows, 'row')} taken as the beginning.`,
      childColumns.length > 0
        ? `${childColumns.join(', ')} ${childColumns.length === 1 ? 'goes' : 'go'} in with the start.`
        : '',
      unknown.length > 0 ? `Not known, and left: ${unknown.join(', ')}.` : '',
      doubled > 0 ? `${count(doubled, 'row')} stand at the crossing of another; the first counts.` : '',
    ]
      .filter(Boolean)
      .join(' ');
  });
  const hasSkus = computed(() => block.value?.found.childColumns.some((name) => /^sku$/i.test(name.trim())) ?? false);

  function drop(): void {
    block.value = null;
    dropDraft(ROWS);
  }
  return { block, problem, words, hasSkus, onPaste, takeFile, drop };
}

/**
 * Puts the figures of the rows into the family they began: as one change; what cannot be read comes back, a line each.
 * @param asked fields that the form has: what the seller left in it has gone in with the start already
 */
export async function takeRows(
  registry: Registry,
  currency: string,
  started: Family,
  { rows, found }: Block,
  asked: ReadonlySet<string>,
): Promise<string[]> {
  const family = freeze(started, true);
  const columns = new Map(fieldColumns(registry, family, []).map((column) => [column.id, column]));
  const target = { childIds: familyIndex(family).woven.map((child) => child.id), columns: [] };
  const reading = readClip(registry, family, [found.headers, ...rows.slice(1)], target);
  // What is the same in every row stands on the family already.
  const cells = cellsOfClip(reading, (id) => columns.get(id)).filter(
    ({ column }) => !(column.field.key in found.figures),
  );
  const ground = {
    registry,
    family,
    currency,
    stock: {},
    takesSums: false,
    piecesAt: () => 0,
    shown: () => '',
    listedOn: () => undefined,
  };
  const { changes: ofChildren, counts, problems } = readCells(ground, cells);
  // What is the same in every row, and the form has no field for, stands on the family as well.
  const changes = [...ofFamily(registry, found, asked), ...ofChildren];
  if (changes.length + counts.length > 0) {
    await makeChange(
      call,
      [
        ...(changes.length > 0
          ? [
              {
                on: 'family' as const,
                familyId: family.id,
                revision: family.revision,
                command: { do: 'setFigures' as const, changes },
              },
            ]
          : []),
        ...(counts.length > 0 ? [{ on: 'stock' as const, familyId: family.id, kind: 'counted' as const, counts }] : []),
      ],
      { title: `Take ${count(rows.length - 1, 'row')} in` },
    );
  }
  return problems;
}

function ofFamily(registry: Registry, { figures }: BlockFamily, asked: ReadonlySet<string>): FigureChange[] {
  return Object.entries(figures).flatMap(([key, text]) => {
    const field = registry.field(key);
    const read = field && !asked.has(key) ? readFigure(registry, field, text, {}) : null;
    return read?.ok && read.figure !== null ? [{ place: { level: 'family' as const }, key, figure: read.figure }] : [];
  });
}
