<script setup lang="ts">
/** A change of the axes before it is made, beside the weave: what is wanted, what becomes of every child, and the button that does it. */
import { computed, onUnmounted, ref, watch } from 'vue';
import { ElButton } from 'element-plus';
import { type ChildFate, type Command, childFates, movedFigures, runCommand } from '@loom-kin/core/change';
import { movedFigureText, titleOf } from '@loom-kin/core/descriptions';
import { leave } from '@loom-kin/core/gather';
import { Refusal } from '@loom-kin/core/refusal';
import { children } from '@loom-kin/core/text';
import { useFamily, type Ahead } from '../../stores/family';
import { useSetup } from '../../stores/setup';
import MovedFigures from '../../common/MovedFigures.vue';
import FateList from './FateList.vue';

const props = defineProps<{
  title: string;
  /** What would be done; null while something is not said yet. */
  command: Command | null;
  /** On the button. */
  deed: string;
  isDanger?: boolean;
  /** Children that leave before it is done, each to be a family of its own. */
  leavers?: readonly string[];
}>();
const emit = defineEmits<{ done: [] }>();
const store = useFamily();
const setup = useSetup();

interface Preview {
  fates: ChildFate[];
  problem: string | null;
  /** What children keep as their own that stood for several. */
  moved: string[];
  ahead?: Ahead;
}
/** While it is being made nothing is worked out anew: the family is another by then. */
const isMade = ref(false);
let last: Preview = { fates: [], problem: null, moved: [] };
const preview = computed<Preview>(() => (isMade.value ? last : (last = lookAhead())));
function lookAhead(): Preview {
  if (!props.command) return { fates: [], problem: null, moved: [] };
  try {
    const before = store.family!;
    let number = 0;
    const newId = () => `left${(number += 1)}`;
    const without = props.leavers?.length ? leave(setup.registry, before, props.leavers, newId).from.family : before;
    const changed = runCommand(setup.registry, without, props.command);
    const moved = movedFigures(without, changed.family).map((one) => movedFigureText(setup.namer, without, one));
    return { fates: childFates(before, changed.family), problem: null, moved, ahead: { before: without, changed } };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { fates: [], problem: error.message, moved: [] };
  }
}
/** The weave lights up the children that would go. */
watch(
  preview,
  ({ fates }) =>
    (store.lit = new Set(
      fates.flatMap(({ fate, childId }) => (fate === 'shelf' || fate === 'leaves' ? [childId] : [])),
    )),
  { immediate: true },
);
onUnmounted(() => (store.lit = new Set()));

async function make(): Promise<void> {
  const { command, leavers } = props;
  if (!command) return;
  const { ahead } = preview.value;
  isMade.value = true;
  const done = leavers?.length ? await makeWithLeavers(command, leavers) : store.run(command, [], undefined, ahead);
  if (done) emit('done');
  else isMade.value = false;
}

function makeWithLeavers(command: Command, leavers: readonly string[]): Promise<boolean> {
  const title = `${titleOf(setup.namer, command, store.family!)}, and let ${children(leavers.length)} leave`;
  return store.ask(
    ({ id: familyId, revision }) => [
      { on: 'leave', familyId, revision, childIds: [...leavers] },
      { on: 'family', familyId, revision, command },
    ],
    title,
  );
}
</script>

<template>
  <aside class="sheet change" :aria-label="title" data-test="structure" @keydown.esc="emit('done')">
    <form class="head" @submit.prevent="make">
      <h2>{{ title }}</h2>
      <slot />
      <p v-if="preview.problem" class="stops" role="alert" data-test="structure-problem">{{ preview.problem }}</p>
      <div class="acts">
        <ElButton size="small" @click="emit('done')">Leave it</ElButton>
        <ElButton
          size="small"
          native-type="submit"
          :type="isDanger ? 'danger' : 'primary'"
          :disabled="!command || preview.problem !== null"
          data-test="structure-do"
          >{{ deed }}</ElButton
        >
      </div>
    </form>
    <MovedFigures :moved="preview.moved" />
    <slot name="choices" />
    <FateList v-if="command && !preview.problem" :fates="preview.fates" />
  </aside>
</template>

<style scoped>
.change {
  overflow: auto;
  min-height: 0;
  font-size: 13px;
}
.head {
  padding: 10px 12px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--sheet);
  display: flex;
  flex-direction: column;
  gap: 6px;
  z-index: 1;
}
.acts {
  display: flex;
  gap: 8px;
  justify-content: flex-end;
}
</style>
