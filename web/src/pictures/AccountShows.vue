<script setup lang="ts">
/** What an account will show, in its order and within its number of pictures. */
import { computed, shallowRef, watch } from 'vue';
import { NO_WISH, accountScope, childLabels } from '@loom-kin/core/family';
import { type Listing, markedPicture } from '@loom-kin/core/listing';
import { tell } from '../api/api';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { smallPicture } from './pictureAddress';

const store = useFamily();
const setup = useSetup();
const accountId = computed({
  get: () =>
    chosen.value ||
    (setup.accounts.find((one) => accountScope(one.id) === store.scope)?.id ?? setup.accounts[0]?.id ?? ''),
  set: (id) => (chosen.value = id),
});
const chosen = shallowRef('');
watch(
  () => store.scope,
  () => (chosen.value = ''),
);
const listings = shallowRef<Listing[]>([]);
let turn = 0;
watch(
  [accountId, () => store.family, () => store.fits],
  async () => {
    const mine = ++turn;
    try {
      const found = accountId.value ? await store.listings(accountId.value) : [];
      if (mine === turn) listings.value = found;
    } catch (error) {
      if (mine === turn) tell(error);
    }
  },
  { immediate: true },
);
const rules = computed(() => store.fits[accountId.value]?.category?.rules);
/** What the children of some offers have in common: what tells them from the others. */
function sharedBy(offers: Listing['offers']): string {
  const skus = new Set(offers.map((offer) => offer.sku));
  const all = store
    .index!.woven.filter((child) => skus.has(String(child.fields.sku)))
    .map((child) => childLabels(store.family!, child));
  return (all[0] ?? []).filter((label) => all.every((labels) => labels.includes(label))).join(' · ');
}
/** Pictures of a listing; where they are tied to children, once for all children that show the same. */
function shown(listing: Listing): { label: string; ids: string[] }[] {
  const ids = (marks: readonly string[]) => marks.flatMap((mark) => markedPicture(mark) ?? []);
  if (rules.value?.axes.pictures !== 'child')
    return [{ label: listings.value.length > 1 ? sharedBy(listing.offers) : '', ids: ids(listing.pictures) }];
  const alike = new Map<string, Listing['offers']>();
  for (const offer of listing.offers) {
    const key = (offer.pictures ?? []).join();
    alike.set(key, [...(alike.get(key) ?? []), offer]);
  }
  return [...alike.values()].map((offers) => ({ label: sharedBy(offers), ids: ids(offers[0]!.pictures ?? []) }));
}
/** Option → its picture, as a buyer who chooses it sees. */
const optionsOf = (listing: Listing) =>
  listing.axes.flatMap((axis) =>
    axis.options.flatMap((option) =>
      option.pictures?.[0] ? [{ label: option.label, id: markedPicture(option.pictures[0])! }] : [],
    ),
  );
const namesOf = (listing: Listing, id: string) =>
  optionsOf(listing)
    .filter((one) => one.id === id)
    .map((one) => one.label);
const rows = computed(() =>
  listings.value.flatMap((listing) => shown(listing).map((row) => ({ ...row, listing }))).slice(0, 40),
);
const wish = computed(() => store.family?.wishes[accountId.value] ?? NO_WISH);
/** Sharing is offered where pictures follow options, and there may be too many of those. */
const canShare = computed(() => rules.value && ['axis', 'firstAxis'].includes(rules.value.axes.pictures));
function share(event: Event): void {
  const combine = (event.target as HTMLSelectElement).value as '' | 'names' | 'letters';
  const { combine: _before, ...rest } = wish.value;
  store.run({ do: 'setWish', account: accountId.value, wish: { ...rest, ...(combine ? { combine } : {}) } });
}
</script>

<template>
  <div class="shows" data-test="account-shows">
    <div class="line">
      <label
        >What
        <select v-model="accountId" aria-label="Account" data-test="shows-account">
          <option v-for="one in setup.accounts" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select>
        shows</label
      >
      <span v-if="rules" class="soft"
        >{{ rules.pictures.atLeast }} to {{ rules.pictures.atMost }} pictures{{
          rules.axes.pictures === 'child'
            ? ' a child'
            : rules.pictures.perValue
              ? ` and ${rules.pictures.perValue} for each option`
              : ' a listing'
        }}</span
      >
      <label v-if="canShare" class="share"
        >Where there is no room for all
        <select :value="wish.combine ?? ''" data-test="share-pictures" @change="share">
          <option value="">options go without</option>
          <option value="names">several on one picture, by name</option>
          <option value="letters">several on one picture, by letter</option>
        </select></label
      >
    </div>
    <div class="rows">
      <div v-for="(row, at) in rows" :key="at" class="row">
        <span class="label soft">{{ row.label }}</span>
        <div v-for="(id, number) in row.ids" :key="id" class="one" :title="namesOf(row.listing, id).join(', ')">
          <img
            :src="smallPicture(id)"
            :alt="namesOf(row.listing, id).join(', ')"
            width="52"
            height="52"
            loading="lazy"
          />
          <span>{{ number === 0 ? 'main' : namesOf(row.listing, id).join(', ') || number + 1 }}</span>
        </div>
        <span v-if="row.ids.length === 0" class="warns">no picture</span>
      </div>
    </div>
    <p v-if="rows.length === 0" class="soft">Nothing of this family goes there as things stand.</p>
  </div>
</template>

<style scoped>
.shows {
  padding: 8px 14px;
}
.line {
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
}
.share {
  margin-left: auto;
  font-size: 13px;
}
select {
  font: inherit;
  font-size: 13px;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 2px;
}
.rows {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  max-height: 220px;
  overflow: auto;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 5px;
  align-items: start;
  padding-top: 4px;
}
.label {
  flex: 0 0 100%;
  font-size: 12px;
}
.label:empty {
  display: none;
}
.one {
  flex: none;
  width: 58px;
  border: 1px solid var(--line-soft);
  background: var(--sheet);
  font-size: 11px;
}
.one img {
  display: block;
  margin: 2px;
  object-fit: contain;
}
.one span {
  display: block;
  padding: 0 3px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  color: var(--ink-soft);
}
</style>
