<script setup lang="ts">
/** What is found about the very place that is selected, account by account, with what mends it. */
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { ElButton } from 'element-plus';
import { findingText, remedyText } from '@loom-kin/core/descriptions';
import { findingId } from '@loom-kin/core/fit';
import type { Place } from '@loom-kin/core/place';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { samePlace } from '../common/scopes';

const props = defineProps<{ place: Place }>();
const store = useFamily();
const setup = useSetup();
const router = useRouter();
const family = computed(() => store.family!);

const findings = computed(() =>
  setup.accounts
    .flatMap((account) =>
      (store.fits[account.id]?.findings ?? [])
        .filter((finding) => samePlace(finding.place, props.place))
        .map((finding) => ({ finding, account, remedies: finding.remedies.filter((one) => one.kind !== 'figure') })),
    )
    .slice(0, 12),
);
</script>

<template>
  <div v-if="findings.length" class="findings">
    <h3>Findings here</h3>
    <p
      v-for="{ finding, account, remedies } in findings"
      :key="account.id + findingId(finding)"
      :class="finding.severity"
    >
      <button class="link" @click="router.push({ name: 'fit', params: { id: family.id, account: account.id } })">
        {{ account.name }}</button>: {{ findingText(finding, family) }}
      <ElButton v-for="(remedy, nth) in remedies" :key="nth" size="small" @click="store.apply(remedy)">{{
        remedyText(remedy)
      }}</ElButton>
    </p>
  </div>
</template>

<style scoped>
.findings {
  padding: 8px 12px 12px;
  border-top: 1px solid var(--line-soft);
  font-size: 12.5px;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.findings .el-button {
  margin-top: 3px;
}
.advises {
  color: var(--ink-soft);
}
</style>
