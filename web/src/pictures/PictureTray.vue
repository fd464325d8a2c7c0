<script setup lang="ts">
/** The pictures of one place: drop files on it, drag to reorder or to another place; the first is the main one. */
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import Sortable from 'sortablejs';
import { EVERYWHERE, figureIn, picturesAt, type Carrier, type Place, type SingleCommand } from '@loom-kin/core';
import { api, call, tell } from '../api';
import { trayId } from '../common/leadsTo';
import { commandScope, samePlace, scopesFor } from '../common/scopes';
import MovePicture from './MovePicture.vue';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';

const props = defineProps<{
  place: Place;
  label: string;
  note?: string;
  swatch?: string | undefined;
}>();
const store = useFamily();
const tray = ref<HTMLElement>();
const over = ref(false);
const busy = ref('');
const problems = ref<string[]>([]);
let sortable: Sortable | null = null;

const setup = useSetup();
const scopes = computed(() => scopesFor(setup.registry, setup.accounts, store.scope));
const pictures = computed(() => shownAt(props.place));
/** For an account: whether it has a choice of its own here. */
const isOwn = computed(
  () => store.scope !== EVERYWHERE && figureIn(carrierOf(props.place), store.scope, 'pictures') !== undefined,
);
const shown = computed(() => pictures.value.map((id) => ({ id, facts: store.pictures[id] })));
const setAt = (place: Place, wanted: readonly string[]): SingleCommand => ({
  do: 'setPictures',
  place,
  pictures: [...wanted],
  scope: commandScope(store.scope),
});
const set = (wanted: readonly string[]) => store.run(setAt(props.place, wanted));

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
  if (taken.length > 0) set([...pictures.value, ...taken]);
}
function onDrop(event: DragEvent): void {
  over.value = false;
  const files = [...(event.dataTransfer?.files ?? [])];
  if (files.length > 0) void addFiles(files);
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
      const same = event.to === event.from;
      event.item.remove();
      event.from.insertBefore(
        event.item,
        event.from.querySelectorAll('.picture')[event.oldDraggableIndex ?? 0] ?? null,
      );
      moveTo(id, same ? props.place : target, event.newDraggableIndex ?? 0);
    },
  });
}
/** Puts a picture at a place in some order, here or in another tray. */
function moveTo(id: string, target: Place, at: number): void {
  const put = (list: readonly string[]) => [...list.slice(0, at), id, ...list.slice(at)];
  const left = pictures.value.filter((one) => one !== id);
  if (samePlace(target, props.place)) return void set(put(left));
  const there = shownAt(target).filter((one) => one !== id);
  const commands = [setAt(props.place, left), setAt(target, put(there))];
  store.run({ do: 'batch', title: 'Move a picture', commands });
}
function carrierOf(place: Place): Carrier {
  const family = store.family!;
  if (place.level === 'family') return family;
  if (place.level === 'child') return family.children[place.childId]!;
  return store.index!.valueById.get(place.valueId)!;
}
/** What is shown at a place in the scope that is chosen. */
const shownAt = (place: Place) => picturesAt(carrierOf(place), scopes.value);
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
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="onDrop"
  >
    <div class="name">
      <i v-if="swatch" class="swatch" :style="{ background: swatch }" />{{ label }}<br /><span class="soft small">{{
        note
      }}</span>
      <button v-if="isOwn" class="link small" data-test="give-back" @click="set([])">as everywhere</button>
    </div>
    <div ref="tray" class="tray" :data-place="JSON.stringify(place)">
      <figure
        v-for="(one, at) in shown"
        :key="one.id"
        class="picture"
        :data-id="one.id"
        :title="
          one.facts
            ? `${one.facts.fileName}, ${one.facts.width} × ${one.facts.height} pixels${one.facts.whiteBackground ? ', on white' : ''}`
            : ''
        "
      >
        <img
          :src="`/pictures/${one.id}.small`"
          :alt="one.facts?.fileName ?? 'picture'"
          width="84"
          height="84"
          draggable="false"
        />
        <figcaption>
          <span v-if="at === 0" class="main">main</span>
          <button
            v-else
            class="plain"
            title="Make this the main picture"
            @click="set([one.id, ...pictures.filter((id) => id !== one.id)])"
          >
            first
          </button>
          <MovePicture
            :name="one.facts?.fileName ?? 'this picture'"
            :place="place"
            :at="at"
            :count="shown.length"
            @shift="(by) => moveTo(one.id, place, at + by)"
            @to="(target) => moveTo(one.id, target, shownAt(target).length)"
          />
          <button
            class="plain"
            :title="`Take ${one.facts?.fileName ?? 'this picture'} away from here`"
            @click="set(pictures.filter((id) => id !== one.id))"
          >
            ✕
          </button>
        </figcaption>
      </figure>
      <label class="add"
        ><input
          type="file"
          accept=".png,.jpg,.jpeg,.webp,.avif,.tif,.tiff,.gif"
          multiple
          class="visually-hidden"
          @change="choose"
        />{{ busy ? `Taking in ${busy}…` : shown.length ? '+' : 'Drop pictures here, or click' }}</label
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
  grid-template-columns: 170px 1fr;
  gap: 4px 12px;
  padding: 8px 14px;
  border-top: 1px solid var(--line-soft);
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
.swatch {
  display: inline-block;
  width: 12px;
  height: 12px;
  margin-right: 7px;
  border: 1px solid #0003;
}
.tray {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  min-height: 40px;
  align-items: stretch;
}
.picture {
  margin: 0;
  border: 1px solid var(--line);
  background: var(--sheet);
  cursor: grab;
}
.picture img {
  display: block;
  object-fit: contain;
}
figcaption {
  gap: 4px;
  display: flex;
  justify-content: space-between;
  font-size: 11px;
  padding: 1px 5px;
  border-top: 1px solid var(--line-soft);
  color: var(--ink-soft);
}
.main {
  color: var(--ink);
  font-weight: 600;
}
.add {
  border: 1px dashed var(--line);
  color: var(--ink-soft);
  display: grid;
  place-items: center;
  min-width: 84px;
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
