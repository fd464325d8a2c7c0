<script setup lang="ts">
/** The channels with the seller's accounts on them, a part at a time: what is set up, rules, routes, pairings, categories. */
import { computed, onMounted } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { usualSettings } from '@loom-kin/core/catalogue';
import type { Channel } from '@loom-kin/contract';
import { useSetup } from '../stores/setup';
import AccountMoney from './AccountMoney.vue';
import AccountSettings from './AccountSettings.vue';
import AccountStock from './AccountStock.vue';
import CategoryMapTable from './CategoryMapTable.vue';
import ChannelRules from './ChannelRules.vue';
import PairingsPanel from './PairingsPanel.vue';
import RoutesPanel from './RoutesPanel.vue';

const PARTS = [
  { id: 'setup', label: 'Set up' },
  { id: 'rules', label: 'Rules' },
  { id: 'money', label: 'Prices' },
  { id: 'stock', label: 'Stock' },
  { id: 'categories', label: 'Categories' },
  { id: 'routes', label: 'Routes' },
  { id: 'pairings', label: 'Pairings' },
] as const;

const setup = useSetup();
const route = useRoute();
const router = useRouter();
onMounted(() => void setup.ensure());
const account = computed(() => setup.account(String(route.query.account ?? '')) ?? setup.accounts[0]);
const channel = computed(() => account.value && setup.channelOf(account.value));
const part = computed(() => PARTS.find((one) => one.id === route.query.part)?.id ?? 'setup');
const accountsOn = (one: Channel) => setup.accounts.filter((each) => each.channel === one.channel);
const choose = (id: string) => router.replace({ query: { account: id, part: part.value } });
const turnTo = (id: string) => router.replace({ query: { account: account.value!.id, part: id } });

/** A second account on a channel is a column of its own everywhere. */
async function addAccount(on: Channel): Promise<void> {
  const taken = new Set(setup.accounts.map((one) => one.id));
  let number = 2;
  while (taken.has(`${on.channel}-${number}`)) number += 1;
  const twin = accountsOn(on)[0];
  const added = {
    id: `${on.channel}-${number}`,
    channel: on.channel,
    name: `${on.rulebook.name} ${number}`,
    language: twin?.language ?? setup.registry.firstLanguage,
    at: Math.max(0, ...setup.accounts.map((one) => one.at + 1)),
    settings: twin?.settings ?? usualSettings(),
  };
  if (await setup.change([{ on: 'account', account: added }])) await choose(added.id);
}
</script>

<template>
  <section class="view">
    <div v-if="setup.setup && setup.channels.length === 0" class="empty">
      <p>
        No channel can be reached just now. Each is asked again when the program starts; until then families can be made
        ready for them.
      </p>
    </div>
    <div v-else-if="channel && account" class="list-beside">
      <nav class="sheet list" aria-label="Channels">
        <template v-for="one in setup.channels" :key="one.channel">
          <div class="channel">
            <strong>{{ one.rulebook.name }}</strong><span v-if="one.isOwn" class="soft">your own rules</span
            ><span v-else-if="!one.reachable" class="stops">does not answer</span
            ><span v-if="one.offered" class="warns">has published other rules</span>
          </div>
          <button
            v-for="each in accountsOn(one)"
            :key="each.id"
            class="plain"
            :class="{ here: each.id === account.id }"
            :data-test="`account-${each.id}`"
            @click="choose(each.id)"
          >
            {{ each.name }} <span class="soft">{{ each.language }}</span>
          </button>
          <button class="link add" :data-test="`add-account-${one.channel}`" @click="addAccount(one)">
            add an account
          </button>
        </template>
        <RouterLink class="own" :to="{ name: 'rulebook' }" data-test="new-rules">Write rules of your own</RouterLink>
      </nav>
      <div class="sheet body">
        <h1>{{ account.name }}</h1>
        <p class="soft">{{ channel.rulebook.about }}</p>
        <div class="parts" role="tablist" aria-label="Parts of the account">
          <button
            v-for="one in PARTS"
            :key="one.id"
            class="plain"
            role="tab"
            :aria-selected="part === one.id"
            :data-test="`part-${one.id}`"
            @click="turnTo(one.id)"
          >
            {{ one.label }}
          </button>
        </div>
        <AccountSettings
          v-if="part === 'setup'"
          :key="account.id"
          :account="account"
          :channel="channel"
          @removed="router.replace({ query: {} })"
        />
        <AccountMoney v-else-if="part === 'money'" :key="`money ${account.id}`" :account="account" :channel="channel" />
        <AccountStock v-else-if="part === 'stock'" :key="`stock ${account.id}`" :account="account" :channel="channel" />
        <ChannelRules v-else-if="part === 'rules'" :key="channel.channel" :channel="channel" />
        <CategoryMapTable v-else-if="part === 'categories'" :channel="channel" />
        <RoutesPanel
          v-else-if="part === 'routes'"
          :key="`routes ${account.id}`"
          :account="account"
          :channel="channel"
        />
        <PairingsPanel v-else :key="`pairings ${channel.channel}`" :channel="channel" />
      </div>
    </div>
  </section>
</template>

<style scoped>
.list .plain {
  display: flex;
  justify-content: space-between;
  width: 100%;
  padding: 6px 12px;
  border-bottom: 1px solid var(--line-soft);
  border-left: 3px solid transparent;
  font-size: 12.5px;
}
.list .here {
  border-left-color: var(--weld);
  background: var(--weld-pale);
}
.channel {
  display: flex;
  flex-direction: column;
  padding: 10px 12px 4px;
  font-size: 12.5px;
}
.add {
  margin: 3px 15px 8px;
  font-size: 12px;
}
.own {
  display: block;
  padding: 12px;
  border-top: 1px solid var(--line);
  font-size: 12.5px;
}
.list {
  overflow: auto;
}
.list strong {
  font-size: 14px;
}
.body {
  padding: 12px 18px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.parts {
  display: flex;
  gap: 2px;
  border-bottom: 1px solid var(--line);
  flex: none;
}
.parts button {
  padding: 5px 12px;
  border-bottom: 2px solid transparent;
  margin-bottom: -1px;
}
.parts button[aria-selected='true'] {
  border-bottom-color: var(--weld);
  font-weight: 600;
}
</style>
