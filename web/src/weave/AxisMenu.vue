<script setup lang="ts">
/** One axis: its name, its place, its values. Every change keeps what the children hold. */
import { computed, ref } from 'vue';
import { ElButton, ElOption, ElSelect } from 'element-plus';
import { type Axis, ROLES, type Role } from '@loom-kin/core/family';
import { ROLE_LABELS } from '@loom-kin/core/registry';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import AxisValues from './AxisValues.vue';
import { say } from '../api/api';
import { draftValues, splitList } from './draftValues';
import { roleNamed } from './roleNamed';
import ValuesEntry from './ValuesEntry.vue';
import Entry from '../common/Entry.vue';
import PopupButton from '../common/PopupButton.vue';

const props = defineProps<{ axis: Axis; at: number; count: number }>();
const emit = defineEmits<{ turn: [how: 'remove' | 'join' | 'split' | 'merge'] }>();
const store = useFamily();
const setup = useSetup();
const more = ref('');
/** The value that new ones begin as; none where they begin empty. */
const like = ref('');

const drafts = computed(() => draftValues(setup.registry, splitList(more.value), props.axis.role));

/** A name that says what the axis is about says so to the channels, too. */
function rename(label: string): void {
  if (!label.trim()) return;
  const role = roleNamed(setup.registry, label);
  const isTaken = store.family!.axes.some((one) => one.id !== props.axis.id && one.role === role);
  const isAnother = role !== undefined && role !== props.axis.role && !isTaken;
  const command = { do: 'renameAxis' as const, axisId: props.axis.id, label, ...(isAnother ? { role } : {}) };
  if (store.run(command) && isAnother)
    say(`For channels the axis ${label.trim()} is about ${ROLE_LABELS[role].toLowerCase()} from now on.`);
}
function add(): void {
  if (drafts.value.length === 0) return;
  const used = new Set(props.axis.values.map((value) => value.code));
  const values = drafts.value.map(({ code, ...value }) => (used.has(code) ? value : { ...value, code }));
  const begun = like.value === '' ? {} : { like: like.value };
  if (store.run({ do: 'addValues', axisId: props.axis.id, values, ...begun })) more.value = '';
}
</script>

<template>
  <PopupButton :name="`The axis ${axis.label}`" :width="440" :data-test="`axis-${axis.label}`">
    <template #label
      >{{ axis.label }} <span class="soft">&nbsp;{{ axis.values.length }}</span></template
    >
    <template #default="{ close }">
      <div class="menu">
        <div class="line">
          <Entry class="field grow" :value="axis.label" maxlength="40" aria-label="Name of the axis" @commit="rename" />
          <ElSelect
            :model-value="axis.role"
            size="small"
            style="width: 120px"
            aria-label="What the axis is about"
            @update:model-value="
              (role: Role) => store.run({ do: 'renameAxis', axisId: axis.id, label: axis.label, role })
            "
          >
            <ElOption v-for="role in ROLES" :key="role" :value="role" :label="ROLE_LABELS[role]" />
          </ElSelect>
          <ElButton
            size="small"
            :disabled="at === 0"
            title="Move before"
            @click="store.run({ do: 'moveAxis', axisId: axis.id, to: at - 1 })"
            >←</ElButton
          >
          <ElButton
            size="small"
            :disabled="at === count - 1"
            title="Move behind"
            @click="store.run({ do: 'moveAxis', axisId: axis.id, to: at + 1 })"
            >→</ElButton
          >
        </div>
        <AxisValues :axis="axis" />
        <form class="line" @submit.prevent="add">
          <ValuesEntry
            v-model="more"
            :role="axis.role"
            :taken="axis.values.map((value) => value.label)"
            @enter="add"
            size="small"
            class="grow"
            placeholder="Add values, parted by commas"
            :data-test="`add-values-${axis.label}`"
          />
          <ElButton size="small" native-type="submit" :disabled="drafts.length === 0"
            >Add {{ drafts.length || '' }}</ElButton
          >
        </form>
        <label v-if="drafts.length > 0" class="small"
          >With figures and crossings
          <select v-model="like" :data-test="`like-${axis.label}`">
            <option value="">of its own</option>
            <option v-for="value in axis.values" :key="value.id" :value="value.id">like {{ value.label }}</option>
          </select></label
        >
        <p class="soft small">A value that comes back under its old label brings its children with it, SKUs and all.</p>
        <div class="line">
          <ElButton
            v-if="axis.values.length > 1"
            size="small"
            :data-test="`merge-values-${axis.label}`"
            @click="(close(), emit('turn', 'merge'))"
            >Merge values…</ElButton
          >
          <ElButton size="small" :data-test="`split-axis-${axis.label}`" @click="(close(), emit('turn', 'split'))"
            >Split…</ElButton
          >
          <ElButton
            v-if="count > 1"
            size="small"
            :data-test="`join-axis-${axis.label}`"
            @click="(close(), emit('turn', 'join'))"
            >Join…</ElButton
          >
          <div class="grow" />
          <ElButton
            size="small"
            type="danger"
            plain
            :data-test="`remove-axis-${axis.label}`"
            @click="(close(), emit('turn', 'remove'))"
            >Remove…</ElButton
          >
        </div>
      </div>
    </template>
  </PopupButton>
</template>

<style scoped>
.menu {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.line {
  display: flex;
  gap: 6px;
  align-items: center;
}
.field {
  font: inherit;
  border: 1px solid var(--line);
  padding: 2px 6px;
  min-width: 0;
  color: inherit;
  border-radius: 2px;
}
.small {
  font-size: 12px;
}
</style>
