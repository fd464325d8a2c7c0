<script setup lang="ts">
/** The journal: what changed, from what to what, when, by whom; of one family or of all. */
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { ElButton } from 'element-plus';
import type { JournalEntry } from '@loom-kin/contract';
import { api, call, requestKey, say, tell } from '../api/api';
import { latest } from '../api/latest';
import { useFamily } from '../stores/family';

const PAGE = 50;
const PARTS = 100;
const route = useRoute();
const store = useFamily();
const familyId = computed(() => (route.name === 'family-journal' ? String(route.params.id) : undefined));
const entries = ref<JournalEntry[]>([]);
const more = ref(false);
const loaded = ref(false);
const problem = ref<string | null>(null);
const unfolded = ref(new Set<number>());

const ask = latest();
async function load(onward = false): Promise<void> {
  try {
    await store.settled();
    const before = onward ? entries.value.at(-1)?.id : undefined;
    const query = {
      limit: PAGE,
      ...(familyId.value ? { familyId: familyId.value } : {}),
      ...(before ? { before } : {}),
    };
    await ask(
      () => call(api.journal, { query }),
      (next) => {
        entries.value = onward ? [...entries.value, ...next] : next;
        more.value = next.length === PAGE;
        loaded.value = true;
        problem.value = null;
      },
    );
  } catch (error) {
    problem.value = error instanceof Error ? error.message : 'The journal cannot be loaded.';
  }
}
onMounted(load);
watch([familyId, () => store.undoTitle, () => store.redoTitle], () => void load());

const days = computed(() => {
  const byDay = new Map<string, JournalEntry[]>();
  for (const entry of entries.value) {
    const day = new Date(entry.at).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' });
    byDay.set(day, [...(byDay.get(day) ?? []), entry]);
  }
  return [...byDay];
});
const time = (at: string) =>
  new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', second: '2-digit' });
const FEW = 4;
const lineCount = (entry: JournalEntry) => entry.parts.reduce((sum, part) => sum + part.lines.length, 0);
const partsLeft = (entry: JournalEntry) => entry.partCount - entry.parts.length;
/** The parts of an entry with the first few lines of all, or with every line once it is unfolded. */
function shownParts(entry: JournalEntry): JournalEntry['parts'] {
  if (unfolded.value.has(entry.id)) return entry.parts;
  let left = FEW;
  return entry.parts.flatMap((part) => {
    const lines = part.lines.slice(0, left);
    left -= lines.length;
    return lines.length > 0 ? [{ ...part, lines }] : [];
  });
}
const familiesOf = (entry: JournalEntry) => entry.parts.filter((part) => part.thing === 'family').slice(0, 3);
/** Whether a part needs saying whose it is. */
const isNamed = (entry: JournalEntry, part: JournalEntry['parts'][number]) =>
  entry.partCount > 1 || (familyId.value !== undefined && part.thingId !== familyId.value);
const unfold = (id: number) => (unfolded.value = new Set([...unfolded.value, id]));
/** Loads more parts of an entry that has many, after those that are there. */
async function loadParts(entry: JournalEntry): Promise<void> {
  try {
    const query = { from: entry.parts.length, limit: PARTS, ...(familyId.value ? { familyId: familyId.value } : {}) };
    const parts = await call(api.changeParts, { params: { id: entry.id }, query });
    entry.parts = [...entry.parts, ...parts];
    unfold(entry.id);
  } catch (error) {
    tell(error);
  }
}
const turning = ref<number | null>(null);
/** How far it reaches, where that is further than one family. */
const reach = (entry: JournalEntry) =>
  entry.familyCount > 1 ? ` in ${entry.familyCount.toLocaleString('en')} families` : '';
/** Takes a change back as a whole, or makes it again; where a later one stands on it the server says which. */
async function turn(entry: JournalEntry): Promise<void> {
  turning.value = entry.id;
  try {
    await store.settled();
    const step = entry.state === 'undone' ? api.redo : api.undo;
    await call(step, { params: { id: entry.id }, body: { key: requestKey() } });
    say(`${entry.title}: ${entry.state === 'undone' ? 'made again' : 'taken back'}.`);
    await load();
  } catch (error) {
    tell(error);
  } finally {
    turning.value = null;
  }
}
const crop = (text: string) => (text === '' ? 'nothing' : text.length > 90 ? text.slice(0, 88) + '…' : text);
</script>

