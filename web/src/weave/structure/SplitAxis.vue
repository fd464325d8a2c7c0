<script setup lang="ts">
/** An axis made two: "Rust/Fleece" at a sign, each part put right by hand where it is wrong. */
import { computed, ref, watch } from 'vue';
import { ElOption, ElSelect } from 'element-plus';
import { partLabels } from '@loom-kin/core/axes';
import type { Command } from '@loom-kin/core/change';
import { type Axis, ROLES, type Role } from '@loom-kin/core/family';
import { openHeaders } from '@loom-kin/core/intake';
import { ROLE_LABELS } from '@loom-kin/core/registry';
import { useSetup } from '../../stores/setup';
import StructureChange from './StructureChange.vue';

const props = defineProps<{ axis: Axis }>();
const emit = defineEmits<{ done: [] }>();
/** Signs that options are joined by, the likeliest first. */
const SIGNS = [' / ', '/', ' - ', ' – ', ', ', ' + ', ' & ', '|', '_', '-', ' '];
const sign = ref('');
const into = ref<[{ role: Role; label: string }, { role: Role; label: string }]>([
  { role: 'other', label: '' },
  { role: 'other', label: '' },
]);
const byHand = ref<Record<string, [string, string]>>({});
watch(
  () => props.axis.id,
  () => {
    const found = SIGNS.find(
      (one) => Object.keys(partLabels(props.axis.values, one)).length === props.axis.values.length,
    );
    const most = SIGNS.find((one) => Object.keys(partLabels(props.axis.values, one)).length > 0);
    sign.value = found ?? most ?? '/';
    // "Colour / Lining" says itself how the two are called.
    const [first, second] = partLabels([{ id: 'it', label: props.axis.label } as never], sign.value).it ?? [];
    into.value = [
      { role: props.axis.role, label: first ?? props.axis.label },
      { role: 'other', label: second ?? '' },
    ];
    byHand.value = {};
  },
  { immediate: true },
);
const setup = useSetup();
/** What an axis of a name is about, as its name says. */
watch(
  () => into.value[1].label,
  (label) => {
    const meant = openHeaders(setup.registry)(label)?.meaning;
    if (meant?.is === 'option') into.value[1].role = meant.role;
  },
);
const parts = computed(() => ({ ...partLabels(props.axis.values, sign.value), ...byHand.value }));
const partsOf = (id: string): [string, string] => parts.value[id] ?? ['', ''];
function put(id: string, nth: 0 | 1, event: Event): void {
  const now: [string, string] = [...partsOf(id)];
  now[nth] = (event.target as HTMLInputElement).value;
  byHand.value = { ...byHand.value, [id]: now };
}
const command = computed<Command | null>(() =>
  into.value.some(({ label }) => label.trim() === '')
    ? null
    : { do: 'splitAxis', axisId: props.axis.id, into: into.value, parts: parts.value },
);
</script>

<template>
  <StructureChange :title="`Split ${axis.label} into two axes`" :command="command" deed="Split" @done="emit('done')">
    <div class="line">
      <label>At the sign <input v-model="sign" class="short" maxlength="10" data-test="split-sign" /></label>
    </div>
    <div v-for="(one, nth) in into" :key="nth" class="line">
      <label
        >{{ nth === 0 ? 'First' : 'Second' }}
        <input v-model="one.label" maxlength="40" :placeholder="'How it is called'" :data-test="`split-label-${nth}`"
      /></label>
      <ElSelect
        v-model="one.role"
        size="small"
        style="width: 120px"
        :aria-label="`What the ${nth === 0 ? 'first' : 'second'} is about`"
      >
        <ElOption v-for="role in ROLES" :key="role" :value="role" :label="ROLE_LABELS[role]" />
      </ElSelect>
    </div>
    <p v-if="!command" class="soft">Say how the second axis is called.</p>
    <template #choices>
      <table class="parts">
        <tbody>
          <tr v-for="value in axis.values" :key="value.id">
            <th scope="row">{{ value.label }}</th>
            <td v-for="nth in [0, 1] as const" :key="nth">
              <input
                :value="partsOf(value.id)[nth]"
                maxlength="80"
                :class="{ missing: partsOf(value.id)[nth].trim() === '' }"
                :aria-label="`${nth === 0 ? 'First' : 'Second'} part of ${value.label}`"
                @change="put(value.id, nth, $event)"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </template>
  </StructureChange>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
}
input {
  font: inherit;
  width: 130px;
}
.short {
  width: 50px;
}
.parts {
  padding: 6px 12px;
  width: 100%;
  border-bottom: 1px solid var(--line);
}
.parts th {
  text-align: left;
  font-weight: 400;
}
.parts input {
  width: 100%;
  border: 1px solid var(--line);
  padding: 1px 4px;
}
.missing {
  border-color: var(--stops) !important;
}
</style>
