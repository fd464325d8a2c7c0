<script setup lang="ts">
/** The crossings of one row that are in view. Each is drawn anew only when it says something else. */
import type { Spot } from '../common/arrows';
import type { DrawnCrossing } from './useCrossings';

const props = defineProps<{
  cells: readonly DrawnCrossing[];
  /** Pixels: where each column begins, the room of the heads at the side, the width of a crossing and of its ticks. */
  lefts: readonly number[];
  side: number;
  width: number;
  tickRoom: number;
  /** The column that is walked to; null where it is in another row. */
  active: number | null;
  idOf: (spot: Spot) => string;
}>();

const imageStyle = ({ image, isPictured }: DrawnCrossing) =>
  `background-image:${image}${isPictured ? '' : `;width:${props.tickRoom + 6}px`}`;
</script>

<template>
  <div class="crossings" role="presentation">
    <div
      v-for="cell in cells"
      :id="idOf(cell.spot)"
      :key="cell.spot.x"
      v-memo="[cell.name, cell.classes, cell.image, lefts, side, width, active === cell.spot.x]"
      :class="active === cell.spot.x ? `${cell.classes} active` : cell.classes"
      role="gridcell"
      :aria-colindex="cell.spot.x + 2"
      :aria-selected="cell.isChosen"
      :aria-label="cell.name"
      :title="cell.name"
      :data-x="cell.spot.x"
      :data-y="cell.spot.y"
      data-test="crossing"
      :style="`left:${side + lefts[cell.spot.x]!}px;width:${width}px;--warp:${cell.warp};--weft:${cell.weft}`"
    >
      <b v-if="cell.image" class="ticks" :style="imageStyle(cell)" />
      <b v-else-if="cell.text" class="figure">{{ cell.text }}</b>
      <i v-if="cell.hasRing" class="ring" />
    </div>
  </div>
</template>

<style scoped src="./crossings.css" />
