<script setup lang="ts">
/** The findings of a fit, walked by key: each broken rule once, with everybody it concerns, the way to its cause, and its remedies. */
import { computed, nextTick, onUnmounted, ref, watch } from 'vue';
import { ElButton } from 'element-plus';
import type { Account } from '@loom-kin/core/catalogue';
import { concerned, findingText, remedyText } from '@loom-kin/core/descriptions';
import { placeLabel } from '@loom-kin/core/family';
import { type Finding, type Fit, type Remedy, alike, findingId, readyRemedy } from '@loom-kin/core/fit';
import { useFamily } from '../stores/family';
import { useGoThere } from '../common/goThere';
import { useKeys } from '../shell/keys';
import FindingFigure from './FindingFigure.vue';
import FindingChoice from './FindingChoice.vue';
import MendPlan from './MendPlan.vue';

/** Of many alike so many are shown, until somebody wants all. */
const FEW = 4;
const SIGNS = { stops: 'stops', warns: 'warns', advises: 'note' };

const props = defineProps<{ account: Account; fit: Fit }>();
const goThere = useGoThere();
const store = useFamily();
const family = computed(() => store.family!);
const findings = computed(() => props.fit.findings);
const toDo = computed(() => findings.value.filter((finding) => finding.severity !== 'advises').length);
const heading = computed(() => {
  const notes = findings.value.length - toDo.value;
  if (findings.value.length === 0) return 'Nothing is missing';
  const things = toDo.value === 0 ? 'Nothing to do' : toDo.value === 1 ? '1 thing to do' : `${toDo.value} things to do`;
  return notes === 0 ? things : `${things}, ${notes} ${notes === 1 ? 'note' : 'notes'}`;
});

const groups = computed(() => {
  const byCode = new Map<string, Finding[]>();
  for (const finding of findings.value) {
    const there = byCode.get(finding.code);
    if (there) there.push(finding);
    else byCode.set(finding.code, [finding]);
  }
  return [...byCode].map(([code, all]) => {
    const first = all.find(readyRemedy);
    return { code, all, severity: all[0]!.severity, mendable: first ? alike(findings.value, first) : [] };
  });
});

/** What can be mended at once: each by the remedy that is shown first beside it. */
const ready = computed(() => findings.value.filter(readyRemedy));
const unfolded = ref(new Set<string>());
const unfold = (name: string) => (unfolded.value = new Set([...unfolded.value, name]));
const shown = (group: { code: string; all: Finding[] }) =>
  unfolded.value.has(group.code) ? group.all : group.all.slice(0, FEW);
/** The children of a finding that is about several. */
function whom(finding: Finding): { names: string[]; more: number } {
  const all = unfolded.value.has(findingId(finding));
  return finding.childIds.length < 2
    ? { names: [], more: 0 }
    : concerned(finding, family.value, all ? finding.childIds.length : undefined);
}

const walked = computed(() => groups.value.flatMap(shown));
const at = ref(0);
watch(walked, (list) => (at.value = Math.min(at.value, Math.max(0, list.length - 1))));
const here = computed(() => walked.value[at.value]);
const panel = ref<HTMLElement>();
function walk(by: number): void {
  at.value = Math.max(0, Math.min(walked.value.length - 1, at.value + by));
  void nextTick(() => panel.value?.querySelector('.finding.at')?.scrollIntoView({ block: 'nearest' }));
}

/** Children are lit up while the mouse is on their finding. */
const light = (finding: Finding | null) => (store.lit = new Set(finding?.childIds ?? []));
onUnmounted(() => light(null));

const goTo = (finding: Finding) => goThere({ ...finding, account: props.account.id });
/** The children it concerns are shown alone in the grid, and chosen in the weave. */
const showInGrid = (finding: Finding) => {
  store.choose(finding.childIds, 'weave');
  return goThere({ key: 'sku', place: { level: 'family' }, account: props.account.id, childIds: finding.childIds });
};

