<script setup lang="ts">
/** How far a job is that runs, and what it waits for where it cannot go on just now. */
import { computed } from 'vue';
import { ElProgress } from 'element-plus';
import type { Job } from '@loom-kin/contract';

const props = defineProps<{ job: Job }>();
const percentage = computed(() => {
  const { done, total } = props.job;
  return total ? Math.min(100, Math.round((done / total) * 100)) : 0;
});
</script>

<template>
  <div class="job">
    <span v-if="job.notice" class="warns" data-test="waits">{{ job.notice }}</span>
    <ElProgress
      class="bar"
      :percentage="percentage"
      :indeterminate="job.total === null"
      :stroke-width="4"
      :show-text="false"
    />
  </div>
</template>

<style scoped>
.job {
  flex: 1;
  display: flex;
  align-items: center;
  gap: 12px;
}
.bar {
  flex: 1;
  min-width: 110px;
}
</style>
