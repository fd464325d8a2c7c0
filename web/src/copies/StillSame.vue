<script setup lang="ts">
/** What was copied or filled down and is still the same: each gone to with one press, or called right. */
import { ElButton } from 'element-plus';
import type { StillSame } from '@loom-kin/core/copies';
import { stillSameText } from '@loom-kin/core/descriptions';
import type { Place } from '@loom-kin/core/place';
import { useGoThere } from '../common/goThere';
import PopupButton from '../common/PopupButton.vue';
import { useFamily } from '../stores/family';
import { useStillSame } from './useStillSame';

const store = useFamily();
const goThere = useGoThere();
const { found } = useStillSame();

const FAMILY: Place = { level: 'family' };
async function show({ key, places, childIds }: StillSame): Promise<void> {
  const place = places[0] ?? FAMILY;
  // A swatch is changed with its value; what is said of several children is shown on all of them.
  await goThere({ key: key === 'swatch' ? 'sku' : key, place, childIds, account: '' });
  if (childIds.length > 1) store.choose(childIds, 'weave');
}
const settle = (which: readonly StillSame[]) =>
  store.run({ do: 'settleSame', signatures: which.map(({ signature }) => signature), settled: true });
const again = () => store.run({ do: 'settleSame', signatures: store.family!.settled!, settled: false });
</script>

<template>
  <PopupButton
    v-if="found.length || store.family?.settled?.length"
    name="Still the same"
    plain
    class="link"
    :width="420"
    data-test="still-same"
  >
    <template #label>
      <span v-if="found.length" class="warns">{{ found.length }} still the same</span>
      <span v-else class="soft">called right</span>
    </template>
    <template #default="{ close }">
      <p class="soft">Copied, filled down or added like another, and such things mostly differ.</p>
      <ul>
        <li v-for="one in found" :key="one.signature" data-test="same">
          <span>{{ stillSameText(one) }}</span>
          <span class="acts">
            <button class="link" data-test="same-show" @click="(close(), show(one))">Show</button>
            <button class="link" data-test="same-right" @click="settle([one])">It is right</button>
          </span>
        </li>
      </ul>
      <ElButton v-if="found.length > 1" size="small" data-test="all-right" @click="(close(), settle(found))"
        >All {{ found.length }} are right</ElButton
      >
      <p v-if="store.family?.settled?.length">
        <button class="link" data-test="same-again" @click="again">
          Look again at {{ store.family.settled.length }} called right
        </button>
      </p>
    </template>
  </PopupButton>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 6px 0;
  padding: 0;
}
li {
  display: flex;
  gap: 12px;
  justify-content: space-between;
  padding: 5px 0;
  border-top: 1px solid var(--line);
}
.acts {
  display: flex;
  gap: 10px;
  white-space: nowrap;
}
</style>
