<script setup lang="ts">
/** Children that are left out on an account by wish: who they are, and the way back, whether there is a plan or not. */
import { computed } from 'vue';
import type { Account } from '@loom-kin/core/catalogue';
import { childLabels } from '@loom-kin/core/family';
import { children } from '@loom-kin/core/text';
import { useFamily } from '../stores/family';
import { useWish } from './useWish';

const props = defineProps<{ account: Account }>();
const store = useFamily();
const { wish, setWish } = useWish(() => props.account.id);
const left = computed(() =>
  wish.value.leaveOut.flatMap((id) => {
    const child = store.family!.children[id];
    return child ? [{ id, name: childLabels(store.family!, child).join(' · ') || 'the only child' }] : [];
  }),
);
const leaveOut = (ids: string[]) => setWish({ leaveOut: ids });
</script>

<template>
  <section v-if="left.length" id="left-out" class="sheet left" data-test="left-out">
    <h2>Left out on {{ account.name }}</h2>
    <span class="soft">{{ children(left.length) }}</span>
    <button class="link" data-test="offer-again" @click="leaveOut([])">
      Offer {{ left.length === 1 ? 'it' : 'all' }} again
    </button>
    <ul>
      <li v-for="one in left" :key="one.id">
        {{ one.name }}
        <button
          v-if="left.length > 1"
          class="link"
          @click="leaveOut(left.filter((other) => other !== one).map((other) => other.id))"
        >
          offer again
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.left {
  padding: 10px 14px 12px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
}
ul {
  flex-basis: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 22px;
  font-size: 13px;
  max-height: 120px;
  overflow: auto;
}
</style>
