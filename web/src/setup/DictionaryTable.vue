<script setup lang="ts">
/** The dictionary: values of axes as the seller writes them everywhere, with code and swatch. It grows by use. */
import { computed, reactive, ref } from 'vue';
import { ElButton, ElInput } from 'element-plus';
import { ROLES, type Role } from '@loom-kin/core/family';
import { type DictionaryEntry, DictionaryEntrySchema, ROLE_LABELS } from '@loom-kin/core/registry';
import { useSetup } from '../stores/setup';
import RenameOffer from './RenameOffer.vue';
import Entry from '../common/Entry.vue';
import SwatchEntry from '../common/SwatchEntry.vue';
import { refuse } from '../api/api';

const setup = useSetup();
const role = ref<Role>('colour');
const words = computed(() =>
  Object.values(setup.registry.data.dictionary[role.value] ?? {}).toSorted((a, b) =>
    a.label.localeCompare(b.label, 'en', { numeric: true }),
  ),
);
/** Size systems that are in use already. */
const systems = computed(() => [...new Set(words.value.flatMap((word) => word.system ?? []))].toSorted());
const fresh = reactive({ label: '', code: '' });

async function send(entry: unknown, instead?: string): Promise<boolean> {
  const read = DictionaryEntrySchema.safeParse(entry);
  if (read.success) {
    const command = { do: 'setWord' as const, role: role.value, entry: read.data, ...(instead ? { instead } : {}) };
    return setup.change([{ on: 'registry', command }]);
  }
  refuse(read.error.issues[0]!.message);
  return false;
}
const change = (entry: DictionaryEntry, to: Partial<DictionaryEntry>) => send({ ...entry, ...to }, entry.label);
/** The word that was renamed last, as long as nobody has said whether families follow. */
const renamed = ref<{ role: Role; from: string; to: string } | null>(null);
async function rename(entry: DictionaryEntry, typed: string): Promise<void> {
  const label = typed.trim();
  if (label === '' || label === entry.label) return;
  const isDone = await change(entry, { label });
  if (isDone) renamed.value = { role: role.value, from: entry.label, to: label };
}
const synonyms = (text: string) =>
  text
    .split(/[,;]/)
    .map((one) => one.trim())
    .filter(Boolean);
async function add(): Promise<void> {
  const label = fresh.label.trim();
  if (label === '') return;
  const code =
    fresh.code.trim().toUpperCase() ||
    label
      .replace(/[^A-Za-z0-9]/g, '')
      .slice(0, 4)
      .toUpperCase() ||
    'X';
  if (await send({ label, code })) Object.assign(fresh, { label: '', code: '' });
}
const remove = (label: string) =>
  setup.change([{ on: 'registry', command: { do: 'removeWord', role: role.value, label } }]);
</script>

<template>
  <div class="sheet part" data-test="dictionary">
    <h2>Dictionary</h2>
    <p class="soft">
      Values that axes have had. A new axis takes codes and swatches from here. Families that are there keep theirs;
      when a value is renamed, they may be renamed along.
    </p>
    <div class="line">
      <label
        >Values of
        <select v-model="role" data-test="dictionary-role">
          <option v-for="one in ROLES.filter((each) => each !== 'other')" :key="one" :value="one">
            {{ ROLE_LABELS[one] }}
          </option>
        </select>
      </label>
      <span class="soft">{{ words.length.toLocaleString('en') }} in the dictionary</span>
    </div>
    <RenameOffer v-if="renamed" :key="renamed.from" v-bind="renamed" @done="renamed = null" />
    <datalist id="size-systems"><option v-for="one in systems" :key="one" :value="one" /></datalist>
    <div v-if="words.length" class="long">
      <table class="lines">
        <thead>
          <tr>
            <th v-if="role === 'colour'">Swatch</th>
            <th>Value</th>
            <th>Code</th>
            <th v-if="role === 'size'">System</th>
            <th>Also written</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr v-for="word in words" :key="word.label">
            <td v-if="role === 'colour'">
              <SwatchEntry :label="word.label" :swatch="word.swatch" @choose="change(word, { swatch: $event })" />
            </td>
            <td>
              <Entry
                :value="word.label"
                :aria-label="`Name of ${word.label}`"
                :data-test="`word-${word.label}`"
                @commit="rename(word, $event)"
              />
            </td>
            <td>
              <Entry
                :value="word.code"
                class="mono"
                :aria-label="`Code of ${word.label}`"
                @commit="change(word, { code: $event.trim().toUpperCase() })"
              />
            </td>
            <td v-if="role === 'size'">
              <Entry
                :value="word.system ?? ''"
                list="size-systems"
                maxlength="20"
                placeholder="EU, UK…"
                :aria-label="`Size system of ${word.label}`"
                :data-test="`system-${word.label}`"
                @commit="change(word, { system: $event.trim() || undefined })"
              />
            </td>
            <td>
              <Entry
                :value="word.synonyms.join(', ')"
                placeholder="other spellings"
                :aria-label="`Other spellings of ${word.label}`"
                @commit="change(word, { synonyms: synonyms($event) })"
              />
            </td>
            <td class="acts"><button class="link" @click="remove(word.label)">remove</button></td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-else class="soft">There is no value of this kind yet. Values come here by being used.</p>
    <form class="line" @submit.prevent="add">
      <label>New value <ElInput v-model="fresh.label" maxlength="80" data-test="new-word" /></label>
      <label>Code <ElInput v-model="fresh.code" maxlength="12" class="mono" style="width: 110px" /></label>
      <ElButton native-type="submit">Add the value</ElButton>
    </form>
  </div>
</template>

<style scoped>
@import './part.css';
.long {
  max-height: 320px;
  overflow: auto;
}
</style>
