<script setup lang="ts">
/** Pictures that were brought: questions first, then where each goes, family by family, and what goes nowhere. */
import { computed, nextTick, ref, useTemplateRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ElButton, ElMessage, ElProgress } from 'element-plus';
import { placeKey } from '@loom-kin/core';
import type { Arrival, PicturePlaces } from '@loom-kin/contract';
import { api, call, requestKey, say, tell } from '../../api';
import { useJobs } from '../../stores/jobs';
import { isTyping, useKeys } from '../../shell/keys';
import ArrivalTile from './ArrivalTile.vue';
import ChoosePlace from './ChoosePlace.vue';
import QuestionCard from './QuestionCard.vue';
import { targetOf, useSettling, type Question, type Target } from './useSettling';
import { useTiles } from '../useTiles';

const route = useRoute();
const router = useRouter();
const jobs = useJobs();
const id = computed(() => String(route.params.id));
const settling = useSettling(() => id.value);
const { job, problem, families, questions, going, waiting, nowhere, leftOut, refused } = settling;
const body = useTemplateRef<HTMLElement>('body');
const { chosen, press, go, meant, chooseAll, clear, keepFocus } = useTiles(() => body.value);
const how = ref<'behind' | 'instead'>('behind');
const placing = ref(false);
const placed = ref<{ id: number; title: string } | null>(null);

interface Shelf {
  family: PicturePlaces;
  rows: { place: PicturePlaces['places'][number]; arrivals: Arrival[] }[];
  /** Values of the axis that pictures go to which none comes for and none stands on. */
  bare: string[];
}
/** The places that pictures go to, in the order of their families. */
const shelves = computed((): Shelf[] => {
  const byPlace = new Map<string, Arrival[]>();
  const used = new Set<string>();
  for (const one of going.value) {
    const target = targetOf(one)!;
    const key = `${target.familyId} ${placeKey(target.place)}`;
    byPlace.set(key, [...(byPlace.get(key) ?? []), one]);
    used.add(target.familyId);
  }
  return [...families.value.values()]
    .filter((family) => used.has(family.id))
    .map((family) => {
      const all = family.places.map((place) => ({
        place,
        arrivals: byPlace.get(`${family.id} ${placeKey(place.place)}`) ?? [],
      }));
      const rows = all.filter((row) => row.arrivals.length > 0);
      const axes = new Set(rows.flatMap((row) => row.place.axis ?? []));
      const bare = all.filter(
        ({ place, arrivals }) => place.axis && axes.has(place.axis) && arrivals.length + place.pictures.length === 0,
      );
      return { family, rows, bare: bare.map((row) => row.place.label) };
    });
});
const asked = computed(() => questions.value.reduce((sum, one) => sum + one.arrivals.length, 0));
const count = (n: number, one: string, more = `${one}s`) => `${n.toLocaleString('en')} ${n === 1 ? one : more}`;

/** Whom the place that is chosen is for. */
const choosing = ref<{ ats: number[]; familyId: string } | null>(null);
function move(ats: readonly number[], familyId?: string): void {
  if (ats.length === 0) return;
  const first = settling.arrivals.value.find((one) => one.at === ats[0]);
  const from =
    familyId ??
    (first && targetOf(first)?.familyId) ??
    first?.match?.familyId ??
    settling.intake.value?.within ??
    shelves.value[0]?.family.id ??
    '';
  choosing.value = { ats: [...ats], familyId: from };
}
const settle = (ats: readonly number[], to: Target | 'left-out' | null) =>
  keepFocus(async () => {
    clear();
    choosing.value = null;
    await settling.settle(ats, to);
  });
