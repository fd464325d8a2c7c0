<script setup lang="ts">
/** A form made from a JSON Schema: an entry for each part, rows for lists, named rows for records. */
import { computed } from 'vue';
import { emptyOf, kindOf, placeLabel, realOf, type Schema } from './schema';
import Entry from '../common/Entry.vue';

const props = defineProps<{
  schema: Schema;
  value: unknown;
  /** The place, as problems name it: `rules.axes.atMost`. */
  place: string;
  /** Places with something wrong. */
  wrong: ReadonlySet<string>;
  depth?: number;
}>();
const emit = defineEmits<{ change: [value: unknown] }>();

const kind = computed(() => kindOf(props.schema));
const real = computed(() => realOf(props.schema));
const record = computed(() => (props.value ?? {}) as Record<string, unknown>);
const rows = computed(() => (props.value ?? []) as unknown[]);
const depth = computed(() => props.depth ?? 0);
const child = (key: string | number) => (props.place ? `${props.place}.${key}` : String(key));
function putKey(key: string, value: unknown): void {
  const { [key]: _before, ...others } = record.value;
  emit('change', value === undefined ? others : { ...record.value, [key]: value });
}
const putRow = (at: number, value: unknown) =>
  emit(
    'change',
    rows.value.map((one, n) => (n === at ? value : one)),
  );
function removeRow(at: number): void {
  const left = rows.value.filter((_, n) => n !== at);
  // A list that may be nothing is nothing again, and not a list of nothing, which would allow nothing.
  emit('change', left.length === 0 && real.value !== props.schema ? undefined : left);
}
const text = (event: Event) => (event.target as HTMLInputElement).value;
function typeNumber(typed: string): void {
  const number = Number(typed.trim());
  emit('change', typed.trim() === '' || Number.isNaN(number) ? undefined : number);
}
const keysLeft = computed(() => (real.value.propertyNames?.enum ?? []).filter((key) => !(key in record.value)));
function addKey(event: Event): void {
  const key = text(event).trim();
  if (key && !(key in record.value)) putKey(key, emptyOf(real.value.additionalProperties as Schema));
  (event.target as HTMLInputElement).value = '';
}
const isWrong = computed(() => props.wrong.has(props.place));
</script>

<template>
  <label v-if="kind === 'yesno'" class="one">
    <input
      type="checkbox"
      :checked="value === true"
      :aria-label="place"
      @change="emit('change', ($event.target as HTMLInputElement).checked)"
    />
  </label>
  <select
    v-else-if="kind === 'choice'"
    :value="value ?? ''"
    :aria-label="place"
    :class="{ isWrong }"
    @change="emit('change', text($event) || undefined)"
  >
    <option value="">—</option>
    <option v-for="one in real.enum ?? [real.const]" :key="String(one)" :value="one">{{ one }}</option>
  </select>
  <Entry
    v-else-if="kind === 'number'"
    :value="String(value ?? '')"
    class="short"
    :class="{ isWrong }"
    :aria-label="place"
    @commit="typeNumber"
  />
  <Entry
    v-else-if="kind === 'text'"
    :value="String(value ?? '')"
    :class="{ isWrong }"
    :aria-label="place"
    @commit="emit('change', $event.trim() || undefined)"
  />
  <Entry
    v-else-if="kind === 'words'"
    :value="rows.join(', ')"
    :class="{ isWrong }"
    placeholder="one, another"
    :aria-label="place"
    @commit="emit('change', $event.trim() ? $event.split(/\s*,\s*/).filter(Boolean) : undefined)"
  />
  <div v-else-if="kind === 'object'" class="object" :class="{ deep: depth > 0 }">
    <div v-for="(part, key) in real.properties" :key="key" class="line" :class="`is-${kindOf(part)}`">
      <span class="name" :title="part.description" :class="{ wrongName: wrong.has(child(key)) }">{{
        placeLabel(String(key))
      }}</span>
      <SchemaForm
        :schema="part"
        :value="record[key]"
        :place="child(key)"
        :wrong="wrong"
        :depth="depth + 1"
        @change="putKey(String(key), $event)"
      />
    </div>
  </div>
  <div v-else-if="kind === 'rows'" class="rows">
    <details
      v-for="(row, at) in rows"
      :key="at"
      :open="rows.length < 3 || [...wrong].some((one) => one.startsWith(child(at)))"
    >
      <summary>
        {{ at + 1 }}.
        {{
          (row as { label?: string; name?: string; key?: string; percent?: string })?.label ??
          (row as { name?: string })?.name ??
          (Array.isArray(row) ? row.join(', ') : '')
        }}
      </summary>
      <button class="link away" @click="removeRow(at)">take away</button>
      <SchemaForm
        :schema="real.items!"
        :value="row"
        :place="child(at)"
        :wrong="wrong"
        :depth="depth + 1"
        @change="putRow(at, $event)"
      />
    </details>
    <button class="link" @click="emit('change', [...rows, emptyOf(real.items!)])">add one</button>
  </div>
  <div v-else-if="kind === 'record'" class="rows">
    <details v-for="(part, key) in record" :key="key" open>
      <summary>{{ key }}</summary>
      <button class="link away" @click="putKey(String(key), undefined)">take away</button>
      <SchemaForm
        :schema="real.additionalProperties as Schema"
        :value="part"
        :place="child(key)"
        :wrong="wrong"
        :depth="depth + 1"
        @change="putKey(String(key), $event)"
      />
    </details>
    <select v-if="keysLeft.length" :aria-label="`Add to ${place}`" @change="addKey">
      <option value="">add…</option>
      <option v-for="key in keysLeft" :key="key" :value="key">{{ key }}</option>
    </select>
    <input
      v-else-if="!real.propertyNames?.enum"
      placeholder="add, by name"
      :aria-label="`Add to ${place}`"
      @change="addKey"
    />
  </div>
  <span v-else class="soft">in the JSON beside</span>
</template>

<style scoped>
.object {
  display: flex;
  flex-direction: column;
  gap: 3px;
}
.deep {
  border-left: 1px solid var(--line);
  padding-left: 10px;
}
.line {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
}
.line.is-object,
.line.is-rows,
.line.is-record {
  display: block;
  margin-top: 4px;
}
.name {
  font-size: 12.5px;
  color: var(--ink-soft);
}
.line.is-object > .name,
.line.is-rows > .name,
.line.is-record > .name {
  color: var(--ink);
  font-weight: 600;
}
.wrongName,
.isWrong {
  color: var(--stops) !important;
  border-color: var(--stops) !important;
}
:deep(input:not([type='checkbox'])),
select,
input:not([type='checkbox']) {
  font: inherit;
  font-size: 13px;
  color: inherit;
  height: 25px;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 1px 6px;
  width: 100%;
  max-width: 320px;
}
.short,
:deep(.short) {
  max-width: 110px;
}
summary {
  cursor: pointer;
  font-size: 12.5px;
  padding: 2px 0;
}
.away {
  font-size: 12px;
  margin: 0 0 4px 12px;
}
</style>
