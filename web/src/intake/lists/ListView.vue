<script setup lang="ts">
/** A list before it goes in: what it becomes, by families, columns and rows; taken in as one change, taken back with one press. */
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ElButton, ElCheckbox, ElOption, ElSelect } from 'element-plus';
import { LIST_VERDICTS, mendedText } from '@loom-kin/core/intake';
import { api, call, requestKey, say, tell } from '../../api/api';
import { useJobs } from '../../stores/jobs';
import ListColumns from './ListColumns.vue';
import ListFamilies from './ListFamilies.vue';
import ListRows from './ListRows.vue';
import { useList } from './useList';
import { verdictCount, VERDICT_LOOKS } from './verdicts';
import JobProgress from '../../common/JobProgress.vue';

const route = useRoute();
const router = useRouter();
const jobs = useJobs();
const page = useList(() => String(route.params.id));
const { list, job, isReading, isTaking, problem } = page;
const shown = ref<'families' | 'columns' | 'rows' | 'told'>('families');
const deletions = ref(false);
const fetches = ref(true);
const isTaken = computed(() => list.value?.applied ?? false);
const good = computed(() => {
  const counts = list.value?.counts;
  if (!counts) return 0;
  return counts.newFamily + counts.newChild + counts.changed + counts.doubtful + (deletions.value ? counts.goes : 0);
});
const isAnything = computed(() => good.value > 0 || (fetches.value && (list.value?.pictures ?? 0) > 0));
const takeLabel = computed(() => {
  if (good.value === 0) return 'Fetch the pictures';
  return `Take in ${good.value === 1 ? 'the good row' : `${good.value.toLocaleString('en')} good rows`}`;
});
const told = computed(() =>
  list.value ? list.value.problemCount + list.value.mended.length + list.value.skipped.length : 0,
);
const TABS = computed(() => [
  { id: 'families' as const, label: `Families ${list.value?.families.toLocaleString('en') ?? ''}` },
  { id: 'columns' as const, label: `Columns ${list.value?.columns.length ?? ''}` },
  { id: 'rows' as const, label: 'Rows' },
  { id: 'told' as const, label: `Told ${told.value.toLocaleString('en')}` },
]);
/** Columns with something in them that nothing is made of. */
const unused = computed(() =>
  (list.value?.columns ?? []).flatMap(({ header, meaning, cells }) =>
    meaning.is === 'ignored' && header !== '' && cells.length > 0 && !list.value!.mapping.columns[header]
      ? [header]
      : [],
  ),
);
const SKIPPED: Record<string, string> = {
  title: 'stands above the table',
  total: 'is a sum',
  note: 'is a note',
  header: 'repeats the header',
  section: 'is a heading',
};

async function take(): Promise<void> {
  const ended = await page.take({ deletions: deletions.value, pictures: fetches.value });
  if (ended?.state === 'done') say(`${list.value!.fileName} is taken in.`);
}
/** The change that took it in: taken back as a whole. */
async function takeBack(): Promise<void> {
  try {
    await call(api.undo, { params: { id: list.value!.change! }, body: { key: requestKey() } });
    say('Everything that came with it is taken back.');
    await router.push('/intake');
  } catch (error) {
    tell(error);
  }
}
function showRows(verdict: (typeof LIST_VERDICTS)[number]): void {
  page.showRows(verdict);
  shown.value = 'rows';
}
</script>

