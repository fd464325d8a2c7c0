<script setup lang="ts">
/** Pictures that were brought: questions first, then where each goes, family by family, and what goes nowhere. */
import { computed, nextTick, ref, useTemplateRef } from 'vue';
import { useRoute } from 'vue-router';
import { ElButton } from 'element-plus';
import { isTyping, useKeys } from '../../shell/keys';
import ArrivalTiles from './ArrivalTiles.vue';
import ChoosePlace from './ChoosePlace.vue';
import FamilyShelf from './FamilyShelf.vue';
import QuestionCard from './QuestionCard.vue';
import SettleHead from './SettleHead.vue';
import { shelvesOf } from './shelves';
import { usePlacing } from './usePlacing';
import { targetOf, useSettling, type Question, type Target } from './useSettling';
import { useTiles } from '../useTiles';

const route = useRoute();
const id = computed(() => String(route.params.id));
const settling = useSettling(() => id.value);
const { job, problem, families, questions, going, nowhere, leftOut, refused } = settling;
const body = useTemplateRef<HTMLElement>('body');
const { chosen, press, go, meant, chooseAll, clear, keepFocus } = useTiles(() => body.value);
const placing = usePlacing(settling, () => id.value);

const shelves = computed(() => shelvesOf(going.value, families.value));
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
  const told = settling.settle(
    question.arrivals.map((one) => one.at),
    to,
  );
  await nextTick();
  // The next question is there to be answered, whether or not the server has heard of this one yet.
  const cards = body.value?.querySelectorAll<HTMLElement>('[data-question]');
  cards?.[Math.min(number, cards.length - 1)]?.focus();
  await told;
}
async function yesToAll(): Promise<void> {
  for (const question of questions.value.filter((one) => one.proposed))
    await settling.settle(
      question.arrivals.map((one) => one.at),
      question.proposed,
    );
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
  'Ctrl+Enter': () => void placing.place(),
});

/** Dragged to another row: with all that are chosen where it is one of them. */
let dragged: number[] = [];
function dragStart(event: DragEvent): void {
  const tile = (event.target as HTMLElement).closest<HTMLElement>('[data-tile]');
  if (!tile) return;
  const at = tile.dataset.tile!;
  dragged = (chosen.value.has(at) ? [...chosen.value] : [at]).map(Number);
  event.dataTransfer?.setData('text/plain', at);
}
function dropOn(to: Target | 'left-out' | null): void {
  if (dragged.length > 0) void settle(dragged, to);
  dragged = [];
}
</script>

<template>
  <section class="view settle">
    <h1 class="visually-hidden">Pictures brought</h1>
    <SettleHead :id="id" :families="shelves.length" :settling="settling" :placing="placing" />
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
        <ArrivalTiles :arrivals="nowhere" :chosen="chosen" @press="press" @open="move([$event])" />
      </div>
      <FamilyShelf
        v-for="shelf in shelves"
        :key="shelf.family.id"
        :shelf="shelf"
        :chosen="chosen"
        @press="press"
        @open="move([$event])"
        @drop="dropOn"
      />
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
        <ArrivalTiles :arrivals="leftOut" :chosen="chosen" @press="press" @open="move([$event])" />
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
