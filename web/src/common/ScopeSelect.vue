<script setup lang="ts">
/** For whom what is typed holds: for all, for one language, for one account. */
import { computed } from 'vue';
import { EVERYWHERE, type Scope, accountScope, languageScope } from '@loom-kin/core/family';
import { languageName } from '@loom-kin/core/text';
import Term from './Term.vue';
import { useSetup } from '../stores/setup';

/** `accounts` leaves languages out: what is chosen never differs by language. */
defineProps<{ only?: 'accounts' }>();
const scope = defineModel<Scope>({ required: true });
const setup = useSetup();
const languages = computed(() => setup.registry.languages.slice(1));
</script>

<template>
  <label class="scope"
    ><Term word="scope">holds</Term>
    <select v-model="scope" aria-label="For whom it holds" data-test="scope">
      <option :value="EVERYWHERE">everywhere</option>
      <optgroup v-if="languages.length && only !== 'accounts'" label="In one language">
        <option v-for="tag in languages" :key="tag" :value="languageScope(tag)">in {{ languageName(tag) }}</option>
      </optgroup>
      <optgroup v-if="setup.accounts.length" label="On one account">
        <option v-for="account in setup.accounts" :key="account.id" :value="accountScope(account.id)">
          on {{ account.name }}
        </option>
      </optgroup>
    </select>
  </label>
</template>

<style scoped>
.scope {
  font-size: 12px;
  color: var(--ink-soft);
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
select {
  font: inherit;
  height: 24px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: var(--ink);
}
</style>
