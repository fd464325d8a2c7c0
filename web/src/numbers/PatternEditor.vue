<script setup lang="ts">
/** A pattern of SKUs, piece by piece or as it is written; each piece says what it takes, how long, in which letters. */
import { computed } from 'vue';
import { ArrowDown, ArrowUp, X } from 'lucide-vue-next';
import {
  APART,
  AXES,
  COUNTER,
  FAMILY_MARKS,
  MARK_LETTERS,
  type MarkLetters,
  type PatternMark,
  type PatternPiece,
  readPattern,
  writePattern,
} from '@loom-kin/core/identifiers';

/** The marks that may stand in it. */
const props = defineProps<{ marks: readonly string[] }>();
const pattern = defineModel<string>({ required: true });

const pieces = computed(() => readPattern(pattern.value));
const MARK_WORDS: Record<string, string> = {
  style: 'style code',
  brand: 'brand',
  model: 'model number',
  [AXES]: 'every axis',
  [COUNTER]: 'a counter',
  [APART]: 'a number, only where two would be alike',
};
const LETTER_WORDS: Record<MarkLetters, string> = {
  capitals: 'CAPITALS',
  small: 'small',
  'as-written': 'As written',
};
const isAxis = ({ mark }: PatternMark) => !(mark in FAMILY_MARKS) && mark !== COUNTER && mark !== APART;
const isNumber = ({ mark }: PatternMark) => mark === COUNTER || mark === APART;

function put(at: number, piece: PatternPiece): void {
  pattern.value = writePattern(pieces.value.with(at, piece));
}
function say(at: number, more: { [Key in keyof PatternMark]?: PatternMark[Key] | undefined }): void {
  const said = { ...(pieces.value[at] as PatternMark), ...more };
  put(at, Object.fromEntries(Object.entries(said).filter(([, one]) => one !== undefined && one !== false)) as never);
}
function move(at: number, by: 1 | -1): void {
  const next = [...pieces.value];
  const [piece] = next.splice(at, 1);
  next.splice(at + by, 0, piece!);
  pattern.value = writePattern(next);
}
const remove = (at: number) => (pattern.value = writePattern(pieces.value.toSpliced(at, 1)));
function add(mark: string): void {
  if (mark) pattern.value = writePattern([...pieces.value, ...(pieces.value.length ? ['-'] : []), { mark }]);
}
</script>

<template>
  <div class="pattern">
    <label class="soft"
      >The pattern
      <input v-model="pattern" class="mono written" maxlength="200" spellcheck="false" data-test="sku-pattern" />
    </label>
    <ol>
      <li v-for="(piece, at) in pieces" :key="at" data-test="pattern-piece">
        <template v-if="typeof piece === 'string'">
          <span class="what soft">as it is</span>
          <input
            :value="piece"
            class="mono fixed"
            maxlength="20"
            aria-label="Text that stays"
            @change="put(at, ($event.target as HTMLInputElement).value.replace(/[{}]/g, ''))"
          />
        </template>
        <template v-else>
          <span class="what" :class="{ stops: !props.marks.includes(piece.mark) }">{{
            MARK_WORDS[piece.mark] ?? piece.mark
          }}</span>
          <select
            v-if="isAxis(piece)"
            :value="piece.label ? 'label' : 'code'"
            :aria-label="`What of ${piece.mark}`"
            @change="say(at, { label: ($event.target as HTMLSelectElement).value === 'label' || undefined })"
          >
            <option value="code">short code</option>
            <option value="label">label</option>
          </select>
          <input
            :value="piece.length ?? ''"
            type="number"
            min="1"
            max="20"
            :placeholder="isNumber(piece) ? '1' : 'all'"
            :title="isNumber(piece) ? 'Digits at least' : 'Characters at most'"
            :aria-label="`${isNumber(piece) ? 'Digits at least' : 'Characters at most'} of ${piece.mark}`"
            @change="say(at, { length: Number(($event.target as HTMLInputElement).value) || undefined })"
          />
          <select
            v-if="!isNumber(piece)"
            :value="piece.letters ?? 'capitals'"
            :aria-label="`Letters of ${piece.mark}`"
            @change="say(at, { letters: ($event.target as HTMLSelectElement).value as MarkLetters })"
          >
            <option v-for="one in MARK_LETTERS" :key="one" :value="one">{{ LETTER_WORDS[one] }}</option>
          </select>
        </template>
        <span class="grow" />
        <button class="plain" :disabled="at === 0" aria-label="Earlier" @click="move(at, -1)">
          <ArrowUp :size="14" />
        </button>
        <button class="plain" :disabled="at === pieces.length - 1" aria-label="Later" @click="move(at, 1)">
          <ArrowDown :size="14" />
        </button>
        <button class="plain" aria-label="Take the piece out" @click="remove(at)"><X :size="14" /></button>
      </li>
    </ol>
    <select
      class="add"
      aria-label="Add a piece"
      :value="''"
      data-test="add-piece"
      @change="(add(($event.target as HTMLSelectElement).value), (($event.target as HTMLSelectElement).value = ''))"
    >
      <option value="">Add a piece…</option>
      <option v-for="mark in marks" :key="mark" :value="mark">{{ MARK_WORDS[mark] ?? mark }}</option>
    </select>
  </div>
</template>

<style scoped>
.pattern {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.written {
  display: block;
  width: 100%;
}
input,
select {
  font: inherit;
  font-size: 12px;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--line);
  padding: 2px 6px;
  height: 26px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 3px 0;
  border-bottom: 1px solid var(--line);
  font-size: 12px;
}
.what {
  min-width: 64px;
  max-width: 120px;
}
.fixed {
  width: 70px;
}
select {
  max-width: 96px;
  padding: 2px;
}
input[type='number'] {
  width: 50px;
}
.add {
  max-width: none;
  align-self: flex-start;
}
</style>
