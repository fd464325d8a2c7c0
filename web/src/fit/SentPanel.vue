<script setup lang="ts">
/**
 * Exactly what would be sent now: the rows of an upload sheet, or the messages. Only what differs from what the
 * channel holds.
 */
import { computed, ref, shallowRef, watch } from 'vue';
import type { Account } from '@loom-kin/core/catalogue';
import type { Fit } from '@loom-kin/core/fit';
import { type Listing, listingMessage, uploadSheet } from '@loom-kin/core/listing';
import { rulesForSheet } from '@loom-kin/core/rulebook';
import { children as childrenText, count } from '@loom-kin/core/text';
import type { Channel } from '@loom-kin/contract';
import { useFamily } from '../stores/family';

const props = defineProps<{ account: Account; channel: Channel; fit: Fit }>();
const store = useFamily();
const open = ref(false);
const asSheet = computed(() => props.channel.rulebook.transport === 'sheet');

const listings = shallowRef<Listing[]>([]);
/** Made when the fit is known: the fit itself does not carry them. */
watch(
  () => props.fit,
  async (fit) => {
    const made = await store.listings(fit.account);
    if (fit === props.fit) listings.value = made;
  },
  { immediate: true },
);
const messages = computed(() => {
  const held = new Map(store.live.filter((one) => one.account === props.account.id).map((one) => [one.key, one]));
  const differing = listings.value.flatMap(
    (listing) => listingMessage(held.get(listing.key)?.listing, listing, false, held.get(listing.key)?.draft) ?? [],
  );
  const planned = new Set(listings.value.map((listing) => listing.key));
  return [
    ...differing,
    ...[...held.values()]
      .filter((one) => !planned.has(one.key))
      .map(({ key }) => ({ action: 'takeDown' as const, key })),
  ];
});
const children = computed(() =>
  messages.value.reduce(
    (sum, message) =>
      sum +
      (message.action === 'list'
        ? message.listing.offers.length
        : message.action === 'revise'
          ? message.offers.length + message.gone.length
          : 0),
    0,
  ),
);
const isUncertain = computed(() => store.unconfirmed.some((one) => one.account === props.account.id));
const summary = computed(() => {
  const { length } = messages.value;
  if (isUncertain.value) return `it is not certain what ${props.account.name} holds`;
  return length === 0
    ? `${props.account.name} holds all of it already`
    : `${count(length, 'listing')}, ${childrenText(children.value)}`;
});

/** Columns in which something stands. */
const sheet = computed(() => {
  const { headers, rows } = uploadSheet(
    messages.value,
    rulesForSheet(props.channel.rulebook),
    props.channel.rulebook.sheet,
  );
  const used = headers.flatMap((_header, column) => (rows.some((row) => row[column] !== '') ? [column] : []));
  return {
    headers: used.map((column) => headers[column]!),
    rows: rows.map((row) => used.map((column) => row[column]!)),
  };
});
</script>

<template>
  <section class="sheet sent">
    <div class="head">
      <h2>What would be sent now</h2>
      <span class="soft">{{ summary }}</span>
      <div class="grow" />
      <a
        v-if="asSheet && messages.length && !isUncertain && fit.state !== 'stopped'"
        :href="`/api/families/${store.family!.id}/upload/${account.id}`"
        download
        >Upload sheet ({{ channel.rulebook.sheet.format.toUpperCase() }})</a
      >
      <button v-if="messages.length" class="link" data-test="show-rows" :aria-expanded="open" @click="open = !open">
        {{ open ? 'Hide' : 'Show' }} {{ asSheet ? 'the rows' : 'every figure of it' }}
      </button>
    </div>
    <div v-if="open && messages.length" class="rows">
      <table v-if="asSheet" class="lines" data-test="rows">
        <thead>
          <tr>
            <th v-for="header in sheet.headers" :key="header">{{ header }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, number) in sheet.rows" :key="number" :class="{ family: row[0] === 'family' }">
            <td
              v-for="(cell, column) in row"
              :key="column"
              :class="{ number: typeof cell === 'number' }"
              :title="String(cell).length > 60 ? String(cell) : undefined"
            >
              {{ String(cell).slice(0, 60) }}
            </td>
          </tr>
        </tbody>
      </table>
      <pre v-else class="mono" data-test="rows">{{ JSON.stringify(messages, null, 2) }}</pre>
    </div>
  </section>
</template>

<style scoped>
.sent {
  padding: 10px 14px 12px;
}
.head {
  display: flex;
  gap: 14px;
  align-items: baseline;
  flex-wrap: wrap;
}
.rows {
  overflow: auto;
  max-height: 360px;
  border: 1px solid var(--line-soft);
  margin-top: 8px;
}
.rows td {
  white-space: nowrap;
}
.rows tr.family {
  background: var(--ground);
  font-weight: 500;
}
pre {
  margin: 0;
  padding: 10px;
}
</style>
