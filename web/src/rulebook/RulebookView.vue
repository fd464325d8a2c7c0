<script setup lang="ts">
/** Rules of the seller's own: a form, the JSON beside it, checked at every key, tried on a family as they are written. */
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ElButton, ElMessageBox } from 'element-plus';
import { z } from 'zod';
import { ruleSections } from '@loom-kin/core/descriptions';
import { type Rulebook, RulebookSchema, readRulebook } from '@loom-kin/core/rulebook';
import type { FamilySummary } from '@loom-kin/contract';
import { api, call, say, refuse } from '../api/api';
import { useSetup } from '../stores/setup';
import SchemaForm from './SchemaForm.vue';
import TrialPanel from './TrialPanel.vue';
import type { Schema } from './schema';
import { useTrial } from './useTrial';

const route = useRoute();
const router = useRouter();
const setup = useSetup();
const schema = z.toJSONSchema(RulebookSchema, { io: 'input' }) as unknown as Schema;

const text = ref('');
const data = computed(() => {
  try {
    return { ok: true as const, data: JSON.parse(text.value) as unknown };
  } catch (error) {
    return { ok: false as const, why: error instanceof Error ? error.message : 'It is no JSON.' };
  }
});
const read = computed(() => (data.value.ok ? readRulebook(data.value.data, setup.registry) : null));
const problems = computed(() =>
  !data.value.ok
    ? [{ place: 'the JSON', text: data.value.why }]
    : read.value && !read.value.ok
      ? read.value.problems
      : [],
);
const wrong = computed(() => new Set(problems.value.map((one) => one.place)));
const rulebook = computed<Rulebook | null>(() => (read.value?.ok ? read.value.rulebook : null));
const write = (next: unknown) => (text.value = JSON.stringify(next, null, 2));

const given = computed(() => setup.channels.find((one) => one.channel === String(route.params.channel ?? '')));
/** Rules to begin with: the channel's own that are edited, a copy of another's, or the least there can be. */
function begin(): void {
  const from = given.value;
  if (from?.isOwn) write(from.rulebook);
  else if (from)
    write({ ...from.rulebook, channel: `${from.channel}-own`, name: `${from.rulebook.name}, own rules`, version: 1 });
  else write(LEAST);
}
const LEAST = {
  format: 'loom-kin/rulebook',
  channel: 'my-channel',
  name: 'My channel',
  version: 1,
  transport: 'sheet',
  about: 'What kind of place it is.',
  rules: {
    axes: { atMost: 2 },
    children: { atMost: 100 },
    identifiers: { gtin: 'optional' },
    pictures: { atMost: 8 },
    fields: [{ key: 'name', name: 'Name', need: 'required', atMost: 80 }],
    price: { currency: 'EUR', taxIncluded: true },
  },
  categories: [{ id: 'all', label: 'All goods' }],
};
onMounted(async () => {
  await setup.ensure();
  begin();
});
watch(() => route.params.channel, begin);

const families = ref<FamilySummary[]>([]);
const familyId = ref('');
const category = ref('');
onMounted(async () => {
  const answer = await call(api.listFamilies, { query: { limit: 200 } }).catch(() => null);
  families.value = answer?.families ?? [];
  familyId.value = families.value[0]?.id ?? '';
});
const like = computed(() => given.value?.channel ?? '');
const { trial, problem } = useTrial(rulebook, familyId, category, like);
const sections = computed(() => (rulebook.value ? ruleSections(rulebook.value.rules) : []));
const side = ref<'json' | 'words'>('json');

async function keep(): Promise<void> {
  if (!rulebook.value) return;
  const { channel, name } = rulebook.value;
  if (!(await setup.change([{ on: 'ownRules', rulebook: rulebook.value }]))) return;
  say(`The rules of ${name} are kept. Undo is in the journal.`);
  await router.replace({ name: 'rulebook', params: { channel } });
}
async function remove(): Promise<void> {
  const sure = await ElMessageBox.confirm(
    'Take these rules away, with their account? Undo is in the journal.',
    'Take rules away',
    { confirmButtonText: 'Take them away', cancelButtonText: 'Keep them' },
  ).catch(() => false);
  if (sure && (await setup.change([{ on: 'removeOwnRules', channel: given.value!.channel }])))
    await router.push({ name: 'channels' });
}
async function takeFile(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0];
  if (!file) return;
  if (file.size > 2_000_000) refuse('A rulebook has 2 MB at most.');
  else text.value = await file.text();
}
const download = computed(() => `data:application/json;charset=utf-8,${encodeURIComponent(text.value)}`);
</script>

