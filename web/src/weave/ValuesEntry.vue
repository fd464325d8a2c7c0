<script setup lang="ts">
/** Values typed or pasted as a list, with what the dictionary knows proposed for the one that is being typed. */
import { computed, onMounted, ref } from 'vue';
import { ElAutocomplete } from 'element-plus';
import { type Role, foldLabel } from '@loom-kin/core/family';
import { type DictionaryEntry, suggestWords } from '@loom-kin/core/registry';
import { useSetup } from '../stores/setup';
import { splitList } from './draftValues';

const text = defineModel<string>({ required: true });
/** `taken` are labels that stand on the axis already. */
const props = withDefaults(defineProps<{ role: Role; taken?: readonly string[] }>(), { taken: () => [] });
/** Enter where nothing of what is proposed is chosen: what was typed is meant. */
const emit = defineEmits<{ enter: [] }>();
defineOptions({ inheritAttrs: false });
const setup = useSetup();

interface Proposal {
  /** The whole text with the proposal in the place of what is being typed. */
  value: string;
  entry: DictionaryEntry;
}
/** The library names a list and an entry of it that are not in the page before it is opened. */
const root = ref<{ inputRef?: { input?: HTMLInputElement } }>();
onMounted(() => {
  for (const name of ['aria-controls', 'aria-activedescendant']) root.value?.inputRef?.input?.removeAttribute(name);
});
defineExpose({ focus: () => root.value?.inputRef?.input?.focus() });
const used = computed(() => new Set([...props.taken, ...splitList(text.value)].map(foldLabel)));

function propose(typed: string, show: (proposals: Proposal[]) => void): void {
  const begin = /[,;\t\n]?[^,;\t\n]*$/.exec(typed)!;
  const before = typed.slice(0, begin.index) + begin[0].slice(0, /^[,;\t\n]/.test(begin[0]) ? 1 : 0);
  const last = typed.slice(before.length).trim();
  const entries = suggestWords(setup.registry, props.role, last, 20);
  const fresh = entries.filter(
    (entry) => foldLabel(entry.label) === foldLabel(last) || !used.value.has(foldLabel(entry.label)),
  );
  // What is written out in full needs no proposal.
  const isWhole = fresh.length === 1 && foldLabel(fresh[0]!.label) === foldLabel(last);
  const space = before === '' ? '' : ' ';
  show(isWhole ? [] : fresh.slice(0, 8).map((entry) => ({ value: `${before}${space}${entry.label}, `, entry })));
}
</script>

<template>
  <ElAutocomplete
    ref="root"
    v-model="text"
    v-bind="$attrs"
    :fetch-suggestions="(typed, show) => propose(typed, show as (proposals: Proposal[]) => void)"
    :debounce="0"
    select-when-unmatched
    @select="(chosen) => 'entry' in chosen || emit('enter')"
    placement="bottom-start"
    fit-input-width
  >
    <template #default="{ item }">
      <span class="proposal">
        <i v-if="item.entry.swatch" class="swatch" :style="{ background: item.entry.swatch }" />
        <span class="grow">{{ item.entry.label }}</span>
        <span v-if="item.entry.system" class="soft">{{ item.entry.system }}</span>
        <span class="soft mono">{{ item.entry.code }}</span>
      </span>
    </template>
  </ElAutocomplete>
</template>

<style scoped>
.proposal {
  display: flex;
  gap: 8px;
  align-items: center;
  font-size: 13px;
}
.swatch {
  width: 12px;
  height: 12px;
  border: 1px solid #0002;
}
.grow {
  flex: 1;
}
</style>
