<script setup lang="ts">
/** Taking in: a sheet into a family with a verdict for every row, or a family file whole. */
import { computed, onMounted, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ElButton, ElOption, ElSelect } from 'element-plus';
import { FamilyFileSchema, Refused, type FamilySummary, type IntakeReport } from '@loom-kin/contract';
import { api, call, tell } from '../api';

const route = useRoute();
const router = useRouter();
const families = ref<FamilySummary[]>([]);
const familyId = ref(String(route.query.family ?? ''));
const file = ref<File | null>(null);
const report = ref<IntakeReport | null>(null);
const problem = ref<string | null>(null);
const busy = ref(false);
const only = ref<'all' | 'refused' | 'changed'>('all');

async function search(term = ''): Promise<void> {
  try {
    const { families: found } = await call(api.listFamilies, { query: { q: term, limit: 40 } });
    const held = families.value.find((one) => one.id === familyId.value);
    families.value = held && !found.includes(held) ? [held, ...found.filter((one) => one.id !== held.id)] : found;
  } catch (error) {
    tell(error);
  }
}
onMounted(() => void search());

const isFamilyFile = computed(() => /\.json$/i.test(file.value?.name ?? ''));

function pick(files: FileList | null | undefined): void {
  file.value = files?.[0] ?? null;
  report.value = null;
  problem.value = null;
  if (file.value && (isFamilyFile.value || familyId.value)) void read(false);
}

async function read(apply: boolean): Promise<void> {
  if (!file.value) return;
  busy.value = true;
  problem.value = null;
  try {
    if (isFamilyFile.value) {
      if (!apply) return;
      const parsed = FamilyFileSchema.safeParse(JSON.parse(await file.value.text()));
      if (!parsed.success)
        throw new Refused(422, {
          code: 'file.wrong',
          message: `${file.value.name} is no family file: ${parsed.error.issues[0]?.path.join('.') ?? ''} ${parsed.error.issues[0]?.message ?? ''}`,
        });
      report.value = await call(api.readFamilyFile, { body: parsed.data });
    } else {
      const form = new FormData();
      form.append('file', file.value);
      report.value = await call(api.readSheet, {
        params: { id: familyId.value },
        query: { apply: apply ? 'yes' : 'no' },
        form,
      });
    }
  } catch (error) {
    problem.value =
      error instanceof SyntaxError
        ? `${file.value.name} is no JSON: it is cut off or has a fault.`
        : error instanceof Error
          ? error.message
          : 'The file cannot be read.';
  } finally {
    busy.value = false;
  }
}
const shown = computed(() =>
  (report.value?.rows ?? []).filter((row) => only.value === 'all' || row.verdict === only.value),
);
const VERDICTS = { new: 'fits', changed: 'warns', same: 'soft', refused: 'stops' };
const good = computed(() => (report.value ? report.value.counts.new + report.value.counts.changed : 0));
</script>

<template>
  <section class="view intake">
    <div class="sheet ask" @dragover.prevent @drop.prevent="pick($event.dataTransfer?.files)">
      <div class="line">
        <label class="choose"
          ><input
            type="file"
            accept=".csv,.xlsx,.json"
            class="visually-hidden"
            data-test="file"
            @change="pick(($event.target as HTMLInputElement).files)"
          />Choose a file, or drop it here</label
        >
        <strong v-if="file">{{ file.name }}</strong>
        <span v-else class="soft">CSV or XLSX with a row a child, or a family file (JSON)</span>
      </div>
      <div v-if="!isFamilyFile" class="line">
        <span class="soft">into</span>
        <ElSelect
          v-model="familyId"
          filterable
          remote
          :remote-method="search"
          placeholder="Which family?"
          style="width: 320px"
          @change="file && read(false)"
        >
          <ElOption v-for="one in families" :key="one.id" :value="one.id" :label="`${one.name} (${one.styleCode})`" />
        </ElSelect>
        <span class="soft"
          >The columns are those of the family's own sheet.
          <template v-if="familyId"
            >Take it out as <a :href="`/api/families/${familyId}/file.xlsx`" download>XLSX</a> or
            <a :href="`/api/families/${familyId}/file.csv`" download>CSV</a>, change what differs, bring it
            back.</template
          >
        </span>
      </div>
      <div v-else class="line">
        <ElButton type="primary" :loading="busy" data-test="take-in" @click="read(true)">Take the family in</ElButton>
      </div>
    </div>
    <p v-if="problem" class="stops problem" role="alert" data-test="intake-problem">{{ problem }}</p>
    <template v-if="report">
      <div class="sheet counts" data-test="counts">
        <span class="fits">{{ report.counts.new }} new</span
        ><span class="warns">{{ report.counts.changed }} changed</span
        ><span class="soft">{{ report.counts.same }} already so</span
        ><span class="stops">{{ report.counts.refused }} refused</span>
        <span v-if="report.unknownColumns.length" class="soft">left alone: {{ report.unknownColumns.join(', ') }}</span>
        <div class="grow" />
        <ElSelect v-if="report.rows.length" v-model="only" size="small" style="width: 130px"
          ><ElOption value="all" label="all rows" /><ElOption value="refused" label="refused" /><ElOption
            value="changed"
            label="changed"
        /></ElSelect>
        <ElButton
          v-if="!report.applied && good > 0"
          type="primary"
          :loading="busy"
          data-test="apply"
          @click="read(true)"
          >Take in {{ good === 1 ? 'the good row' : `${good} good rows` }}</ElButton
        >
        <strong v-else-if="report.applied" class="fits">Taken in.</strong
        ><strong v-else class="soft">Nothing to change.</strong>
        <ElButton v-if="report.familyId" @click="router.push(`/families/${report.familyId}`)">Open the family</ElButton>
      </div>
      <div v-if="report.rows.length" class="sheet rows">
        <table class="lines">
          <thead>
            <tr>
              <th class="number">Row</th>
              <th>Child</th>
              <th>Verdict</th>
              <th>Why, or what changes</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in shown.slice(0, 500)" :key="row.row">
              <td class="number">{{ row.row }}</td>
              <td>{{ row.child }}</td>
              <td :class="VERDICTS[row.verdict]">{{ row.verdict === 'same' ? 'already so' : row.verdict }}</td>
              <td>
                <div v-for="(one, at) in row.problems" :key="at" class="stops">{{ one.column }}: {{ one.message }}</div>
                <span v-for="(one, at) in row.changes.slice(0, 6)" :key="at" class="change"
                  ><span class="soft">{{ one.column }}</span> {{ one.before || 'nothing' }} →
                  {{ one.after || 'nothing' }}</span
                >
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
    <div v-else-if="!problem" class="empty soft">
      Every row gets a verdict before anything is changed. Good rows go in, bad ones are named with row and column.
    </div>
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
.rows {
  overflow: auto;
  flex: 1;
  min-height: 0;
}
.change {
  margin-right: 16px;
}
</style>
