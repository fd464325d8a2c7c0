<script setup lang="ts">
/** From a price to what is left of it, drawn step by step. The price can be dragged, or moved with the arrow keys. */
import { computed, ref } from 'vue';
import { scaleLinear } from 'd3';
import { WATERFALL_STEPS, type Waterfall, showAmount } from '@loom-kin/core/money';

const props = defineProps<{
  waterfall: Waterfall;
  currency: string;
  /** The price as it is: the drawing has room for somewhat more than it. */
  standing: string;
  commissionPercent: string;
}>();
const emit = defineEmits<{ drag: [price: number]; step: [by: 1 | -1] }>();

const WIDTH = 560;
const ROW = 30;
const ROOM = 1.5;

const NAMES = {
  tax: 'Tax',
  commission: 'Commission',
  payment: 'Payment fee',
  listingFee: 'Share of listing fees',
  shipping: 'Shipping',
  cost: 'Cost',
} as const;

const scale = computed(() => {
  const { left, price } = props.waterfall;
  const most = Math.max(Number(props.standing), 1) * ROOM;
  return scaleLinear([Math.min(0, left.toNumber()), Math.max(most, price.toNumber())], [0, WIDTH]);
});
interface Bar {
  key: string;
  name: string;
  amount: string;
  from: number;
  to: number;
}
const bars = computed((): Bar[] => {
  const { price, left, taxPercent } = props.waterfall;
  const shown = (amount: Waterfall['left']) =>
    amount.lt(0)
      ? `−${showAmount(amount.abs().toFixed(), props.currency)}`
      : showAmount(amount.toFixed(), props.currency);
  const all: Bar[] = [{ key: 'price', name: 'Price', amount: shown(price), from: 0, to: price.toNumber() }];
  let rest = price;
  for (const step of WATERFALL_STEPS) {
    const off = props.waterfall[step];
    if (off.eq(0) && step !== 'tax' && step !== 'cost') continue;
    const name =
      step === 'tax'
        ? `Tax, ${taxPercent} %`
        : step === 'commission'
          ? `Commission, ${props.commissionPercent} %`
          : NAMES[step];
    all.push({
      key: step,
      name,
      amount: off.eq(0) ? 'none' : `−${shown(off)}`,
      from: rest.minus(off).toNumber(),
      to: rest.toNumber(),
    });
    rest = rest.minus(off);
  }
  all.push({ key: 'left', name: left.lt(0) ? 'Lost' : 'Left', amount: shown(left), from: 0, to: left.toNumber() });
  return all;
});
const height = computed(() => bars.value.length * ROW);
const x = (amount: number) => scale.value(amount);
const priceAt = computed(() => x(props.waterfall.price.toNumber()));

const svg = ref<SVGSVGElement>();
let isDragging = false;
function take(event: PointerEvent): void {
  isDragging = true;
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
}
function move(event: PointerEvent): void {
  if (!isDragging) return;
  const box = svg.value!.getBoundingClientRect();
  emit('drag', Math.max(0, scale.value.invert(((event.clientX - box.left) / box.width) * WIDTH)));
}
const STEPS: Record<string, 1 | -1> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 };
function press(event: KeyboardEvent): void {
  const by = STEPS[event.key];
  if (!by) return;
  event.preventDefault();
  emit('step', by);
}
</script>

<template>
  <div class="waterfall" data-test="waterfall">
    <ol>
      <li v-for="bar in bars" :key="bar.key" :class="{ ends: bar.key === 'price' || bar.key === 'left' }">
        <span>{{ bar.name }}</span><span
          class="number"
          :class="{ stops: bar.key === 'left' && bar.to < 0 }"
          :data-test="`step-${bar.key}`"
          >{{ bar.amount }}</span
        >
      </li>
    </ol>
    <svg ref="svg" :viewBox="`0 0 ${WIDTH} ${height}`" preserveAspectRatio="none" :style="{ height: `${height}px` }">
      <line class="zero" :x1="x(0)" :x2="x(0)" y1="0" :y2="height" />
      <g v-for="(bar, at) in bars" :key="bar.key">
        <line
          v-if="at < bars.length - 1"
          class="drop"
          :x1="x(bar.key === 'price' ? bar.to : bar.from)"
          :x2="x(bar.key === 'price' ? bar.to : bar.from)"
          :y1="at * ROW + ROW - 6"
          :y2="(at + 1) * ROW + 6"
        />
        <rect
          :class="[bar.key, { lost: bar.to < bar.from }]"
          :x="x(Math.min(bar.from, bar.to))"
          :y="at * ROW + 6"
          :width="Math.max(1, Math.abs(x(bar.to) - x(bar.from)))"
          :height="ROW - 12"
        />
      </g>
      <rect
        class="handle"
        :x="priceAt - 5"
        y="2"
        width="10"
        :height="ROW - 4"
        tabindex="0"
        role="slider"
        aria-label="The price: drag it, or use the arrow keys"
        :aria-valuenow="waterfall.price.toNumber()"
        aria-valuemin="0"
        :aria-valuetext="showAmount(waterfall.price.toFixed(), currency)"
        data-test="price-handle"
        @pointerdown="take"
        @pointermove="move"
        @pointerup="isDragging = false"
        @keydown="press"
      />
    </svg>
  </div>
</template>

<style scoped>
.waterfall {
  display: grid;
  grid-template-columns: 270px minmax(0, 1fr);
  gap: 14px;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  height: 30px;
  display: flex;
  justify-content: space-between;
  align-items: center;
  border-bottom: 1px solid var(--line-soft);
}
.ends {
  font-weight: 600;
}
svg {
  width: 100%;
  display: block;
}
rect {
  fill: var(--ink-soft);
  opacity: 0.55;
}
.price,
.handle {
  fill: var(--woad);
  opacity: 1;
}
.tax {
  fill: var(--warns);
}
.cost {
  fill: var(--ink);
}
.left {
  fill: var(--fits);
  opacity: 1;
}
.lost {
  fill: var(--stops);
}
.handle {
  fill: var(--weld);
  cursor: ew-resize;
  touch-action: none;
}
.handle:focus-visible {
  outline: 2px solid var(--woad);
}
.zero {
  stroke: var(--line);
}
.drop {
  stroke: var(--ink-soft);
  stroke-dasharray: 2 2;
}
</style>