<template>
  <section class="view listing">
    <h1 class="visually-hidden">A list</h1>
    <div v-if="isReading" class="sheet head" role="status" data-test="reading">
      <span>{{ job?.title }}…</span>
      <span v-if="job?.total === null && job.done > 0" class="soft">{{ job.done.toLocaleString('en') }} rows read</span>
      <JobProgress v-if="job" :job="job" /><span v-else class="grow" />
      <!-- What is being stored is stored whole, and can be taken back then. -->
      <ElButton v-if="!isTaking" @click="jobs.stop(String(route.params.id)).catch(tell)">Stop</ElButton>
    </div>
    <div v-else-if="job?.state === 'stopped'" class="sheet head">
      <span>Stopped; nothing was taken in.</span><span class="grow" />
      <ElButton type="primary" @click="jobs.resume(job.id).then(page.load).catch(tell)">Go on</ElButton>
    </div>
    <div v-else-if="problem" class="sheet head">
      <span class="stops" role="alert" data-test="list-problem">{{ problem }}</span><span class="grow" />
      <ElButton @click="router.push('/intake')">Bring another list</ElButton>
    </div>
    <template v-if="list">
      <div class="sheet head" data-test="list-counts">
        <strong>{{ list.fileName }}</strong>
        <ElSelect
          v-if="list.sheets.length > 1"
          :model-value="list.sheet ?? list.sheets[0]"
          size="small"
          style="width: 160px"
          aria-label="Sheet of the workbook"
          :disabled="isTaken"
          @update:model-value="page.say({ sheet: $event }, false)"
        >
          <ElOption v-for="name in list.sheets" :key="name" :value="name" :label="name" />
        </ElSelect>
        <template v-for="verdict in LIST_VERDICTS" :key="verdict">
          <button v-if="list.counts[verdict]" class="link" :class="VERDICT_LOOKS[verdict]" @click="showRows(verdict)">
            {{ verdictCount(verdict, list.counts[verdict]) }}
          </button>
        </template>
        <span class="grow" />
        <ElCheckbox v-if="list.counts.goes && !isTaken" v-model="deletions"
          >let {{ list.counts.goes === 1 ? 'the child' : `${list.counts.goes} children` }} go</ElCheckbox
        >
        <ElCheckbox v-if="list.pictures && !isTaken" v-model="fetches" data-test="fetches">{{
          list.pictures === 1 ? 'fetch its picture' : `fetch its ${list.pictures.toLocaleString('en')} pictures`
        }}</ElCheckbox>
        <template v-if="isTaken">
          <RouterLink v-if="list.pictureIntake" :to="`/pictures/brought/${list.pictureIntake}`" data-test="its-pictures"
            >Its pictures, to be put in place</RouterLink
          >
          <strong v-if="list.change !== null" class="fits" data-test="taken">Taken in.</strong>
          <span v-else class="soft">It was taken in; nothing of it stands by that any more.</span>
          <ElButton v-if="list.change !== null" data-test="take-back" @click="takeBack">Take it back</ElButton>
          <ElButton type="primary" @click="router.push('/families')">To the families</ElButton>
        </template>
        <ElButton v-else-if="isAnything" type="primary" :loading="isReading" data-test="take-list" @click="take">{{
          takeLabel
        }}</ElButton>
        <span v-else class="soft" data-test="nothing">
          <strong>Nothing to take in.</strong> {{ list.problems[0]?.text ?? '' }}
        </span>
      </div>
      <p v-if="list.brings && !isTaken" class="sheet note" data-test="list-brings">{{ list.brings }}</p>
      <p v-if="unused.length > 0 && !isTaken" class="sheet note" data-test="list-unused">
        <strong>{{ unused.length === 1 ? 'One column is' : `${unused.length} columns are` }} not used:</strong>
        {{ unused.slice(0, 8).join(', ') }}{{ unused.length > 8 ? ' and others' : '' }}.
        <button class="link" @click="shown = 'columns'">
          {{ unused.length === 1 ? 'Say what it means' : 'Say what they mean' }}
        </button>
      </p>
      <div class="tabs" role="tablist" aria-label="What is shown of the list">
        <button
          v-for="tab in TABS"
          :key="tab.id"
          role="tab"
          class="plain tab"
          :class="{ on: shown === tab.id }"
          :aria-selected="shown === tab.id"
          @click="shown = tab.id"
        >
          {{ tab.label }}
        </button>
      </div>
      <ListFamilies v-if="shown === 'families'" :page="page" :fixed="isTaken" @row="showRows('doubtful')" />
      <ListColumns v-else-if="shown === 'columns'" :page="page" :fixed="isTaken" />
      <ListRows v-else-if="shown === 'rows'" :page="page" :fixed="isTaken" />
      <div v-else class="sheet told">
        <p v-if="told === 0" class="empty">Every row and every number was read.</p>
        <ul>
          <li v-for="(one, at) in list.problems" :key="`p${at}`" class="stops">
            Row {{ one.row }}<template v-if="one.column">, {{ one.column }}</template
            >: {{ one.text }}
          </li>
          <li v-for="(one, at) in list.mended" :key="`m${at}`">
            Row {{ one.row }}, {{ one.column }}: {{ mendedText(one) }}
          </li>
          <li v-for="(one, at) in list.skipped" :key="`s${at}`" class="soft">
            Row {{ one.row }} {{ SKIPPED[one.why] ?? one.why }}.
          </li>
        </ul>
      </div>
    </template>
  </section>
</template>

<style scoped>
.note {
  padding: 7px 14px;
  margin: 0;
}
.listing {
  padding: 12px 20px 14px;
  gap: 10px;
}
.head {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 8px 14px;
  flex-wrap: wrap;
}
.tabs {
  display: flex;
  gap: 18px;
}
.tab {
  padding: 2px 0 4px;
  border-bottom: 2px solid transparent;
}
.tab.on {
  border-color: var(--weld);
  font-weight: 600;
}
.told {
  overflow: auto;
  flex: 1;
  padding: 10px 16px;
}
.told ul {
  margin: 0;
  padding-left: 18px;
}
button.link.fits {
  color: var(--fits);
}
button.link.warns {
  color: var(--warns);
}
button.link.stops {
  color: var(--stops);
}
button.link.soft {
  color: var(--ink-soft);
}
</style>
