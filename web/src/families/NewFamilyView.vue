<script setup lang="ts">
/** Starting a family: what it is, its axes as pasted lists, and the weave at once. */
import { computed, reactive, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus';
import {
  createFamily,
  familyIndex,
  proposeSkus,
  Refusal,
  ROLE_LABELS,
  ROLES,
  unreadableText,
  usualPattern,
  type CreateFamily,
  type Family,
  type Role,
} from '@loom-kin/core';
import { makeChange } from '@loom-kin/contract';
import { api, call, tell } from '../api';
import { useSetup } from '../stores/setup';
import Weave from '../weave/Weave.vue';
import { draftValues, splitList, type DraftValue } from '../weave/draftValues';

interface DraftAxis {
  role: Role;
  label: string;
  text: string;
  values: DraftValue[];
}

const router = useRouter();
const setup = useSetup();
void setup.ensure();
const name = ref('');
const brand = ref('');
const brands = computed(() => setup.registry.data.remembered.brand);
/** Most families of a seller have the brand of the one before. */
watch(
  brands,
  (known) => {
    if (brand.value === '') brand.value = known[0] ?? '';
  },
  { immediate: true },
);
const styleCode = ref('');
const category = ref('');
const price = ref('');
const axes = reactive<DraftAxis[]>([]);
const off = ref(new Set<string>());
const pattern = ref('');
const likes = ref<{ id: string; name: string; styleCode: string; why: string }[]>([]);
const saving = ref(false);

const PLACEHOLDERS: Partial<Record<Role, string>> = {
  colour: 'Rust, Spruce, Midnight',
  size: 'S, M, L, XL',
  material: 'Unlined, Fleece-lined',
  pack: '1 pair, 3 pairs',
  volume: '300 ml, 500 ml',
  length: 'Regular, Long',
  pattern: 'Squall, Haar',
};
/** Choosing a category suggests its axes, unless something was typed already. */
watch(category, (id) => {
  if (axes.some((axis) => axis.text)) return;
  axes.splice(
    0,
    axes.length,
    ...(setup.registry.category(id)?.axes ?? []).map((role) => ({
      role,
      label: ROLE_LABELS[role],
      text: '',
      values: [],
    })),
  );
});
const addAxis = () => {
  const role = ROLES.find((one) => !axes.some((axis) => axis.role === one)) ?? 'other';
  axes.push({ role, label: ROLE_LABELS[role], text: '', values: [] });
};
function setRole(axis: DraftAxis, role: Role): void {
  if (axis.label === ROLE_LABELS[axis.role] || axis.label === '') axis.label = ROLE_LABELS[role];
  axis.role = role;
  axis.values = draftValues(setup.registry, splitList(axis.text), role);
}
const typed = (axis: DraftAxis) =>
  (axis.values = draftValues(setup.registry, splitList(axis.text), axis.role, axis.values));

const filled = computed(() => axes.filter((axis) => axis.values.length > 0));
const spec = computed((): CreateFamily => ({
  id: 'draft',
  fields: {
    name: name.value.trim() || 'New family',
    ...(brand.value.trim() ? { brand: brand.value.trim() } : {}),
    ...(styleCode.value.trim() ? { styleCode: styleCode.value.trim().toUpperCase() } : {}),
    ...(category.value ? { category: category.value } : {}),
    ...(price.value.trim() ? { price: price.value.trim() } : {}),
  },
  axes: filled.value.map(({ role, label, values }) => ({ role, label: label.trim() || ROLE_LABELS[role], values })),
  off: [...off.value].map((key) => JSON.parse(key) as string[]),
  skuPattern: pattern.value || usualPattern(filled.value.map((axis) => axis.label)),
}));
const draft = computed((): { family: Family | null; problem: string | null } => {
  try {
    return { family: createFamily(setup.registry, spec.value), problem: null };
  } catch (error) {
    return { family: null, problem: error instanceof Refusal ? error.message : 'These axes cannot be woven.' };
  }
});
const woven = computed(() => (draft.value.family ? familyIndex(draft.value.family).woven : []));
const skus = computed(() =>
  draft.value.family && styleCode.value.trim()
    ? proposeSkus(draft.value.family, woven.value, spec.value.skuPattern!, new Set())
    : [],
);
const skuProblem = computed(() => {
  const problem = skus.value.find((one) => one.problem)?.problem;
  return problem && unreadableText(problem);
});

function toggle(crossings: Record<string, string>[], on: boolean): void {
  const family = draft.value.family!;
  const next = new Set(off.value);
  for (const at of crossings) {
    const key = JSON.stringify(family.axes.map((axis) => axis.values.find((value) => value.id === at[axis.id])!.label));
    if (on) next.delete(key);
    else next.add(key);
  }
  off.value = next;
}

/** Families that look like this one, asked for while somebody types: an answer that comes late is not shown. */
let asking: AbortController | null = null;
watch([name, styleCode], async () => {
  asking?.abort();
  const mine = (asking = new AbortController());
  if (name.value.trim().length < 3 && styleCode.value.trim().length < 2) return void (likes.value = []);
  try {
    const found = await call(api.likeFamilies, {
      query: { name: name.value, styleCode: styleCode.value },
      signal: mine.signal,
    });
    if (!mine.signal.aborted) likes.value = found;
  } catch (error) {
    if (!mine.signal.aborted) tell(error);
  }
});

const missing = computed(() =>
  name.value.trim() === ''
    ? 'Give it a name.'
    : styleCode.value.trim() === ''
      ? 'Give it a style code: SKUs begin with it.'
      : category.value === ''
        ? 'Choose a category.'
        : draft.value.problem,
);

async function start(): Promise<void> {
  if (missing.value) return;
  saving.value = true;
  try {
    const { id: _draft, ...family } = spec.value;
    const done = await makeChange(call, [{ on: 'start', family }]);
    const id = done.started[0]!;
    const made = await call(api.family, { params: { id } });
    const childIds = familyIndex(made.family).woven.map((child) => child.id);
    // A clash of SKUs with another family must not lose the family: it is told, and the family opens without them.
    if (childIds.length > 0) await makeChange(call, [{ on: 'skus', familyId: id, childIds }]).catch(tell);
    await setup.reload();
    await router.push(`/families/${id}`);
  } catch (error) {
    tell(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <section class="view">
    <div class="view-head">
      <h1>Start a family</h1>
      <div class="grow" />
      <span class="soft">{{ missing }}</span>
      <ElButton @click="router.push('/families')">Leave</ElButton>
      <ElButton type="primary" :disabled="missing !== null" :loading="saving" data-test="create" @click="start"
        >Start with {{ woven.length }} children</ElButton
      >
    </div>
    <div class="columns">
      <form class="sheet part" @submit.prevent="start">
        <label
          >Name
          <ElInput
            v-model="name"
            maxlength="200"
            autofocus
            data-test="name"
            placeholder="Without colours and sizes: those are added per child"
        /></label>
        <div v-if="likes.length" class="likes" role="status" data-test="likes">
          <p v-for="like in likes" :key="like.id">
            <RouterLink :to="`/families/${like.id}`">{{ like.name }}</RouterLink>
            <span class="mono">{{ like.styleCode }}</span> {{ like.why }}. Is it the same?
          </p>
        </div>
        <div class="two">
          <label
            >Brand
            <ElInput v-model="brand" maxlength="80" list="brands" data-test="brand" />
            <datalist id="brands"><option v-for="one in brands" :key="one" :value="one" /></datalist>
          </label>
          <label>Style code <ElInput v-model="styleCode" maxlength="24" class="mono" data-test="style" /></label>
        </div>
        <div class="two">
          <label
            >Category
            <ElSelect v-model="category" filterable placeholder="What is it mainly for?" data-test="category">
              <ElOption
                v-for="{ category: one } in setup.registry.tree"
                :key="one.id"
                :value="one.id"
                :label="setup.registry.pathLabel(one.id)"
              />
            </ElSelect>
          </label>
          <label>Price for all <ElInput v-model="price" placeholder="can be filled later" data-test="price" /></label>
        </div>
        <div v-for="(axis, at) in axes" :key="at" class="axis">
          <div class="axis-head">
            <ElSelect
              :model-value="axis.role"
              style="width: 96px"
              size="small"
              aria-label="What the axis is about"
              @update:model-value="(role: Role) => setRole(axis, role)"
            >
              <ElOption v-for="role in ROLES" :key="role" :value="role" :label="ROLE_LABELS[role]" />
            </ElSelect>
            <ElInput
              v-model="axis.label"
              size="small"
              style="width: 96px"
              aria-label="Name of the axis"
              :data-test="`axis-label-${at}`"
            />
            <ElInput
              v-model="axis.text"
              size="small"
              class="grow"
              :placeholder="PLACEHOLDERS[axis.role] ?? 'values, parted by commas'"
              aria-label="Values, parted by commas"
              :data-test="`axis-values-${at}`"
              @input="typed(axis)"
            />
            <ElButton size="small" text title="Drop this axis" @click="axes.splice(at, 1)">✕</ElButton>
          </div>
          <div v-if="axis.values.length" class="chips">
            <span v-for="value in axis.values" :key="value.label" class="chip">
              <input
                v-if="axis.role === 'colour'"
                v-model="value.swatch"
                type="color"
                :aria-label="`Swatch of ${value.label}`"
              />
              {{ value.label }}
              <input
                v-model="value.code"
                class="code mono"
                maxlength="12"
                :aria-label="`Short code of ${value.label}`"
                @input="value.code = value.code.toUpperCase()"
              />
            </span>
          </div>
        </div>
        <ElButton v-if="axes.length < 6" text data-test="add-axis" @click="addAxis">+ Add an axis</ElButton>
        <label v-if="filled.length"
          >SKU pattern
          <ElInput v-model="pattern" class="mono" :placeholder="usualPattern(filled.map((axis) => axis.label))"
        /></label>
        <p v-if="skus.length" class="soft mono">
          {{
            skus
              .slice(0, 3)
              .map((one) => one.sku)
              .join('  ')
          }}
          …
        </p>
        <p v-if="skuProblem" class="warns">{{ skuProblem }}</p>
      </form>
      <div class="sheet part">
        <h2>The weave</h2>
        <p class="soft">Click crossings that do not exist, or a whole row or column, to take them out.</p>
        <p v-if="draft.problem" class="stops">{{ draft.problem }}</p>
        <Weave v-if="draft.family && filled.length" :family="draft.family" weaving @toggle="toggle" />
        <p v-else-if="!draft.problem" class="soft">
          It appears as soon as an axis has values. Without an axis the family is a single product.
        </p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 460px minmax(0, 1fr);
  gap: 12px;
  padding: 0 20px 16px;
  flex: 1;
  min-height: 0;
}
.part {
  padding: 14px 16px;
  display: flex;
  flex-direction: column;
  gap: 10px;
  overflow: auto;
}
label {
  display: flex;
  flex-direction: column;
  gap: 3px;
  font-size: 12px;
  color: var(--ink-soft);
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.axis {
  border-top: 1px solid var(--line-soft);
  padding-top: 8px;
}
.axis-head {
  display: flex;
  gap: 6px;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  margin-top: 6px;
}
.chip {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  border: 1px solid var(--line);
  padding: 1px 4px 1px 5px;
  font-size: 13px;
  background: var(--ground);
}
.chip input[type='color'] {
  width: 16px;
  height: 16px;
  padding: 0;
  border: 1px solid #0003;
  background: none;
}
.code {
  width: 44px;
  border: 0;
  border-left: 1px solid var(--line);
  background: var(--sheet);
  padding: 1px 4px;
  color: var(--ink-soft);
}
.likes {
  background: var(--warns-pale);
  padding: 6px 10px;
  font-size: 13px;
}
.likes p {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: baseline;
}
</style>
