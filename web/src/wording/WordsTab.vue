<script setup lang="ts">
/** Name, texts and facts of the family, for all or for one language or account, with what each account asks of a field beside it. */
import { computed } from 'vue';
import { storeToRefs } from 'pinia';
import { ElMessage } from 'element-plus';
import {
  accountScopes,
  completeness,
  EVERYWHERE,
  figuresIn,
  heldBefore,
  readFigure,
  showFigure,
  unreadableText,
  type Field,
  type FieldGroup,
} from '@loom-kin/core';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { useGoThere } from '../common/goThere';
import { commandScope, mayHold, scopesFor, scopeText } from '../common/scopes';
import FieldEntry from '../common/FieldEntry.vue';
import OtherScopes from '../common/OtherScopes.vue';
import ScopeSelect from '../common/ScopeSelect.vue';

const store = useFamily();
const setup = useSetup();
const goThere = useGoThere();
const GROUPS: { group: FieldGroup; title: string }[] = [
  { group: 'identity', title: 'What it is' },
  { group: 'wording', title: 'Words' },
  { group: 'facts', title: 'Facts' },
];
const PLACE = { level: 'family' } as const;

const family = computed(() => store.family!);
const { scope } = storeToRefs(store);
const scopes = computed(() => scopesFor(setup.registry, setup.accounts, scope.value));
const groups = computed(() => {
  const fields = setup.registry
    .fieldsAt('family', family.value.fields.category)
    .filter((field) => mayHold(field, scope.value));
  return GROUPS.map((one) => ({ ...one, fields: fields.filter((field) => field.group === one.group) })).filter(
    (one) => one.fields.length > 0,
  );
});
const own = (field: Field) => figuresIn(family.value, scope.value)[field.key];
const before = (field: Field) =>
  showFigure(setup.registry, field, heldBefore(family.value, PLACE, field.key, scopes.value).figure);

/** What every account with a place for these goods asks for. */
const accounts = computed(() =>
  setup.accounts.flatMap((account) => {
    const category = store.fits[account.id]?.category;
    if (!category) return [];
    const filled = completeness(family.value, category, accountScopes(account, setup.registry.firstLanguage));
    return [{ account, category, ...filled }];
  }),
);
interface Asked {
  name: string;
  need: string;
  bounds: string;
  stops: boolean;
}
const asked = computed(() => {
  const byField: Record<string, Asked[]> = {};
  for (const { account, category } of accounts.value) {
    const findings = store.fits[account.id]?.findings ?? [];
    for (const { rule } of category.fieldChecks) {
      const bounds = [
        rule.atLeast !== undefined && `${rule.atLeast} at least`,
        rule.atMost !== undefined && `${rule.atMost} at most`,
      ];
      const stops = findings.some(
        ({ key, place, severity }) => key === rule.key && place.level === 'family' && severity === 'stops',
      );
      (byField[rule.key] ??= []).push({
        name: account.name,
        need: rule.need,
        bounds: bounds.filter(Boolean).join(', '),
        stops,
      });
    }
  }
  return byField;
});
function length(field: Field): string {
  const figure = own(field);
  if (Array.isArray(figure)) return `${figure.length} entries`;
  const counted = typeof figure === 'string' && (field.type === 'longtext' || field.type === 'text');
  return counted ? `${figure.length} characters` : '';
}

function typed(field: Field, text: string): void {
  const read = readFigure(setup.registry, field, text);
  if (!read.ok) {
    ElMessage({ type: 'error', message: unreadableText(read), duration: 6000, grouping: true });
    return;
  }
  store.run({
    do: 'setFigures',
    changes: [{ place: PLACE, key: field.key, figure: read.figure, scope: commandScope(scope.value) }],
  });
}
</script>

<template>
  <div class="words">
    <div class="sheet filled" data-test="filled">
      <p v-if="accounts.length === 0" class="soft">No channel has a place for these goods yet: choose a category.</p>
      <p v-for="one in accounts" :key="one.account.id">
        <strong>{{ one.account.name }}</strong>
        <meter :value="one.filled" min="0" :max="one.asked" :aria-label="`${one.account.name}: filled`" />
        <span class="soft">{{ one.filled }} of {{ one.asked }}</span>
        <template v-if="one.missing.length">
          · missing:
          <button
            v-for="{ rule, label } in one.missing"
            :key="rule.key"
            class="link"
            :class="{ needed: rule.need === 'required' }"
            :title="`${rule.need}: go there`"
            :data-test="`missing-${rule.key}`"
            @click="goThere({ key: rule.key, place: PLACE, account: one.account.id })"
          >
            {{ label }}
          </button>
        </template>
      </p>
    </div>
    <p class="for">
      <ScopeSelect v-model="scope" />
      <span v-if="scope !== EVERYWHERE" class="soft small">
        What is typed here holds {{ scopeText(setup.accounts, scope) }} only; what is left empty is as everywhere.
      </span>
    </p>
    <section v-for="{ group, title, fields } in groups" :key="group" class="sheet group">
      <h2>{{ title }}</h2>
      <div v-for="field in fields" :key="field.key" class="field">
        <label :for="`w-${field.key}`">{{ field.label }}</label>
        <div>
          <FieldEntry
            :id="`w-${field.key}`"
            :key="scope + field.key"
            :draft="`${family.id}.words.${scope}.${field.key}`"
            :field="field"
            :figure="own(field)"
            :inherited="before(field)"
            :data-test="`word-${field.key}`"
            @commit="typed(field, $event)"
          />
          <span class="soft small">
            {{ [length(field), field.unit, field.help].filter(Boolean).join(' · ') }}
            <button
              v-if="scope !== EVERYWHERE && own(field) !== undefined"
              class="link"
              :data-test="`back-${field.key}`"
              @click="typed(field, '')"
            >
              as everywhere again
            </button>
            <OtherScopes v-model="scope" :field="field" :carrier="family" />
          </span>
        </div>
        <ul class="asked">
          <li v-for="one in asked[field.key] ?? []" :key="one.name" :class="{ stops: one.stops }">
            {{ one.name }}: {{ one.need }}<template v-if="one.bounds">, {{ one.bounds }}</template>
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
  grid-template-columns: 150px minmax(0, 620px) minmax(220px, 1fr);
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
.field :deep(select) {
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
.for {
  display: flex;
  gap: 12px;
  align-items: baseline;
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
