<script setup lang="ts">
/** One field of the words' page: its entry, what is said of it while it is typed, and what each account asks of it. */
import { computed, ref, watch } from 'vue';
import { wordingHintText } from '@loom-kin/core/descriptions';
import { type Carrier, EVERYWHERE, type Figure, type Scope } from '@loom-kin/core/family';
import { type Field, showFigure } from '@loom-kin/core/registry';
import { count, listed } from '@loom-kin/core/text';
import { plainText, wordingHints } from '@loom-kin/core/wording';
import type { SaidElsewhere } from '@loom-kin/contract';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import FieldEntry from '../common/FieldEntry.vue';
import OtherScopes from '../common/OtherScopes.vue';
import RichEntry from './RichEntry.vue';

export interface Asked {
  account: string;
  name: string;
  need: string;
  atLeast: number | undefined;
  atMost: number | undefined;
  stops: boolean;
  /** The account has a figure of its own: what is written here does not go there. */
  hasOwn: boolean;
}

const props = defineProps<{
  field: Field;
  carrier: Carrier;
  figure: Figure | undefined;
  /** What holds where nothing is written here. */
  inherited: string;
  /** The text in the seller's first language, where another is written. */
  original: string;
  asked: readonly Asked[];
  /** What of it other families say word for word. */
  elsewhere: SaidElsewhere;
  draft: string;
}>();
const emit = defineEmits<{ typed: [text: string] }>();
const scope = defineModel<Scope>('scope', { required: true });
const store = useFamily();
const setup = useSetup();

/** What is half typed; null while nothing is. */
const half = ref<string | null>(null);
watch(
  () => [props.figure, scope.value],
  () => (half.value = null),
);
function typed(text: string): void {
  half.value = null;
  emit('typed', text);
}
const held = computed(() => showFigure(setup.registry, props.field, props.figure));
const text = computed(() => plainText(half.value ?? held.value));
const isText = computed(() => props.field.type === 'text' || props.field.type === 'longtext');
/** As channels count: characters of a text, entries of a list. */
const size = computed(() =>
  props.field.type === 'list' ? text.value.split('\n').filter((one) => one.trim() !== '').length : text.value.length,
);
const counted = computed(() => {
  if (props.field.type === 'list') return `${size.value} ${size.value === 1 ? 'entry' : 'entries'}`;
  return isText.value ? `${size.value} characters` : '';
});
const isWriting = computed(() => half.value !== null || props.figure !== undefined);
function fault({ atLeast, atMost, hasOwn }: Asked): string {
  if (hasOwn || !isWriting.value || size.value === 0 || !(isText.value || props.field.type === 'list')) return '';
  if (atMost !== undefined && size.value > atMost) return `${size.value - atMost} too many`;
  return atLeast !== undefined && size.value < atLeast ? `${atLeast - size.value} too few` : '';
}
const bounds = ({ atLeast, atMost }: Asked) =>
  [atLeast !== undefined && `${atLeast} at least`, atMost !== undefined && `${atMost} at most`]
    .filter(Boolean)
    .join(', ');

const labels = computed(() => store.family!.axes.flatMap((axis) => axis.values.map((value) => value.label)));
const hints = computed(() =>
  props.field.group === 'wording' || props.field.key === 'name'
    ? wordingHints(text.value, { isName: props.field.key === 'name', labels: labels.value })
    : [],
);
</script>

<template>
  <div class="field">
    <label :for="`w-${field.key}`">{{ field.label }}</label>
    <div>
      <p v-if="original" class="original soft" :data-test="`original-${field.key}`">{{ original }}</p>
      <RichEntry
        v-if="field.markup"
        :id="`w-${field.key}`"
        :value="held"
        :placeholder="plainText(inherited)"
        :label="field.label"
        :data-test="`word-${field.key}`"
        @typing="half = $event"
        @commit="typed"
      />
      <FieldEntry
        v-else
        :id="`w-${field.key}`"
        :draft="draft"
        :field="field"
        :figure="figure"
        :inherited="inherited"
        :data-test="`word-${field.key}`"
        @typing="half = $event"
        @commit="typed"
      />
      <p v-for="hint in hints" :key="hint.code" class="warns small" :data-test="`hint-${hint.code}`">
        {{ wordingHintText(hint) }}
      </p>
      <p v-for="one in elsewhere" :key="one.sentence" class="warns small" data-test="said-elsewhere">
        "{{ one.sentence }}" stands in {{ count(one.families, 'other family', 'other families') }}, too:
        {{ listed(one.names) }}.
      </p>
      <span class="soft small">
        {{ [counted, field.unit, field.help].filter(Boolean).join(' · ') }}
        <button
          v-if="scope !== EVERYWHERE && figure !== undefined"
          class="link"
          :data-test="`back-${field.key}`"
          @click="typed('')"
        >
          as everywhere again
        </button>
        <OtherScopes v-model="scope" :field="field" :carrier="carrier" />
      </span>
    </div>
    <ul class="asked">
      <li v-for="one in asked" :key="one.account" :class="{ stops: one.stops || fault(one) }">
        {{ one.name }}: {{ one.need }}<template v-if="bounds(one)">, {{ bounds(one) }}</template
        ><template v-if="one.hasOwn">: has its own</template
        ><template v-else-if="fault(one)">: {{ fault(one) }}</template>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  grid-template-columns: 150px minmax(0, 620px) minmax(220px, 1fr);
  gap: 14px;
  padding: 7px 0;
  border-top: 1px solid var(--line-soft);
  margin-top: 7px;
  align-items: start;
}
label {
  color: var(--ink-soft);
  padding-top: 4px;
}
.original {
  font-size: 13px;
  white-space: pre-line;
  border-left: 3px solid var(--line);
  padding-left: 8px;
  margin-bottom: 4px;
}
.field :deep(input),
.field :deep(textarea),
.field :deep(select) {
  font: inherit;
  color: inherit;
  width: 100%;
  border: 1px solid var(--line);
  padding: 4px 8px;
  border-radius: 2px;
  background: var(--sheet);
  resize: vertical;
}
.field :deep(input:focus),
.field :deep(textarea:focus) {
  outline: 2px solid var(--woad);
  outline-offset: -1px;
}
.small {
  font-size: 12px;
}
.small :deep(.link) {
  margin-right: 10px;
}
.asked {
  margin: 0;
  padding: 4px 0 0;
  list-style: none;
  font-size: 12px;
  color: var(--ink-soft);
}
.asked .stops {
  font-weight: 600;
}
</style>
