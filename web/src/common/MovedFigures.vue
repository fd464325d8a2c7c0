<script setup lang="ts">
/** What stood for several children at once and is their own afterwards: nothing else holds for them, but it stands elsewhere. */
defineProps<{ moved: readonly string[] }>();
const SHOWN = 8;
</script>

<template>
  <div v-if="moved.length" class="moved" data-test="moved-figures">
    <p>What holds for a child is as before. To keep it so, these stand elsewhere from now on:</p>
    <ul>
      <li v-for="text in moved.slice(0, SHOWN)" :key="text">{{ text }}</li>
      <li v-if="moved.length > SHOWN" class="soft">and {{ moved.length - SHOWN }} more</li>
    </ul>
  </div>
</template>

<style scoped>
.moved {
  padding: 8px 12px 0;
  font-size: 13px;
}
ul {
  margin: 2px 0 0;
  padding-left: 16px;
}
</style>
