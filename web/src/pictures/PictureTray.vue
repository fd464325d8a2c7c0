<script setup lang="ts">
/** The pictures of one place: drop files on it, drag to reorder or to another place; the first is the main one. */
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import Sortable from 'sortablejs';
import type { Place } from '@loom-kin/core/place';
import { api, call, tell } from '../api/api';
import { trayId } from '../common/leadsTo';
import Swatch from '../common/Swatch.vue';
import { useFamily } from '../stores/family';
import PictureTile from './PictureTile.vue';
import { droppedFiles, type Brought } from './bring/bringFiles';
import { standingKey, usePlaced, type Standing } from './usePlaced';

const props = defineProps<{
  place: Place;
  label: string;
  note?: string;
  swatch?: string | undefined;
  chosen: ReadonlySet<string>;
  flawsOf: (id: string, place: Place) => readonly string[];
}>();
const emit = defineEmits<{
  press: [key: string, event: MouseEvent];
  open: [standing: Standing];
  /** Archives and folders: what is in them may belong elsewhere. */
  bring: [files: Brought[]];
}>();
const store = useFamily();
const { shownAt, isOwnAt, set, move, remove, shift, standings } = usePlaced();
const tray = ref<HTMLElement>();
const over = ref(false);
const busy = ref('');
const problems = ref<string[]>([]);
let sortable: Sortable | null = null;
const pictures = computed(() => shownAt(props.place));
const isOwn = computed(() => isOwnAt(props.place));

async function addFiles(files: readonly File[]): Promise<void> {
  const taken: string[] = [];
  problems.value = [];
  for (const [at, file] of files.entries()) {
    busy.value = `${at + 1} of ${files.length}`;
    try {
      const form = new FormData();
      form.append('files', file);
      for (const one of await call(api.addPictures, { form })) {
        if (one.picture) {
          store.addFacts([one.picture]);
          taken.push(one.picture.id);
        } else problems.value.push(one.problem!);
      }
    } catch (error) {
      tell(error);
    }
  }
  busy.value = '';
  if (taken.length > 0) set(props.place, [...pictures.value, ...taken]);
}
async function onDrop(event: DragEvent): Promise<void> {
  over.value = false;
  const files = await droppedFiles(event.dataTransfer);
  if (files.some(({ path }) => path.includes('/') || /\.zip$/i.test(path))) emit('bring', files);
  else if (files.length > 0) await addFiles(files.map((one) => one.file));
}
/** The order on screen is Vue's: what the library moved is put back, and the new order goes in as a command. */
function build(): void {
  sortable?.destroy();
  sortable = Sortable.create(tray.value!, {
    group: 'pictures',
    draggable: '.picture',
    animation: matchMedia('(prefers-reduced-motion: reduce)').matches ? 0 : 120,
    onEnd: (event) => {
      const id = event.item.dataset.id!;
      const target = JSON.parse((event.to as HTMLElement).dataset.place!) as Place;
      event.item.remove();
      event.from.insertBefore(
        event.item,
        event.from.querySelectorAll('.picture')[event.oldDraggableIndex ?? 0] ?? null,
      );
      // One of those that are chosen takes the others along.
      const one = { place: props.place, id };
      const all = props.chosen.has(standingKey(one))
        ? [...props.chosen].flatMap((key) => standings.value.get(key) ?? [])
        : [one];
      move(all, target, event.newDraggableIndex ?? 0);
    },
  });
}
onMounted(build);
onBeforeUnmount(() => sortable?.destroy());
watch(pictures, () => void nextTick(build));
const choose = (event: Event) => {
  const input = event.target as HTMLInputElement;
  void addFiles([...(input.files ?? [])]);
  input.value = '';
};
</script>

<template>
  <div
    :id="trayId(place)"
    class="place"
    :class="{ over }"
    :data-test="`tray-${label}`"
    @dragover.prevent.stop="over = true"
    @dragleave="over = false"
    @drop.prevent.stop="onDrop"
  >
    <div class="name">
      <Swatch v-if="swatch" :colour="swatch" />{{ label }}<br /><span class="soft small">{{ note }}</span>
      <button v-if="isOwn" class="link small" data-test="give-back" @click="set(place, [])">as everywhere</button>
    </div>
    <div ref="tray" class="tray" :data-place="JSON.stringify(place)">
      <PictureTile
        v-for="(id, at) in pictures"
        :id="id"
        :key="id"
        :place="place"
        :at="at"
        :count="pictures.length"
        :is-chosen="chosen.has(standingKey({ place, id }))"
        :flaws="flawsOf(id, place)"
        @press="(event) => emit('press', standingKey({ place, id }), event)"
        @open="emit('open', { place, id })"
        @shift="(by) => shift({ place, id }, by)"
        @to="(target) => move([{ place, id }], target)"
        @remove="remove([{ place, id }])"
      />
      <label class="add"
        ><input
          type="file"
          accept=".png,.jpg,.jpeg,.webp,.avif,.tif,.tiff,.gif"
          multiple
          class="visually-hidden"
          @change="choose"
        />{{ busy ? `Taking in ${busy}…` : pictures.length ? '+' : 'Drop pictures here, or click' }}</label
      >
    </div>
    <ul v-if="problems.length" class="stops small">
      <li v-for="problem in problems" :key="problem">{{ problem }}</li>
    </ul>
  </div>
</template>

<style scoped>
.place {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 4px 12px;
  padding: 8px 14px;
  border-top: 1px solid var(--line-soft);
  /* What is out of sight costs nothing, however many pictures a family has. */
  content-visibility: auto;
  contain-intrinsic-size: auto 124px;
}
.place.over {
  background: var(--weld-pale);
  outline: 2px dashed var(--weld);
  outline-offset: -2px;
}
.name {
  font-weight: 500;
}
.name .link {
  display: block;
}
.small {
  font-size: 12px;
  font-weight: 400;
}
.tray {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  min-height: 40px;
  align-items: stretch;
}
.add {
  border: 1px dashed var(--line);
  color: var(--ink-soft);
  display: grid;
  place-items: center;
  min-width: 64px;
  padding: 4px 14px;
  cursor: pointer;
  font-size: 13px;
}
.add:hover,
.add:focus-within {
  border-color: var(--weld);
  background: var(--weld-pale);
}
ul {
  grid-column: 2;
  margin: 0;
  padding-left: 16px;
}
</style>
