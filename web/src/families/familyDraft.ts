/** A family while it is being started: what was typed, the family that it makes, and what is still missing. */
import { computed, reactive, ref, watch } from 'vue';
import {
  createFamily,
  crossingsOf,
  familyIndex,
  mindSize,
  proposeSkus,
  Refusal,
  ROLE_LABELS,
  unreadableText,
  usualPattern,
  type CreateFamily,
  type Family,
  type Role,
} from '@loom-kin/core';
import { useSetup } from '../stores/setup';
import type { DraftValue } from '../weave/draftValues';

export interface DraftAxis {
  role: Role;
  label: string;
  text: string;
  values: DraftValue[];
}

/** More crossings than these are counted while somebody types, and neither woven nor drawn. */
const DRAWN_AT_MOST = 2000;

export function useFamilyDraft() {
  const setup = useSetup();
  const typed = reactive({ name: '', brand: '', styleCode: '', category: '', price: '', pattern: '' });
  const axes = ref<DraftAxis[]>([]);
  const off = ref(new Set<string>());

  /** Most families of a seller have the brand of the one before. */
  watch(
    () => setup.registry.data.remembered.brand,
    (known) => {
      if (typed.brand === '') typed.brand = known[0] ?? '';
    },
    { immediate: true },
  );
  /** Choosing a category suggests its axes, unless something was typed already. */
  watch(
    () => typed.category,
    (id) => {
      if (axes.value.some((axis) => axis.text)) return;
      const roles = setup.registry.category(id)?.axes ?? [];
      axes.value = roles.map((role) => ({ role, label: ROLE_LABELS[role], text: '', values: [] }));
    },
  );

  const filled = computed(() => axes.value.filter((axis) => axis.values.length > 0));
  const spec = computed((): CreateFamily => {
    const fields = Object.entries({ ...typed, styleCode: typed.styleCode.toUpperCase() }).map(
      ([key, text]) => [key, text.trim()] as const,
    );
    return {
      id: 'draft',
      fields: {
        ...Object.fromEntries(fields.filter(([key, text]) => key !== 'pattern' && text !== '')),
        name: typed.name.trim() || 'New family',
      },
      axes: filled.value.map(({ role, label, values }) => ({ role, label: label.trim() || ROLE_LABELS[role], values })),
      off: [...off.value].map((key) => JSON.parse(key) as string[]),
      skuPattern: typed.pattern || usualPattern(filled.value.map((axis) => axis.label)),
    };
  });
  const crossings = computed(() => crossingsOf(filled.value.map((axis) => axis.values.length)));
  const isDrawn = computed(() => crossings.value <= DRAWN_AT_MOST);
  const draft = computed((): { family: Family | null; problem: string | null } => {
    try {
      // A large one is only checked: one of its crossings stands for all.
      const { axes: all, ...rest } = spec.value;
      const checked = isDrawn.value ? all : all.map((axis) => ({ ...axis, values: axis.values.slice(0, 1) }));
      mindSize(crossings.value);
      const family = createFamily(setup.registry, { ...rest, axes: checked, off: isDrawn.value ? rest.off : [] });
      return { family: isDrawn.value ? family : null, problem: null };
    } catch (error) {
      return { family: null, problem: error instanceof Refusal ? error.message : 'These axes cannot be woven.' };
    }
  });
  const woven = computed(() => (draft.value.family ? familyIndex(draft.value.family).woven : []));
  const childCount = computed(() => (isDrawn.value ? woven.value.length : crossings.value));
  const skus = computed(() =>
    draft.value.family && typed.styleCode.trim()
      ? proposeSkus(draft.value.family, woven.value, spec.value.skuPattern!, new Set())
      : [],
  );
  const skuProblem = computed(() => {
    const problem = skus.value.find((one) => one.problem)?.problem;
    return problem && unreadableText(problem);
  });

  function toggle(places: Record<string, string>[], on: boolean): void {
    const family = draft.value.family!;
    const next = new Set(off.value);
    for (const at of places) {
      const labels = family.axes.map((axis) => axis.values.find((value) => value.id === at[axis.id])!.label);
      if (on) next.delete(JSON.stringify(labels));
      else next.add(JSON.stringify(labels));
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
  return { typed, axes, filled, spec, draft, childCount, isDrawn, skus, skuProblem, toggle, missing };
}
