<script setup lang="ts">
/** Finds families, SKUs and GTINs, and goes to places. Ctrl K. */
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { type Family, familyIndex } from '@loom-kin/core/family';
import { gtin14 } from '@loom-kin/core/identifiers';
import type { FamilySummary } from '@loom-kin/contract';
import { api, call, tell } from '../api/api';
import { useFamily } from '../stores/family';
import { useKeys } from './keys';

const router = useRouter();
const open = useFamily();
const input = ref<HTMLInputElement>();
const words = ref('');
const found = ref<FamilySummary[]>([]);
const at = ref(0);
const shown = ref(false);
let running: AbortController | null = null;
/** Ends when what is typed so far was looked for. */
let looked: Promise<void> = Promise.resolve();

const ACTIONS = [
  { label: 'Start a family', to: '/families/new' },
  { label: 'Send something', to: '/dispatch' },
  { label: 'Take a sheet or a family file in', to: '/intake' },
  { label: 'Fit board: every family on every account', to: '/board' },
  { label: 'Rules and settings of channels', to: '/channels' },
  { label: 'Write rules of your own', to: '/rules' },
  { label: 'What changed', to: '/journal' },
  { label: 'Number blocks', to: '/setup' },
];
const entries = computed(() => {
  const term = words.value.trim().toLowerCase();
  const actions = ACTIONS.filter((action) => term === '' || action.label.toLowerCase().includes(term));
  return [
    ...found.value.map((family) => ({
      key: family.id,
      label: family.name,
      note: `${family.styleCode} · ${family.axes}`,
      to: `/families/${family.id}`,
    })),
    ...actions.map((action) => ({ key: action.to, label: action.label, note: '', to: action.to })),
  ];
});

watch(words, (term) => {
  at.value = 0;
  running?.abort();
  running = new AbortController();
  looked = lookFor(term, running);
});

async function lookFor(term: string, mine: AbortController): Promise<void> {
  if (term.trim() === '') return void (found.value = []);
  try {
    const { families } = await call(api.listFamilies, { query: { q: term, limit: 8 }, signal: mine.signal });
    if (!mine.signal.aborted) found.value = families;
  } catch (error) {
    if (!mine.signal.aborted) tell(error);
  }
}

/** What stands first is taken once it answers to all that was typed, and not to its first letters. */
async function take(): Promise<void> {
  await looked;
  await go(entries.value[at.value]);
}

/** The child whose SKU or GTIN was typed. */
function childNamed(family: Family, term: string): string | undefined {
  const child = familyIndex(family).woven.find(
    ({ fields }) =>
      String(fields.sku ?? '').toUpperCase() === term.toUpperCase() ||
      (typeof fields.gtin === 'string' && /^\d{8,14}$/.test(term) && gtin14(fields.gtin) === gtin14(term)),
  );
  return child?.id;
}

async function go(entry: { key: string; to: string } | undefined): Promise<void> {
  if (!entry) return;
  const term = words.value.trim();
  const isFamily = found.value.some((family) => family.id === entry.key);
  shown.value = false;
  words.value = '';
  input.value?.blur();
  await router.push(entry.to);
  if (!isFamily) return;
  await open.open(entry.key);
  const childId = open.family && childNamed(open.family, term);
  if (childId) open.selected = { level: 'child', childId };
}

function onKey(event: KeyboardEvent): void {
  if (event.key === 'ArrowDown') at.value = Math.min(at.value + 1, entries.value.length - 1);
  else if (event.key === 'ArrowUp') at.value = Math.max(at.value - 1, 0);
  else if (event.key === 'Enter') void take();
  else if (event.key === 'Escape') input.value?.blur();
  else return;
  event.preventDefault();
}
useKeys({ 'Ctrl+k': () => input.value?.focus() });
</script>

<template>
  <div class="box">
    <input
      ref="input"
      v-model="words"
      role="combobox"
      aria-label="Find families, SKUs, GTINs, actions"
      :aria-expanded="shown"
      aria-controls="command-entries"
      placeholder="Find a family, SKU, GTIN or action"
      @focus="shown = true"
      @blur="shown = false"
      @keydown="onKey"
    />
    <kbd>Ctrl K</kbd>
    <ul v-if="shown && entries.length" id="command-entries" role="listbox">
      <li
        v-for="(entry, number) in entries"
        :key="entry.key"
        role="option"
        :aria-selected="number === at"
        :class="{ at: number === at }"
        @mousedown.prevent="go(entry)"
        @mousemove="at = number"
      >
        <span>{{ entry.label }}</span><span class="soft">{{ entry.note }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.box {
  position: relative;
  width: 420px;
}
input {
  width: 100%;
  height: 30px;
  border: 1px solid var(--line);
  background: var(--ground);
  font: inherit;
  color: inherit;
  padding: 0 64px 0 10px;
  border-radius: 2px;
}
input:focus {
  background: var(--sheet);
  outline: 2px solid var(--woad);
  outline-offset: -1px;
}
kbd {
  position: absolute;
  right: 8px;
  top: 6px;
}
ul {
  position: absolute;
  top: 32px;
  left: 0;
  right: 0;
  background: var(--sheet);
  border: 1px solid var(--line);
  margin: 0;
  padding: 4px 0;
  list-style: none;
  z-index: 50;
  max-height: 420px;
  overflow: auto;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 5px 12px;
  cursor: pointer;
}
li.at {
  background: var(--weld-pale);
}
.soft {
  font-size: 12px;
  white-space: nowrap;
}
</style>
