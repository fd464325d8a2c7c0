<script setup lang="ts">
/** What becomes of every child: how many of each fate, and each with its options before and after. */
import { computed } from 'vue';
import { type ChildFate, type Fate, countFates } from '@loom-kin/core/change';

const props = defineProps<{ fates: readonly ChildFate[] }>();
const SHOWN = 200;
const counts = computed(() => countFates(props.fates));
const WORDS: Record<Fate, string> = {
  moves: 'go on under other options',
  stays: 'stay as they are',
  back: 'come back from the shelf',
  new: 'are new',
  shelf: 'go to the shelf, with all they hold',
  leaves: 'leave, each a family of its own',
};
const ORDER: Fate[] = ['shelf', 'leaves', 'new', 'back', 'moves', 'stays'];
const inOrder = computed(() =>
  ORDER.flatMap((fate) => props.fates.filter((one) => one.fate === fate)).filter((one) => one.fate !== 'stays'),
);
const priced = computed(() => props.fates.filter(({ price }) => price !== null).length);
const pictured = computed(() => props.fates.filter(({ otherPicture }) => otherPicture).length);
const text = (labels: string[] | null) => (labels === null ? '' : labels.join(' · ') || 'the only child');
</script>

<template>
  <div class="fates" data-test="fates">
    <ul class="counts">
      <template v-for="fate in ORDER" :key="fate">
        <li v-if="counts[fate]" :class="{ warns: fate === 'shelf' || fate === 'leaves' }">
          {{ counts[fate] }} {{ WORDS[fate] }}
        </li>
      </template>
      <li v-if="priced" class="warns">{{ priced }} cost something else</li>
      <li v-if="pictured" class="warns">{{ pictured }} have another main picture</li>
      <li v-if="fates.length === 0" class="soft">There is no child yet.</li>
    </ul>
    <ol v-if="inOrder.length" class="each">
      <li v-for="one in inOrder.slice(0, SHOWN)" :key="one.childId">
        <span class="sku mono soft">{{ one.sku || 'no SKU' }}</span>
        <span
          >{{ text(one.before) }}<template v-if="one.before && one.fate !== 'shelf'"> → </template
          ><strong v-if="one.fate !== 'shelf'">{{ text(one.after) }}</strong
          ><span v-else class="warns"> → shelf</span></span
        >
        <span v-if="one.price" class="warns">{{ one.price.before || '—' }} → {{ one.price.after || '—' }}</span>
      </li>
      <li v-if="inOrder.length > SHOWN" class="soft">and {{ inOrder.length - SHOWN }} more</li>
    </ol>
  </div>
</template>

<style scoped>
.fates {
  padding: 8px 12px 12px;
}
.counts {
  margin: 0 0 8px;
  padding: 0;
  list-style: none;
}
.each {
  margin: 0;
  padding: 0;
  list-style: none;
}
.each li {
  padding: 3px 0;
  border-top: 1px solid var(--line-soft);
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
}
.sku {
  min-width: 92px;
  font-size: 12px;
}
</style>
