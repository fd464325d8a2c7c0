<script setup lang="ts">
import { computed } from 'vue';
import { ElDialog } from 'element-plus';
import { useRoute } from 'vue-router';

const shown = defineModel<boolean>({ required: true });
const route = useRoute();

const EVERYWHERE: [string, string][] = [
  ['Ctrl K', 'find families, SKUs, GTINs, actions'],
  ['?', 'these keys'],
  ['Esc', 'close, or leave a cell'],
];
const IN_FAMILY: [string, string][] = [
  ['Ctrl Z', 'take the last change back'],
  ['Ctrl Y', 'make it again'],
];
const BY_VIEW: Record<string, [string, string][]> = {
  families: [
    ['↑ ↓', 'walk the families'],
    ['Enter', 'open the family'],
    ['/', 'to the search'],
    ['N', 'start a family'],
  ],
  family: [
    ['W', 'switch between looking and weaving'],
    ['← ↑ → ↓', 'walk the crossings, or the cells'],
    ['Space', 'take the crossing out, or weave it (while weaving)'],
    ['Enter', 'edit the cell; again: take it and go down'],
    ['Tab', 'take it and go right'],
    ['Shift ← ↑ → ↓', 'select a range'],
    ['Ctrl A', 'select all'],
    ['Ctrl C  X  V', 'copy, cut and paste ranges, also from and to a spreadsheet'],
    ['Ctrl D', 'fill down'],
    ['Del', 'give figures back'],
  ],
  fit: [
    ['J  K', 'walk the findings'],
    ['Enter', 'apply the remedy'],
    ['Shift Enter', 'apply it to all alike'],
    ['G', 'go to the place'],
  ],
};
const keys = computed(() => [
  ...(BY_VIEW[String(route.name)] ?? []),
  ...(route.path.startsWith('/families/k') ? IN_FAMILY : []),
  ...EVERYWHERE,
]);
</script>

<template>
  <ElDialog v-model="shown" title="Keys of this view" width="440px">
    <table class="lines">
      <tbody>
        <tr v-for="[key, what] in keys" :key="key">
          <td style="white-space: nowrap">
            <kbd>{{ key }}</kbd>
          </td>
          <td>{{ what }}</td>
        </tr>
      </tbody>
    </table>
  </ElDialog>
</template>
