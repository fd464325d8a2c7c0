<script setup lang="ts">
/** One axis: its name, its place, its values. Every change keeps what the children hold. */
import { computed, ref } from 'vue';
import { ElButton, ElOption, ElSelect } from 'element-plus';
import { ROLE_LABELS, ROLES, type Axis, type Role, type Value } from '@loom-kin/core';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { draftValues, splitList } from './draftValues';
import ValuesEntry from './ValuesEntry.vue';
import Entry from '../common/Entry.vue';
import PopupButton from '../common/PopupButton.vue';

const props = defineProps<{ axis: Axis; at: number; count: number }>();
const emit = defineEmits<{ remove: [] }>();
const store = useFamily();
const setup = useSetup();
const more = ref('');

const childrenOf = (value: Value) =>
  store.index?.woven.filter((child) => child.at[props.axis.id] === value.id).length ?? 0;
const drafts = computed(() => draftValues(setup.registry, splitList(more.value), props.axis.role));

function add(): void {
  if (drafts.value.length === 0) return;
  const used = new Set(props.axis.values.map((value) => value.code));
  const values = drafts.value.map(({ code, ...value }) => (used.has(code) ? value : { ...value, code }));
  if (store.run({ do: 'addValues', axisId: props.axis.id, values })) more.value = '';
}
const edit = (value: Value, to: { label?: string; code?: string; swatch?: string }) =>
  store.run({ do: 'editValue', axisId: props.axis.id, valueId: value.id, ...to });
function shift(value: Value, by: number): void {
  const ids = props.axis.values.map((one) => one.id);
  const from = ids.indexOf(value.id);
  ids.splice(from, 1);
  ids.splice(Math.max(0, from + by), 0, value.id);
  store.run({ do: 'orderValues', axisId: props.axis.id, valueIds: ids });
}
const text = (event: Event) => (event.target as HTMLInputElement).value;
</script>

<template>
  <PopupButton :name="`The axis ${axis.label}`" :width="440" :data-test="`axis-${axis.label}`">
    <template #label
      >{{ axis.label }} <span class="soft">&nbsp;{{ axis.values.length }}</span></template
    >
    <template #default="{ close }">
      <div class="menu">
        <div class="line">
          <Entry
            class="field grow"
            :value="axis.label"
            maxlength="40"
            aria-label="Name of the axis"
            @commit="(label) => label.trim() && store.run({ do: 'renameAxis', axisId: axis.id, label })"
          />
          <ElSelect
            :model-value="axis.role"
            size="small"
            style="width: 120px"
            aria-label="What the axis is about"
            @update:model-value="
              (role: Role) => store.run({ do: 'renameAxis', axisId: axis.id, label: axis.label, role })
            "
          >
            <ElOption v-for="role in ROLES" :key="role" :value="role" :label="ROLE_LABELS[role]" />
          </ElSelect>
          <ElButton
            size="small"
            :disabled="at === 0"
            title="Move before"
            @click="store.run({ do: 'moveAxis', axisId: axis.id, to: at - 1 })"
            >←</ElButton
          >
          <ElButton
            size="small"
            :disabled="at === count - 1"
            title="Move behind"
            @click="store.run({ do: 'moveAxis', axisId: axis.id, to: at + 1 })"
            >→</ElButton
          >
        </div>
        <div class="values">
          <div v-for="(value, number) in axis.values" :key="value.id" class="line">
            <input
              v-if="axis.role === 'colour'"
              type="color"
              :value="value.swatch ?? '#B8BDB8'"
              :aria-label="`Swatch of ${value.label}`"
              @change="edit(value, { swatch: text($event) })"
            />
            <Entry
              class="field grow"
              :value="value.label"
              maxlength="80"
              :aria-label="`Label of ${value.label}`"
              :data-test="`label-${value.label}`"
              @commit="(label) => edit(value, { label })"
            />
            <Entry
              class="field mono code"
              :value="value.code"
              maxlength="12"
              :aria-label="`Short code of ${value.label}`"
              @commit="(code) => edit(value, { code })"
            />
            <span class="soft small">{{ childrenOf(value) }}</span>
            <button class="plain arrow" :disabled="number === 0" title="Earlier" @click="shift(value, -1)">↑</button>
            <button
              class="plain arrow"
              :disabled="number === axis.values.length - 1"
              title="Later"
              @click="shift(value, 1)"
            >
              ↓
            </button>
            <button
              class="plain arrow stops"
              title="Remove this value; its children are kept on the shelf"
              :data-test="`remove-${value.label}`"
              @click="store.run({ do: 'removeValues', axisId: axis.id, valueIds: [value.id] })"
            >
              ✕
            </button>
          </div>
        </div>
        <form class="line" @submit.prevent="add">
          <ValuesEntry
            v-model="more"
            :role="axis.role"
            :taken="axis.values.map((value) => value.label)"
            @enter="add"
            size="small"
            class="grow"
            placeholder="Add values, parted by commas"
            :data-test="`add-values-${axis.label}`"
          />
          <ElButton size="small" native-type="submit" :disabled="drafts.length === 0"
            >Add {{ drafts.length || '' }}</ElButton
          >
        </form>
        <p class="soft small">A value that comes back under its old label brings its children with it, SKUs and all.</p>
        <div class="line">
          <div class="grow" />
          <ElButton
            size="small"
            type="danger"
            plain
            :data-test="`remove-axis-${axis.label}`"
            @click="(close(), emit('remove'))"
            >Remove the axis…</ElButton
          >
        </div>
      </div>
    </template>
  </PopupButton>
</template>

<style scoped>
.menu {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.line {
  display: flex;
  gap: 6px;
  align-items: center;
}
.values {
  max-height: 300px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 3px;
}
.field {
  font: inherit;
  border: 1px solid var(--line);
  padding: 2px 6px;
  min-width: 0;
  color: inherit;
  border-radius: 2px;
}
.code {
  width: 62px;
}
.small {
  font-size: 12px;
}
.arrow {
  padding: 0 4px;
}
.arrow:disabled {
  color: var(--line);
  cursor: default;
}
input[type='color'] {
  width: 22px;
  height: 22px;
  padding: 0;
  border: 1px solid #0003;
  background: none;
  flex: none;
}
</style>
