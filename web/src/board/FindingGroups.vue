<script setup lang="ts">
/** What is found over the families that are meant, by kind: to be filtered by, and to be mended for all that share it. */
import { computed, ref } from 'vue';
import { ElButton } from 'element-plus';
import { capital, count } from '@loom-kin/core/text';
import { findingName } from '@loom-kin/core/words';
import type { BoardFinding } from '@loom-kin/contract';
import { useSetup } from '../stores/setup';

const props = defineProps<{
  found: readonly BoardFinding[];
  account: string;
  finding: string;
  accountName: string;
}>();
const emit = defineEmits<{ choose: [BoardFinding]; mend: [BoardFinding] }>();
const setup = useSetup();
const notes = ref(false);
const shown = computed(() =>
  props.found.filter(
    (one) => (!props.account || one.account === props.account) && (notes.value || one.severity !== 'advises'),
  ),
);
const nameOf = ({ code, key }: BoardFinding) => capital(findingName(code, setup.registry.field(key)?.label ?? key));
const isHere = (one: BoardFinding) => one.account === props.account && `${one.code}|${one.key}` === props.finding;
</script>

<template>
  <aside class="sheet groups" aria-label="What is found">
    <header>
      <h2>Found on {{ accountName }}</h2>
      <label class="soft"><input v-model="notes" type="checkbox" /> notes too</label>
    </header>
    <p v-if="shown.length === 0" class="soft pad">Nothing to do here.</p>
    <div
      v-for="one in shown"
      :key="`${one.account} ${one.code} ${one.key}`"
      class="group"
      :class="[one.severity, { here: isHere(one) }]"
      data-test="board-finding"
      :data-code="one.code"
      :data-account="one.account"
    >
      <button class="plain told" :aria-pressed="isHere(one)" @click="emit('choose', one)">
        <span>{{ count(one.families, 'family', 'families') }}: {{ nameOf(one) }}</span>
        <span class="soft"
          >{{ setup.accountName(one.account)
          }}<template v-if="one.children">, {{ count(one.children, 'child', 'children') }}</template></span
        >
      </button>
      <ElButton size="small" plain data-test="board-mend" @click="emit('mend', one)">Mend…</ElButton>
    </div>
  </aside>
</template>

<style scoped>
.groups {
  overflow: auto;
  min-height: 0;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 8px;
  padding: 10px 12px 8px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--sheet);
  font-size: 12.5px;
}
.pad {
  padding: 10px 12px;
}
.group {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 5px 8px 5px 9px;
  border-left: 3px solid var(--line);
  border-bottom: 1px solid var(--line-soft);
  font-size: 12.5px;
  color: var(--ink);
}
.group.stops {
  border-left-color: var(--stops);
}
.group.warns {
  border-left-color: var(--warns);
}
.group.here {
  background: var(--weld-pale);
}
.told {
  flex: 1;
  display: flex;
  flex-direction: column;
  text-align: left;
}
</style>
