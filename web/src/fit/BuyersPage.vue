<script setup lang="ts">
/** What a buyer would see of the listings of a plan, drawn from the listings themselves before anything is sent. */
import { computed, ref, shallowRef, watch } from 'vue';
import type { Account } from '@loom-kin/core/catalogue';
import { planText } from '@loom-kin/core/descriptions';
import type { Fit, Plan } from '@loom-kin/core/fit';
import { type Listing, markedPicture } from '@loom-kin/core/listing';
import { compareAmounts, showAmount } from '@loom-kin/core/money';
import { count } from '@loom-kin/core/text';
import { useFamily } from '../stores/family';
import DialogSheet from '../common/DialogSheet.vue';
import { listingWords } from './listingWords';

const props = defineProps<{ account: Account; fit: Fit; plan: Plan }>();
const emit = defineEmits<{ close: [] }>();
const store = useFamily();
const listings = shallowRef<Listing[] | null>(null);
const number = ref(0);
const chosen = ref<string[]>([]);
watch(
  [() => props.fit, () => props.plan.signature],
  async ([fit, signature]) => {
    const made = await store.listings(fit.account, signature);
    if (fit === props.fit) listings.value = made;
  },
  { immediate: true },
);
const listing = computed(() => listings.value?.[number.value] ?? listings.value?.[0]);
watch(listing, (now) => (chosen.value = [...(now?.offers[0]?.options ?? [])]), { immediate: true });

const isAlike = (options: readonly string[], wanted: readonly string[]) =>
  options.every((label, at) => label === wanted[at]);
const offerOf = (wanted: readonly string[]) => listing.value?.offers.find((one) => isAlike(one.options, wanted));
const offer = computed(() => offerOf(chosen.value));
const choose = (axis: number, label: string) =>
  (chosen.value = chosen.value.map((one, at) => (at === axis ? label : one)));
const isThere = (axis: number, label: string) =>
  offerOf(chosen.value.map((one, at) => (at === axis ? label : one))) !== undefined;

const words = computed(() => listingWords(listing.value, props.fit));
/** The chosen child's pictures, else those of its options, then the listing's. */
const pictures = computed(() => {
  const now = listing.value;
  if (!now) return [];
  const ofOptions = now.axes.flatMap(
    (axis, at) => axis.options.find((option) => option.label === chosen.value[at])?.pictures ?? [],
  );
  const marks = [...(offer.value?.pictures ?? []), ...ofOptions, ...now.pictures];
  return [...new Set(marks)].flatMap((mark) => markedPicture(mark) ?? []);
});
const money = (amount: string) => showAmount(amount, listing.value!.currency);
const range = computed(() => {
  const prices = (listing.value?.offers ?? []).map((one) => one.price).sort(compareAmounts);
  if (prices.length === 0) return '';
  const [least, most] = [prices[0]!, prices.at(-1)!];
  return least === most ? money(least) : `${money(least)} to ${money(most)}`;
});
const nameOf = (one: Listing, at: number) => {
  const fixed = props.plan.listings[at]?.split ?? {};
  const labels = Object.values(fixed).map((id) => store.index?.valueById.get(id)?.label);
  return labels.filter(Boolean).join(' · ') || `part ${at + 1}`;
};
</script>

