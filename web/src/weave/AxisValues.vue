<script setup lang="ts">
/** The values of an axis, one a line: label, short code, swatch, and its place, dragged or moved by a press. */
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import Sortable from 'sortablejs';
import { GripVertical } from 'lucide-vue-next';
import type { Axis, Value } from '@loom-kin/core/family';
import { areSizes, sortSizes } from '@loom-kin/core/size';
import Entry from '../common/Entry.vue';
import SwatchEntry from '../common/SwatchEntry.vue';
import { useFamily } from '../stores/family';

const props = defineProps<{ axis: Axis }>();
const store = useFamily();

const childrenOf = (value: Value) =>
  store.index?.woven.filter((child) => child.at[props.axis.id] === value.id).length ?? 0;
const edit = (value: Value, to: { label?: string; code?: string; swatch?: string }) =>
  store.run({ do: 'editValue', axisId: props.axis.id, valueId: value.id, ...to });
const order = (valueIds: string[]) => store.run({ do: 'orderValues', axisId: props.axis.id, valueIds });
function move(from: number, to: number): void {
  const ids = props.axis.values.map(({ id }) => id);
  const [id] = ids.splice(from, 1);
  ids.splice(to, 0, id!);
  order(ids);
}

/** The order of sizes, where the values are sizes and stand otherwise. */
const sorted = computed(() => {
  const labels = props.axis.values.map(({ label }) => label);
  if (props.axis.role !== 'size' || !areSizes(labels)) return null;
  const wanted = sortSizes(labels);
  return wanted.join('\n') === labels.join('\n') ? null : wanted;
});
const sortNow = () => order(sorted.value!.map((label) => props.axis.values.find((value) => value.label === label)!.id));

const list = ref<HTMLElement>();
let sortable: Sortable | null = null;
onMounted(() => {
  sortable = Sortable.create(list.value!, {
    ...{
      handle: '.grip',
      draggable: '.line',
      animation: matchMedia('(prefers-reduced-motion: reduce)').matches ? 0 : 120,
    },
    onEnd({ oldIndex, newIndex, item, from }) {
      if (oldIndex === undefined || newIndex === undefined || oldIndex === newIndex) return;
      // The page draws the order itself: what was dragged goes back first.
      item.remove();
      from.insertBefore(item, from.children[oldIndex] ?? null);
      move(oldIndex, newIndex);
    },
  });
});
onBeforeUnmount(() => sortable?.destroy());
</script>

<template>
  <div ref="list" class="values" :data-test="`values-${axis.label}`">
    <div v-for="(value, number) in axis.values" :key="value.id" class="line">
      <span class="grip soft" title="Drag to another place" :data-test="`grip-${value.label}`"
        ><GripVertical :size="14"
      /></span>
      <SwatchEntry
        v-if="axis.role === 'colour'"
        :label="value.label"
        :swatch="value.swatch"
        @choose="edit(value, { swatch: $event })"
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
      <button class="plain arrow" :disabled="number === 0" title="Earlier" @click="move(number, number - 1)">↑</button>
      <button
        class="plain arrow"
        :disabled="number === axis.values.length - 1"
        title="Later"
        @click="move(number, number + 1)"
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
  <button v-if="sorted" class="link small" :data-test="`sort-${axis.label}`" @click="sortNow">Put in size order</button>
</template>

<style scoped>
.values {
  max-height: 300px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 3px;
}
.line {
  display: flex;
  gap: 6px;
  align-items: center;
}
.grip {
  cursor: grab;
  line-height: 0;
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
</style>
