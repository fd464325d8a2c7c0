<script setup lang="ts">
/**
 * The weave: the family as cloth, drawn only where it is in view. Axes run along the side and the top, further ones as bands around them.
 * One tab stop; arrows walk crossings and heads. While weaving, a press takes crossings out or in; else it chooses them.
 */
import { computed, ref } from 'vue';
import { type Family, familyIndex } from '@loom-kin/core/family';
import type { FitState } from '@loom-kin/core/fit';
import type { Place } from '@loom-kin/core/place';
import WeaveHead from './WeaveHead.vue';
import WeaveCrossings from './WeaveCrossings.vue';
import { useSetup } from '../stores/setup';
import { clothOf, isSameCloth, ZOOMS, type Band, type Cloth, type Edges } from './cloth';
import type { Spot } from '../common/arrows';
import { tickWidth } from './tickImage';
import { useClothDrawing } from './useClothDrawing';
import { useCrossings, type CrossingFigure } from './useCrossings';
import { useWeaveMoves } from './useWeaveMoves';

const props = withDefaults(
  defineProps<{
    family: Family;
    weaving: boolean;
    states?: Record<string, Record<string, FitState>> | undefined;
    only?: string;
    selected?: Place;
    chosen?: ReadonlySet<string>;
    lit?: ReadonlySet<string>;
    /** Beside other things: crossings as narrow as their tick allows. */
    narrow?: boolean;
    zoom?: number;
    edges?: Edges | null;
    figure?: ((childId: string) => CrossingFigure) | null;
    name?: string;
  }>(),
  { zoom: 2, edges: null, figure: null, name: 'The weave', chosen: () => new Set<string>() },
);
const emit = defineEmits<{
  select: [place: Place];
  choose: [childIds: string[]];
  toggle: [crossings: Record<string, string>[], woven: boolean];
  hover: [childIds: string[]];
}>();

const WIDEST = 96;
const setup = useSetup();
const root = ref<HTMLElement>();
const pane = ref<HTMLElement>();
/** A figure that changes leaves the cloth as it is. */
const cloth = computed((before?: Cloth) =>
  before && isSameCloth(before, props.family, props.edges) ? before : clothOf(props.family, props.edges),
);
const zoom = computed(() => ZOOMS[props.zoom] ?? ZOOMS[2]);
const size = computed(() => {
  if (props.narrow) return { width: 34, height: 28 };
  const room = props.states ? tickWidth(props.only ? 1 : setup.accounts.length) + 12 : 0;
  return zoom.value.shows === 'worst'
    ? zoom.value
    : { ...zoom.value, width: Math.max(zoom.value.width, Math.min(room, WIDEST)) };
});
const drawing = useClothDrawing(root, cloth, size);
const { sideWidth, topHeight, tops, lefts, whole, rowsInView, columnsInView, topHeads, sideHeads, view } = drawing;
const crossings = useCrossings(
  () => props,
  () => cloth.value,
  () => zoom.value.shows === 'worst' && !props.narrow,
);
const childrenOf = (axisId: string, valueId: string) =>
  familyIndex(props.family)
    .woven.filter((child) => child.at[axisId] === valueId)
    .map((child) => child.id);
const moves = useWeaveMoves(cloth, {
  isWeaving: () => props.weaving,
  select: (place) => emit('select', place),
  choose: (childIds) => emit('choose', childIds),
  chosen: () => props.chosen,
  childrenOf,
  toggle: (all, woven) => emit('toggle', all, woven),
  show: drawing.show,
});

/** Lines go by their place: a change of structure says other things in the same elements, which is drawn twice as fast as new ones. */
const lines = computed(() =>
  rowsInView.value.map((y) => ({
    y,
    cells: columnsInView.value.map((x) => crossings.drawn(y, x)),
  })),
);

const uid = Math.random().toString(36).slice(2, 7);
const idOf = ({ x, y }: Spot) => `w${uid}-${y}-${x}`;
const active = moves.active;
function isActiveHead({ spot, band }: { spot: Spot; band: Band }): boolean {
  const { x, y } = active.value;
  return spot.y < 0 ? y === spot.y && x >= band.from && x <= band.to : x === spot.x && y >= band.from && y <= band.to;
}
const activeId = computed(() => {
  if (active.value.x >= 0 && active.value.y >= 0) return idOf(active.value);
  const head = [...topHeads.value, ...sideHeads.value].find(isActiveHead);
  return head && idOf(head.spot);
});
const isChosenHead = ({ band }: { band: Band }) =>
  props.selected?.level === 'value' && props.selected.valueId === band.value.id;