/** Findings that are to be mended together, while it is shown what that will do. */
const proposed = ref<readonly Finding[]>([]);
const propose = (list: readonly Finding[]) => {
  if (list.length === 1) void store.mend(list);
  else proposed.value = list;
};
function agree(): void {
  const list = proposed.value;
  proposed.value = [];
  void store.mend(list);
}

const isTyped = (remedy: Remedy): remedy is Remedy & { kind: 'figure' } => remedy.kind === 'figure';

useKeys({
  j: () => walk(1),
  k: () => walk(-1),
  g: () => here.value && void goTo(here.value),
  Enter: () => here.value && readyRemedy(here.value) && void store.mend([here.value]),
  'Shift+Enter': () => here.value && readyRemedy(here.value) && propose(alike(findings.value, here.value)),
});
</script>

<template>
  <aside ref="panel" class="sheet findings" aria-label="Findings">
    <MendPlan :findings="proposed" @agree="agree" @leave="proposed = []" />
    <header>
      <h2>{{ heading }}</h2>
      <p v-if="findings.length" class="soft small">
        <kbd>J</kbd> <kbd>K</kbd> walk · <kbd>Enter</kbd> mend · <kbd>Shift Enter</kbd> all alike · <kbd>G</kbd> go
        there
      </p>
      <ElButton v-if="ready.length > 1" size="small" type="primary" plain data-test="mend-all" @click="propose(ready)"
        >Mend the {{ ready.length }} that need no answer</ElButton
      >
    </header>
    <p v-if="findings.length === 0 && fit.state === 'fits'" class="soft pad">
      Everything {{ account.name }} asks for is there. It can be sent.
    </p>
    <div v-for="group in groups" :key="group.code" class="group" :class="group.severity">
      <div
        v-for="finding in shown(group)"
        :key="findingId(finding)"
        class="finding"
        :class="{ at: here === finding }"
        data-test="finding"
        :data-code="finding.code"
        @click="at = walked.indexOf(finding)"
        @mouseenter="light(finding)"
        @mouseleave="light(null)"
      >
        <p>
          <span class="sign">{{ SIGNS[finding.severity] }}</span> {{ findingText(finding, family) }}
        </p>
        <p v-if="whom(finding).names.length" class="soft whom" data-test="concerned">
          {{ whom(finding).names.join(', ')
          }}<button v-if="whom(finding).more" class="link" @click.stop="unfold(findingId(finding))">
            and {{ whom(finding).more }} more
          </button>
          <button class="link" data-test="in-grid" @click.stop="showInGrid(finding)">show in the grid</button>
        </p>
        <div class="acts">
          <button class="link" :title="`Go there. The rule: ${finding.rule}`" @click.stop="goTo(finding)">
            {{
              finding.key === 'setting'
                ? 'under Channels'
                : finding.key === 'plan'
                  ? 'the plan'
                  : placeLabel(family, finding.place)
            }}
          </button>
          <span class="grow" />
          <template v-for="(remedy, nth) in finding.remedies" :key="nth">
            <FindingFigure v-if="isTyped(remedy)" :remedy="remedy" :scope="finding.scope" />
            <FindingChoice v-else-if="remedy.kind === 'pair' || remedy.kind === 'choosePlace'" :remedy="remedy" />
            <ElButton v-else size="small" data-test="remedy" @click.stop="store.apply(remedy)">{{
              remedyText(remedy)
            }}</ElButton>
          </template>
        </div>
      </div>
      <button
        v-if="group.all.length > shown(group).length"
        class="link rest"
        data-test="unfold"
        @click="unfold(group.code)"
      >
        {{ group.all.length - shown(group).length }} more like this
      </button>
      <div v-if="group.mendable.length > 1" class="all">
        <ElButton size="small" type="primary" plain data-test="remedy-all" @click="propose(group.mendable)"
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
.whom {
  font-size: 12px;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 8px;
}
.grow {
  flex: 1;
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
.acts .el-button {
  white-space: normal;
  height: auto;
  text-align: left;
  line-height: 1.3;
  max-width: 100%;
}
.acts .el-button :deep(span) {
  white-space: normal;
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