<template>
  <section class="view">
    <div class="view-head">
      <h1>{{ given?.isOwn ? `The rules of ${given.rulebook.name}` : 'Rules of your own' }}</h1>
      <span v-if="problems.length" class="stops" data-test="rule-problems"
        >{{ problems.length }} {{ problems.length === 1 ? 'thing is' : 'things are' }} wrong</span
      >
      <span v-else class="fits">nothing is wrong</span>
      <div class="grow" />
      <label class="file"
        >Take a file in<input
          type="file"
          accept=".json,application/json"
          aria-label="Take rules from a JSON file"
          @change="takeFile"
      /></label>
      <a :href="download" :download="`${rulebook?.channel ?? 'rulebook'}.json`">As JSON</a>
      <ElButton v-if="given?.isOwn" size="small" @click="remove">Take away…</ElButton>
      <ElButton size="small" type="primary" :disabled="!rulebook" data-test="keep-rules" @click="keep"
        >Keep these rules</ElButton
      >
    </div>
    <div class="parts">
      <div class="sheet form" aria-label="The rules as a form">
        <SchemaForm v-if="data.ok" :schema="schema" :value="data.data" place="" :wrong="wrong" @change="write" />
        <p v-else class="stops">The JSON beside cannot be read: {{ data.why }}</p>
      </div>
      <div class="sheet beside">
        <div class="head">
          <button class="plain" :aria-pressed="side === 'json'" @click="side = 'json'">JSON</button>
          <button class="plain" :aria-pressed="side === 'words'" data-test="in-words" @click="side = 'words'">
            In words
          </button>
        </div>
        <textarea
          v-if="side === 'json'"
          v-model="text"
          class="mono"
          spellcheck="false"
          aria-label="The rules as JSON"
          data-test="rules-json"
        />
        <div v-else class="words">
          <p v-for="{ title, sentences } in sections" :key="title">
            <strong>{{ title }}</strong> {{ sentences.join(' ') }}
          </p>
          <p v-if="!rulebook" class="soft">Rules with something wrong cannot be told yet.</p>
        </div>
        <ul v-if="problems.length" class="problems">
          <li v-for="one in problems.slice(0, 30)" :key="one.place + one.text">
            <span class="mono">{{ one.place }}</span> {{ one.text }}
          </li>
        </ul>
      </div>
      <div class="sheet beside">
        <div class="head">
          <label
            >Tried on
            <select v-model="familyId" data-test="try-family">
              <option value="">no family</option>
              <option v-for="one in families" :key="one.id" :value="one.id">{{ one.name }}</option>
            </select></label
          >
          <label v-if="rulebook && rulebook.categories.length > 1"
            >as
            <select v-model="category">
              <option value="">{{ rulebook.categories[0]!.label }}</option>
              <option v-for="one in rulebook.categories.slice(1)" :key="one.id" :value="one.id">{{ one.label }}</option>
            </select></label
          >
        </div>
        <p v-if="problem" class="stops">{{ problem }}</p>
        <TrialPanel v-else-if="trial && rulebook" :trial="trial" :rulebook="rulebook" />
        <p v-else class="soft">
          {{ rulebook ? 'Choose a family to try them on.' : 'They are tried when nothing is wrong.' }}
        </p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.parts {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr) 300px;
  gap: 10px;
  flex: 1;
  min-height: 0;
  padding: 0 20px 12px;
}
.form,
.beside {
  overflow: auto;
  padding: 10px 14px;
  min-height: 0;
}
.beside {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
textarea {
  flex: 1;
  min-height: 200px;
  font-size: 12px;
  border: 1px solid var(--line);
  padding: 8px;
  resize: none;
  background: var(--sheet);
  color: inherit;
}
.head {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
}
.head button {
  padding: 2px 8px;
  border-bottom: 2px solid transparent;
}
.head button[aria-pressed='true'] {
  border-bottom-color: var(--weld);
}
.problems {
  margin: 0;
  padding: 6px 10px;
  list-style: none;
  border-left: 3px solid var(--stops);
  max-height: 40%;
  overflow: auto;
  font-size: 12.5px;
}
.words {
  overflow: auto;
  flex: 1;
}
.file {
  color: var(--woad);
  cursor: pointer;
  text-decoration: underline;
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
.file:focus-within {
  outline: 2px solid var(--woad);
}
.fits {
  color: var(--fits);
}
select {
  font: inherit;
  color: inherit;
  border: 1px solid var(--line);
  background: var(--sheet);
  max-width: 190px;
}
@media (width < 1100px) {
  .parts {
    display: flex;
    flex-direction: column;
    overflow: auto;
  }
  .parts > * {
    flex: none;
  }
  textarea {
    min-height: 300px;
  }
}
</style>
