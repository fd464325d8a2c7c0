<script setup lang="ts">
/** The channels with the seller's accounts on them: what is set up, their rules in words, and where categories go. */
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ElButton } from 'element-plus';
import { ruleSections } from '@loom-kin/core';
import type { Channel } from '@loom-kin/contract';
import { api, call, say, tell } from '../api';
import { useSetup } from '../stores/setup';
import AccountSettings from './AccountSettings.vue';
import CategoryMapTable from './CategoryMapTable.vue';

const setup = useSetup();
const route = useRoute();
const router = useRouter();
const busy = ref(false);
onMounted(() => void setup.ensure());
const account = computed(() => setup.account(String(route.query.account ?? '')) ?? setup.accounts[0]);
const channel = computed(() => account.value && setup.channelOf(account.value));
/** The category whose rules are read; empty for those that hold for all. */
const categoryId = ref('');
watch(account, () => (categoryId.value = ''));
const words = computed(() => {
  if (!channel.value) return [];
  const ofCategory = setup.rulebooks.get(channel.value.channel)?.category(categoryId.value)?.rules;
  return ruleSections(ofCategory ?? channel.value.rulebook.rules);
});
const accountsOn = (one: Channel) => setup.accounts.filter((each) => each.channel === one.channel);
const choose = (id: string) => router.replace({ query: { account: id } });

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
    settings: twin?.settings ?? { rate: '1', exemptBrands: [], answers: {}, objective: 'listings' as const },
  };
  if (await setup.change([{ on: 'account', account: added }])) await choose(added.id);
}
async function refresh(): Promise<void> {
  busy.value = true;
  try {
    const fresh = await call(api.refreshChannel, { params: { id: channel.value!.channel } });
    await setup.reload();
    say(`${fresh.rulebook.name}: rules of version ${fresh.rulebook.version}.`);
  } catch (error) {
    tell(error);
  } finally {
    busy.value = false;
  }
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
            <strong>{{ one.rulebook.name }}</strong><span class="soft">{{ one.rulebook.about }}</span
            ><span v-if="!one.reachable" class="stops">does not answer</span>
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
      </nav>
      <div class="sheet body">
        <h1>{{ account.name }}</h1>
        <h2>Set up here</h2>
        <AccountSettings
          :key="account.id"
          :account="account"
          :channel="channel"
          @removed="router.replace({ query: {} })"
        />
        <h2>
          The rules of {{ channel.rulebook.name }} <span class="soft">version {{ channel.rulebook.version }}</span>
          <ElButton size="small" :loading="busy" @click="refresh">Fetch anew</ElButton>
        </h2>
        <label class="soft"
          >For
          <select v-model="categoryId" data-test="rules-category">
            <option value="">all categories</option>
            <option v-for="one in channel.rulebook.categories" :key="one.id" :value="one.id">{{ one.label }}</option>
          </select></label
        >
        <table id="account-rules" class="lines">
          <tbody>
            <tr v-for="{ title, sentences } in words" :key="title">
              <td style="width: 110px" class="soft">{{ title }}</td>
              <td>
                <p v-for="sentence in sentences" :key="sentence">{{ sentence }}</p>
              </td>
            </tr>
          </tbody>
        </table>
        <h2>Where your categories go</h2>
        <CategoryMapTable :channel="channel" />
        <h2>What its categories ask for besides</h2>
        <table class="lines">
          <tbody>
            <tr v-for="category in channel.rulebook.categories" :key="category.id">
              <td style="width: 180px">{{ category.label }}</td>
              <td class="soft">{{ category.fields.map((field) => field.name).join(', ') || 'nothing' }}</td>
            </tr>
          </tbody>
        </table>
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
  gap: 8px;
}
h2 {
  margin-top: 10px;
  display: flex;
  gap: 10px;
  align-items: center;
}
</style>
