<script setup lang="ts">
/** Taking in: any list into families, a sheet into one family, or a family file whole. */
import { computed, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ElButton, ElOption, ElSelect } from 'element-plus';
import { FamilyFileSchema } from '@loom-kin/core/family';
import { Refused, type FamilySummary, type IntakeReport, type Job } from '@loom-kin/contract';
import { api, call, tell } from '../api/api';
import { latest } from '../api/latest';
import { useJobs } from '../stores/jobs';
import { useSetup } from '../stores/setup';
import SheetReport from './SheetReport.vue';
import JobProgress from '../common/JobProgress.vue';

const route = useRoute();
const router = useRouter();
const jobs = useJobs();
const setup = useSetup();
const families = ref<FamilySummary[]>([]);
const familyId = ref(String(route.query.family ?? ''));
const file = ref<File | null>(null);
const report = shallowRef<IntakeReport | null>(null);
const problem = ref<string | null>(null);
const busy = ref(false);

const ask = latest();
async function search(term = ''): Promise<void> {
  try {
    await ask(
      () => call(api.listFamilies, { query: { q: term, limit: 40 } }),
      ({ families: found }) => {
        const held = families.value.find((one) => one.id === familyId.value);
        families.value = held && !found.includes(held) ? [held, ...found.filter((one) => one.id !== held.id)] : found;
      },
    );
  } catch (error) {
    tell(error);
  }
}
onMounted(() => void search());

/** The sheet that is looked at is a job; its address can be come back to. */
const jobId = computed(() => String(route.query.job ?? ''));
const job = computed(() => jobs.jobs.find((one) => one.id === jobId.value) ?? null);
const fileName = computed(() => file.value?.name ?? report.value?.fileName ?? null);
const isFamilyFile = ref(false);

function pick(files: FileList | null | undefined): void {
  file.value = files?.[0] ?? null;
  report.value = null;
  problem.value = null;
  isFamilyFile.value = false;
  if (file.value) void begin(file.value);
}

