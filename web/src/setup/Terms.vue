<script setup lang="ts">
/** Terms and parties that are written once and chosen for goods. */
import { computed, ref } from 'vue';
import { ElButton, ElInput } from 'element-plus';
import { TERM_KINDS, type Term, type TermKind, TermSchema } from '@loom-kin/core/registry';
import { refuse } from '../api/api';
import { useSetup } from '../stores/setup';
import Entry from '../common/Entry.vue';
import { idFor } from './idFor';

const KIND_WORDS: Record<TermKind, string> = {
  delivery: 'Delivery',
  payment: 'Payment',
  return: 'Return',
  party: 'Responsible party',
};
const setup = useSetup();
const terms = computed(() =>
  Object.values(setup.registry.data.terms).toSorted(
    (a, b) => TERM_KINDS.indexOf(a.kind) - TERM_KINDS.indexOf(b.kind) || a.label.localeCompare(b.label),
  ),
);
const fresh = ref<{ kind: TermKind; label: string; text: string }>({ kind: 'delivery', label: '', text: '' });

async function keep(term: Term, made = () => term): Promise<boolean> {
  const read = TermSchema.safeParse(term);
  if (read.success) return setup.change(() => [{ on: 'registry', command: { do: 'setTerm', term: made() } }]);
  const isText = read.error.issues[0]!.path[0] === 'text';
  refuse(isText ? 'Say what holds.' : 'Give it a name.');
  return false;
}
async function add(): Promise<void> {
  const typed = { ...fresh.value };
  const made = () => ({ id: idFor(typed.label, Object.keys(setup.registry.data.terms)), ...typed });
  if ((await keep(made(), made)) && fresh.value.label === typed.label)
    fresh.value = { ...fresh.value, label: '', text: '' };
}
const remove = (id: string) => setup.change([{ on: 'registry', command: { do: 'removeTerm', id } }]);
</script>

<template>
  <div id="terms" class="sheet part" data-test="terms">
    <h2>Terms and parties</h2>
    <p class="soft">
      Delivery, payment, return, and who answers for the goods: written once, chosen under Words and facts, for all
      accounts or for one.
    </p>
    <table v-if="terms.length" class="lines">
      <thead>
        <tr>
          <th style="width: 150px">Of</th>
          <th style="width: 220px">Called</th>
          <th>What holds</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="term in terms" :key="term.id" data-test="term">
          <td class="soft">{{ KIND_WORDS[term.kind] }}</td>
          <td>
            <Entry
              :value="term.label"
              :aria-label="`Name of ${term.label}`"
              @commit="keep({ ...term, label: $event })"
            />
          </td>
          <td>
            <Entry
              :value="term.text"
              :aria-label="`What ${term.label} says`"
              @commit="keep({ ...term, text: $event })"
            />
          </td>
          <td class="acts"><button class="link" @click="remove(term.id)">remove</button></td>
        </tr>
      </tbody>
    </table>
    <form class="line" @submit.prevent="add">
      <label
        >Of
        <select v-model="fresh.kind" data-test="term-kind">
          <option v-for="kind in TERM_KINDS" :key="kind" :value="kind">{{ KIND_WORDS[kind] }}</option>
        </select></label
      >
      <label>Called <ElInput v-model="fresh.label" placeholder="Small parcel" data-test="term-label" /></label>
      <label class="grow"
        >What holds <ElInput v-model="fresh.text" placeholder="Sent within three days, tracked." data-test="term-text"
      /></label>
      <ElButton native-type="submit" data-test="add-term">Add it</ElButton>
    </form>
  </div>
</template>

<style scoped>
@import './part.css';
</style>
