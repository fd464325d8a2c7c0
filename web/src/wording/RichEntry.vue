<script setup lang="ts">
/** The entry of a text with form: paragraphs, headings, lists, strong and stressed words. Left, it commits; Esc gives up. A text without any of it stays plain. */
import {
  nextTick,
  onBeforeUnmount,
  onMounted,
  ref,
  shallowRef,
  triggerRef,
  useAttrs,
  useTemplateRef,
  watch,
} from 'vue';
import { Editor } from '@tiptap/core';
import StarterKit from '@tiptap/starter-kit';
import { committedBy } from '../api/refusals';
import { cleanMarkup, markupOf, plainText } from '@loom-kin/core/wording';

const props = defineProps<{ id: string; value: string; placeholder: string; label: string }>();
const emit = defineEmits<{ commit: [text: string]; typing: [text: string] }>();
defineOptions({ inheritAttrs: false });

const NOT_WANTED = {
  blockquote: false,
  code: false,
  codeBlock: false,
  horizontalRule: false,
  link: false,
  strike: false,
  underline: false,
} as const;
let isTouched = false;
let isGone = false;
/** What names the entry, for those who look for it. */
const names = Object.fromEntries(Object.entries(useAttrs()).filter(([name]) => name.startsWith('data-'))) as Record<
  string,
  string
>;
const place = useTemplateRef<HTMLElement>('place');
const editor = shallowRef<Editor>();
const isEmpty = ref(props.value === '');
onMounted(() => {
  editor.value = new Editor({
    element: place.value!,
    extensions: [StarterKit.configure({ ...NOT_WANTED, heading: { levels: [3, 4] } })],
    content: markupOf(props.value),
    editorProps: {
      attributes: { id: props.id, role: 'textbox', 'aria-multiline': 'true', 'aria-label': props.label, ...names },
      handleKeyDown: (_view, event) => event.key === 'Escape' && giveUp(),
    },
    // The buttons say what holds where the cursor is.
    onTransaction: () => triggerRef(editor),
    onUpdate() {
      isTouched = true;
      isEmpty.value = editor.value!.isEmpty;
      emit('typing', text());
    },
    onBlur: commit,
  });
});
function show(held: string): void {
  editor.value?.commands.setContent(markupOf(held), { emitUpdate: false });
  isEmpty.value = held === '';
}
function giveUp(): true {
  isTouched = false;
  show(props.value);
  editor.value?.commands.blur();
  emit('typing', props.value);
  return true;
}
/** What was written; plain where it has no form. */
function text(): string {
  const clean = cleanMarkup(editor.value?.getHTML() ?? '');
  return /<(?:h3|h4|ul|ol|strong|em)>/.test(clean) ? clean : plainText(clean);
}
function commit(): void {
  if (!isTouched) return;
  isTouched = false;
  const written = text();
  const before = props.value;
  if (written === before) return;
  const onRefused = async (): Promise<void> => {
    await nextTick();
    if (isGone || isTouched || props.value !== before) return;
    // What was refused stays until it is put right or given up.
    isTouched = true;
    editor.value?.commands.setContent(markupOf(written), { emitUpdate: false });
  };
  committedBy(
    () => void onRefused(),
    () => emit('commit', written),
  );
}
onBeforeUnmount(() => {
  commit();
  isGone = true;
  editor.value?.destroy();
});
watch(
  () => props.value,
  (held) => {
    if (!isTouched) show(held);
  },
);

interface Act {
  name: string;
  sign: string;
  keys: string;
  isOn(): boolean;
  run(): void;
}
const chain = () => editor.value!.chain().focus();
const acts: Act[] = [
  {
    name: 'Strong',
    sign: 'S',
    keys: 'Ctrl B',
    isOn: () => editor.value?.isActive('bold') ?? false,
    run: () => chain().toggleBold().run(),
  },
  {
    name: 'Stressed',
    sign: 'E',
    keys: 'Ctrl I',
    isOn: () => editor.value?.isActive('italic') ?? false,
    run: () => chain().toggleItalic().run(),
  },
  {
    name: 'Heading',
    sign: 'Heading',
    keys: 'Ctrl Alt 3',
    isOn: () => editor.value?.isActive('heading') ?? false,
    run: () => chain().toggleHeading({ level: 3 }).run(),
  },
  {
    name: 'List of points',
    sign: '• Points',
    keys: 'Ctrl Shift 8',
    isOn: () => editor.value?.isActive('bulletList') ?? false,
    run: () => chain().toggleBulletList().run(),
  },
  {
    name: 'Numbered list',
    sign: '1. Steps',
    keys: 'Ctrl Shift 7',
    isOn: () => editor.value?.isActive('orderedList') ?? false,
    run: () => chain().toggleOrderedList().run(),
  },
];
</script>

<template>
  <div class="rich" :class="{ empty: isEmpty }">
    <div class="acts" role="toolbar" :aria-label="`Form of ${label}`">
      <button
        v-for="act in acts"
        :key="act.name"
        type="button"
        :title="`${act.name} (${act.keys})`"
        :aria-pressed="act.isOn()"
        :aria-label="act.name"
        @mousedown.prevent
        @click="act.run()"
      >
        <component :is="act.name === 'Strong' ? 'strong' : act.name === 'Stressed' ? 'em' : 'span'">{{
          act.sign
        }}</component>
      </button>
    </div>
    <div ref="place" class="text" :data-placeholder="placeholder" />
  </div>
</template>

<style scoped>
.rich {
  border: 1px solid var(--line);
  background: var(--sheet);
}
.acts {
  display: flex;
  border-bottom: 1px solid var(--line-soft);
}
.acts button {
  font: inherit;
  font-size: 12.5px;
  border: 0;
  background: none;
  color: inherit;
  padding: 2px 9px;
  cursor: pointer;
}
.acts [aria-pressed='true'] {
  background: var(--weld-pale);
}
.text {
  position: relative;
}
.text :deep(.tiptap) {
  padding: 4px 10px;
  min-height: 92px;
  max-height: 340px;
  overflow: auto;
  outline: none;
}
.rich:focus-within {
  outline: 2px solid var(--woad);
  outline-offset: -1px;
}
.text :deep(p) {
  margin: 0 0 0.5em;
}
.text :deep(ul),
.text :deep(ol) {
  margin: 0 0 0.5em;
  padding-left: 22px;
}
.text :deep(li p) {
  margin: 0;
}
.text :deep(h3),
.text :deep(h4) {
  color: var(--ink);
  margin: 0.3em 0;
}
.empty .text::before {
  content: attr(data-placeholder);
  position: absolute;
  left: 10px;
  top: 4px;
  color: #66707a;
  pointer-events: none;
}
</style>