/** Files of ours say so in front; the catalogue is taken in like a list. */
const OWN_FILE = /^\ufeff?\s*\{\s*"format"\s*:\s*"(?!loom-kin\/catalogue)/;

/** A family file is known by what it says of itself; a sheet goes into the family that is chosen, all else is a list. */
async function begin(chosen: File): Promise<void> {
  if (/\.json$/i.test(chosen.name)) isFamilyFile.value = OWN_FILE.test(await chosen.slice(0, 4096).text());
  if (isFamilyFile.value) return;
  await (familyId.value ? readSheet() : readList(chosen));
}

/** Does something that takes a while; what goes wrong is said in its place. */
async function doing(work: () => Promise<void>): Promise<void> {
  busy.value = true;
  problem.value = null;
  try {
    await work();
  } catch (error) {
    problem.value =
      error instanceof SyntaxError
        ? `${fileName.value} is no JSON: it is cut off or has a fault.`
        : error instanceof Error
          ? error.message
          : 'The file cannot be read.';
  } finally {
    busy.value = false;
  }
}

const readSheet = () =>
  doing(async () => {
    const form = new FormData();
    form.append('file', file.value!);
    report.value = null;
    const begun = await call(api.readSheet, { params: { id: familyId.value }, form });
    jobs.put(begun);
    await router.replace({ query: { family: familyId.value, job: begun.id } });
  });
const readList = (chosen: File) =>
  doing(async () => {
    const form = new FormData();
    form.append('file', chosen);
    await toList(await call(api.startList, { form }));
  });
const readPasted = (text: string) => doing(async () => toList(await call(api.pasteList, { body: { text } })));
const readLive = (account: string) => doing(async () => toList(await call(api.listFromLive, { body: { account } })));
async function toList(begun: Job): Promise<void> {
  jobs.put(begun);
  await router.push({ name: 'list', params: { id: begun.id } });
}
function onPaste(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text/plain') ?? '';
  if ((event.target as HTMLElement).closest('input, textarea') || !text.includes('\n')) return;
  event.preventDefault();
  void readPasted(text);
}
onMounted(() => window.addEventListener('paste', onPaste));
onUnmounted(() => window.removeEventListener('paste', onPaste));
const lists = computed(() => jobs.jobs.filter((one) => one.kind === 'list').slice(0, 8));
const takeSheet = () => doing(async () => jobs.put(await call(api.takeSheet, { params: { id: jobId.value } })));
const takeFamily = () =>
  doing(async () => {
    const parsed = FamilyFileSchema.safeParse(JSON.parse(await file.value!.text()));
    if (!parsed.success) {
      const [first] = parsed.error.issues;
      const where = `${first?.path.join('.') ?? ''} ${first?.message ?? ''}`;
      throw new Refused(422, { code: 'file.wrong', message: `${fileName.value} is no family file: ${where}` });
    }
    report.value = await call(api.readFamilyFile, { body: parsed.data });
  });

/** Follows the job until it has ended, then shows what it found. */
async function follow(id: string): Promise<void> {
  if (!id) return;
  await doing(async () => {
    const ended: Job = await jobs.ended(id);
    if (id !== jobId.value) return;
    familyId.value = ended.subject;
    if (ended.state === 'done') report.value = await call(api.sheetReport, { params: { id } });
    else if (ended.state === 'failed') problem.value = ended.notice;
  });
}
watch([jobId, () => job.value?.state === 'running'], () => void follow(jobId.value), { immediate: true });

const good = computed(() => (report.value ? report.value.counts.new + report.value.counts.changed : 0));
</script>

<template>
  <section class="view intake">
    <h1 class="visually-hidden">Intake</h1>
    <div class="sheet ask" @dragover.prevent @drop.prevent="pick($event.dataTransfer?.files)">
      <div class="line">
        <label class="choose"
          ><input
            type="file"
            accept=".csv,.xlsx,.json,.jsonl,.ndjson"
            class="visually-hidden"
            data-test="file"
            @change="pick(($event.target as HTMLInputElement).files)"
          />Choose a file, or drop it here</label
        >
        <strong v-if="fileName">{{ fileName }}</strong>
        <span v-else class="soft"
          >a supplier's list, last season's sheet, your own: CSV, XLSX or JSON. Cells can be pasted.</span
        >
      </div>
      <div v-if="!isFamilyFile" class="line">
        <span class="soft">as</span>
        <ElSelect
          v-model="familyId"
          clearable
          filterable
          remote
          :remote-method="search"
          placeholder="families, recognised in it"
          aria-label="Which family"
          style="width: 320px"
          @change="file && readSheet()"
        >
          <ElOption v-for="one in families" :key="one.id" :value="one.id" :label="`${one.name} (${one.styleCode})`" />
        </ElSelect>
        <span class="soft"
          ><template v-if="!familyId">Or choose a family: its own sheet comes back into it.</template>
          <template v-else
            >The columns are those of the family's own sheet. Take it out as
            <a :href="`/api/families/${familyId}/file.xlsx`" download>XLSX</a> or
            <a :href="`/api/families/${familyId}/file.csv`" download>CSV</a>, change what differs, bring it
            back.</template
          >
        </span>
      </div>
      <div v-if="!isFamilyFile && setup.accounts.length" class="line">
        <span class="soft">or</span>
        <ElSelect
          :model-value="undefined"
          placeholder="what stands on an account already"
          aria-label="What stands on an account"
          style="width: 320px"
          :disabled="busy"
          data-test="from-live"
          @update:model-value="readLive"
        >
          <ElOption v-for="one in setup.accounts" :key="one.id" :value="one.id" :label="one.name" />
        </ElSelect>
        <span class="soft">Your shop's goods are read back and carried to the other channels.</span>
      </div>
      <div v-if="isFamilyFile" class="line">
        <ElButton type="primary" :loading="busy" data-test="take-in" @click="takeFamily">Take the family in</ElButton>
      </div>
    </div>
    <p v-if="problem" class="stops problem" role="alert" data-test="intake-problem">{{ problem }}</p>
    <div v-if="job?.state === 'running'" class="sheet counts" role="status" data-test="reading">
      <span>{{
        job.total === null
          ? 'Reading the file…'
          : `${job.done.toLocaleString('en')} of ${job.total.toLocaleString('en')} rows`
      }}</span>
      <JobProgress :job="job" />
      <ElButton @click="jobs.stop(job.id).catch(tell)">Stop</ElButton>
    </div>
    <div v-else-if="job?.state === 'stopped'" class="sheet counts">
      <span>Stopped; nothing was taken in.</span>
      <div class="grow" />
      <ElButton type="primary" @click="jobs.resume(job.id).catch(tell)">Go on</ElButton>
    </div>
    <template v-else-if="report">
      <div class="sheet counts" data-test="counts">
        <span class="fits">{{ report.counts.new }} new</span
        ><span class="warns">{{ report.counts.changed }} changed</span
        ><span class="soft">{{ report.counts.same }} already so</span
        ><span class="stops">{{ report.counts.refused }} refused</span>
        <span v-if="report.unknownColumns.length" class="soft">left alone: {{ report.unknownColumns.join(', ') }}</span>
        <div class="grow" />
        <ElButton v-if="!report.applied && good > 0" type="primary" :loading="busy" data-test="apply" @click="takeSheet"
          >Take in {{ good === 1 ? 'the good row' : `${good.toLocaleString('en')} good rows` }}</ElButton
        >
        <strong v-else-if="report.applied" class="fits">Taken in.</strong
        ><strong v-else class="soft">Nothing to change.</strong>
        <ElButton v-if="report.familyId" @click="router.push(`/families/${report.familyId}`)">Open the family</ElButton>
      </div>
      <SheetReport v-if="report.rows.length" :job-id="jobId" :report="report" />
    </template>
    <template v-else-if="!problem">
      <table v-if="lists.length" class="sheet lines" data-test="lists">
        <thead>
          <tr>
            <th>Lists brought before</th>
            <th class="number">Rows</th>
            <th>State</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in lists" :key="one.id">
            <td>
              <RouterLink :to="{ name: 'list', params: { id: one.id } }">{{ one.title }}</RouterLink>
            </td>
            <td class="number">{{ one.total?.toLocaleString('en') ?? '' }}</td>
            <td :class="one.state === 'failed' ? 'stops' : 'soft'">{{ one.notice ?? one.state }}</td>
          </tr>
        </tbody>
      </table>
      <div class="empty soft">
        <p>
          Families are recognised in any list: by names with options in them, style codes, parents, sizes across the
          columns, values listed in a cell ("S, M, L"). You see what becomes of every row before anything is changed,
          and take all of it back with one press.
        </p>
        <p>Good rows go in, bad ones are named with row, column and the way out.</p>
      </div>
    </template>
  </section>
</template>

<style scoped>
.intake {
  padding: 12px 20px 14px;
  gap: 10px;
}
.ask {
  padding: 14px 16px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.line {
  display: flex;
  gap: 14px;
  align-items: center;
}
.choose {
  border: 1px dashed var(--woad);
  color: var(--woad);
  padding: 8px 18px;
  cursor: pointer;
}
.choose:hover,
.choose:focus-within {
  background: var(--woad-pale);
}
.problem {
  padding: 8px 16px;
  background: var(--stops-pale);
}
.counts {
  display: flex;
  gap: 20px;
  align-items: center;
  padding: 8px 14px;
}
</style>
