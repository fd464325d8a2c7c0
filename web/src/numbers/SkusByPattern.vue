<script setup lang="ts">
/** SKUs by a pattern: written, looked at on the children, made. A SKU that an account lists stays as it is. */
import { ElButton, ElCheckbox } from 'element-plus';
import { skuMarks } from '@loom-kin/core/identifiers';
import { children, count } from '@loom-kin/core/text';
import type { SkuPreview } from '@loom-kin/contract';
import { useFamily } from '../stores/family';
import PatternEditor from './PatternEditor.vue';

const props = defineProps<{ preview: SkuPreview | null; problem: string; bare: number; loose: number }>();
const pattern = defineModel<string>('pattern', { required: true });
const anew = defineModel<boolean>('anew', { required: true });
const store = useFamily();

const good = () => (props.preview?.proposals ?? []).filter((one) => !one.problem);
const bad = () => (props.preview?.proposals ?? []).length - good().length;
const changed = () => good().filter(({ childId, sku }) => store.family!.children[childId]?.fields.sku !== sku);

function make(): void {
  const skus = changed();
  const kept =
    pattern.value === store.family!.skuPattern ? [] : [{ do: 'setSkuPattern' as const, pattern: pattern.value }];
  const changes = skus.map(({ childId, sku }) => ({
    place: { level: 'child' as const, childId },
    key: 'sku',
    figure: sku,
  }));
  const set = changes.length > 0 ? [{ do: 'setFigures' as const, changes }] : [];
  const title = changes.length > 0 ? `Make ${count(changes.length, 'SKU')}` : 'Keep the SKU pattern';
  if (store.run({ do: 'batch', title, commands: [...kept, ...set] })) anew.value = false;
}
</script>

<template>
  <section class="sheet part" aria-label="SKUs by a pattern">
    <h2>SKUs by a pattern</h2>
    <PatternEditor v-model="pattern" :marks="skuMarks(store.family!)" />
    <p v-if="problem" class="stops" role="alert">{{ problem }}</p>
    <p v-if="preview?.limit" class="soft">
      {{ preview.limit.account }} takes the fewest characters: {{ preview.limit.most }}.
    </p>
    <ElCheckbox v-if="loose" v-model="anew" data-test="skus-anew"
      >Make those anew that no account lists: {{ children(loose) }}</ElCheckbox
    >
    <template v-if="bad() > 0">
      <p class="stops" role="status" data-test="sku-bad">
        {{ children(bad()) }} would get none: see what stands beside {{ bad() === 1 ? 'it' : 'them' }}.
      </p>
      <p v-if="preview?.wayOut" class="way">
        <span class="mono">{{ preview.wayOut }}</span> gives every child one.
        <ElButton size="small" data-test="way-out" @click="pattern = preview.wayOut">Take this pattern</ElButton>
      </p>
      <p v-else class="soft">No pattern near this one gives every child a SKU: give values short codes that differ.</p>
    </template>
    <div class="acts">
      <ElButton
        type="primary"
        :disabled="changed().length === 0 && pattern === store.family!.skuPattern"
        data-test="make-skus"
        @click="make"
        >{{ changed().length > 0 ? `Make ${count(changed().length, 'SKU')}` : 'Keep this pattern' }}</ElButton
      >
      <span v-if="bare === 0 && !anew" class="soft">Every child has its SKU.</span>
    </div>
    <p class="soft">
      A SKU never changes by itself: orders find the item by it. Children that are added later get theirs by this
      pattern when you ask for it.
    </p>
  </section>
</template>

<style scoped>
.part {
  padding: 12px 14px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.way {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.acts {
  display: flex;
  gap: 10px;
  align-items: center;
}
</style>
