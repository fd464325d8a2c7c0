<script setup lang="ts">
/** A word of the dictionary was renamed: families that have it may be renamed as well, or stay as they are. */
import { ref, watch } from 'vue';
import { ElButton, ElMessage } from 'element-plus';
import type { Role } from '@loom-kin/core/family';
import { count, listed } from '@loom-kin/core/text';
import { makeChange } from '@loom-kin/contract';
import { api, call, tell } from '../api/api';
import { latest } from '../api/latest';

const props = defineProps<{ role: Role; from: string; to: string }>();
const emit = defineEmits<{ done: [] }>();
/** So many are said by name. */
const NAMED = 3;

const uses = ref<{ families: number; names: string[] } | null>(null);
const isBusy = ref(false);
const ask = latest();
watch(() => [props.role, props.from], load, { immediate: true });

async function load(): Promise<void> {
  uses.value = null;
  try {
    await ask(
      () => call(api.valueUses, { query: { role: props.role, label: props.from } }),
      (found) => {
        uses.value = found;
        if (found.families === 0) emit('done');
      },
    );
  } catch (error) {
    tell(error);
    emit('done');
  }
}

function namesOf({ families, names }: { families: number; names: string[] }): string {
  const more = families - NAMED;
  return listed(more > 0 ? [...names.slice(0, NAMED), `${more.toLocaleString('en')} more`] : names.slice(0, NAMED));
}

async function rename(): Promise<void> {
  isBusy.value = true;
  try {
    const { title, notices } = await makeChange(call, [{ on: 'renameValue', ...props }]);
    ElMessage({ type: 'success', message: `${title}. The journal takes it back.` });
    for (const message of notices) ElMessage({ type: 'warning', message, duration: 12_000, showClose: true });
    emit('done');
  } catch (error) {
    tell(error);
  } finally {
    isBusy.value = false;
  }
}
</script>

<template>
  <div v-if="uses?.families" class="offer" role="status" data-test="rename-offer">
    <span>
      {{ count(uses.families, 'family has', 'families have') }} “{{ from }}”: {{ namesOf(uses) }}. Shall it be “{{
        to
      }}” there too? Pairings go along; what is listed is revised when it is sent next.
    </span>
    <ElButton size="small" type="primary" :loading="isBusy" data-test="rename-families" @click="rename">
      Rename in {{ count(uses.families, 'family', 'families') }}
    </ElButton>
    <ElButton size="small" :disabled="isBusy" @click="emit('done')">Leave them</ElButton>
  </div>
</template>

<style scoped>
.offer {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 8px 12px;
  border: 1px solid var(--weld);
  background: var(--weld-pale);
}
.offer span {
  flex: 1;
}
</style>
