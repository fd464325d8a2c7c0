<script setup lang="ts">
/** How many of the pieces there are an account is told of. */
import { computed } from 'vue';
import { type Account, AccountSchema } from '@loom-kin/core/catalogue';
import { readNumber } from '@loom-kin/core/measure';
import { type StockRule, piecesFor } from '@loom-kin/core/stock';
import type { Channel } from '@loom-kin/contract';
import { say, refuse } from '../api/api';
import { useSetup } from '../stores/setup';
import Entry from '../common/Entry.vue';

const props = defineProps<{ account: Account; channel: Channel }>();
const setup = useSetup();
const rule = computed((): StockRule => props.account.settings.stock ?? {});
const places = computed(() => setup.registry.locations);
const bounds = computed(() => props.channel.rulebook.rules.stock);

async function put(to: Partial<StockRule>): Promise<void> {
  const entries = Object.entries({ ...rule.value, ...to }).filter(
    ([, value]) => value !== undefined && value !== false,
  );
  const stock = entries.length > 0 ? Object.fromEntries(entries) : undefined;
  const read = AccountSchema.safeParse({ ...props.account, settings: { ...props.account.settings, stock } });
  if (!read.success) refuse(read.error.issues[0]!.message);
  else if (
    await setup.change([{ on: 'account', account: read.data }], `Change the stock given to ${props.account.name}`)
  )
    say(`${read.data.name} is set.`);
}
function number(key: 'buffer' | 'share' | 'cap', text: string): void {
  if (text.trim() === '') return void put({ [key]: undefined });
  const read = readNumber(text.replace('%', ''), { decimal: '.' });
  if (read.ok) void put({ [key]: Number(read.number) });
  else refuse(`"${text}" is no number.`);
}
const isFrom = (id: string) => rule.value.from === undefined || rule.value.from.includes(id);
function turn(id: string, isOn: boolean): void {
  const from = places.value.map((one) => one.id).filter((one) => (one === id ? isOn : isFrom(one)));
  if (from.length === 0) return refuse('Pieces of one place at least have to count. To send none, say so above.');
  void put({ from: from.length === places.value.length ? undefined : from });
}
const EXAMPLES = [0, 1, 3, 10, 100];
const isOn = (event: Event) => (event.target as HTMLInputElement).checked;
</script>

<template>
  <div id="account-stock" class="stock">
    <p class="soft">
      Of every child the channel is told how many pieces there are, so that none is sold twice. It takes
      {{ bounds.least }} to {{ bounds.most.toLocaleString('en') }}.
    </p>
    <label class="tick"
      ><input
        type="checkbox"
        :checked="rule.none === true"
        data-test="stock-none"
        @change="put({ none: isOn($event) })"
      />
      Its own warehouse has the goods: always tell it 0</label
    >
    <template v-if="!rule.none">
      <div v-if="places.length > 1" class="line">
        <span class="name">Pieces at</span>
        <label v-for="one in places" :key="one.id" class="tick"
          ><input
            type="checkbox"
            :checked="isFrom(one.id)"
            :data-test="`from-${one.id}`"
            @change="turn(one.id, isOn($event))"
          />
          {{ one.label }}</label
        >
      </div>
      <div class="line">
        <label class="name" for="stock-buffer">Keep back</label>
        <Entry
          id="stock-buffer"
          :value="String(rule.buffer ?? '')"
          placeholder="0"
          data-test="stock-buffer"
          @commit="number('buffer', $event)"
        />
        of each child
      </div>
      <div class="line">
        <label class="name" for="stock-share">Of the rest</label>
        <Entry
          id="stock-share"
          :value="String(rule.share ?? '')"
          placeholder="100"
          data-test="stock-share"
          @commit="number('share', $event)"
        />
        %
      </div>
      <div class="line">
        <label class="name" for="stock-cap">No more than</label>
        <Entry
          id="stock-cap"
          :value="String(rule.cap ?? '')"
          placeholder="any"
          data-test="stock-cap"
          @commit="number('cap', $event)"
        />
        pieces
      </div>
      <p class="soft" data-test="stock-example">
        Of {{ EXAMPLES.join(', ') }} pieces it is told
        {{ EXAMPLES.map((pieces) => Math.min(piecesFor(rule, pieces, undefined), bounds.most)).join(', ') }}.
      </p>
    </template>
  </div>
</template>

<style scoped>
@import './lines.css';
.stock {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
</style>
