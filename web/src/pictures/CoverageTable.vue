<script setup lang="ts">
/** Which pictures a family has at a glance: value by value, angle by angle, and what each account lacks. */
import { computed } from 'vue';
import type { Account } from '@loom-kin/core/catalogue';
import { findingText } from '@loom-kin/core/descriptions';
import type { Axis } from '@loom-kin/core/family';
import type { Finding } from '@loom-kin/core/fit';
import { ANGLES, ANGLE_LABELS, coverageOf } from '@loom-kin/core/pictures';
import type { Place } from '@loom-kin/core/place';
import { trayId } from '../common/leadsTo';
import { scopesFor } from '../common/scopes';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';

const props = defineProps<{ axis: Axis }>();
const store = useFamily();
const setup = useSetup();
const coverage = computed(() =>
  coverageOf(store.family!, props.axis, store.pictures, scopesFor(setup.registry, setup.accounts, store.scope)),
);
/** The usual angles stand there in any case, so that what is missing is seen. */
const angles = computed(() =>
  ANGLES.filter((angle) => coverage.value.angles.includes(angle) || angle === 'front' || angle === 'back'),
);
const offered = computed(() => setup.accounts.filter((one) => (store.fits[one.id]?.state ?? 'absent') !== 'absent'));
const LOOKS_TO_THE_EYE = new Set(['picture.other-colour', 'picture.blurred', 'picture.twice', 'picture.two-values']);
/** What an account lacks for the children of a value. */
function lacks(account: Account, valueId: string): Finding[] {
  const mine = new Set(
    store.index!.woven.filter((child) => child.at[props.axis.id] === valueId).map((child) => child.id),
  );
  return (store.fits[account.id]?.findings ?? []).filter(
    ({ key, code, place, childIds }) =>
      key === 'pictures' &&
      !LOOKS_TO_THE_EYE.has(code) &&
      (place.level === 'value'
        ? place.valueId === valueId
        : childIds.length === 0 || childIds.some((id) => mine.has(id))),
  );
}
const rows = computed(() =>
  coverage.value.rows.map((row) => ({
    ...row,
    place: { level: 'value', axisId: props.axis.id, valueId: row.value.id } as Place,
    accounts: offered.value.map((account) => {
      const found = lacks(account, row.value.id);
      return { account, found, stops: found.some((one) => one.severity === 'stops') };
    }),
  })),
);
function goTo(place: Place): void {
  const tray = document.getElementById(trayId(place));
  tray?.scrollIntoView({ block: 'center' });
  (tray?.querySelector<HTMLElement>('[data-tile]') ?? tray?.querySelector<HTMLElement>('input'))?.focus({
    preventScroll: true,
  });
}
</script>

<template>
  <table class="coverage" data-test="coverage">
    <thead>
      <tr>
        <th scope="col">{{ axis.label }}</th>
        <th v-for="angle in angles" :key="angle" scope="col" class="number">{{ ANGLE_LABELS[angle] }}</th>
        <th scope="col" class="number">Others</th>
        <th v-for="account in offered" :key="account.id" scope="col">{{ account.name }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ value, byAngle, others, place, accounts } in rows" :key="value.id">
        <th scope="row">
          <button class="plain to" @click="goTo(place)">
            <i v-if="value.swatch" class="swatch" :style="{ background: value.swatch }" />{{ value.label }}
          </button>
        </th>
        <td v-for="angle in angles" :key="angle" class="number" :class="{ none: !byAngle.has(angle) }">
          {{ byAngle.get(angle)?.length ?? '–' }}
        </td>
        <td class="number" :class="{ none: others.length === 0 }">{{ others.length || '–' }}</td>
        <td v-for="{ account, found, stops } in accounts" :key="account.id">
          <button
            v-if="found.length"
            class="plain"
            :class="stops ? 'stops' : 'warns'"
            :title="found.map((one) => findingText(one, store.family!)).join('\n')"
            @click="goTo(found[0]!.place)"
          >
            {{ stops ? 'lacks' : 'could be better' }}
          </button>
          <span v-else class="fits" aria-label="nothing lacks">✓</span>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.coverage {
  border-collapse: collapse;
  font-size: 13px;
  width: 100%;
}
th,
td {
  font-weight: 400;
  text-align: left;
  padding: 3px 10px;
  border-top: 1px solid var(--line-soft);
  white-space: nowrap;
}
thead th {
  color: var(--ink-soft);
  border-top: none;
}
.number {
  text-align: right;
}
.none {
  color: var(--ink-soft);
}
.to:hover {
  text-decoration: underline;
}
.swatch {
  display: inline-block;
  width: 11px;
  height: 11px;
  margin-right: 6px;
  border: 1px solid #0003;
}
</style>