async function answer(question: Question, number: number, to: Target | 'left-out'): Promise<void> {
  await settling.settle(
    question.arrivals.map((one) => one.at),
    to,
  );
  await nextTick();
  // The next question is there to be answered.
  const cards = body.value?.querySelectorAll<HTMLElement>('[data-question]');
  cards?.[Math.min(number, cards.length - 1)]?.focus();
}
async function yesToAll(): Promise<void> {
  for (const question of questions.value.filter((one) => one.proposed))
    await settling.settle(
      question.arrivals.map((one) => one.at),
      question.proposed,
    );
}
async function place(): Promise<void> {
  if (waiting.value.length === 0 || placing.value) return;
  placing.value = true;
  const done = await settling.place(how.value);
  placing.value = false;
  if (!done) return;
  placed.value = done.id === null ? null : { id: done.id, title: done.title };
  say(done.id === null ? 'They stand there already.' : `${done.title}.`);
}
async function takeBack(): Promise<void> {
  try {
    await call(api.undo, { params: { id: placed.value!.id }, body: { key: requestKey() } });
    placed.value = null;
    await settling.load();
    ElMessage({ type: 'success', message: 'Taken back: the families are as they were.', grouping: true });
  } catch (error) {
    tell(error);
  }
}
async function putAway(): Promise<void> {
  try {
    await call(api.putAwayPictures, { params: { id: id.value } });
    await router.push({ name: 'bring' });
  } catch (error) {
    tell(error);
  }
}

function onKey(event: KeyboardEvent): void {
  if (isTyping(event) || go(event)) return;
  const tile = (event.target as HTMLElement).closest<HTMLElement>('[data-tile]');
  if (tile && event.key === ' ') {
    event.preventDefault();
    press(tile.dataset.tile!, event);
  }
}
function walk(by: 1 | -1): void {
  const cards = [...(body.value?.querySelectorAll<HTMLElement>('[data-question]') ?? [])];
  if (cards.length === 0) return;
  const at = cards.indexOf(document.activeElement as HTMLElement);
  cards[at < 0 ? 0 : Math.min(cards.length - 1, Math.max(0, at + by))]?.focus();
}
useKeys({
  j: () => walk(1),
  k: () => walk(-1),
  m: () => move(meant().map(Number)),
  x: () => void settle(meant().map(Number), 'left-out'),
  Delete: () => void settle(meant().map(Number), 'left-out'),
  Backspace: () => void settle(meant().map(Number), null),
  Escape: clear,
  'Ctrl+a': chooseAll,
  'Ctrl+z': () => void settling.undo(),
  'Ctrl+Enter': () => void place(),
});

/** Dragged to another row: with all that are chosen where it is one of them. */
let dragged: number[] = [];
const over = ref('');
function dragStart(event: DragEvent): void {
  const tile = (event.target as HTMLElement).closest<HTMLElement>('[data-tile]');
  if (!tile) return;
  const at = tile.dataset.tile!;
  dragged = (chosen.value.has(at) ? [...chosen.value] : [at]).map(Number);
  event.dataTransfer?.setData('text/plain', at);
}
function dropOn(to: Target | 'left-out' | null): void {
  over.value = '';
  if (dragged.length > 0) void settle(dragged, to);
  dragged = [];
}
const percentage = computed(() => (job.value?.total ? Math.round((job.value.done / job.value.total) * 100) : 0));
</script>