let dragFrom: Spot | null = null;
function spotOf(event: PointerEvent): Spot | null {
  const cell = (event.target as HTMLElement).closest<HTMLElement>('[data-x]');
  return cell ? { x: Number(cell.dataset.x), y: Number(cell.dataset.y) } : null;
}
function onDown(event: PointerEvent): void {
  const spot = event.button === 0 ? spotOf(event) : null;
  if (!spot) return;
  pane.value?.focus({ preventScroll: true });
  moves.press(spot, { extends: event.shiftKey, adds: event.ctrlKey || event.metaKey });
  dragFrom = !props.weaving && spot.x >= 0 && spot.y >= 0 ? spot : null;
  window.addEventListener('pointerup', () => (dragFrom = null), { once: true });
}
function onOver(event: PointerEvent): void {
  const spot = dragFrom && spotOf(event);
  if (dragFrom && spot && spot.x >= 0 && spot.y >= 0 && (spot.x !== dragFrom.x || spot.y !== dragFrom.y))
    moves.drag(spot);
}
const hoverBand = (band: Band | null) => emit('hover', band ? childrenOf(band.axis.id, band.value.id) : []);
</script>

<template>
  <div ref="root" class="weave-scroller" @scroll.passive="drawing.look">
    <div class="whole" :style="{ width: `${whole.width}px`, height: `${whole.height}px` }">
      <div
        ref="pane"
        class="weave"
        :class="[`z-${zoom.name.toLowerCase()}`, { weaving }]"
        role="grid"
        tabindex="0"
        :aria-label="name"
        aria-multiselectable="true"
        :aria-rowcount="cloth.rows.length + 1"
        :aria-colcount="cloth.columns.length + 1"
        :aria-activedescendant="activeId"
        data-test="weave"
        :style="{ '--height': `${size.height}px`, width: `${view.width}px`, height: `${view.height}px` }"
        @keydown="moves.onKey"
        @pointerdown="onDown"
        @pointerover="onOver"
      >
        <div class="top" role="row" aria-rowindex="1" :style="{ height: `${topHeight}px` }">
          <div class="corner" role="columnheader" aria-colindex="1" :style="{ width: `${sideWidth}px` }">
            {{ (cloth.sideAxes.length ? cloth.sideAxes : cloth.topAxes).map((axis) => axis.label).join(' × ') }}
          </div>
          <WeaveHead
            v-for="head in topHeads"
            :id="idOf(head.spot)"
            :key="`${head.spot.y}.${head.spot.x}`"
            :head="head"
            :is-active="isActiveHead(head)"
            :is-chosen="isChosenHead(head)"
            :style="head.style"
            @hover="hoverBand($event ? head.band : null)"
          />
        </div>
        <div
          class="lines"
          role="presentation"
          :style="{ top: `${topHeight}px`, transform: `translateY(${-view.top}px)` }"
        >
          <div
            v-for="line in lines"
            :key="line.y"
            class="line"
            role="row"
            :aria-rowindex="line.y + 2"
            :style="`top:${tops[line.y]!}px`"
          >
            <WeaveCrossings
              :cells="line.cells"
              :lefts="lefts"
              :side="sideWidth"
              :width="size.width"
              :tick-room="crossings.tickRoom.value"
              :active="active.y === line.y ? active.x : null"
              :id-of="idOf"
              :style="`transform:translateX(${-view.left}px)`"
            />
            <div class="sides" role="presentation" :style="{ width: `${sideWidth}px` }">
              <WeaveHead
                v-for="head in drawing.headsOfRow(line.y)"
                :id="idOf(head.spot)"
                :key="head.spot.x"
                :head="head"
                :is-active="isActiveHead(head)"
                :is-chosen="isChosenHead(head)"
                :style="{ ...head.style, top: `${tops[head.band.from]! - tops[line.y]!}px` }"
                @hover="hoverBand($event ? head.band : null)"
              />
            </div>
          </div>
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped src="./weave.css" />
