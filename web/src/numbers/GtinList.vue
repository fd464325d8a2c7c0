<script setup lang="ts">
/** A pasted list of GTINs for children that have none, in the order of the grid; what is wrong is told with its line. */
import { computed, ref } from 'vue';
import { ElButton } from 'element-plus';
import type { Command } from '@loom-kin/core/change';
import { type Child, childLabels } from '@loom-kin/core/family';
import { isOfBlock } from '@loom-kin/core/identifiers';
import { unreadableText } from '@loom-kin/core/refusal';
import { readFigure } from '@loom-kin/core/registry';
import { children, count } from '@loom-kin/core/text';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';

const props = defineProps<{ bare: readonly Child[] }>();
const store = useFamily();
const setup = useSetup();
const pasted = ref('');

const list = computed(() =>
  pasted.value
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map((text, at) => ({ line: at + 1, read: readFigure(setup.registry, setup.registry.field('gtin')!, text) })),
);
const wrong = computed(() =>
  list.value.flatMap(({ line, read }) => (read.ok ? [] : [`Number ${line}: ${unreadableText(read)}`])),
);
const over = computed(() => Math.max(0, list.value.length - props.bare.length));
/** Numbers of somebody else's prefix: a maker's own are right, a slip is not. */
const foreign = computed(() => {
  const { numberBlocks } = setup.registry.data;
  if (numberBlocks.length === 0) return 0;
  return list.value.filter(
    ({ read }) => read.ok && !numberBlocks.some((block) => isOfBlock(block, String(read.figure))),
  ).length;
});
const pairs = computed(() =>
  list.value.slice(0, 3).flatMap(({ read }, at) => {
    const child = props.bare[at];
    return read.ok && child ? [`${childLabels(store.family!, child).join(' · ')}: ${String(read.figure)}`] : [];
  }),
);
function take(): void {
  const changes: Extract<Command, { do: 'setFigures' }>['changes'] = list.value.flatMap(({ read }, at) => {
    const child = props.bare[at];
    return read.ok && child
      ? [{ place: { level: 'child' as const, childId: child.id }, key: 'gtin', figure: read.figure }]
      : [];
  });
  if (changes.length > 0 && store.run({ do: 'setFigures', changes })) pasted.value = '';
}
</script>

<template>
  <label class="soft"
    >Or a list, in the order of the grid
    <textarea v-model="pasted" rows="3" class="mono" placeholder="one number a line" data-test="gtin-list" />
  </label>
  <p v-if="wrong.length" class="stops" data-test="gtin-wrong">
    {{ wrong.slice(0, 3).join(' ') }}<template v-if="wrong.length > 3"> And {{ wrong.length - 3 }} more.</template>
  </p>
  <p v-if="over" class="warns">
    {{ count(over, 'number') }} too many: {{ children(bare.length) }} {{ bare.length === 1 ? 'has' : 'have' }} none.
  </p>
  <p v-if="foreign" class="warns" data-test="gtin-foreign">
    {{ count(foreign, 'number') }} {{ foreign === 1 ? 'is' : 'are' }} of none of your blocks: right if the goods are
    another maker's.
  </p>
  <template v-if="list.length">
    <p v-if="pairs.length" class="mono soft">
      {{ pairs.join(', ') }}<template v-if="list.length > pairs.length"> …</template>
    </p>
    <ElButton size="small" type="primary" data-test="take-list" :disabled="wrong.length > 0 || over > 0" @click="take"
      >Give {{ count(list.length, 'number') }} out</ElButton
    >
  </template>
</template>

<style scoped>
textarea {
  display: block;
  width: 100%;
  border: 1px solid var(--line);
  padding: 4px 6px;
  resize: vertical;
  color: inherit;
}
</style>
