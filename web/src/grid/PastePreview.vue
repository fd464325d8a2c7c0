<script setup lang="ts">
/** What a pasted block would do, before it does: which rows are which children, what finds none, which identifiers would move. */
import { computed, nextTick, onMounted, ref } from 'vue';
import { ElButton } from 'element-plus';
import { placeLabel } from '@loom-kin/core/family';
import type { ClipReading } from '@loom-kin/core/intake';
import { children } from '@loom-kin/core/text';
import type { PasteOffer } from './useGridClipboard';
import type { GridView } from './useGridView';

const props = defineProps<{ offer: PasteOffer; view: GridView }>();
const emit = defineEmits<{ take: [reading: ClipReading]; close: [] }>();

const LISTED = 5;
const root = ref<HTMLElement>();
const BY = { options: 'options', sku: 'SKU', gtin: 'GTIN', place: 'place' } as const;
const name = (childId: string) => placeLabel(props.view.family.value, { level: 'child', childId });

const matched = computed(() => props.offer.matched);
const isMatched = computed(() => matched.value.by !== 'place');
/** Cells that say something else than what is shown. */
function changed(reading: ClipReading): number {
  return reading.cells.filter(({ childId, column, text }) => {
    const held = props.view.columnById.value.get(column.id);
    return held && props.view.text(childId, held).trim() !== text.trim();
  }).length;
}
const changes = computed(() => ({ matched: changed(matched.value), byPlace: changed(props.offer.byPlace) }));
const WHY = { unknown: 'no such child here', twice: 'stands in it twice', beyond: 'no child left' } as const;
const kinds = (reading: ClipReading) => [...new Set(reading.moved.map((one) => one.kind.toUpperCase()))].join(' and ');

onMounted(async () => {
  await nextTick();
  root.value?.querySelector('button')?.focus();
});
</script>

<template>
  <div
    ref="root"
    class="offer"
    role="dialog"
    aria-label="What is pasted"
    data-test="paste-offer"
    @keydown.esc.stop="emit('close')"
  >
    <p v-if="isMatched">
      <strong
        >{{ children(matched.childIds.length) }} found by {{ BY[matched.by]
        }}<template v-if="!matched.isInPlace">, in another order than here</template>.</strong
      >
      {{ changes.matched.toLocaleString('en') }} {{ changes.matched === 1 ? 'cell says' : 'cells say' }} something new.
      <template v-if="matched.unknownColumns.length"
        >Not known, and left: {{ matched.unknownColumns.join(', ') }}.</template
      >
    </p>
    <p v-if="matched.moved.length" class="warns">
      {{ matched.moved.length.toLocaleString('en') }} {{ kinds(matched) }} would go from one child to another: orders
      find goods by them.
    </p>
    <ul v-if="matched.moved.length">
      <li v-for="one in matched.moved.slice(0, LISTED)" :key="one.text">
        <span class="mono">{{ one.text }}</span>: {{ name(one.from) }} → {{ name(one.to) }}
      </li>
      <li v-if="matched.moved.length > LISTED" class="soft">
        and {{ (matched.moved.length - LISTED).toLocaleString('en') }} more
      </li>
    </ul>
    <template v-if="matched.lost.length">
      <p class="warns">
        {{ matched.lost.length === 1 ? 'One row is' : `${matched.lost.length.toLocaleString('en')} rows are` }} left
        out:
      </p>
      <ul>
        <li v-for="one in matched.lost.slice(0, LISTED)" :key="one.row">
          Row {{ one.row }}, {{ one.name || 'empty' }}: {{ WHY[one.why] }}
        </li>
        <li v-if="matched.lost.length > LISTED" class="soft">
          and {{ (matched.lost.length - LISTED).toLocaleString('en') }} more
        </li>
      </ul>
    </template>
    <p class="deeds">
      <ElButton
        type="primary"
        size="small"
        :disabled="matched.cells.length === 0"
        data-test="paste-take"
        @click="emit('take', matched)"
        >{{ isMatched ? `Put them there by ${BY[matched.by]}` : 'Move them' }}</ElButton
      >
      <ElButton
        v-if="isMatched && !matched.isInPlace"
        size="small"
        data-test="paste-by-place"
        @click="emit('take', offer.byPlace)"
        >By place instead<template v-if="offer.byPlace.moved.length"
          >: moves {{ offer.byPlace.moved.length }} {{ kinds(offer.byPlace) }}</template
        ></ElButton
      >
      <ElButton size="small" data-test="paste-leave" @click="emit('close')">Leave everything as it is</ElButton>
    </p>
  </div>
</template>

<style scoped>
.offer {
  padding: 8px 12px;
  font-size: 13px;
  background: var(--weld-pale);
  border-bottom: 1px solid var(--weld);
  display: flex;
  flex-direction: column;
  gap: 4px;
  max-height: 60%;
  overflow: auto;
}
ul {
  margin: 0;
  padding-left: 18px;
}
.deeds {
  display: flex;
  gap: 4px;
  padding-top: 2px;
}
</style>
