<script setup lang="ts">
/** A picture cut, turned or put on white, and what is said of it: its angle, and the text in its stead in each language. */
import { computed, reactive, ref, useTemplateRef } from 'vue';
import { Cropper, type CropperResult } from 'vue-advanced-cropper';
import 'vue-advanced-cropper/dist/style.css';
import { ElButton } from 'element-plus';
import type { SingleCommand } from '@loom-kin/core/change';
import { placeLabel } from '@loom-kin/core/family';
import {
  ANGLES,
  ANGLE_LABELS,
  type Angle,
  angleOfPicture,
  placesOfPicture,
  proposedText,
} from '@loom-kin/core/pictures';
import { languageName } from '@loom-kin/core/text';
import { api, call, tell } from '../api/api';
import Dialog from '../common/Dialog.vue';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { fullPicture } from './pictureAddress';

const props = defineProps<{ id: string }>();
const emit = defineEmits<{ close: [] }>();
const store = useFamily();
const setup = useSetup();
const facts = computed(() => store.pictures[props.id]);
const family = computed(() => store.family!);
const cropper = useTemplateRef<InstanceType<typeof Cropper>>('cropper');
const busy = ref(false);

/** What is left of the picture as it lies now, in its pixels. */
const cut = reactive({ left: 0, top: 0, width: 0, height: 0 });
const size = reactive({ width: facts.value?.width ?? 1, height: facts.value?.height ?? 1 });
const turn = ref<0 | 90 | 180 | 270>(0);
const square = ref(false);
function changed({ coordinates, image }: CropperResult): void {
  Object.assign(cut, coordinates);
  Object.assign(size, { width: image.width, height: image.height });
}
const isCut = computed(() => cut.width > 0 && (cut.width < size.width - 1 || cut.height < size.height - 1));
function rotate(by: 90 | -90): void {
  turn.value = ((turn.value + by + 360) % 360) as 0 | 90 | 180 | 270;
  cropper.value?.rotate(by);
  cropper.value?.setCoordinates(({ imageSize }) => ({
    left: 0,
    top: 0,
    width: imageSize.width,
    height: imageSize.height,
  }));
}
const whole = () =>
  cropper.value?.setCoordinates(({ imageSize }) => ({
    left: 0,
    top: 0,
    width: imageSize.width,
    height: imageSize.height,
  }));
function setCut(key: 'left' | 'top' | 'width' | 'height', event: Event): void {
  // It holds at once, whether or not the frame has followed by the time somebody presses on.
  cut[key] = Number((event.target as HTMLInputElement).value);
  cropper.value?.setCoordinates({ ...cut });
}
const CUTS = [
  ['left', 'From the left'],
  ['top', 'From above'],
  ['width', 'Width'],
  ['height', 'Height'],
] as const;

const before = angleOfPicture(family.value, props.id, facts.value);
const angle = ref<Angle | ''>(before ?? '');
const written = (language: string) => family.value.pictureNotes?.[props.id]?.texts?.[language] ?? '';
const texts = reactive(Object.fromEntries(setup.registry.languages.map((language) => [language, written(language)])));
const places = computed(() =>
  placesOfPicture(family.value, props.id).map((place) =>
    place.level === 'family' ? 'all children' : placeLabel(family.value, place),
  ),
);