<template>
  <section class="view settle">
    <h1 class="visually-hidden">Pictures brought</h1>
    <div class="sheet head">
      <RouterLink :to="{ name: 'bring' }">Pictures</RouterLink>
      <strong v-if="job" class="title">{{ job.title }}</strong>
      <span class="counts" data-test="settle-counts">
        <span v-if="going.length" class="fits"
          >{{ count(going.length, 'picture') }} to {{ count(shelves.length, 'family', 'families') }}</span
        >
        <span v-if="questions.length" class="warns">{{ count(questions.length, 'question') }} about {{ asked }}</span>
        <span v-if="nowhere.length" class="warns">{{ nowhere.length }} without a place</span>
        <span v-if="leftOut.length" class="soft">{{ leftOut.length }} left out</span>
        <span v-if="refused.length" class="stops">{{ refused.length }} not taken</span>
      </span>
      <div class="grow" />
      <template v-if="job?.state === 'running'">
        <span role="status" data-test="taking"
          >{{ job.done.toLocaleString('en') }} of {{ job.total?.toLocaleString('en') ?? '…' }}</span
        >
        <ElProgress
          class="bar"
          :percentage="percentage"
          :indeterminate="job.total === null"
          :stroke-width="4"
          :show-text="false"
        />
        <ElButton size="small" @click="jobs.stop(id).catch(tell)">Stop</ElButton>
      </template>
      <ElButton
        v-else-if="job?.state === 'stopped' || job?.state === 'failed'"
        size="small"
        type="primary"
        @click="jobs.resume(id).catch(tell)"
        >Go on taking in</ElButton
      >
      <ElButton
        v-if="settling.canUndo.value"
        size="small"
        title="Ctrl Z"
        data-test="settle-undo"
        @click="settling.undo()"
        >Undo</ElButton
      >
      <ElButton v-if="placed" size="small" data-test="take-back" @click="takeBack">Take back</ElButton>
      <select v-model="how" aria-label="Where they go in a place">
        <option value="behind">behind those there</option>
        <option value="instead">instead of those there</option>
      </select>
      <ElButton
        type="primary"
        :disabled="waiting.length === 0"
        :loading="placing"
        title="Ctrl Enter"
        data-test="put-in-place"
        @click="place"
      >
        {{ waiting.length ? `Put ${waiting.length.toLocaleString('en')} in place` : 'In place' }}
      </ElButton>
      <ElButton
        size="small"
        text
        :disabled="job?.state === 'running'"
        title="Forgets what was brought; pictures in families stay"
        @click="putAway"
        >Put away</ElButton
      >
    </div>
    <p v-if="problem" class="stops" role="alert">
      {{ problem }} <RouterLink :to="{ name: 'bring' }">Bring pictures</RouterLink>
    </p>
    <p v-if="job?.state === 'failed'" class="stops" role="alert">{{ job.notice }}</p>
    <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -->
    <div ref="body" class="body" @keydown="onKey" @dragstart="dragStart">
      <div v-if="questions.length" class="sheet" data-test="questions">
        <div class="part">
          <h2>{{ count(questions.length, 'question') }}</h2>
          <span class="soft"><kbd>J</kbd> <kbd>K</kbd> go from one to the next</span>
          <div class="grow" />
          <button class="link" data-test="yes-to-all" @click="yesToAll">Yes to all that are proposed</button>
        </div>
        <QuestionCard
          v-for="(question, number) in questions"
          :key="question.key"
          :question="question"
          :number="number"
          :family="families.get(question.familyId)"
          @answer="(to) => answer(question, number, to)"
          @leave="answer(question, number, 'left-out')"
          @other="
            move(
              question.arrivals.map((one) => one.at),
              question.familyId,
            )
          "
        />
      </div>
      <div v-if="nowhere.length" class="sheet" data-test="nowhere">
        <div class="part">
          <h2>Without a place</h2>
          <span class="soft">Their names say nothing of your goods. Choose some and press <kbd>M</kbd>.</span>
        </div>
        <div class="tiles">
          <ArrivalTile
            v-for="one in nowhere"
            :key="one.at"
            :arrival="one"
            :is-chosen="chosen.has(String(one.at))"
            @click="press(String(one.at), $event)"
            @dblclick="move([one.at])"
          />
        </div>
      </div>
      <div
        v-for="{ family, rows, bare } in shelves"
        :key="family.id"
        class="sheet"
        :data-test="`shelf-${family.styleCode}`"
      >
        <div class="part">
          <h2>
            <RouterLink :to="{ name: 'pictures', params: { id: family.id } }">{{ family.name }}</RouterLink>
          </h2>
          <span class="soft mono">{{ family.styleCode }}</span>
          <span v-if="bare.length" class="warns">no picture for {{ bare.join(', ') }}</span>
        </div>
        <div
          v-for="{ place: one, arrivals } in rows"
          :key="JSON.stringify(one.place)"
          class="row"
          :class="{ over: over === family.id + placeKey(one.place) }"
          :data-test="`row-${one.label}`"
          @dragover.prevent="over = family.id + placeKey(one.place)"
          @dragleave="over = ''"
          @drop.prevent="dropOn({ familyId: family.id, place: one.place })"
        >
          <div class="name">
            <i v-if="one.swatch" class="swatch" :style="{ background: one.swatch }" />{{ one.label
            }}<span class="soft small">{{ one.pictures.length ? `${one.pictures.length} there` : '' }}</span>
          </div>
          <div class="tiles">
            <ArrivalTile
              v-for="each in arrivals"
              :key="each.at"
              :arrival="each"
              :is-chosen="chosen.has(String(each.at))"
              @click="press(String(each.at), $event)"
              @dblclick="move([each.at])"
            />
          </div>
        </div>
      </div>
      <div
        v-if="leftOut.length"
        class="sheet"
        data-test="left-out"
        @dragover.prevent
        @drop.prevent="dropOn('left-out')"
      >
        <div class="part">
          <h2>Left out</h2>
          <button
            class="link"
            @click="
              settle(
                leftOut.map((one) => one.at),
                null,
              )
            "
          >
            as proposed
          </button>
        </div>
        <div class="tiles">
          <ArrivalTile
            v-for="one in leftOut"
            :key="one.at"
            :arrival="one"
            :is-chosen="chosen.has(String(one.at))"
            @click="press(String(one.at), $event)"
          />
        </div>
      </div>
      <div v-if="refused.length" class="sheet" data-test="refused">
        <div class="part"><h2>Not taken</h2></div>
        <ul class="stops">
          <li v-for="one in refused" :key="one.at">{{ one.problem }}</li>
        </ul>
      </div>
      <p
        v-if="job && job.state !== 'running' && settling.intake.value && settling.arrivals.value.length === 0"
        class="empty"
      >
        There was no picture in what was brought.
      </p>
    </div>
    <div v-if="chosen.size" class="sheet chosen" role="toolbar" aria-label="Chosen pictures" data-test="chosen">
      <strong>{{ count(chosen.size, 'picture') }} chosen</strong>
      <ElButton size="small" type="primary" data-test="move" @click="move([...chosen].map(Number))"
        >Move to… <kbd>M</kbd></ElButton
      >
      <ElButton size="small" @click="settle([...chosen].map(Number), 'left-out')">Leave out <kbd>X</kbd></ElButton>
      <ElButton size="small" @click="settle([...chosen].map(Number), null)">As proposed <kbd>⌫</kbd></ElButton>
      <button class="link" @click="clear">none</button>
    </div>
    <ChoosePlace
      v-if="choosing"
      :title="`Where ${choosing.ats.length === 1 ? 'it goes' : `${choosing.ats.length} go`}`"
      :family-id="choosing.familyId"
      :open-family="settling.openFamily"
      @choose="(to) => settle(choosing!.ats, to)"
      @close="choosing = null"
    />
  </section>
