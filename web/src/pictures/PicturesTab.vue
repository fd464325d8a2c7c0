<script setup lang="ts">
/** Pictures on the family, on values, and on single children: which there are, what each account shows of them, what is amiss. */
import { computed, provide, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { storeToRefs } from 'pinia';
import { findingText } from '@loom-kin/core/descriptions';
import { EVERYWHERE, childLabels, placeKey, scopeName } from '@loom-kin/core/family';
import { childrenWithoutPicture, particularPictures } from '@loom-kin/core/pictures';
import type { Place } from '@loom-kin/core/place';
import { children } from '@loom-kin/core/text';
import { useRouter } from 'vue-router';
import { tell } from '../api/api';
import { isTyping, useKeys } from '../shell/keys';
import { useJobs } from '../stores/jobs';
import AccountShows from './AccountShows.vue';
import { bringFiles, droppedFiles, type Brought } from './bring/bringFiles';
import ChosenPictures from './ChosenPictures.vue';
import CombinationTrays from './CombinationTrays.vue';
import CoverageTable from './CoverageTable.vue';
import PictureEditor from './PictureEditor.vue';
import { OPENED, type CombinationPlace } from './usePicturePlaces';
import { usePlaced, type Standing } from './usePlaced';
import { useTiles } from './useTiles';
import { useFamily } from '../stores/family';
import ScopeSelect from '../common/ScopeSelect.vue';
import { scopeText } from '../common/scopes';
import { useSetup } from '../stores/setup';
import PictureTray from './PictureTray.vue';

const store = useFamily();
const chosenAxis = ref('');
const childrenShown = ref(false);
/** Places for options together that have no picture yet; they are forgotten with the page. */
const opened = shallowRef<CombinationPlace[]>([]);
provide(OPENED, opened);
const { scope } = storeToRefs(store);
const setup = useSetup();
/** Pictures differ from account to account, not from language to language. */
watch(
  scope,
  (one) => {
    if (scopeName(one).kind === 'language') scope.value = EVERYWHERE;
  },
  { immediate: true },
);
/** Whatever was gone to is shown. */
watch(
  () => store.selected,
  (place) => {
    if (place.level === 'value') chosenAxis.value = place.axisId;
    if (place.level === 'child') childrenShown.value = true;
    if (place.level === 'combination') opened.value = [...opened.value, place];
  },
  { immediate: true },
);

const axes = computed(() => store.family?.axes ?? []);
/** Colours carry the pictures as a rule; any other axis can be chosen. */
const axis = computed(
  () =>
    axes.value.find((one) => one.id === chosenAxis.value) ??
    axes.value.find((one) => one.role === 'colour' || one.role === 'pattern') ??
    axes.value[0],
);
const countOf = (valueId: string) =>
  store.index!.woven.filter((child) => Object.values(child.at).includes(valueId)).length;
const bare = computed(() => (store.family ? childrenWithoutPicture(store.family) : []));
const general = computed(() =>
  store.family ? store.index!.woven.filter((child) => particularPictures(store.family!, child).length === 0).length : 0,
);
/** What is amiss with a picture at a place, each thing once however many accounts say it. */
const flaws = computed(() => {
  const found = new Map<string, Set<string>>();
  for (const fit of Object.values(store.fits))
    for (const finding of fit.findings) {
      if (finding.key !== 'pictures' || finding.about === undefined) continue;
      const key = `${finding.about} ${placeKey(finding.place)}`;
      const texts = found.get(key) ?? new Set();
      found.set(key, texts.add(findingText(finding, store.family!)));
    }
  return found;
});
const flawsOf = (id: string, place: Place): string[] => [...(flaws.value.get(`${id} ${placeKey(place)}`) ?? [])];

const body = useTemplateRef<HTMLElement>('body');
const { chosen, press, go, meant, chooseAll, clear, keepFocus } = useTiles(() => body.value);
const { standings, remove, shift } = usePlaced();
const standing = (key: string): Standing[] => [standings.value.get(key) ?? []].flat();
const chosenOnes = computed(() => [...chosen.value].flatMap(standing));
const edited = ref<string | null>(null);
const takeAway = () =>
  keepFocus(() => {
    remove(meant().flatMap(standing));
    clear();
  });
function onKey(event: KeyboardEvent): void {
  if (isTyping(event)) return;
  const key = (event.target as HTMLElement).closest<HTMLElement>('[data-tile]')?.dataset.tile;
  if (key === undefined) return;
  const by = event.altKey ? { ArrowLeft: -1, ArrowRight: 1, Home: 'first' as const }[event.key] : undefined;
  if (by !== undefined) {
    event.preventDefault();
    shift(standing(key)[0]!, by);
  } else if (event.key === ' ') {
    event.preventDefault();
    press(key, event);
  } else if (event.key === 'Enter') {
    event.preventDefault();
    edited.value = standing(key)[0]?.id ?? null;
  } else go(event);
}
useKeys({
  Delete: () => void takeAway(),
  Escape: clear,
  'Ctrl+a': chooseAll,
});

const router = useRouter();
const jobs = useJobs();
const over = ref(false);
/** What is dropped beside the trays finds its own by its names. */
async function bring(files: readonly Brought[]): Promise<void> {
  if (files.length === 0) return;
  try {
    const job = await bringFiles(files, store.family!.id);
    jobs.put(job);
    await router.push({ name: 'settle', params: { id: job.id } });
  } catch (error) {
    tell(error);
  }
}
async function drop(event: DragEvent): Promise<void> {
  over.value = false;
  await bring(await droppedFiles(event.dataTransfer));
}

const ownOnes = computed(() => store.index!.woven.filter((child) => child.pictures.length > 0 || childrenShown.value));
</script>

<template>
  <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -->
  <div
    v-if="store.family"
    class="pictures"
    :class="{ over }"
    data-test="pictures"
    @dragover.prevent="over = true"
    @dragleave.self="over = false"
    @drop.prevent="drop"
  >
    <div ref="body" class="body" @keydown="onKey">
      <p v-if="bare.length" class="notice stops" data-test="without-picture">
        {{ children(bare.length) }} {{ bare.length === 1 ? 'has' : 'have' }} no picture:
        {{
          bare
            .slice(0, 6)
            .map((child) => childLabels(store.family!, child).join(' · '))
            .join(', ')
        }}{{ bare.length > 6 ? ' …' : '' }}
      </p>
      <p v-else-if="general" class="notice warns">
        {{ children(general) }} {{ general === 1 ? 'shows' : 'show' }} only the family's pictures: choosing them changes
        nothing for the buyer.
      </p>
      <p v-else class="notice soft">
        Every child has a picture. Drop a zip or a folder anywhere here: each picture finds its place by its name.
      </p>
      <div v-if="axis" class="sheet">
        <CoverageTable :axis="axis" />
      </div>
      <div class="sheet"><AccountShows /></div>
      <div class="sheet">
        <div class="axis first">
          <ScopeSelect v-model="scope" only="accounts" />
          <span v-if="scope !== EVERYWHERE" class="soft"
            >What is set here is shown {{ scopeText(setup.accounts, scope) }} alone; the rest stays as everywhere.</span
          >
        </div>
        <PictureTray
          :place="{ level: 'family' }"
          label="All children"
          note="shown after the children's own"
          :chosen="chosen"
          :flaws-of="flawsOf"
          @press="press"
          @open="edited = $event.id"
          @bring="bring"
        />
        <div v-if="axes.length > 1" class="axis soft">
          By
          <button
            v-for="one in axes"
            :key="one.id"
            class="link"
            :class="{ at: one.id === axis?.id }"
            @click="chosenAxis = one.id"
          >
            {{ one.label }}
          </button>
        </div>
        <template v-if="axis">
          <PictureTray
            v-for="value in axis.values"
            :key="value.id"
            :place="{ level: 'value', axisId: axis.id, valueId: value.id }"
            :label="value.label"
            :note="children(countOf(value.id))"
            :swatch="value.swatch"
            :chosen="chosen"
            :flaws-of="flawsOf"
            @press="press"
            @open="edited = $event.id"
            @bring="bring"
          />
        </template>
        <!-- With two axes any two options are a single child. -->
        <CombinationTrays
          v-if="axes.length > 2"
          :chosen="chosen"
          :flaws-of="flawsOf"
          @press="press"
          @open="edited = $event.id"
          @bring="bring"
        />
        <div class="axis soft">
          <label><input v-model="childrenShown" type="checkbox" /> Single children</label>
        </div>
        <PictureTray
          v-for="child in ownOnes"
          :key="child.id"
          :place="{ level: 'child', childId: child.id }"
          :label="childLabels(store.family, child).join(' · ')"
          note="this child alone"
          :chosen="chosen"
          :flaws-of="flawsOf"
          @press="press"
          @open="edited = $event.id"
          @bring="bring"
        />
      </div>
    </div>
    <ChosenPictures v-if="chosenOnes.length" :chosen="chosenOnes" @clear="clear" />
    <PictureEditor v-if="edited" :id="edited" @close="edited = null" />
  </div>
</template>

<style scoped>
.pictures {
  height: 100%;
  display: flex;
  flex-direction: column;
  padding: 10px 20px 12px;
  gap: 8px;
}
.pictures.over {
  outline: 2px dashed var(--weld);
  outline-offset: -4px;
}
.body {
  flex: 1;
  min-height: 0;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.body > * {
  flex: none;
}
.notice {
  padding: 2px 0;
}
.axis {
  padding: 8px 14px;
  border-top: 1px solid var(--line-soft);
  display: flex;
  gap: 10px;
  background: var(--ground);
}
.first {
  border-top: none;
  align-items: center;
}
.at {
  font-weight: 600;
  text-decoration: none;
  color: var(--ink);
}
</style>
