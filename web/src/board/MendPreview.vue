<script setup lang="ts">
/** What would mend one kind of finding, family by family, before it is done: one change, one undo. */
import { computed, onMounted, ref, shallowRef } from 'vue';
import { ElButton } from 'element-plus';
import { count, findingName } from '@loom-kin/core';
import { MENDED_AT_ONCE, type BoardFinding, type FamilyFilter, type Remedies } from '@loom-kin/contract';
import { api, call, say, tell } from '../api';
import { useSetup } from '../stores/setup';
import DialogSheet from '../common/DialogSheet.vue';

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
const name = computed(() => findingName(code, setup.registry.field(key)?.label ?? key));
function toggle(id: string): void {
  const next = new Set(without.value);
  if (!next.delete(id)) next.add(id);
  without.value = next;
}
async function mend(): Promise<void> {
  busy.value = true;
  try {
    const title = `Mend ${name.value} in ${count(wanted.value.length, 'family', 'families')}`;
    // Several families may ask for the same thing, such as a pairing: it is done once.
    const steps = [
      ...new Map(wanted.value.flatMap((one) => one.steps).map((step) => [JSON.stringify(step), step])).values(),
    ];
    if (!(await setup.change(steps, title))) return;
    say(`${count(wanted.value.length, 'family is', 'families are')} mended. Undo is in the journal.`);
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
    <p v-if="problem" class="stops">{{ problem }}</p>
    <p v-else-if="!remedies" class="soft">Working out what would mend it…</p>
    <template v-else>
      <p v-if="remedies.families.length === 0">
        Nothing can be done for it without an answer of yours. Open the families it concerns:
      </p>
      <p v-else class="soft">
        Each family by the first remedy that needs no answer{{
          remedies.families.length >= MENDED_AT_ONCE ? `; the first ${MENDED_AT_ONCE} at once` : ''
        }}.
      </p>
      <div class="list">
        <table class="lines">
          <tbody>
            <tr v-for="one in remedies.families" :key="one.familyId" data-test="mend-row">
              <td style="width: 26px">
                <input
                  type="checkbox"
                  :checked="!without.has(one.familyId)"
                  :aria-label="`Mend ${one.name}`"
                  @change="toggle(one.familyId)"
                />
              </td>
              <td style="width: 200px">
                <RouterLink :to="`/families/${one.familyId}/fit/${account}`">{{ one.name }}</RouterLink>
              </td>
              <td>
                {{ one.texts.slice(0, 3).join('; ')
                }}{{ one.texts.length > 3 ? ` and ${one.texts.length - 3} more` : '' }}
              </td>
            </tr>
            <tr v-for="one in remedies.unready.slice(0, 50)" :key="`u${one.familyId}`">
              <td />
              <td>
                <RouterLink :to="`/families/${one.familyId}/fit/${account}`">{{ one.name }}</RouterLink>
              </td>
              <td class="soft">needs your answer</td>
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
    </div>
  </DialogSheet>
</template>

<style scoped>
.list {
  max-height: 50vh;
  overflow: auto;
}
.acts {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
  margin-top: 12px;
}
</style>
