<script setup lang="ts">
/** How the weave is looked at: how large, what stands in the crossings, which axes run along the side and the top. */
import { computed, ref } from 'vue';
import type { Family } from '@loom-kin/core/family';
import Popup from '../common/Popup.vue';
import { useSetup } from '../stores/setup';
import { edgesFor, ZOOMS, type Edges } from './cloth';
import type { WeaveLook } from '@loom-kin/contract';

const props = defineProps<{ family: Family; look: WeaveLook }>();
const emit = defineEmits<{ change: [more: Partial<WeaveLook>] }>();
const setup = useSetup();

const at = ref<HTMLElement | null>(null);
const figures = computed(() =>
  setup.registry
    .fieldsAt('child', props.family.fields.category)
    .filter(
      (field) =>
        ['money', 'stock', 'weight', 'length', 'number', 'integer', 'choice', 'yesno', 'date', 'sku'].includes(
          field.type,
        ) && !field.onlyScoped,
    ),
);
const edges = computed(() => edgesFor(props.family.axes, props.look.edges));
const labelOf = (id: string) => props.family.axes.find((axis) => axis.id === id)?.label ?? '';

function place(id: string, side: keyof Edges, step: number): void {
  const now = { side: [...edges.value.side], top: [...edges.value.top] };
  const list = now[side];
  const from = list.indexOf(id);
  const other: keyof Edges = side === 'side' ? 'top' : 'side';
  if (step === 0) {
    list.splice(from, 1);
    now[other].push(id);
  } else {
    const to = from + step;
    if (to < 0 || to >= list.length) return;
    [list[from], list[to]] = [list[to]!, list[from]!];
  }
  emit('change', { edges: now });
}
</script>

<template>
  <span class="look">
    <label
      >Size
      <select
        :value="look.zoom"
        data-test="zoom"
        @change="emit('change', { zoom: Number(($event.target as HTMLSelectElement).value) })"
      >
        <option v-for="(zoom, nth) in ZOOMS" :key="zoom.name" :value="nth">{{ zoom.name }}</option>
      </select></label
    >
    <label
      >Shows
      <select
        :value="look.figure ?? ''"
        data-test="weave-figure"
        @change="emit('change', { figure: ($event.target as HTMLSelectElement).value || null })"
      >
        <option value="">How it stands</option>
        <option value="pictures">Picture</option>
        <option v-for="field in figures" :key="field.key" :value="field.key">{{ field.label }}</option>
      </select></label
    >
    <button
      v-if="family.axes.length > 1"
      class="link"
      aria-haspopup="dialog"
      data-test="edges"
      @click="at = $event.currentTarget as HTMLElement"
    >
      Side and top
    </button>
    <Popup v-if="at" :at="at" name="Axes along the side and the top" :width="270" @close="at = null">
      <div class="edges">
        <template v-for="side in ['side', 'top'] as const" :key="side">
          <h3>{{ side === 'side' ? 'Along the side' : 'Along the top' }}, the outermost first</h3>
          <p v-if="edges[side].length === 0" class="soft">none</p>
          <p v-for="(id, nth) in edges[side]" :key="id">
            <span class="grow">{{ labelOf(id) }}</span>
            <button
              class="link"
              :disabled="nth === 0"
              :aria-label="`${labelOf(id)} further out`"
              @click="place(id, side, -1)"
            >
              ↑
            </button>
            <button
              class="link"
              :disabled="nth === edges[side].length - 1"
              :aria-label="`${labelOf(id)} further in`"
              @click="place(id, side, 1)"
            >
              ↓
            </button>
            <button class="link" :data-test="`edge-${labelOf(id)}`" @click="place(id, side, 0)">
              {{ side === 'side' ? 'to the top' : 'to the side' }}
            </button>
          </p>
        </template>
        <button v-if="look.edges" class="link" @click="emit('change', { edges: null })">As usual</button>
      </div>
    </Popup>
  </span>
</template>

<style scoped>
.look {
  display: flex;
  gap: 10px;
  align-items: center;
  font-size: 12.5px;
  color: var(--ink-soft);
  white-space: nowrap;
}
select {
  font: inherit;
  color: var(--ink);
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 1px 3px;
  max-width: 118px;
}
.edges {
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding: 4px 6px;
}
.edges p {
  display: flex;
  gap: 10px;
}
button:disabled {
  color: var(--line);
}
</style>