<template>
  <DialogSheet
    :title="`A buyer's page on ${account.name}, before anything is sent`"
    :width="980"
    @close="emit('close')"
  >
    <p class="soft">
      {{ planText(store.family!, plan) }}. Drawn from what would be sent; {{ account.name }} has its own look.
    </p>
    <p v-if="!listings" class="soft">Drawing it…</p>
    <p v-else-if="!listing">Nothing would be listed: children without an SKU or a price are not.</p>
    <template v-else>
      <label v-if="listings.length > 1" class="which"
        >{{ count(listings.length, 'listing') }}:
        <select v-model="number" aria-label="Listing" data-test="preview-listing">
          <option v-for="(one, at) in listings" :key="one.key" :value="at">{{ nameOf(one, at) }}</option>
        </select></label
      >
      <div class="page" data-test="buyers-page">
        <div>
          <img v-if="pictures[0]" class="large" :src="`/pictures/${pictures[0]}`" alt="" />
          <div v-else class="large none">no picture</div>
          <div class="row">
            <img
              v-for="id in pictures.slice(1, 9)"
              :key="id"
              :src="`/pictures/${id}.small`"
              alt=""
              width="48"
              height="48"
            />
          </div>
        </div>
        <div class="said">
          <div class="soft">{{ words.brand }}</div>
          <h3>{{ words.name }}</h3>
          <div class="soft">{{ range }}</div>
          <fieldset v-for="(axis, at) in listing.axes" :key="axis.name">
            <legend>{{ axis.name }}</legend>
            <button
              v-for="option in axis.options"
              :key="option.label"
              class="option"
              :class="{ none: !isThere(at, option.label) }"
              :aria-pressed="chosen[at] === option.label"
              @click="choose(at, option.label)"
            >
              {{ option.label }}
            </button>
          </fieldset>
          <div class="price" data-test="preview-price">
            <template v-if="offer"
              ><strong>{{ money(offer.salePrice ?? offer.price) }}</strong>
              <s v-if="offer.listPrice" class="soft">{{ money(offer.listPrice) }}</s>
              <span>{{ offer.stock > 0 ? `${offer.stock.toLocaleString('en')} in stock` : 'sold out' }}</span>
              <span class="mono soft">{{ offer.sku }}</span></template
            ><template v-else>There is no such child.</template>
          </div>
          <ul v-if="words.points.length">
            <li v-for="point in words.points" :key="point">{{ point }}</li>
          </ul>
          <p class="text">{{ words.text }}</p>
          <dl v-if="words.facts.length">
            <template v-for="[label, fact] in words.facts" :key="label"
              ><dt>{{ label }}</dt>
              <dd>{{ fact }}</dd></template
            >
          </dl>
        </div>
      </div>
      <div class="found">
        <div class="soft">Found by searching</div>
        <div class="title">{{ words.searchTitle }}</div>
        <div>{{ words.searchText }}</div>
      </div>
    </template>
  </DialogSheet>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  gap: 22px;
  margin: 10px 0;
  max-height: 56vh;
  overflow: auto;
}
.large {
  width: 300px;
  height: 300px;
  object-fit: contain;
  border: 1px solid var(--line-soft);
  background: #fff;
}
.large.none {
  display: grid;
  place-items: center;
  color: var(--ink-soft);
}
.row {
  display: flex;
  gap: 4px;
  flex-wrap: wrap;
  margin-top: 4px;
}
.row img {
  object-fit: contain;
  border: 1px solid var(--line-soft);
  background: #fff;
}
h3 {
  color: var(--ink);
  font-size: 18px;
  margin: 2px 0;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 8px 0 0;
}
legend {
  font-weight: 600;
  font-size: 12.5px;
  margin-bottom: 3px;
}
.option {
  font: inherit;
  font-size: 12.5px;
  color: inherit;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 3px 9px;
  margin: 0 4px 4px 0;
  cursor: pointer;
}
.option[aria-pressed='true'] {
  border-color: var(--ink);
  box-shadow: inset 0 -2px 0 var(--weld);
}
.option.none {
  border-style: dashed;
  color: var(--ink-soft);
}
.price {
  display: flex;
  gap: 12px;
  align-items: baseline;
  margin: 10px 0;
}
.price strong {
  font-size: 18px;
}
.text {
  white-space: pre-line;
}
dl {
  display: grid;
  grid-template-columns: 140px 1fr;
  gap: 2px 10px;
  margin: 8px 0 0;
  font-size: 12.5px;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
}
ul {
  margin: 6px 0;
  padding-left: 18px;
}
.found {
  border-top: 1px solid var(--line);
  padding-top: 8px;
  font-size: 12.5px;
}
.title {
  font-weight: 600;
  font-size: 14px;
}
select {
  font: inherit;
  color: inherit;
  border: 1px solid var(--line);
  background: var(--sheet);
}
</style>
