<script setup lang="ts">
/** A question about some pictures: yes, another place, or left out, by key or press. */
import { computed } from 'vue';
import { ElButton } from 'element-plus';
import { placeKey } from '@loom-kin/core/family';
import type { PicturePlaces } from '@loom-kin/contract';
import { smallPicture } from '../pictureAddress';
import type { Question, Target } from './useSettling';

const props = defineProps<{ question: Question; family: PicturePlaces | undefined; number: number }>();
const emit = defineEmits<{ answer: [target: Target]; other: []; leave: [] }>();
const isProposed = (one: PicturePlaces['places'][number]) =>
  props.question.proposed !== null && placeKey(one.place) === placeKey(props.question.proposed.place);
/** The first values, each a key; what is proposed leads by Enter. */
const values = computed(() => {
  const places = (props.family?.places ?? []).filter((one) => one.place.level !== 'child');
  // Those of one axis: that of the proposal, else the one that has colours, else the first.
  const axis = (places.find(isProposed) ?? places.find((one) => one.swatch) ?? places[1])?.axis;
  return places.filter((one) => one.axis === axis || one.axis === null).slice(0, 9);
});
const reasons = computed(() =>
  [...new Set(props.question.arrivals.flatMap((one) => one.match?.why ?? []))].slice(0, 4),
);
const answer = (at: number) => {
  const one = values.value[at];
  if (one) emit('answer', { familyId: props.question.familyId, place: one.place });
};
function key(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.key === 'Enter' && props.question.proposed && event.target === event.currentTarget)
    emit('answer', props.question.proposed);
  else if (/^[1-9]$/.test(event.key)) answer(Number(event.key) - 1);
  else if (event.key === 'm') emit('other');
  else if (event.key === 'x' || event.key === 'Delete') emit('leave');
  else return;
  event.preventDefault();
  event.stopPropagation();
}
</script>

<template>
  <div
    class="card"
    tabindex="0"
    :data-question="number"
    :aria-label="`${question.asks} ${question.arrivals.length} pictures`"
    data-test="question"
    @keydown="key"
  >
    <div class="thumbs">
      <img
        v-for="one in question.arrivals.slice(0, 10)"
        :key="one.at"
        :src="smallPicture(one.picture!.id)"
        :title="one.path"
        :alt="one.path"
        width="56"
        height="56"
        loading="lazy"
      />
      <span v-if="question.arrivals.length > 10" class="soft">and {{ question.arrivals.length - 10 }} more</span>
    </div>
    <div class="words">
      <div>
        <strong class="asks">{{ question.asks }}</strong>
        <span class="soft">
          {{ family?.name }} ·
          {{
            question.arrivals.length === 1
              ? question.arrivals[0]!.path.split('/').at(-1)
              : `${question.arrivals.length} pictures`
          }}</span
        >
      </div>
      <div class="soft small">{{ reasons.join(' · ') }}</div>
      <div class="answers">
        <ElButton
          v-if="question.proposed"
          type="primary"
          size="small"
          data-test="yes"
          @click="emit('answer', question.proposed)"
          >Yes <kbd>↵</kbd></ElButton
        >
        <button
          v-for="(one, at) in values"
          :key="JSON.stringify(one.place)"
          class="value"
          :class="{ proposed: isProposed(one) }"
          @click="answer(at)"
        >
          <kbd>{{ at + 1 }}</kbd><i v-if="one.swatch" class="swatch" :style="{ background: one.swatch }" />{{
            one.label
          }}
        </button>
        <button class="link" @click="emit('other')">elsewhere… <kbd>M</kbd></button>
        <button class="link" @click="emit('leave')">leave out <kbd>X</kbd></button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.card {
  display: flex;
  gap: 14px;
  padding: 8px 14px;
  border-top: 1px solid var(--line-soft);
}
.card:focus-visible,
.card:focus-within {
  background: var(--weld-pale);
}
.thumbs {
  display: flex;
  flex-wrap: wrap;
  gap: 3px;
  width: 240px;
  align-content: start;
  align-items: center;
}
.thumbs img {
  object-fit: contain;
  border: 1px solid var(--line-soft);
  background: var(--sheet);
}
.words {
  flex: 1;
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.asks {
  margin-right: 8px;
}
.answers :deep(.el-button kbd) {
  background: none;
  border-color: #fff8;
  margin-left: 4px;
}
.small {
  font-size: 12px;
}
.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.value {
  font: inherit;
  font-size: 13px;
  display: inline-flex;
  gap: 5px;
  align-items: center;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 2px 8px 2px 4px;
  cursor: pointer;
}
.value:hover {
  border-color: var(--woad);
}
.proposed {
  border-color: var(--ink);
}
.swatch {
  width: 11px;
  height: 11px;
  border: 1px solid #0003;
}
</style>
