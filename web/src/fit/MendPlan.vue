<script setup lang="ts">
/** What mending several findings together will do, in sentences with numbers, before it is done. */
import { computed } from 'vue';
import { ElButton } from 'element-plus';
import { findingText, remedyText } from '@loom-kin/core/descriptions';
import { type Finding, findingId, readyRemedy } from '@loom-kin/core/fit';
import { children } from '@loom-kin/core/text';
import Dialog from '../common/Dialog.vue';
import { useFamily } from '../stores/family';

const props = defineProps<{ findings: readonly Finding[] }>();
const emit = defineEmits<{ agree: []; leave: [] }>();
const store = useFamily();
const isShown = computed({ get: () => props.findings.length > 0, set: (shown) => shown || emit('leave') });

/** Each remedy once, with the findings it is for. */
const deeds = computed(() => {
  const byText = new Map<string, { text: string; findings: Finding[]; childIds: Set<string> }>();
  for (const finding of props.findings) {
    const remedy = readyRemedy(finding);
    if (!remedy) continue;
    const text = remedyText(remedy);
    const action = byText.get(text) ?? { text, findings: [], childIds: new Set<string>() };
    byText.set(text, action);
    action.findings.push(finding);
    for (const id of finding.childIds) action.childIds.add(id);
  }
  return [...byText.values()];
});
</script>

<template>
  <Dialog v-model="isShown" title="This will be done" :width="560">
    <ul class="deeds" data-test="mend-plan">
      <li v-for="action in deeds" :key="action.text">
        <strong>{{ action.text }}</strong>
        <span v-if="action.childIds.size > 1" class="soft">, {{ children(action.childIds.size) }}</span>
        <p v-for="finding in action.findings" :key="findingId(finding)" class="soft">
          since {{ findingText(finding, store.family!) }}
        </p>
      </li>
    </ul>
    <p class="soft">It is one change: Ctrl Z takes it back as a whole.</p>
    <div class="line acts">
      <ElButton @click="emit('leave')">Leave it</ElButton>
      <ElButton type="primary" data-test="mend-yes" @click="emit('agree')">Do this</ElButton>
    </div>
  </Dialog>
</template>

<style scoped>
.deeds {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
  max-height: 50vh;
  overflow: auto;
}
.deeds li {
  padding: 6px 0;
  border-top: 1px solid var(--line-soft);
}
.acts {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
  margin-top: 10px;
}
.deeds p {
  margin: 2px 0 0;
  font-size: 12px;
}
</style>
