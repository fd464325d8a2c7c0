<script setup lang="ts">
/** The axes of a family that is being started: each a role, a name and a pasted list of values, with their codes and swatches. */
import { computed, nextTick, ref } from 'vue';
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus';
import { ROLES, type Role } from '@loom-kin/core/family';
import { ROLE_LABELS } from '@loom-kin/core/registry';
import { useSetup } from '../stores/setup';
import { draftValues, splitList } from '../weave/draftValues';
import { roleNamed } from '../weave/roleNamed';
import ValuesEntry from '../weave/ValuesEntry.vue';
import type { DraftAxis } from './familyDraft';
import SwatchEntry from '../common/SwatchEntry.vue';

const axes = defineModel<DraftAxis[]>({ required: true });
/** While dressing, Tab steps into names, codes and swatches as well. */
const props = defineProps<{ dressing: boolean }>();
const emit = defineEmits<{ enter: [] }>();
const step = computed(() => (props.dressing ? 0 : -1));
const setup = useSetup();

const PLACEHOLDERS: Partial<Record<Role, string>> = {
  colour: 'Rust, Spruce, Midnight',
  size: 'S, M, L, XL',
  material: 'Unlined, Fleece-lined',
  pack: '1 pair, 3 pairs',
  volume: '300 ml, 500 ml',
  length: 'Regular, Long',
  pattern: 'Squall, Haar',
};

const dress = (axis: DraftAxis, before: DraftAxis['values'] = []) =>
  (axis.values = draftValues(setup.registry, splitList(axis.text), axis.role, before));
/** The text is set by the entry first. */
const typed = (axis: DraftAxis) => void nextTick(() => dress(axis, axis.values));
const entries = ref<InstanceType<typeof ValuesEntry>[]>([]);
/** Enter goes on to the next list that is still empty; where there is none, the family is begun. */
function entered(at: number): void {
  const next = axes.value.findIndex((axis, nth) => nth > at && axis.text.trim() === '');
  if (next < 0) emit('enter');
  else entries.value[next]?.focus();
}
function addAxis(): void {
  const role = ROLES.find((one) => !axes.value.some((axis) => axis.role === one)) ?? 'other';
  axes.value = [...axes.value, { role, label: ROLE_LABELS[role], text: '', values: [] }];
}
/** A name that says what an axis is about says so to the channels, too. */
function named(axis: DraftAxis, at: number): void {
  const role = roleNamed(setup.registry, axis.label);
  const isTaken = axes.value.some((one, other) => other !== at && one.role === role);
  if (role === undefined || role === axis.role || isTaken) return;
  axis.role = role;
  dress(axis);
}
function setRole(axis: DraftAxis, role: Role): void {
  if (axis.label === ROLE_LABELS[axis.role] || axis.label === '') axis.label = ROLE_LABELS[role];
  axis.role = role;
  dress(axis);
}
</script>

<template>
  <div v-for="(axis, at) in axes" :key="at" class="axis">
    <div class="axis-head">
      <ElSelect
        :model-value="axis.role"
        style="width: 96px"
        size="small"
        aria-label="What the axis is about"
        :tabindex="step"
        @update:model-value="(role: Role) => setRole(axis, role)"
      >
        <ElOption v-for="role in ROLES" :key="role" :value="role" :label="ROLE_LABELS[role]" />
      </ElSelect>
      <ElInput
        v-model="axis.label"
        size="small"
        style="width: 96px"
        aria-label="Name of the axis"
        :tabindex="step"
        :data-test="`axis-label-${at}`"
        @change="named(axis, at)"
      />
      <ValuesEntry
        ref="entries"
        v-model="axis.text"
        :role="axis.role"
        size="small"
        class="grow"
        :placeholder="PLACEHOLDERS[axis.role] ?? 'values, parted by commas'"
        aria-label="Values, parted by commas"
        :data-test="`axis-values-${at}`"
        @update:model-value="typed(axis)"
        @enter="entered(at)"
      />
      <ElButton
        size="small"
        text
        :tabindex="step"
        :aria-label="`Drop the axis ${axis.label}`"
        title="Drop this axis"
        @click="axes = axes.filter((one) => one !== axis)"
        >✕</ElButton
      >
    </div>
    <div v-if="axis.values.length" class="chips">
      <span v-for="value in axis.values" :key="value.label" class="chip">
        <SwatchEntry
          v-if="axis.role === 'colour'"
          :label="value.label"
          :swatch="value.swatch"
          :tabindex="step"
          @choose="value.swatch = $event"
        />
        {{ value.label }}
        <input
          v-model="value.code"
          class="code mono"
          maxlength="12"
          :tabindex="step"
          :aria-label="`Short code of ${value.label}`"
          @input="value.code = value.code.toUpperCase()"
        />
      </span>
    </div>
  </div>
  <ElButton v-if="axes.length < 6" text data-test="add-axis" @click="addAxis">+ Add an axis</ElButton>
</template>

<style scoped>
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
.code {
  width: 44px;
  border: 0;
  border-left: 1px solid var(--line);
  background: var(--sheet);
  padding: 1px 4px;
  color: var(--ink-soft);
}
</style>
