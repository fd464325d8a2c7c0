/** A family while it is being started: what was typed, the family that it makes, and what is still missing. Kept in the browser until it is started. */
import { computed, reactive, ref, shallowRef, watch } from 'vue';
import { z } from 'zod';
import { crossingsOf, requireSize } from '@loom-kin/core/axes';
import { type CreateFamily, createFamily } from '@loom-kin/core/change';
import { type Family, type Role, RoleSchema, familyIndex } from '@loom-kin/core/family';
import { familyPattern, proposeSkus } from '@loom-kin/core/identifiers';
import { Refusal, unreadableText } from '@loom-kin/core/refusal';
import { ROLE_LABELS } from '@loom-kin/core/registry';
import { dropDraft, keepDraft, readDraft } from '../common/drafts';
import { useSetup } from '../stores/setup';
import type { DraftValue } from '../weave/draftValues';

export interface DraftAxis {
  role: Role;
  label: string;
  text: string;
  values: DraftValue[];
}

const EMPTY = { name: '', brand: '', maker: '', taxCode: '', styleCode: '', category: '', price: '', pattern: '' };
export type TypedFamily = typeof EMPTY;

const ValueSchema = z.object({ label: z.string(), code: z.string(), swatch: z.string().optional() });
const KeptSchema = z.object({
  typed: z.object(Object.fromEntries(Object.keys(EMPTY).map((key) => [key, z.string()]))),
  axes: z.array(z.object({ role: RoleSchema, label: z.string(), text: z.string(), values: z.array(ValueSchema) })),
  off: z.array(z.string()),
});

const DRAFT = 'new-family';
/** More children than these: their SKUs are looked at a moment after somebody stopped typing. */
const LARGE = 200;
const REST = 250;

export function useFamilyDraft() {
  const setup = useSetup();
  const typed = reactive({ ...EMPTY });
  const axes = ref<DraftAxis[]>([]);
  const off = ref(new Set<string>());

  const isRestored = ref(restore());
  function restore(): boolean {
    const kept = readDraft(DRAFT, KeptSchema);
    if (!kept) return false;
    Object.assign(typed, kept.typed);
    axes.value = kept.axes as DraftAxis[];
    off.value = new Set(kept.off);
    return true;
  }
  watch(
    [typed, axes, off],
    () => {
      const isEmpty =
        `${typed.name}${typed.styleCode}${typed.price}` === '' && axes.value.every((axis) => axis.text === '');
      if (isEmpty) dropDraft(DRAFT);
      else keepDraft(DRAFT, JSON.stringify({ typed, axes: axes.value, off: [...off.value] }));
    },
    { deep: true },
  );
  function beginAnew(): void {
    Object.assign(typed, EMPTY);
    axes.value = [];
    off.value = new Set();
    isRestored.value = false;
    dropDraft(DRAFT);
  }

  /** Choosing a category suggests its axes, beside those that something was typed in; what another category suggested goes. */
  watch(
    () => typed.category,
    (id) => {
      const kept = axes.value.filter((axis) => axis.text !== '');
      const roles = (setup.registry.category(id)?.axes ?? []).filter(
        (role) => !kept.some((axis) => axis.role === role),
      );
      axes.value = [...kept, ...roles.map((role) => ({ role, label: ROLE_LABELS[role], text: '', values: [] }))];
    },
  );

  const filled = computed(() => axes.value.filter((axis) => axis.values.length > 0));
  const labelOf = ({ label, role }: DraftAxis) => label.trim() || ROLE_LABELS[role];
  const housePattern = computed(() => familyPattern(setup.registry.data.skuPattern, filled.value.map(labelOf)));
  const pattern = computed(() => typed.pattern || housePattern.value);
  const structure = computed((): Pick<CreateFamily, 'axes' | 'off' | 'skuPattern'> => ({
    axes: filled.value.map((axis) => ({ role: axis.role, label: labelOf(axis), values: axis.values })),
    off: [...off.value].map((key) => JSON.parse(key) as string[]),
    skuPattern: pattern.value,
  }));
  const spec = computed((): CreateFamily => {
    const { pattern: _pattern, ...fields } = { ...typed, styleCode: typed.styleCode.toUpperCase() };
    const given = Object.entries(fields).flatMap(([key, text]) => (text.trim() === '' ? [] : [[key, text.trim()]]));
    return {
      id: 'draft',
      ...structure.value,
      fields: { ...Object.fromEntries(given), name: typed.name.trim() || 'New family' },
    };
  });
  /** The weave depends on the axes alone: names and prices leave it as it is. */
  const draft = computed((): { family: Family | null; problem: string | null } => {
    try {
      requireSize(crossingsOf(filled.value.map((axis) => axis.values.length)));
      return {
        family: createFamily(setup.registry, { id: 'draft', fields: { name: 'New family' }, ...structure.value }),
        problem: null,
      };
    } catch (error) {
      return { family: null, problem: error instanceof Refusal ? error.message : 'These axes cannot be woven.' };
    }
  });
  const woven = computed(() => (draft.value.family ? familyIndex(draft.value.family).woven : []));

  const withStyle = (family: Family): Family => ({
    ...family,
    fields: { styleCode: typed.styleCode.trim().toUpperCase() },
  });
  const proposals = (count: number) =>
    draft.value.family && typed.styleCode.trim()
      ? proposeSkus(withStyle(draft.value.family), woven.value.slice(0, count), pattern.value, () => false)
      : [];
  const firstSkus = computed(() => proposals(3).map((one) => one.sku));
  const skuProblem = shallowRef<string | null>(null);
  function lookAtSkus(): void {
    const problem = proposals(Infinity).find((one) => one.problem)?.problem;
    skuProblem.value = problem ? unreadableText(problem) : null;
  }
  let resting: ReturnType<typeof setTimeout> | undefined;
  watch([draft, pattern, () => typed.styleCode], () => {
    clearTimeout(resting);
    if (woven.value.length <= LARGE) lookAtSkus();
    else resting = setTimeout(lookAtSkus, REST);
  });

  function toggle(places: Record<string, string>[], on: boolean): void {
    const { valueById } = familyIndex(draft.value.family!);
    const next = new Set(off.value);
    for (const at of places) {
      const labels = JSON.stringify(draft.value.family!.axes.map((axis) => valueById.get(at[axis.id]!)!.label));
      if (on) next.delete(labels);
      else next.add(labels);
    }
    off.value = next;
  }

  const missing = computed(() =>
    typed.name.trim() === ''
      ? 'Give it a name.'
      : typed.styleCode.trim() === ''
        ? 'Give it a style code: SKUs begin with it.'
        : typed.category === ''
          ? 'Choose a category.'
          : draft.value.problem,
  );
  return {
    typed,
    axes,
    off,
    filled,
    housePattern,
    spec,
    draft,
    firstSkus,
    skuProblem,
    missing,
    isRestored,
    toggle,
    beginAnew,
    forget: () => dropDraft(DRAFT),
    childCount: computed(() => woven.value.length),
  };
}