/** What is left in fractions of the sides; the frame may lie a hair beyond them. */
function share() {
  const within = (from: number, length: number, side: number) => {
    const start = Math.min(0.999, Math.max(0, from / side));
    return [start, Math.min(1 - start, length / side)] as const;
  };
  const [left, width] = within(cut.left, cut.width, size.width);
  const [top, height] = within(cut.top, cut.height, size.height);
  return { left, top, width, height };
}
/** What the dialog says of the picture, as far as it differs. */
function notes(): SingleCommand[] {
  const said = setup.registry.languages.flatMap((language) => {
    const text = texts[language]!.trim();
    return text === written(language) ? [] : [{ picture: props.id, text: { language, text: text || null } }];
  });
  const turned = angle.value === (before ?? '') ? [] : [{ picture: props.id, angle: angle.value || null }];
  const all = [...said, ...turned];
  return all.length > 0 ? [{ do: 'describePictures', notes: all }] : [];
}
async function keep(): Promise<void> {
  busy.value = true;
  try {
    const commands = notes();
    if (isCut.value || turn.value !== 0 || square.value) {
      const crop = isCut.value ? { crop: share() } : {};
      const made = await call(api.editPicture, {
        params: { id: props.id },
        body: { ...crop, turn: turn.value, square: square.value },
      });
      store.addFacts([made]);
      if (made.id !== props.id) commands.push({ do: 'replacePicture', from: props.id, to: made.id });
    }
    if (commands.length === 1) store.run(commands[0]!);
    else if (commands.length > 1) store.run({ do: 'batch', title: 'Change a picture', commands });
    emit('close');
  } catch (error) {
    tell(error);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <Dialog :model-value="true" :title="facts?.fileName ?? 'A picture'" :width="860" @update:model-value="emit('close')">
    <div class="editor" data-test="editor">
      <div class="left">
        <Cropper
          ref="cropper"
          class="cropper"
          :class="{ square }"
          :src="fullPicture(id)"
          aria-hidden="true"
          :check-orientation="false"
          :cross-origin="false"
          :default-size="({ imageSize }: { imageSize: { width: number; height: number } }) => imageSize"
          :transitions="false"
          @change="changed"
        />
        <div class="line">
          <ElButton size="small" data-test="turn-left" @click="rotate(-90)">Turn left</ElButton>
          <ElButton size="small" data-test="turn-right" @click="rotate(90)">Turn right</ElButton>
          <ElButton size="small" @click="whole">Whole picture</ElButton>
          <label><input v-model="square" type="checkbox" data-test="square" /> on a white square</label>
        </div>
        <div class="line numbers">
          <label v-for="[key, label] in CUTS" :key="key"
            >{{ label }}
            <input
              type="number"
              :value="Math.round(cut[key])"
              min="0"
              :max="Math.max(size.width, size.height)"
              :data-test="`cut-${key}`"
              @change="setCut(key, $event)"
          /></label>
          <span class="soft">pixels</span>
        </div>
      </div>
      <div class="right">
        <label class="field"
          >Angle
          <select v-model="angle" data-test="angle">
            <option value="">not said</option>
            <option v-for="one in ANGLES" :key="one" :value="one">{{ ANGLE_LABELS[one] }}</option>
          </select></label
        >
        <label v-for="language in setup.registry.languages" :key="language" class="field"
          >Text in its stead, in {{ languageName(language) }}
          <textarea
            v-model="texts[language]"
            rows="2"
            maxlength="500"
            :placeholder="proposedText(family, id, language, angle || null)"
            :data-test="`alt-${language}`"
          />
        </label>
        <p class="soft small">
          Read out to who cannot see the picture. Where nothing is written, what stands there in grey is said.
        </p>
        <p v-if="facts" class="soft small">
          {{ facts.width }} × {{ facts.height }} pixels{{ facts.whiteBackground ? ', on white' : '' }}. It stands on
          {{ places.join(', ') || 'no place for all' }}; what is made of it takes its place everywhere.
        </p>
        <div class="acts">
          <ElButton @click="emit('close')">Leave it</ElButton>
          <ElButton type="primary" :loading="busy" data-test="keep-picture" @click="keep">Keep</ElButton>
        </div>
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
.editor {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 18px;
}
.cropper {
  height: 380px;
  background: var(--line-soft);
}
.cropper :deep(.vue-advanced-cropper__background),
.cropper :deep(.vue-advanced-cropper__foreground) {
  background: var(--ink-soft);
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
  padding-top: 8px;
}
.numbers input {
  width: 68px;
  font: inherit;
  font-size: 13px;
  border: 1px solid var(--line);
  padding: 2px 4px;
}
.numbers label {
  font-size: 13px;
}
.right {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.field {
  display: flex;
  flex-direction: column;
  gap: 3px;
  font-size: 13px;
  color: var(--ink-soft);
}
.field select,
.field textarea {
  font: inherit;
  color: var(--ink);
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 4px 6px;
}
.field textarea::placeholder {
  color: #66707a;
}
.small {
  font-size: 12px;
}
.acts {
  display: flex;
  gap: 8px;
  justify-content: end;
  margin-top: auto;
}
</style>
