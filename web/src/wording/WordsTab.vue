<script setup lang="ts">
/** Name, texts and facts of the family, with what each channel asks of a field beside it. */
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { ElMessage } from 'element-plus';
import { completeness, fieldOf, FIELDS, readFigure, rulesFor, showFigure, type Field } from '@loom-kin/core';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import Entry from '../common/Entry.vue';

const store = useFamily();
const setup = useSetup();
const GROUPS: { group: Field['group']; title: string }[] = [
  { group: 'identity', title: 'What it is' },
  { group: 'wording', title: 'Words' },
  { group: 'facts', title: 'Facts' },
];

const fieldsOf = (group: Field['group']) =>
  FIELDS.filter((field) => field.group === group && field.levels.includes('family'));
const held = (field: Field) => showFigure(field, store.family?.fields[field.key]);
const asked = computed(() => {
  const category = String(store.family?.fields.category ?? '');
  const byField: Record<string, { name: string; need: string; text: string; stops: boolean }[]> = {};
  for (const { channel, rulebook } of setup.channels) {
    for (const rule of rulesFor(rulebook, category)?.rules.fields ?? []) {
      const bounds = [
        rule.atLeast !== undefined && `${rule.atLeast} at least`,
        rule.atMost !== undefined && `${rule.atMost} at most`,
      ]
        .filter(Boolean)
        .join(', ');
      const stops =
        store.fits[channel]?.findings.some(
          (finding) => finding.key === rule.key && finding.place.level === 'family' && finding.severity === 'stops',
        ) ?? false;
      (byField[rule.key] ??= []).push({ name: rulebook.name, need: rule.need, text: bounds, stops });
    }
  }
  return byField;
});
const length = (field: Field) => {
  const figure = store.family?.fields[field.key];
  if (Array.isArray(figure)) return `${figure.length} entries`;
  return typeof figure === 'string' && (field.type === 'longtext' || field.type === 'text')
    ? `${figure.length} characters`
    : '';
};
const filled = computed(() => {
  const family = store.family!;
  return setup.channels.flatMap(({ channel, rulebook }) => {
    const category = rulesFor(rulebook, String(family.fields.category ?? ''));
    return category ? [{ channel, name: rulebook.name, ...completeness(family, category) }] : [];
  });
});
const router = useRouter();
const onThisPage = (key: string) =>
  GROUPS.some(({ group }) => fieldOf(key)?.group === group && fieldOf(key)?.levels.includes('family'));
/** To the field: on this page, or the weave's inspector. */
function goTo(key: string): void {
  if (!onThisPage(key)) {
    store.selected = { level: 'family' };
    return void router.push({ name: 'family', params: { id: store.family!.id } });
  }
  const input = document.getElementById(`w-${key}`);
  input?.scrollIntoView({ block: 'center' });
  input?.focus();
}

function typed(field: Field, text: string): void {
  const read = readFigure(field, text);
  if (read.ok)
    store.run({ do: 'setFigures', changes: [{ place: { level: 'family' }, key: field.key, figure: read.figure }] });
  else ElMessage({ type: 'error', message: `${field.label}: ${read.message}`, duration: 6000, grouping: true });
}
</script>

<template>
  <div class="words">
    <div class="sheet filled" data-test="filled">
      <p v-if="filled.length === 0" class="soft">No channel has a place for these goods yet: choose a category.</p>
      <p v-for="one in filled" :key="one.channel">
        <strong>{{ one.name }}</strong>
        <meter :value="one.filled" min="0" :max="one.asked" :aria-label="`${one.name}: filled`" />
        <span class="soft">{{ one.filled }} of {{ one.asked }}</span>
        <template v-if="one.missing.length">
          · missing:
          <button
            v-for="rule in one.missing"
            :key="rule.key"
            class="link"
            :class="{ needed: rule.need === 'required' }"
            :title="`${rule.need}: go there`"
            :data-test="`missing-${rule.key}`"
            @click="goTo(rule.key)"
          >
            {{ fieldOf(rule.key)?.label ?? rule.name }}
          </button>
        </template>
      </p>
    </div>
    <section v-for="{ group, title } in GROUPS" :key="group" class="sheet group">
      <h2>{{ title }}</h2>
      <div v-for="field in fieldsOf(group)" :key="field.key" class="field">
        <label :for="`w-${field.key}`">{{ field.label }}</label>
        <div>
          <Entry
            v-if="field.type === 'longtext' || field.type === 'list'"
            :id="`w-${field.key}`"
            :rows="field.key === 'description' ? 5 : field.type === 'list' ? 4 : 2"
            :value="held(field)"
            :placeholder="field.type === 'list' ? 'one a line' : ''"
            :data-test="`word-${field.key}`"
            @commit="typed(field, $event)"
          />
          <select
            v-else-if="field.type === 'choice'"
            :id="`w-${field.key}`"
            :value="String(store.family?.fields[field.key] ?? '')"
            :data-test="`word-${field.key}`"
            @change="typed(field, ($event.target as HTMLSelectElement).value)"
          >
            <option value="">—</option>
            <option v-for="choice in field.choices" :key="choice.value" :value="choice.value">
              {{ choice.label }}
            </option>
          </select>
          <Entry
            v-else
            :id="`w-${field.key}`"
            :value="held(field)"
            :data-test="`word-${field.key}`"
            @commit="typed(field, $event)"
          />
          <span class="soft small">{{ [length(field), field.help].filter(Boolean).join(' · ') }}</span>
        </div>
        <ul class="asked">
          <li v-for="one in asked[field.key] ?? []" :key="one.name" :class="{ stops: one.stops }">
            {{ one.name }}: {{ one.need }}<template v-if="one.text">, {{ one.text }}</template>
          </li>
        </ul>
      </div>
    </section>
  </div>
</template>

<style scoped>
.words {
  height: 100%;
  overflow: auto;
  padding: 10px 20px 20px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.group {
  padding: 12px 16px;
}
.filled {
  padding: 8px 16px;
  font-size: 13px;
  display: flex;
  flex-direction: column;
  gap: 3px;
}
.filled p {
  display: flex;
  gap: 10px;
  align-items: baseline;
  flex-wrap: wrap;
}
.filled strong {
  min-width: 84px;
}
.filled .needed {
  color: var(--stops);
}
meter {
  width: 110px;
  height: 10px;
}
meter::-webkit-meter-bar {
  background: var(--line-soft);
  border: 0;
  border-radius: 0;
  height: 8px;
}
meter::-webkit-meter-optimum-value {
  background: var(--woad);
}
.field {
  display: grid;
  grid-template-columns: 150px minmax(0, 620px) 1fr;
  gap: 14px;
  padding: 7px 0;
  border-top: 1px solid var(--line-soft);
  margin-top: 7px;
  align-items: start;
}
label {
  color: var(--ink-soft);
  padding-top: 4px;
}
:deep(input),
:deep(textarea),
select {
  font: inherit;
  color: inherit;
  width: 100%;
  border: 1px solid var(--line);
  padding: 4px 8px;
  border-radius: 2px;
  background: var(--sheet);
  resize: vertical;
}
:deep(input:focus),
:deep(textarea:focus) {
  outline: 2px solid var(--woad);
  outline-offset: -1px;
}
.small {
  font-size: 12px;
}
.asked {
  margin: 0;
  padding: 4px 0 0;
  list-style: none;
  font-size: 12px;
  color: var(--ink-soft);
}
.asked .stops {
  font-weight: 600;
}
</style>
