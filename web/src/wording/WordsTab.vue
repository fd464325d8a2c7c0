<script setup lang="ts">
/** Name, texts and facts of the family, for all or for one language or account, with what each account asks of a field beside it. */
import { computed } from 'vue';
import { storeToRefs } from 'pinia';
import { type Account, accountScopes } from '@loom-kin/core/catalogue';
import { EVERYWHERE, accountScope, figuresIn, heldBefore, scopeName } from '@loom-kin/core/family';
import { completeness } from '@loom-kin/core/fit';
import { unreadableText } from '@loom-kin/core/refusal';
import { type Field, type FieldGroup, readFigure, showFigure } from '@loom-kin/core/registry';
import { plainText } from '@loom-kin/core/wording';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { useGoThere } from '../common/goThere';
import { commandScope, mayHold, scopesFor, scopeText } from '../common/scopes';
import ScopeSelect from '../common/ScopeSelect.vue';
import { useSaidElsewhere } from './useSaidElsewhere';
import SearchSnippet from './SearchSnippet.vue';
import WordsField, { type Asked } from './WordsField.vue';
import { refuse } from '../api/api';

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
/** Whether what is written here is for the account: a text in a language for those that are written in it. */
function isMeant({ id, language }: Account, isText: boolean): boolean {
  const { kind, name } = scopeName(scope.value);
  if (kind === 'everywhere') return !isText || language === setup.registry.firstLanguage;
  return kind === 'language' ? language === name : id === name;
}
const asked = computed(() => {
  const byField: Record<string, Asked[]> = {};
  for (const { account, category } of accounts.value) {
    const findings = store.fits[account.id]?.findings ?? [];
    for (const { rule, field } of category.fieldChecks) {
      if (!isMeant(account, field?.translatable ?? false)) continue;
      const stops = findings.some(
        ({ key, place, severity }) => key === rule.key && place.level === 'family' && severity === 'stops',
      );
      const { need, atLeast, atMost } = rule;
      const ownScope = accountScope(account.id);
      const hasOwn = scope.value !== ownScope && figuresIn(family.value, ownScope)[rule.key] !== undefined;
      (byField[rule.key] ??= []).push({
        account: account.id,
        name: account.name,
        need,
        atLeast,
        atMost,
        stops,
        hasOwn,
      });
    }
  }
  return byField;
});
/** The text in the first language, beside which another is written. */
function original(field: Field): string {
  if (!field.translatable || scopeName(scope.value).kind !== 'language') return '';
  return plainText(showFigure(setup.registry, field, family.value.fields[field.key]));
}
const said = (key: string) => {
  const field = setup.registry.field(key)!;
  return plainText(showFigure(setup.registry, field, own(field)) || before(field));
};

/** The texts as they are written here, of which other families may say the same. */
const SPECIFIC = ['shortText', 'description', 'highlights', 'searchTitle', 'searchDescription'];
const elsewhere = useSaidElsewhere(
  computed(() => family.value.id),
  computed(() =>
    Object.fromEntries(
      SPECIFIC.map((key) => {
        const field = setup.registry.field(key)!;
        return [key, showFigure(setup.registry, field, own(field))];
      }),
    ),
  ),
);

/** Every account has been looked at: before that nothing is claimed of any. */
const isKnown = computed(
  () => accounts.value.length > 0 || setup.accounts.every(({ id }) => store.fits[id] !== undefined),
);

function typed(field: Field, text: string): void {
  const read = readFigure(setup.registry, field, text);
  if (!read.ok) {
    refuse(unreadableText(read));
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
      <p v-if="!isKnown" class="soft">Working out what each channel asks for…</p>
      <p v-else-if="accounts.length === 0 && store.family!.fields.category" class="soft">
        No channel has a place for {{ setup.registry.pathLabel(String(store.family!.fields.category)) }} yet.
        <RouterLink :to="{ name: 'channels', query: { part: 'categories' } }">Choose one on each channel</RouterLink>
      </p>
      <p v-else-if="accounts.length === 0" class="soft">Choose a category: it says what each channel asks for.</p>
      <p v-for="one in accounts" :key="one.account.id">
        <strong>{{ one.account.name }}</strong>
        <meter :value="one.filled" min="0" :max="one.asked" :aria-label="`${one.account.name}: filled`" />
        <span class="soft">{{ one.filled }} of {{ one.asked }}</span>
        <template v-if="one.missing.length">
          · {{ one.filled < one.asked ? 'missing:' : 'optional:' }}
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
      <template v-for="field in fields" :key="scope + field.key">
        <WordsField
          v-model:scope="scope"
          :field="field"
          :carrier="family"
          :figure="own(field)"
          :inherited="before(field)"
          :original="original(field)"
          :asked="asked[field.key] ?? []"
          :elsewhere="elsewhere[field.key] ?? []"
          :draft="`${family.id}.words.${scope}.${field.key}`"
          @typed="typed(field, $event)"
        />
        <SearchSnippet
          v-if="field.key === 'searchDescription'"
          :title="said('searchTitle')"
          :description="said('searchDescription')"
          :name="said('name')"
          :short-text="said('shortText') || said('description')"
          :seller="setup.setup!.seller.name"
        />
      </template>
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
.for {
  display: flex;
  gap: 12px;
  align-items: baseline;
}
.small {
  font-size: 12px;
}
</style>