</template>

<style scoped>
.settle {
  padding: 12px 20px 14px;
  gap: 10px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  padding: 8px 14px;
}
.title {
  max-width: 260px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.counts {
  display: flex;
  gap: 12px;
}
.bar {
  width: 110px;
}
select {
  font: inherit;
  font-size: 13px;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 3px;
}
.body {
  flex: 1;
  min-height: 0;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.body > * {
  flex: none;
}
.part {
  display: flex;
  gap: 12px;
  align-items: baseline;
  padding: 7px 14px;
}
.row {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 12px;
  padding: 6px 14px;
  border-top: 1px solid var(--line-soft);
}
.row.over {
  background: var(--weld-pale);
}
.name {
  overflow-wrap: anywhere;
}
.name .small {
  display: block;
  font-size: 12px;
}
.swatch {
  display: inline-block;
  width: 12px;
  height: 12px;
  margin-right: 7px;
  border: 1px solid #0003;
}
.tiles {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
}
.sheet > .tiles {
  padding: 0 14px 10px;
}
ul {
  margin: 0;
  padding: 0 14px 10px 30px;
}
.chosen :deep(kbd) {
  background: none;
  border-color: currentcolor;
  margin-left: 4px;
}
.chosen {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 6px 14px;
  border-color: var(--weld);
}
</style>
