<script setup lang="ts">
/** The findings of a fit, walked by key, each leading to its place; remedies for one or for all alike. */
import { computed, nextTick, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { ElButton } from 'element-plus';
import { alike, placeLabel, type Finding, type Fit } from '@loom-kin/core';
import type { Channel } from '@loom-kin/contract';
import { useFamily } from '../stores/family';
import { useKeys } from '../shell/keys';

/** Of many alike so many are shown, until somebody wants all. */
const FEW = 4;
const SIGNS = { stops: 'stops', warns: 'warns', advises: 'note' };

const props = defineProps<{ channel: Channel; fit: Fit }>();
const router = useRouter();
const store = useFamily();
const findings = computed(() => props.fit.findings);

const groups = computed(() => {
  const byCode = new Map<string, Finding[]>();
  for (const finding of findings.value) {
    const there = byCode.get(finding.code);
    if (there) there.push(finding);
    else byCode.set(finding.code, [finding]);
  }
  return [...byCode].map(([code, all]) => {
    const remedy = all.find((one) => one.remedy);
    return { code, all, severity: all[0]!.severity, mendable: remedy ? mendable(remedy) : [] };
  });
});
const mendable = (finding: Finding) => alike(findings.value, finding).filter((one) => one.remedy);

const unfolded = ref(new Set<string>());
const shown = (group: { code: string; all: Finding[] }) =>
  unfolded.value.has(group.code) ? group.all : group.all.slice(0, FEW);
const walked = computed(() => groups.value.flatMap(shown));
const at = ref(0);
watch(walked, (list) => (at.value = Math.min(at.value, Math.max(0, list.length - 1))));
const here = computed(() => walked.value[at.value]);
const panel = ref<HTMLElement>();
function walk(by: number): void {
  at.value = Math.max(0, Math.min(walked.value.length - 1, at.value + by));
  void nextTick(() => panel.value?.querySelector('.finding.at')?.scrollIntoView({ block: 'nearest' }));
}

/** Figures that stand in the weave's inspector even for the whole family; all other family fields are words. */
const IN_INSPECTOR = [
  'price',
  'listPrice',
  'salePrice',
  'weight',
  'packageLength',
  'packageWidth',
  'packageHeight',
  'stock',
  'gtinExempt',
  'composition',
  'leadDays',
];
function goTo(finding: Finding): void {
  const { key, place } = finding;
  store.selected = place;
  const family = { id: store.family!.id };
  if (key === 'settings') void router.push('/channels');
  else if (key === 'pictures') void router.push({ name: 'pictures', params: family });
  else if (key === 'pairing') document.getElementById('pairings')?.scrollIntoView({ behavior: 'smooth' });
  else if (key !== 'plan')
    void router.push({
      name: place.level === 'family' && !IN_INSPECTOR.includes(key) ? 'words' : 'family',
      params: family,
    });
}
useKeys({
  j: () => walk(1),
  k: () => walk(-1),
  g: () => here.value && goTo(here.value),
  Enter: () => here.value?.remedy && void store.mend([here.value]),
  'Shift+Enter': () => here.value?.remedy && void store.mend(mendable(here.value)),
});
</script>

<template>
  <aside ref="panel" class="sheet findings" aria-label="Findings">
    <header>
      <h2>
        {{
          findings.length === 0
            ? 'Nothing is missing'
            : findings.length === 1
              ? '1 finding'
              : `${findings.length} findings`
        }}
      </h2>
      <p v-if="findings.length" class="soft small">
        <kbd>J</kbd> <kbd>K</kbd> walk · <kbd>Enter</kbd> mend · <kbd>Shift Enter</kbd> all alike · <kbd>G</kbd> go
        there
      </p>
    </header>
    <p v-if="findings.length === 0 && fit.state === 'fits'" class="soft pad">
      Everything {{ channel.rulebook.name }} asks for is there. It can be sent.
    </p>
    <div v-for="group in groups" :key="group.code" class="group" :class="group.severity">
      <div
        v-for="finding in shown(group)"
        :key="JSON.stringify(finding.place) + finding.text"
        class="finding"
        :class="{ at: here === finding }"
        data-test="finding"
        @click="at = walked.indexOf(finding)"
      >
        <p>
          <span class="sign">{{ SIGNS[finding.severity] }}</span> {{ finding.text }}
        </p>
        <div class="acts">
          <button
            v-if="finding.key !== 'plan'"
            class="link"
            :title="`Go there. The rule: ${finding.rule}`"
            @click.stop="goTo(finding)"
          >
            {{ placeLabel(store.family!, finding.place) }}
          </button>
          <ElButton v-if="finding.remedy" size="small" data-test="remedy" @click.stop="store.mend([finding])">{{
            finding.remedy.label
          }}</ElButton>
        </div>
      </div>
      <button
        v-if="group.all.length > shown(group).length"
        class="link rest"
        data-test="unfold"
        @click="unfolded = new Set([...unfolded, group.code])"
      >
        {{ group.all.length - shown(group).length }} more like this
      </button>
      <div v-if="group.mendable.length > 1" class="all">
        <ElButton size="small" type="primary" plain data-test="remedy-all" @click="store.mend(group.mendable)"
          >Mend all {{ group.mendable.length }} alike</ElButton
        >
      </div>
    </div>
  </aside>
</template>

<style scoped>
.findings {
  overflow: auto;
  min-height: 0;
}
.findings header {
  padding: 10px 14px;
  border-bottom: 1px solid var(--line-soft);
  position: sticky;
  top: 0;
  background: var(--sheet);
  z-index: 1;
}
.small {
  font-size: 12px;
}
.pad {
  padding: 12px 14px;
}
.group {
  border-bottom: 1px solid var(--line);
  border-left: 3px solid var(--line);
}
.group.stops {
  border-left-color: var(--stops);
  color: inherit;
}
.group.warns {
  border-left-color: var(--warns);
  color: inherit;
}
.finding {
  padding: 6px 12px;
  font-size: 13px;
  border-top: 1px solid var(--line-soft);
  cursor: default;
}
.finding.at {
  background: var(--weld-pale);
}
.sign {
  font-size: 11px;
  text-transform: uppercase;
  letter-spacing: 0.04em;
  font-weight: 600;
}
.stops .sign {
  color: var(--stops);
}
.warns .sign {
  color: var(--warns);
}
.advises .sign {
  color: var(--ink-soft);
}
.acts {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  margin-top: 3px;
  font-size: 12px;
  flex-wrap: wrap;
}
button.rest {
  margin: 4px 12px 6px;
  font-size: 12px;
}
.all {
  padding: 6px 12px;
  text-align: right;
  background: var(--ground);
}
</style>
