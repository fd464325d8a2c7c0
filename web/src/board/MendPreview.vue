<script setup lang="ts">
/** What would mend one kind of finding, family by family, before it is done: one change, one undo. */
import { computed, onMounted, ref, shallowRef } from 'vue';
import { ElButton } from 'element-plus';
import type { Figure } from '@loom-kin/core/family';
import { unreadableText } from '@loom-kin/core/refusal';
import { readFigure } from '@loom-kin/core/registry';
import { count } from '@loom-kin/core/text';
import { findingName } from '@loom-kin/core/words';
import { answerStep, MENDED_AT_ONCE, type BoardFinding, type FamilyFilter, type Remedies } from '@loom-kin/contract';
import { api, call, say, tell } from '../api/api';
import { useSetup } from '../stores/setup';
import DialogSheet from '../common/DialogSheet.vue';
import FieldEntry from '../common/FieldEntry.vue';

const props = defineProps<{ finding: BoardFinding; filter: Partial<FamilyFilter> }>();
const emit = defineEmits<{ close: [] }>();
const setup = useSetup();
const remedies = shallowRef<Remedies | null>(null);
const problem = ref<string | null>(null);
const busy = ref(false);
const without = ref(new Set<string>());

const { account, code, key } = props.finding;
onMounted(async () => {
  try {
    // The state and the route that are filtered by are of this very account.
    const { finding: _finding, ...filter } = props.filter;
    remedies.value = await call(api.boardRemedies, { body: { account, code, key, filter } });
  } catch (error) {
    problem.value = error instanceof Error ? error.message : 'It cannot be worked out.';
  }
});
const wanted = computed(() => remedies.value?.families.filter((one) => !without.value.has(one.familyId)) ?? []);
const shortly = (texts: readonly string[]): string =>
  texts.slice(0, 3).join('; ') + (texts.length > 3 ? ` and ${texts.length - 3} more` : '');
/** What is shown of each family: those that need no answer first. */
const rows = computed(() => [
  ...(remedies.value?.families ?? []).map(({ familyId, name: called, texts }) => ({
    familyId,
    name: called,
    act: 'Mend',
    test: 'mend-row',
    text: shortly(texts),
  })),
  ...(remedies.value?.unready ?? []).map(({ familyId, name: called, asks }) => ({
    familyId,
    name: called,
    act: asks ? 'Answer for' : '',
    test: 'answer-row',
    text: 'needs your answer',
  })),
]);
/** Families that ask for a figure: one answer goes to all of them. */
const asking = computed(() => remedies.value?.unready.filter(({ asks }) => asks !== null) ?? []);
const answered = computed(() => asking.value.filter((one) => !without.value.has(one.familyId)));
const field = computed(() => setup.registry.field(asking.value[0]?.asks?.key ?? ''));
/** What is typed, and what was last committed of it: the button is there before the entry is left. */
const text = ref('');
const committed = ref<Figure>();
const answer = computed((): Figure | undefined => {
  const read = field.value ? readFigure(setup.registry, field.value, text.value) : null;
  return read?.ok ? (read.figure ?? undefined) : undefined;
});
function typed(said: string): void {
  text.value = said;
  const read = readFigure(setup.registry, field.value!, said);
  problem.value = read.ok ? null : unreadableText(read);
  committed.value = answer.value;
}
const name = computed(() => findingName(code, setup.registry.field(key)?.label ?? key));
function toggle(id: string): void {
  const next = new Set(without.value);
  if (!next.delete(id)) next.add(id);
  without.value = next;
}
async function mend(): Promise<void> {
  // Several families may ask for the same thing, such as a pairing: it is done once.
  const steps = [
    ...new Map(wanted.value.flatMap((one) => one.steps).map((step) => [JSON.stringify(step), step])).values(),
  ];
  await change(steps, wanted.value.length, 'mended');
}
async function give(): Promise<void> {
  const steps = answered.value.map((one) => answerStep(one.familyId, one.asks!, answer.value!));
  await change(steps, answered.value.length, 'answered for');
}
async function change(steps: Parameters<typeof setup.change>[0], families: number, done: string): Promise<void> {
  busy.value = true;
  try {
    if (!(await setup.change(steps, `Mend ${name.value} in ${count(families, 'family', 'families')}`))) return;
    say(`${count(families, 'family is', 'families are')} ${done}. Undo is in the journal.`);
    emit('close');
  } catch (error) {
    tell(error);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <DialogSheet :title="`Mend: ${name}`" :width="640" @close="emit('close')">
    <p v-if="problem" class="stops" role="alert">{{ problem }}</p>
    <p v-if="!remedies && !problem" class="soft">Working out what would mend it…</p>
    <template v-if="remedies">
      <label v-if="field" class="answer">
        <span>One answer for all: {{ field.label }}</span>
        <FieldEntry
          class="entry"
          :field="field"
          :figure="committed"
          :aria-label="`${field.label} for all families`"
          data-test="answer"
          @commit="typed"
          @typing="text = $event"
        />
        <span v-if="field.unit" class="soft">{{ field.unit }}</span>
      </label>
      <p v-else-if="remedies.families.length === 0">
        Nothing can be done for it without an answer of yours. Open the families it concerns:
      </p>
      <p v-if="remedies.families.length > 0" class="soft">
        Each family by the first remedy that needs no answer{{
          remedies.families.length >= MENDED_AT_ONCE ? `; the first ${MENDED_AT_ONCE} at once` : ''
        }}.
      </p>
      <div class="list">
        <table class="lines">
          <tbody>
            <tr v-for="one in rows" :key="`${one.act} ${one.familyId}`" :data-test="one.test">
              <td style="width: 26px">
                <input
                  v-if="one.act"
                  type="checkbox"
                  :checked="!without.has(one.familyId)"
                  :aria-label="`${one.act} ${one.name}`"
                  @change="toggle(one.familyId)"
                />
              </td>
              <td style="width: 200px">
                <RouterLink :to="`/families/${one.familyId}/fit/${account}`">{{ one.name }}</RouterLink>
              </td>
              <td :class="{ soft: one.test === 'answer-row' }">{{ one.text }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
    <div class="acts">
      <ElButton @click="emit('close')">Close</ElButton>
      <ElButton
        v-if="remedies?.families.length"
        type="primary"
        :loading="busy"
        :disabled="wanted.length === 0"
        data-test="mend-families"
        @click="mend"
        >Mend {{ count(wanted.length, 'family', 'families') }}</ElButton
      >
      <ElButton
        v-if="field"
        type="primary"
        :loading="busy"
        :disabled="answer === undefined || answered.length === 0"
        data-test="answer-families"
        @click="give"
        >Give it to {{ count(answered.length, 'family', 'families') }}</ElButton
      >
    </div>
  </DialogSheet>
</template>

<style scoped>
.list {
  max-height: 50vh;
  overflow: auto;
}
.answer {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-bottom: 10px;
}
.answer .entry,
.answer :deep(.entry) {
  flex: 1;
  min-width: 0;
  min-height: 28px;
  padding: 2px 6px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: inherit;
  font: inherit;
}
.acts {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
  margin-top: 12px;
}
</style>
