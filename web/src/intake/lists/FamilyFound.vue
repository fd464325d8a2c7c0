<script setup lang="ts">
/** A family that a list becomes: its name and axes, which can be called otherwise, its weave, why it is one, what is in doubt. */
import { computed, ref } from 'vue';
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus';
import { ROLES, type Role } from '@loom-kin/core/family';
import { ROLE_LABELS } from '@loom-kin/core/registry';
import { count } from '@loom-kin/core/text';
import type { ListFamilyView } from '@loom-kin/contract';
import PopupButton from '../../common/PopupButton.vue';
import MiniWeave from './MiniWeave.vue';
import { verdictCount, VERDICT_LOOKS } from './verdicts';

const props = defineProps<{ family: ListFamilyView; chosen: boolean; fixed: boolean }>();
const emit = defineEmits<{
  choose: [more: boolean];
  rename: [name: string];
  axis: [was: string, to: { label: string; role: Role }];
  part: [axis: string];
  leaveOut: [];
  rows: [row: number];
}>();

const typed = ref<string | null>(null);
function keepName(): void {
  const name = typed.value?.trim();
  typed.value = null;
  if (name && name !== props.family.name) emit('rename', name);
}

const rowNumbers = computed(() =>
  [...new Set(props.family.children.flatMap(({ rows }) => rows))].sort((a, b) => a - b),
);
/** Rows as people say them: 3–7, 12. */
function asRuns(rows: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const row of rows) {
    const last = runs.at(-1);
    if (last && row === last[1] + 1) last[1] = row;
    else runs.push([row, row]);
  }
  const shown = runs.slice(0, 6).map(([from, to]) => (from === to ? String(from) : `${from}–${to}`));
  return shown.join(', ') + (runs.length > 6 ? ` and ${runs.length - 6} more` : '');
}
/** What is in doubt, each thing once with all its rows. */
const doubts = computed(() => {
  const byText = new Map<string, number[]>();
  for (const { row, text } of props.family.doubts)
    byText.set(
      text,
      [...(byText.get(text) ?? []), row].sort((one, other) => one - other),
    );
  return [...byText].map(([text, rows]) => ({ text, rows }));
});
const VERDICTS = ['newFamily', 'newChild', 'changed', 'doubtful', 'same', 'refused'] as const;
const counts = computed(() =>
  VERDICTS.flatMap((verdict) => {
    const rows = props.family.counts[verdict];
    if (rows === 0) return [];
    // All of a family that is new are: which family, stands above.
    const text = verdict === 'newFamily' ? count(rows, 'new', 'new') : verdictCount(verdict, rows);
    return [{ text, look: VERDICT_LOOKS[verdict] }];
  }),
);
/** Rows without a name are refused, and a press here gives them one. */
const called = computed(() => props.family.name || 'Without a name');
const axisTyped = ref<Record<string, { label: string; role: Role }>>({});
const axisOf = (label: string, role: Role) => (axisTyped.value[label] ??= { label, role });
</script>

<template>
  <li
    class="family"
    :class="{ chosen }"
    :aria-label="called"
    data-test="found-family"
    @click="emit('choose', $event.ctrlKey || $event.metaKey || $event.shiftKey)"
  >
    <div class="words">
      <div class="line">
        <input
          type="checkbox"
          :checked="chosen"
          :aria-label="`Choose ${called}`"
          :disabled="fixed"
          @click.stop="emit('choose', true)"
        />
        <ElInput
          v-if="typed !== null"
          v-model="typed"
          size="small"
          class="name"
          autofocus
          aria-label="Name of the family"
          @click.stop
          @keydown.enter.stop="keepName"
          @keydown.esc.stop="typed = null"
          @blur="keepName"
        />
        <button
          v-else
          class="plain name"
          :disabled="fixed"
          title="Enter another name"
          @click.stop="typed = family.name"
        >
          {{ called }}
        </button>
        <span v-if="family.brand" class="soft">{{ family.brand }}</span>
        <RouterLink v-if="family.familyId" :to="`/families/${family.familyId}`" class="soft" @click.stop
          >is there</RouterLink
        >
        <span v-for="one in counts" :key="one.text" :class="one.look">{{ one.text }}</span>
      </div>
      <div v-if="family.axes.length" class="line axes">
        <PopupButton
          v-for="axis in family.axes"
          :key="axis.label"
          :name="`The axis ${axis.label}`"
          plain
          :width="300"
          @click.stop
        >
          <template #label
            >{{ axis.label }} <span class="soft">{{ axis.values.length }}</span></template
          >
          <template #default="{ close }">
            <form
              class="axis"
              @submit.prevent="(emit('axis', axis.label, { ...axisOf(axis.label, axis.role) }), close())"
              @click.stop
            >
              <label
                >Called <ElInput v-model="axisOf(axis.label, axis.role).label" size="small" maxlength="40"
              /></label>
              <label
                >About
                <ElSelect v-model="axisOf(axis.label, axis.role).role" size="small" :disabled="fixed">
                  <ElOption v-for="role in ROLES" :key="role" :value="role" :label="ROLE_LABELS[role]" />
                </ElSelect>
              </label>
              <p class="soft values">{{ axis.values.join(', ') }}</p>
              <div class="line">
                <ElButton size="small" native-type="submit" type="primary" :disabled="fixed">Call it so</ElButton>
                <ElButton
                  size="small"
                  :disabled="fixed || axis.values.length < 2"
                  @click="(emit('part', axis.label), close())"
                  >A family for each</ElButton
                >
              </div>
            </form>
          </template>
        </PopupButton>
      </div>
      <p v-if="family.why" class="soft why">{{ family.why }}</p>
      <p v-for="doubt in doubts" :key="doubt.text" class="warns why">
        <button class="link" @click.stop="emit('rows', doubt.rows[0]!)">
          {{ doubt.rows.length === 1 ? `Row ${doubt.rows[0]}` : `Rows ${asRuns(doubt.rows)}` }}</button>:
        {{ doubt.text }}
      </p>
      <p class="soft why">
        {{ rowNumbers.length === 1 ? 'Row' : 'Rows' }} {{ asRuns(rowNumbers) }}
        <button v-if="!fixed" class="link" @click.stop="emit('leaveOut')">leave out</button>
      </p>
    </div>
    <MiniWeave :family="family" />
  </li>
</template>

<style scoped>
.family {
  display: flex;
  gap: 16px;
  justify-content: space-between;
  align-items: flex-start;
  padding: 8px 14px;
  border-bottom: 1px solid var(--line-soft);
  cursor: default;
}
.family.chosen {
  background: var(--weld-pale);
}
.words {
  min-width: 0;
  flex: 1;
  display: flex;
  flex-direction: column;
  gap: 3px;
}
.line {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
}
.name {
  font-weight: 600;
  max-width: 420px;
}
.why {
  font-size: 13px;
}
.axis {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.axis label {
  display: flex;
  flex-direction: column;
  font-size: 12px;
}
.values {
  max-height: 120px;
  overflow: auto;
}
</style>
