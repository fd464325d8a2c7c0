<script setup lang="ts">
/** What can be done with the pictures that are chosen: to another place, to several, away, on white, said of all. */
import { computed, ref } from 'vue';
import { ElButton } from 'element-plus';
import type { SingleCommand } from '@loom-kin/core/change';
import { ANGLES, ANGLE_LABELS, type Angle } from '@loom-kin/core/pictures';
import type { Place } from '@loom-kin/core/place';
import { api, call, tell } from '../api/api';
import PopupButton from '../common/PopupButton.vue';
import { useFamily } from '../stores/family';
import { usePicturePlaces } from './usePicturePlaces';
import { usePlaced, type Standing } from './usePlaced';

const props = defineProps<{ chosen: readonly Standing[] }>();
const emit = defineEmits<{ clear: [] }>();
const store = useFamily();
const { move, copy, remove, run } = usePlaced();
const busy = ref(false);
const targets = ref<string[]>([]);
const { places } = usePicturePlaces();
const ids = computed(() => [...new Set(props.chosen.map((one) => one.id))]);
function moveTo(place: Place, close: () => void): void {
  close();
  move(props.chosen, place);
  emit('clear');
}
function copyTo(close: () => void): void {
  close();
  copy(
    props.chosen,
    places.value.filter((one) => targets.value.includes(one.key)).map((one) => one.place),
  );
  targets.value = [];
}
function takeAway(): void {
  remove(props.chosen);
  emit('clear');
}
/** Each of them made anew, and put where it stood, as one change. */
async function edit(how: { turn?: 90 | 270; square?: boolean }, title: string): Promise<void> {
  busy.value = true;
  try {
    const commands: SingleCommand[] = [];
    for (const id of ids.value) {
      const made = await call(api.editPicture, { params: { id }, body: how });
      store.addFacts([made]);
      if (made.id !== id) commands.push({ do: 'replacePicture', from: id, to: made.id });
    }
    run(title, commands);
    emit('clear');
  } catch (error) {
    tell(error);
  } finally {
    busy.value = false;
  }
}
function say(event: Event): void {
  const angle = (event.target as HTMLSelectElement).value as Angle | '';
  (event.target as HTMLSelectElement).selectedIndex = 0;
  if (angle) store.run({ do: 'describePictures', notes: ids.value.map((picture) => ({ picture, angle })) });
}
</script>

<template>
  <div class="sheet chosen" role="toolbar" aria-label="Chosen pictures" data-test="chosen-pictures">
    <strong>{{ chosen.length === 1 ? '1 picture' : `${chosen.length} pictures` }} chosen</strong>
    <PopupButton name="Move to" :width="220" data-test="move-to">
      <template #label>Move to…</template>
      <template #default="{ close }">
        <div class="ways">
          <button v-for="one in places" :key="one.key" class="plain" @click="moveTo(one.place, close)">
            <i v-if="one.swatch" class="swatch" :style="{ background: one.swatch }" />{{ one.label }}
          </button>
        </div>
      </template>
    </PopupButton>
    <PopupButton name="Copy to" :width="220" data-test="copy-to">
      <template #label>Copy to…</template>
      <template #default="{ close }">
        <form class="ways" @submit.prevent="copyTo(close)">
          <label v-for="one in places" :key="one.key"
            ><input v-model="targets" type="checkbox" :value="one.key" />
            <i v-if="one.swatch" class="swatch" :style="{ background: one.swatch }" />{{ one.label }}</label
          >
          <ElButton
            native-type="submit"
            type="primary"
            size="small"
            :disabled="targets.length === 0"
            data-test="copy-now"
            >Copy to {{ targets.length || '' }}</ElButton
          >
        </form>
      </template>
    </PopupButton>
    <ElButton size="small" data-test="take-away" @click="takeAway">Take away</ElButton>
    <ElButton size="small" :loading="busy" @click="edit({ square: true }, 'Put pictures on white squares')"
      >On white squares</ElButton
    >
    <ElButton size="small" :disabled="busy" @click="edit({ turn: 90 }, 'Turn pictures')">Turn right</ElButton>
    <select aria-label="Angle of all of them" @change="say">
      <option value="">Angle…</option>
      <option v-for="one in ANGLES" :key="one" :value="one">{{ ANGLE_LABELS[one] }}</option>
    </select>
    <button class="link" @click="emit('clear')">none</button>
  </div>
</template>

<style scoped>
.chosen {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 6px 14px;
  border-color: var(--weld);
}
.ways {
  display: flex;
  flex-direction: column;
  max-height: 320px;
  overflow: auto;
}
.ways > button,
.ways > label {
  padding: 3px 4px;
}
.ways > button:hover {
  background: var(--weld-pale);
}
.swatch {
  display: inline-block;
  width: 11px;
  height: 11px;
  margin-right: 6px;
  border: 1px solid #0003;
}
select {
  font: inherit;
  font-size: 13px;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 2px;
}
</style>
