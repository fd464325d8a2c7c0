<script setup lang="ts">
/** Pictures that nobody uses: looked for on wish, cleared away on wish. */
import { ref, shallowRef } from 'vue';
import { ElButton } from 'element-plus';
import type { Unused } from '@loom-kin/contract';
import { api, call, say, tell } from '../../api/api';
import Dialog from '../../common/Dialog.vue';
import { smallPicture } from '../pictureAddress';

const unused = shallowRef<Unused | null>(null);
const asked = ref<'free' | 'remembered' | null>(null);
const size = (bytes: number) => (bytes < 1e6 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`);
const pictures = (count: number) => (count === 1 ? '1 picture' : `${count.toLocaleString('en')} pictures`);
async function look(): Promise<void> {
  try {
    unused.value = await call(api.unusedPictures);
  } catch (error) {
    tell(error);
  }
}
async function clear(kind: 'free' | 'remembered'): Promise<void> {
  asked.value = null;
  try {
    const ids = unused.value![kind].map((one) => one.id);
    const { cleared, bytes } = await call(api.clearPictures, { body: { ids } });
    say(`${pictures(cleared)} cleared away, ${size(bytes)}.`);
    await look();
  } catch (error) {
    tell(error);
  }
}
const KINDS = [
  { kind: 'free', title: 'that no family uses and no change names' },
  { kind: 'remembered', title: 'that were taken away from families; undo can still bring them back' },
] as const;
</script>

<template>
  <div class="unused">
    <button v-if="!unused" class="link" data-test="look-unused" @click="look">
      Look for pictures that nobody uses
    </button>
    <p v-else-if="unused.free.length + unused.remembered.length === 0" class="soft">Every picture is in use.</p>
    <template v-for="{ kind, title } in KINDS" v-else :key="kind">
      <div v-if="unused[kind].length" class="sheet kind" :data-test="`unused-${kind}`">
        <div class="line">
          <span>{{ pictures(unused[kind].length) }} {{ title }}, {{ size(unused.bytes[kind]) }}</span>
          <ElButton size="small" :data-test="`clear-${kind}`" @click="asked = kind">Clear away…</ElButton>
        </div>
        <div class="row">
          <img
            v-for="one in unused[kind].slice(0, 24)"
            :key="one.id"
            :src="smallPicture(one.id)"
            :title="one.fileName"
            :alt="one.fileName"
            width="48"
            height="48"
            loading="lazy"
          />
          <span v-if="unused[kind].length > 24" class="soft">and {{ unused[kind].length - 24 }} more</span>
        </div>
      </div>
    </template>
    <Dialog :model-value="asked !== null" title="Clear pictures away" @update:model-value="asked = null">
      <p v-if="asked && unused">
        {{ pictures(unused[asked].length) }}, {{ size(unused.bytes[asked]) }}, are deleted from this machine and cannot
        be brought back.
        <template v-if="asked === 'remembered'"
          >Changes that placed them can then no longer be taken back whole: the pictures would be missing.</template
        >
      </p>
      <div class="acts">
        <ElButton @click="asked = null">Keep them</ElButton>
        <ElButton type="danger" data-test="clear-now" @click="clear(asked!)">Clear away</ElButton>
      </div>
    </Dialog>
  </div>
</template>

<style scoped>
.unused {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: start;
}
.kind {
  padding: 8px 14px;
  width: 100%;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 14px;
  align-items: center;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  padding-top: 6px;
  align-items: center;
}
.row img {
  object-fit: contain;
  border: 1px solid var(--line-soft);
}
.acts {
  display: flex;
  justify-content: end;
  gap: 8px;
  padding-top: 14px;
}
</style>
