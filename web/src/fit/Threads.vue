<script setup lang="ts">
/**
 * How axes become a channel's axes, drawn as threads from the family's values to the listing's options: side by side
 * carried, twisted together joined, fanning apart split, knotted at the edge pinned, cut short left out. A hovered
 * thread lights its children.
 */
import { computed, onMounted, ref, watch } from 'vue';
import { select } from 'd3';
import type { Family } from '@loom-kin/core/family';
import type { Plan } from '@loom-kin/core/fit';
import { threadDrawing, WIDTH, type Mark, type Thread } from './threadDrawing';

const props = defineProps<{ family: Family; plan: Plan; channelName: string }>();
const emit = defineEmits<{ hover: [childIds: string[]] }>();

/** Lists that are shown whole. */
const unfolded = ref<ReadonlySet<string>>(new Set());
const drawing = computed(() => threadDrawing(props.family, props.plan, unfolded.value));
function turn(key: string): void {
  const next = new Set(unfolded.value);
  if (!next.delete(key)) next.add(key);
  unfolded.value = next;
}

/** A touch of ink in every colour, so that chalk is seen on the sheet. */
const inked = (colour: string) => `color-mix(in oklab, ${colour} 82%, var(--ink))`;

const svg = ref<SVGSVGElement>();
/** Lights up the children of a thread, and dims all others. */
function light(childIds: string[]): void {
  emit('hover', childIds);
  const lit = new Set(childIds);
  select(svg.value!)
    .selectAll<SVGPathElement, Thread>('path.thread')
    .classed('dim', (thread) => lit.size > 0 && !thread.childIds.some((id) => lit.has(id)));
}

/** The thread that is walked to with the arrows; null while nobody walks. */
const walked = ref<number | null>(null);
const walkedText = computed(() => {
  const thread = walked.value === null ? undefined : drawing.value.threads[walked.value];
  return thread?.title ?? '';
});
function walk(event: KeyboardEvent): void {
  const step = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
  const { threads } = drawing.value;
  if (event.key === 'Escape') leave();
  if (!step || threads.length === 0) return;
  event.preventDefault();
  walked.value = walked.value === null ? 0 : (walked.value + step + threads.length) % threads.length;
  light(threads[walked.value]!.childIds);
}
function leave(): void {
  walked.value = null;
  light([]);
}
function draw(): void {
  const { threads, marks, knots, height } = drawing.value;
  const root = select(svg.value!).attr('viewBox', `0 0 ${WIDTH} ${height}`);
  root
    .select('.threads')
    .selectAll<SVGPathElement, Thread>('path')
    .data(threads, (thread) => thread.key)
    .join('path')
    .attr('class', (thread) => `thread${thread.dashed ? ' cut' : ''}`)
    .attr('d', (thread) => thread.d)
    .style('stroke', (thread) => inked(thread.colour))
    .on('mouseenter', (_event, thread) => light(thread.childIds))
    .on('mouseleave', () => light([]))
    .selectAll('title')
    .data((thread) => [thread.title])
    .join('title')
    .text((title) => title);
  root
    .select('.knots')
    .selectAll<SVGCircleElement, (typeof knots)[number]>('circle')
    .data(knots, (knot) => knot.key)
    .join('circle')
    .attr('cx', (knot) => knot.x)
    .attr('cy', (knot) => knot.y)
    .attr('r', 4)
    .attr('fill', 'var(--sheet)')
    .style('stroke', (knot) => inked(knot.colour))
    .attr('stroke-width', 3);
  root
    .select('.marks')
    .selectAll<SVGTextElement, Mark>('text')
    .data(marks, (mark) => mark.key)
    .join('text')
    .attr('x', (mark) => mark.x)
    .attr('y', (mark) => mark.y + 4)
    .attr('text-anchor', (mark) => mark.anchor)
    .attr('class', (mark) => mark.kind)
    .text((mark) => mark.text)
    .on('mouseenter', (_event, mark) => light(mark.childIds))
    .on('mouseleave', () => light([]))
    .on('click', (_event, mark) => mark.kind === 'fold' && turn(mark.key.slice(1)))
    .selectAll('title')
    .data((mark) => (mark.title === undefined ? [] : [mark.title]))
    .join('title')
    .text((title) => title);
}
onMounted(draw);
watch(drawing, draw);
</script>

<template>
  <div
    class="walk"
    role="group"
    tabindex="0"
    aria-label="Threads of the plan: walk them with the arrows"
    data-test="threads"
    @keydown="walk"
    @blur="leave"
  >
    <svg ref="svg" class="drawing" role="img" :aria-label="`How the axes go onto ${channelName}`">
      <g class="threads" />
      <g class="knots" />
      <g class="marks" />
    </svg>
    <p v-if="drawing.foldable.length" class="folds">
      <button
        v-for="one in drawing.foldable"
        :key="one.key"
        class="link"
        data-test="unfold-threads"
        :aria-expanded="unfolded.has(one.key)"
        @click="turn(one.key)"
      >
        {{ one.label }}: {{ unfolded.has(one.key) ? 'fold' : `all ${one.values}` }}
      </button>
    </p>
    <p class="soft told" role="status">{{ walkedText }}</p>
  </div>
</template>

<style>
.walk .told {
  min-height: 18px;
  font-size: 12px;
}
.drawing {
  display: block;
  width: 100%;
  max-width: 640px;
  height: auto;
}
.drawing .thread {
  fill: none;
  stroke-width: 2.4;
  stroke-linecap: round;
  opacity: 0.85;
}
.drawing .thread:hover {
  stroke-width: 4;
  opacity: 1;
}
.drawing .thread.dim {
  opacity: 0.13;
}
.drawing .thread.cut {
  stroke-dasharray: 4 5;
}
.drawing text {
  font: 12px var(--face);
  fill: var(--ink);
  cursor: default;
}
.drawing text.axis {
  font-weight: 600;
  fill: var(--ink-soft);
}
.walk .folds {
  display: flex;
  gap: 16px;
  font-size: 12px;
}
.drawing text.fold {
  fill: var(--woad);
  text-decoration: underline;
  cursor: pointer;
}
.drawing text.note {
  fill: var(--ink-soft);
  font-style: italic;
}
</style>