<template>
  <section class="view journal">
    <h1 class="visually-hidden">Journal</h1>
    <div v-if="problem" class="empty">
      <p class="stops">{{ problem }}</p>
      <ElButton @click="load()">Try again</ElButton>
    </div>
    <div v-else-if="loaded && entries.length === 0" class="empty">Nothing has been changed yet.</div>
    <div v-else class="sheet pages">
      <template v-for="[day, list] in days" :key="day">
        <h2>{{ day }}</h2>
        <article v-for="entry in list" :key="entry.id" :class="entry.state" data-test="entry">
          <div class="head">
            <span class="soft time">{{ time(entry.at) }}</span>
            <strong>{{ entry.title }}</strong>
            <template v-if="!familyId">
              <RouterLink v-for="part in familiesOf(entry)" :key="part.thingId" :to="`/families/${part.thingId}`">{{
                part.name
              }}</RouterLink>
              <span v-if="entry.familyCount > 3" class="soft"
                >and {{ (entry.familyCount - 3).toLocaleString('en') }} more families</span
              >
            </template>
            <span class="soft">by {{ entry.actor }}</span>
            <span v-if="entry.kind === 'change' && entry.state === 'undone'" class="warns">taken back</span>
            <span class="grow" />
            <ElButton
              v-if="entry.kind === 'change' && entry.state !== 'gone'"
              size="small"
              :loading="turning === entry.id"
              :data-test="entry.state === 'undone' ? 'again' : 'take-back'"
              @click="turn(entry)"
              >{{ entry.state === 'undone' ? 'Make again' : 'Take back' }}{{ reach(entry) }}</ElButton
            >
          </div>
          <table v-if="lineCount(entry) > 0">
            <tbody v-for="part in shownParts(entry)" :key="part.thing + part.thingId">
              <tr v-if="isNamed(entry, part)">
                <td colspan="5" class="soft">{{ part.name }}</td>
              </tr>
              <tr v-for="(line, at) in part.lines" :key="at">
                <td class="where">{{ line.where }}</td>
                <td class="what soft">{{ line.what }}</td>
                <td :class="line.before === '' ? 'soft' : 'before'">{{ crop(line.before) }}</td>
                <td class="soft">→</td>
                <td>{{ crop(line.after) }}</td>
              </tr>
              <tr v-if="part.moreLines > 0 && unfolded.has(entry.id)">
                <td colspan="5" class="soft">and {{ part.moreLines.toLocaleString('en') }} lines more</td>
              </tr>
            </tbody>
          </table>
          <button v-if="lineCount(entry) > FEW && !unfolded.has(entry.id)" class="link more" @click="unfold(entry.id)">
            {{ lineCount(entry) - FEW }} more
          </button>
          <button v-else-if="partsLeft(entry) > 0" class="link more" data-test="more-parts" @click="loadParts(entry)">
            {{ Math.min(PARTS, partsLeft(entry)) }} more of {{ partsLeft(entry).toLocaleString('en') }}
          </button>
        </article>
      </template>
      <div v-if="more" class="older"><ElButton @click="load(true)">Older changes</ElButton></div>
    </div>
    <p v-if="familyId && loaded" class="soft foot">
      <kbd>Ctrl Z</kbd> takes back <em>{{ store.undoTitle ?? 'nothing' }}</em> · <kbd>Ctrl Y</kbd> makes
      <em>{{ store.redoTitle ?? 'nothing' }}</em> again
    </p>
  </section>
</template>

<style scoped>
.journal {
  padding: 12px 20px;
}
.pages {
  overflow: auto;
  flex: 1;
  min-height: 0;
}
h2 {
  padding: 8px 16px;
  background: var(--ground);
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  font-size: 13px;
}
article {
  padding: 7px 16px;
  border-bottom: 1px solid var(--line-soft);
}
.head {
  display: flex;
  gap: 12px;
  align-items: baseline;
}
.time {
  font-size: 12px;
  width: 62px;
}
.undone strong {
  text-decoration: line-through;
}
.undone strong,
.undone table {
  opacity: 0.6;
}
table {
  font-size: 12.5px;
  margin: 3px 0 2px 74px;
  border-collapse: collapse;
}
td {
  padding: 1px 14px 1px 0;
  vertical-align: top;
}
.where {
  min-width: 170px;
}
.what {
  min-width: 150px;
}
.before {
  color: var(--ink-soft);
  text-decoration: line-through;
  text-decoration-color: var(--line);
}
.more {
  margin-left: 74px;
  font-size: 12px;
}
.older {
  padding: 12px;
  text-align: center;
}
.foot {
  padding-top: 8px;
  font-size: 12px;
}
</style>
