<script setup lang="ts">
/** Where chosen pictures go: a family, and in it all children, a value or a child; found by typing, taken with Enter. */
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue';
import { ElInput, ElOption, ElSelect } from 'element-plus';
import type { FamilySummary, PicturePlaces } from '@loom-kin/contract';
import { foldLabel } from '@loom-kin/core/family';
import { api, call, tell } from '../../api/api';
import { latest } from '../../api/latest';
import Dialog from '../../common/Dialog.vue';
import type { Target } from './useSettling';

const props = defineProps<{
  title: string;
  familyId: string;
  openFamily: (id: string) => Promise<PicturePlaces | undefined>;
}>();
const emit = defineEmits<{ choose: [target: Target]; close: [] }>();
const familyId = ref(props.familyId);
const found = ref<Pick<FamilySummary, 'id' | 'name' | 'styleCode'>[]>([]);
const places = ref<PicturePlaces>();
const typed = ref('');
const at = ref(0);
const search = useTemplateRef<InstanceType<typeof ElInput>>('search');

const ask = latest();
async function find(term = ''): Promise<void> {
  try {
    await ask(
      () => call(api.listFamilies, { query: { q: term, limit: 40 } }),
      ({ families }) => {
        const own = places.value;
        found.value = own && !families.some((one) => one.id === own.id) ? [own, ...families] : families;
      },
    );
  } catch (error) {
    tell(error);
  }
}
watch(
  familyId,
  async (id) => {
    places.value = id ? await props.openFamily(id) : undefined;
    at.value = 0;
    if (id) search.value?.focus();
  },
  { immediate: true },
);
onMounted(async () => {
  await find();
  if (familyId.value) search.value?.focus();
});
const shown = computed(() => {
  const words = foldLabel(typed.value).split(' ').filter(Boolean);
  const text = (one: PicturePlaces['places'][number]) => foldLabel(`${one.axis ?? ''} ${one.label}`);
  return (places.value?.places ?? []).filter((one) => words.every((word) => text(one).includes(word))).slice(0, 60);
});
watch(typed, () => (at.value = 0));
const choose = (number: number) => {
  const one = shown.value[number];
  if (one) emit('choose', { familyId: familyId.value, place: one.place });
};
function key(event: Event | KeyboardEvent): void {
  if (!(event instanceof KeyboardEvent)) return;
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  if (by !== undefined) {
    event.preventDefault();
    at.value = Math.min(shown.value.length - 1, Math.max(0, at.value + by));
  } else if (event.key === 'Enter') {
    event.preventDefault();
    choose(at.value);
  }
}
</script>

<template>
  <Dialog :model-value="true" :title="title" :width="420" @update:model-value="emit('close')">
    <div class="choose">
      <ElSelect
        v-model="familyId"
        filterable
        remote
        :remote-method="find"
        placeholder="Which family?"
        aria-label="Family"
        data-test="place-family"
      >
        <ElOption v-for="one in found" :key="one.id" :value="one.id" :label="`${one.name} (${one.styleCode})`" />
      </ElSelect>
      <ElInput
        ref="search"
        v-model="typed"
        placeholder="Type a value or child, Enter takes it"
        aria-label="Place"
        data-test="place-search"
        @keydown="key"
      />
      <div class="list" role="listbox" aria-label="Places">
        <button
          v-for="(one, number) in shown"
          :key="JSON.stringify(one.place)"
          class="plain"
          role="option"
          :aria-selected="number === at"
          :class="{ at: number === at }"
          @click="choose(number)"
        >
          <i v-if="one.swatch" class="swatch" :style="{ background: one.swatch }" />{{ one.label }}
          <span class="soft"
            >{{ one.axis ?? '' }}{{ one.pictures.length ? ` · ${one.pictures.length} there` : '' }}</span
          >
        </button>
        <p v-if="places && shown.length === 0" class="soft">Nothing there is called so.</p>
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
.choose {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.list {
  max-height: 320px;
  overflow: auto;
  display: flex;
  flex-direction: column;
}
.list button {
  padding: 4px 8px;
  display: flex;
  gap: 8px;
  align-items: center;
}
.list button .soft {
  margin-left: auto;
}
.list .at {
  background: var(--weld-pale);
}
.list button:hover {
  background: var(--woad-pale);
}
.swatch {
  width: 12px;
  height: 12px;
  border: 1px solid #0003;
}
</style>
