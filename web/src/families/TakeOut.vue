<script setup lang="ts">
/** The catalogue, or the families that are ticked, as a file. */
import { takeOut } from '../common/takeOut';
import PopupButton from '../common/PopupButton.vue';

const props = defineProps<{ ticked: readonly string[] }>();
const FILES = [
  ['xlsx', 'XLSX', 'to fill in: what channels want is marked, closed lists are offered'],
  ['csv', 'CSV', 'the same columns'],
  ['json', 'JSON', 'families whole, with levels and shelf'],
  ['jsonld', 'JSON-LD', 'as schema.org has products with variants'],
  ['package', 'Data Package', 'tables with their description, and the pictures'],
] as const;
const take = (kind: (typeof FILES)[number][0]) =>
  void takeOut({ kind, ...(props.ticked.length > 0 ? { families: [...props.ticked] } : {}) });
</script>

<template>
  <PopupButton name="Take out" :width="380" large data-test="take-out">
    <template #label>Take out</template>
    <template #default="{ close }">
      <p class="soft">
        {{
          ticked.length === 0
            ? 'Every family'
            : ticked.length === 1
              ? 'The family that is ticked'
              : `${ticked.length} families`
        }}
        as a file. What is changed in XLSX or CSV comes in again by Intake.
      </p>
      <ul>
        <li v-for="[kind, label, what] in FILES" :key="kind">
          <button class="link" :data-test="`take-out-${kind}`" @click="(close(), take(kind))">{{ label }}</button>
          <span class="soft"> {{ what }}</span>
        </li>
      </ul>
    </template>
  </PopupButton>
</template>

<style scoped>
button {
  margin-right: 8px;
}
ul {
  margin: 8px 0 0;
  padding: 0;
  list-style: none;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
</style>
