<script setup lang="ts">
/** The pieces of one child, place by place: counted, received, corrected, returned, and how they came and went. */
import { computed, ref, shallowRef, watch } from 'vue';
import { ElButton } from 'element-plus';
import { readNumber } from '@loom-kin/core/measure';
import type { Ledger, StepInput } from '@loom-kin/contract';
import { api, call, tell, refuse } from '../api/api';
import { latest } from '../api/latest';
import { useFamily } from '../stores/family';
import { placesOf } from '../stores/pieces';
import { useSetup } from '../stores/setup';
import Entry from '../common/Entry.vue';
import BundleStock from './BundleStock.vue';

const props = defineProps<{ childId: string }>();
const store = useFamily();
const isSet = computed(() => store.family!.children[props.childId]?.fields.parts !== undefined);
const setup = useSetup();
const places = computed(() => setup.registry.locations);
const held = computed(() => placesOf(store, props.childId));
const total = computed(() => store.stock[props.childId] ?? 0);

function pieces(text: string): number | null {
  const read = readNumber(text.replace('−', '-'), { decimal: '.' });
  const number = read.ok ? Number(read.number) : NaN;
  if (Number.isSafeInteger(number)) return number;
  refuse(`"${text}" is no number of pieces.`);
  return null;
}
function count(location: string, text: string): void {
  const number = text.trim() === '' ? 0 : pieces(text);
  if (number !== null)
    store.count([{ childId: props.childId, pieces: number, ...(places.value.length > 1 ? { location } : {}) }]);
}

/** What came or went, entered in a line. */
const KINDS = { received: 'received', corrected: 'corrected', returned: 'returned' } as const;
type Kind = keyof typeof KINDS;
const REASONS: Record<Kind, readonly string[]> = {
  received: ['from the maker', 'moved here'],
  corrected: ['damaged', 'lost', 'found', 'moved away', 'given away'],
  returned: ['as new', 'second choice'],
};
const kind = ref<Kind>('received');
const typed = ref('');
const reason = ref('');
const place = ref(places.value[0]!.id);
async function move(): Promise<void> {
  const number = pieces(typed.value);
  if (number === null || number === 0) return;
  const why = reason.value.trim();
  const step = (familyId: string): StepInput => ({
    on: 'stock',
    familyId,
    kind: kind.value,
    ...(why ? { reason: why } : {}),
    counts: [{ childId: props.childId, location: place.value, pieces: number }],
  });
  if (!(await store.ask((now) => [step(now.id)]))) return;
  typed.value = '';
  reason.value = '';
}

const ledger = shallowRef<Ledger | null>(null);
const ask = latest();
const isOpen = ref(false);
/** Read when somebody looks, and again when pieces moved. */
watch([isOpen, () => props.childId, total, held], async () => {
  if (!isOpen.value) return;
  try {
    await store.settled();
    await ask(
      () => call(api.stockLedger, { params: { id: store.family!.id, childId: props.childId } }),
      (found) => (ledger.value = found),
    );
  } catch (error) {
    tell(error);
  }
});
const placeName = (id: string) => places.value.find((one) => one.id === id)?.label ?? id;
const signed = (number: number) => (number > 0 ? `+${number}` : `−${Math.abs(number)}`);
const when = (at: string) => new Date(at).toLocaleString('en', { dateStyle: 'medium', timeStyle: 'short' });
</script>

<template>
  <BundleStock v-if="isSet" :child-id="childId" />
  <div v-else class="stock" data-test="child-stock">
    <div class="head">
      <span>Stock</span><strong>{{ total.toLocaleString('en') }} pieces</strong>
    </div>
    <div v-for="one in places" :key="one.id" class="place">
      <label :for="`stock-${one.id}`">{{ one.label }}</label>
      <Entry
        :id="`stock-${one.id}`"
        :value="String(held[one.id] ?? 0)"
        :aria-label="`Counted at ${one.label}`"
        :data-test="`count-${one.id}`"
        @commit="count(one.id, $event)"
      />
    </div>
    <form class="moving" @submit.prevent="move">
      <input v-model="typed" placeholder="pieces" aria-label="Pieces that came or went" data-test="move-pieces" />
      <select v-model="kind" aria-label="How" data-test="move-kind">
        <option v-for="(word, one) in KINDS" :key="one" :value="one">{{ word }}</option>
      </select>
      <select v-if="places.length > 1" v-model="place" aria-label="Where" data-test="move-place">
        <option v-for="one in places" :key="one.id" :value="one.id">{{ one.label }}</option>
      </select>
      <input v-model="reason" list="stock-reasons" placeholder="why" aria-label="Why" data-test="move-reason" />
      <datalist id="stock-reasons">
        <option v-for="one in REASONS[kind]" :key="one" :value="one" />
      </datalist>
      <ElButton native-type="submit" size="small" :disabled="typed.trim() === ''" data-test="move">Enter it</ElButton>
    </form>
    <details @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
      <summary data-test="ledger-open">How they came and went</summary>
      <p v-if="ledger && ledger.lines.length === 0" class="soft">Nothing was counted yet.</p>
      <ol v-if="ledger" data-test="ledger">
        <li v-for="line in ledger.lines" :key="line.id">
          <span class="figures">{{ signed(line.pieces) }}</span>
          <span
            >{{ line.kind }}<template v-if="places.length > 1">, {{ placeName(line.location) }}</template
            ><template v-if="line.reason">: {{ line.reason }}</template
            ><br /><span class="soft">{{ when(line.at) }}</span></span
          >
          <span class="figures soft">{{ line.after }}</span>
        </li>
      </ol>
      <p v-if="ledger?.more" class="soft">and older ones.</p>
    </details>
  </div>
</template>

<style scoped>
.stock {
  padding: 8px 12px;
  border-bottom: 1px solid var(--line-soft);
  display: flex;
  flex-direction: column;
  gap: 5px;
  font-size: 13px;
}
.head,
.place {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.place label {
  color: var(--ink-soft);
}
.place :deep(input) {
  width: 90px;
  text-align: right;
}
:deep(input),
select {
  font: inherit;
  color: inherit;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  padding: 2px 4px;
}
.moving {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.stock .moving input {
  width: 70px;
}
.stock .moving select {
  width: auto;
}
.stock .moving input[list] {
  width: 96px;
}
ol {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 46px 1fr 40px;
  gap: 6px;
  padding: 3px 0;
  border-top: 1px solid var(--line-soft);
  font-size: 12px;
}
.figures {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
</style>
