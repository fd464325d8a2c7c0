<script setup lang="ts">
/** What a family would make of rules that are tried: its plan, what that costs, and what is found. */
import { computed } from 'vue';
import { STATE_WORDS, findingText, planCost, planText } from '@loom-kin/core/descriptions';
import { findingId } from '@loom-kin/core/fit';
import type { Rulebook } from '@loom-kin/core/rulebook';
import type { Trial } from './useTrial';

const props = defineProps<{ trial: Trial; rulebook: Rulebook }>();
const plan = computed(() => props.trial.fit.plan);
const SIGNS = { stops: 'stops', warns: 'warns', advises: 'note' };
</script>

<template>
  <p data-test="trial-state">
    <strong>{{ String(trial.family.fields.name) }} {{ STATE_WORDS[trial.fit.state] }}</strong>
  </p>
  <template v-if="plan">
    <p>{{ planText(trial.family, plan) }}</p>
    <p class="soft">{{ planCost(plan, rulebook.rules.price.currency) }}</p>
  </template>
  <ul>
    <li v-for="finding in trial.fit.findings" :key="findingId(finding)" :class="finding.severity">
      <span class="sign">{{ SIGNS[finding.severity] }}</span> {{ findingText(finding, trial.family) }}
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-direction: column;
  gap: 5px;
  font-size: 12.5px;
}
.sign {
  font-size: 11px;
  text-transform: uppercase;
  font-weight: 600;
}
li {
  color: var(--ink);
}
.stops .sign {
  color: var(--stops);
}
.warns .sign {
  color: var(--warns);
}
</style>
