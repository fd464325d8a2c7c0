<script setup lang="ts">
/** The rules of a channel in plain sentences, what others it has published would mean, and putting an edition in force. */
import { computed, ref, shallowRef } from 'vue';
import { ElButton } from 'element-plus';
import { STATE_WORDS, meaningText, ruleSections } from '@loom-kin/core/descriptions';
import { findingName } from '@loom-kin/core/words';
import type { Channel, RulesMeaning } from '@loom-kin/contract';
import { api, call, say, tell } from '../api/api';
import { useSetup } from '../stores/setup';

const props = defineProps<{ channel: Channel }>();
const setup = useSetup();
const busy = ref(false);
/** The category whose rules are read; empty for those that hold for all. */
const categoryId = ref('');
const words = computed(() => {
  const ofCategory = setup.rulebooks.get(props.channel.channel)?.category(categoryId.value)?.rules;
  return ruleSections(ofCategory ?? props.channel.rulebook.rules);
});

async function work(what: () => Promise<void>): Promise<void> {
  busy.value = true;
  try {
    await what();
  } catch (error) {
    tell(error);
  } finally {
    busy.value = false;
  }
}
const refresh = () =>
  work(async () => {
    const fresh = await call(api.refreshChannel, { params: { id: props.channel.channel } });
    await setup.reload();
    say(
      fresh.offered
        ? `${fresh.rulebook.name} has published rules of version ${fresh.offered.version}.`
        : `${fresh.rulebook.name}: rules of version ${fresh.rulebook.version}, as they are in force here.`,
    );
  });

const meaning = shallowRef<{ version: number; what: RulesMeaning } | null>(null);
const ask = (version: number) =>
  work(async () => {
    const what = await call(api.rulesMeaning, { params: { id: props.channel.channel, version } });
    meaning.value = { version, what };
  });
const named = (what: RulesMeaning) =>
  what.findings.map((one) => ({
    ...one,
    name: findingName(one.code, setup.registry.field(one.key)?.label ?? one.key),
  }));
const told = computed(() => {
  if (!meaning.value) return '';
  const { what } = meaning.value;
  const families = new Set(what.changes.map((one) => one.familyId)).size;
  return meaningText({ families, findings: named(what), remade: what.remade });
});
async function adopt(version: number): Promise<void> {
  meaning.value = null;
  if (await setup.change([{ on: 'adoptRules', channel: props.channel.channel, version }]))
    say(`The rules of version ${version} are in force. Undo is in the journal.`);
}
const others = computed(() => props.channel.versions.filter((version) => version !== props.channel.rulebook.version));
</script>

<template>
  <div class="rules">
    <div v-if="channel.offered" class="offered" data-test="offered-rules">
      <strong>{{ channel.rulebook.name }} has published other rules, of version {{ channel.offered.version }}.</strong>
      <span class="soft">In force here are those of version {{ channel.rulebook.version }}.</span>
      <ElButton size="small" :loading="busy" data-test="ask-meaning" @click="ask(channel.offered.version)"
        >What do they mean?</ElButton
      >
      <ElButton size="small" type="primary" data-test="adopt-rules" @click="adopt(channel.offered.version)"
        >Adopt them</ElButton
      >
    </div>
    <div v-if="meaning" class="meaning" data-test="rules-meaning">
      <p>
        <strong>Under version {{ meaning.version }}: {{ told }}</strong>
        <span class="soft">&#32;{{ meaning.what.families.toLocaleString('en') }} families were looked at.</span>
      </p>
      <table v-if="meaning.what.changes.length" class="lines">
        <tbody>
          <tr v-for="one in meaning.what.changes.slice(0, 200)" :key="`${one.familyId} ${one.account}`">
            <td style="width: 180px">
              <RouterLink :to="`/families/${one.familyId}/fit/${one.account}`">{{ one.name }}</RouterLink>
            </td>
            <td style="width: 190px" class="soft">
              {{ STATE_WORDS[one.before]
              }}<template v-if="one.before !== one.after"> → {{ STATE_WORDS[one.after] }}</template>
            </td>
            <td>{{ one.text }}</td>
          </tr>
        </tbody>
      </table>
      <ElButton
        v-if="meaning.version !== channel.offered?.version"
        size="small"
        type="primary"
        @click="adopt(meaning.version)"
        >Put version {{ meaning.version }} in force</ElButton
      >
      <button class="link" @click="meaning = null">close</button>
    </div>
    <div class="head">
      <span>version {{ channel.rulebook.version }}</span>
      <template v-if="!channel.isOwn">
        <ElButton size="small" :loading="busy" data-test="fetch-rules" @click="refresh">Fetch anew</ElButton>
        <button
          v-for="version in others"
          :key="version"
          class="link"
          :data-test="`version-${version}`"
          @click="ask(version)"
        >
          {{ version < channel.rulebook.version ? 'go back to' : 'see' }} version {{ version }}
        </button>
      </template>
      <RouterLink :to="{ name: 'rulebook', params: { channel: channel.channel } }">{{
        channel.isOwn ? 'Edit' : 'Try changes in a copy'
      }}</RouterLink>
      <a :href="`/api/channels/${channel.channel}/rulebook.json`" download>As JSON</a>
      <div class="grow" />
      <label class="soft"
        >For
        <select v-model="categoryId" data-test="rules-category">
          <option value="">all categories</option>
          <option v-for="one in channel.rulebook.categories" :key="one.id" :value="one.id">{{ one.label }}</option>
        </select></label
      >
    </div>
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
  </div>
</template>

<style scoped>
.rules {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.head,
.offered {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
}
.offered,
.meaning {
  border-left: 3px solid var(--weld);
  background: var(--weld-pale);
  padding: 8px 12px;
}
.meaning {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
}
select {
  font: inherit;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 2px 4px;
}
</style>
