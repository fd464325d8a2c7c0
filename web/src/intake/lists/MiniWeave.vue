<script setup lang="ts">
/** A family as it will be, small: a square for each crossing that exists, further axes as numbers in the squares. */
import { computed } from 'vue';
import type { ListFamilyView } from '@loom-kin/contract';

const props = defineProps<{ family: ListFamilyView }>();
const MOST = { down: 7, along: 12 };

const axes = computed(() => {
  const sorted = [...props.family.axes].sort((a, b) => b.values.length - a.values.length);
  const [along, down] = sorted.length > 1 ? [sorted[0]!, sorted[1]!] : [sorted[0], undefined];
  return { along, down };
});
const along = computed(() => axes.value.along?.values.slice(0, MOST.along) ?? []);
const down = computed(() => axes.value.down?.values.slice(0, MOST.down) ?? ['']);
const counts = computed(() => {
  const counted = new Map<string, number>();
  for (const { at } of props.family.children) {
    const key = `${axes.value.down ? at[axes.value.down.label] : ''}|${axes.value.along ? at[axes.value.along.label] : ''}`;
    counted.set(key, (counted.get(key) ?? 0) + 1);
  }
  return counted;
});
const more = computed(() => ({
  along: (axes.value.along?.values.length ?? 0) - along.value.length,
  down: (axes.value.down?.values.length ?? 0) - (axes.value.down ? down.value.length : 0),
}));
const short = (label: string) => (label.length > 13 ? `${label.slice(0, 12)}…` : label);
</script>

<template>
  <table v-if="axes.along" class="mini" :aria-label="`${family.name}: ${family.children.length} children`">
    <thead>
      <tr>
        <th v-if="axes.down" />
        <th v-for="value in along" :key="value" scope="col" :title="value">{{ short(value) }}</th>
        <th v-if="more.along > 0" class="soft">+{{ more.along }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="value in down" :key="value">
        <th v-if="axes.down" scope="row" :title="value">{{ short(value) }}</th>
        <td v-for="other in along" :key="other">
          <span v-if="counts.get(`${value}|${other}`)" class="there"
            ><template v-if="counts.get(`${value}|${other}`)! > 1">{{ counts.get(`${value}|${other}`) }}</template
            ><span v-else class="visually-hidden">there</span></span
          ><span v-else class="off"><span class="visually-hidden">not there</span></span>
        </td>
      </tr>
    </tbody>
    <caption v-if="more.down > 0" class="soft">
      and
      {{
        more.down
      }}
      more
    </caption>
  </table>
</template>

<style scoped>
.mini {
  border-collapse: separate;
  border-spacing: 2px;
  font-size: 11px;
  line-height: 1.1;
}
.mini th {
  font-weight: 400;
  color: var(--ink-soft);
  padding: 0 3px;
  text-align: center;
  white-space: nowrap;
}
.mini tbody th {
  text-align: right;
}
.mini td {
  padding: 0;
  text-align: center;
}
.there,
.off {
  display: inline-grid;
  place-items: center;
  width: 17px;
  height: 13px;
}
.there {
  background: var(--woad-pale);
  border-top: 2px solid var(--woad);
  font-size: 10px;
}
.off {
  border-top: 1px dashed var(--line);
}
.mini caption {
  caption-side: bottom;
  text-align: left;
  padding-left: 3px;
}
</style>
