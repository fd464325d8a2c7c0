<script setup lang="ts">
/** Facts: fields the seller adds, for all goods or for some categories. */
import { computed, reactive, ref } from 'vue';
import { ElButton, ElCheckbox, ElInput, ElOption, ElSelect } from 'element-plus';
import { FACT_TYPES, type Fact, FactSchema, LEVELS } from '@loom-kin/core/registry';
import Dialog from '../common/Dialog.vue';
import { useSetup } from '../stores/setup';

const TYPE_WORDS: Record<Fact['type'], string> = {
  text: 'a line of text',
  longtext: 'text',
  number: 'a number',
  weight: 'a weight',
  length: 'a length',
  yesno: 'yes or no',
  choice: 'one of a list',
  list: 'several entries',
  date: 'a day',
  composition: 'parts that make 100 %',
};
const LEVEL_WORDS = { family: 'family', value: 'value', child: 'child' };

const setup = useSetup();
const facts = computed(() => Object.values(setup.registry.data.facts));
const shown = ref(false);
const problem = ref('');
const isNew = ref(true);
const blank = () => ({
  key: '',
  label: '',
  type: 'text' as Fact['type'],
  levels: ['family'] as Fact['levels'],
  categories: [] as string[],
  translatable: false,
  unit: '',
  choices: '',
  help: '',
});
const draft = reactive(blank());

/** A fact as the form has it. */
function formOf({ key, label, type, levels, categories, translatable, unit, choices, help }: Fact): typeof draft {
  return {
    key,
    label,
    type,
    levels: [...levels],
    categories: [...(categories ?? [])],
    translatable: translatable ?? false,
    unit: unit ?? '',
    choices: (choices ?? []).map((one) => one.label).join('\n'),
    help: help ?? '',
  };
}

function edit(fact?: Fact): void {
  isNew.value = !fact;
  problem.value = '';
  Object.assign(draft, fact ? formOf(fact) : blank());
  shown.value = true;
}

/** Letters of the label in one word, that no other fact has. */
function keyFor(label: string): string {
  const words = label
    .normalize('NFD')
    .replace(/[^A-Za-z0-9 ]/g, '')
    .trim()
    .split(/ +/);
  const joined = words.map((word, at) =>
    at === 0 ? word.toLowerCase() : word.charAt(0).toUpperCase() + word.slice(1),
  );
  const stem =
    joined
      .join('')
      .replace(/^[^a-z]+/, '')
      .slice(0, 36) || 'fact';
  let key = stem;
  for (let number = 2; setup.registry.field(key); number += 1) key = `${stem}${number}`;
  return key;
}

/** What the dialog says, as a fact. Entries that are there already keep their value: figures hold it. */
function drafted(before: Fact | undefined): unknown {
  const labels = draft.choices
    .split('\n')
    .map((one) => one.trim())
    .filter(Boolean);
  const known = new Map((before?.choices ?? []).map((one) => [one.label, one]));
  return {
    ...before,
    key: before?.key ?? keyFor(draft.label),
    label: draft.label,
    type: draft.type,
    levels: draft.levels,
    categories: draft.categories,
    translatable: draft.translatable,
    unit: draft.type === 'number' && draft.unit.trim() ? draft.unit : undefined,
    choices:
      draft.type === 'choice'
        ? labels.map((label) => known.get(label) ?? { value: label.slice(0, 60), label })
        : undefined,
    help: draft.help.trim() || undefined,
    retired: before?.retired ?? false,
  };
}
async function save(): Promise<void> {
  const before = isNew.value ? undefined : setup.registry.data.facts[draft.key];
  const read = FactSchema.safeParse(drafted(before));
  if (!read.success) problem.value = `${read.error.issues[0]!.path.join('.')}: ${read.error.issues[0]!.message}`;
  else if (await setup.change([{ on: 'registry', command: { do: 'setFact', fact: read.data } }])) shown.value = false;
}
const retire = (fact: Fact) =>
  setup.change([{ on: 'registry', command: { do: 'retireFact', key: fact.key, retired: !fact.retired } }]);
</script>

<template>
  <div id="facts" tabindex="-1" class="sheet part" data-test="facts">
    <h2>Facts</h2>
    <p class="soft">
      Fields of your own beside those every seller has. They stand in forms, grid, sheets and rules alike.
    </p>
    <table v-if="facts.length" class="lines">
      <thead>
        <tr>
          <th>Fact</th>
          <th>Is</th>
          <th>May stand on</th>
          <th>Asked for in</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="fact in facts" :key="fact.key" :class="{ soft: fact.retired }">
          <td>
            {{ fact.label }} <span class="mono soft">{{ fact.key }}</span>
          </td>
          <td>
            {{ TYPE_WORDS[fact.type] }}<template v-if="fact.unit">, {{ fact.unit }}</template
            ><template v-if="fact.choices">: {{ fact.choices.map((one) => one.label).join(', ') }}</template>
          </td>
          <td>{{ fact.levels.map((level) => LEVEL_WORDS[level]).join(', ') }}</td>
          <td>{{ fact.categories.map((id) => setup.registry.pathLabel(id) || id).join(', ') || 'all goods' }}</td>
          <td class="acts">
            <button class="link" @click="edit(fact)">change</button>
            <button class="link" title="Figures that are there stay" @click="retire(fact)">
              {{ fact.retired ? 'use it again' : 'retire' }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="soft">There is no fact of your own yet.</p>
    <div><ElButton data-test="add-fact" @click="edit()">Add a fact…</ElButton></div>
    <Dialog v-model="shown" :title="isNew ? 'A new fact' : `The fact ${draft.label}`">
      <form class="form" @submit.prevent="save">
        <p v-if="problem" class="stops" role="alert">{{ problem }}</p>
        <label>Name <ElInput v-model="draft.label" maxlength="80" data-test="fact-label" /></label>
        <label
          >It is
          <ElSelect v-model="draft.type" :disabled="!isNew" data-test="fact-type">
            <ElOption v-for="type in FACT_TYPES" :key="type" :value="type" :label="TYPE_WORDS[type]" />
          </ElSelect>
        </label>
        <label v-if="draft.type === 'number'">Unit <ElInput v-model="draft.unit" maxlength="12" /></label>
        <label v-if="draft.type === 'choice'"
          >Entries, one a line <ElInput v-model="draft.choices" type="textarea" :rows="4" data-test="fact-choices"
        /></label>
        <label
          >May stand on
          <ElSelect v-model="draft.levels" multiple>
            <ElOption v-for="level in LEVELS" :key="level" :value="level" :label="LEVEL_WORDS[level]" />
          </ElSelect>
        </label>
        <label
          >Asked for in
          <ElSelect v-model="draft.categories" multiple placeholder="all goods">
            <ElOption
              v-for="{ category } in setup.registry.tree"
              :key="category.id"
              :value="category.id"
              :label="setup.registry.pathLabel(category.id)"
            />
          </ElSelect>
        </label>
        <ElCheckbox v-model="draft.translatable">Written once for every language</ElCheckbox>
        <label>Help <ElInput v-model="draft.help" maxlength="200" /></label>
        <div><ElButton type="primary" native-type="submit" data-test="save-fact">Save the fact</ElButton></div>
      </form>
    </Dialog>
  </div>
</template>

<style scoped>
@import './part.css';
.form {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
</style>
