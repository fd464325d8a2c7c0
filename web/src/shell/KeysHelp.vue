<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import Dialog from '../common/Dialog.vue';
import { GLOSSARY, WORD_LABELS } from '../common/glossary';

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
  board: [
    ['↑ ↓  Page', 'walk the families'],
    ['Enter', 'open the family'],
    ['X', 'tick the family'],
    ['/', 'to the search'],
  ],
  channels: [
    ['J  K', 'among pairings: walk the values'],
    ['Enter', 'take the value that is proposed'],
    ['Shift Enter', 'take all that are likely'],
  ],
  family: [
    ['W', 'switch between looking and weaving'],
    ['← ↑ → ↓', 'walk the crossings and their heads, or the cells'],
    ['Space', 'choose the crossing; while weaving, take it out or weave it'],
    ['Shift ← ↑ → ↓', 'choose a range; Shift Space a row, Ctrl Space a column, Ctrl A all'],
    ['Home  End  Page', 'to the ends, with Ctrl to the corners; Ctrl ← ↑ → ↓ to where figures end'],
    ['Enter, F2', 'edit the cell; Enter again takes it and goes down, Tab takes it and goes right'],
    ['Ctrl Enter', 'take it into all that are selected'],
    ['+4  -10 %  *1.1  =240+4', 'small sums, from what is there or by themselves'],
    ['~90  +5 % ~90', 'in a price: to the nearest that ends so'],
    ['Ctrl D, Ctrl R', 'fill down, fill right'],
    ['Ctrl C  X  V', 'copy, cut and paste, also from and to a spreadsheet'],
    ['Ctrl F, Ctrl H', 'find, and replace'],
    ['Alt ↓', 'the menu of the column: sort, filter, hide, keep in view'],
    ['Del', 'give figures back'],
    ['Esc, then Tab', 'out of a cell, out of the grid'],
  ],
  pictures: [
    ['← ↑ → ↓', 'walk the pictures'],
    ['Space', 'choose a picture; Shift all between, Ctrl A all'],
    ['Alt ← →, Alt Home', 'earlier, later, to the front'],
    ['Enter', 'cut, turn or describe it'],
    ['Del', 'take it away from here'],
  ],
  intake: [['Ctrl V', 'read the cells that were copied']],
  list: [
    ['J  K', 'walk the families'],
    ['M', 'put the chosen ones together'],
    ['Del', 'leave the chosen ones out'],
    ['Ctrl Z, Ctrl Y', 'take the last step back, make it again'],
  ],
  settle: [
    ['J  K', 'walk the questions'],
    ['Enter', 'yes'],
    ['1 … 9', 'it is this option'],
    ['M', 'to another place'],
    ['X', 'leave out'],
    ['⌫', 'as it was proposed'],
    ['← ↑ → ↓, Space', 'walk the pictures, choose'],
    ['Ctrl Z', 'take the last answer back'],
    ['Ctrl Enter', 'put them in place'],
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
  <Dialog v-model="shown" title="Keys of this view, and words" :width="520">
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
    <h3 class="words">Words</h3>
    <dl data-test="words">
      <template v-for="(label, word) in WORD_LABELS" :key="word">
        <dt>{{ label }}</dt>
        <dd>{{ GLOSSARY[word] }}</dd>
      </template>
    </dl>
  </Dialog>
</template>

<style scoped>
.words {
  margin: 14px 0 6px;
}
dl {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 4px 12px;
  margin: 0;
  font-size: 13px;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
  color: var(--ink-soft);
}
</style>
