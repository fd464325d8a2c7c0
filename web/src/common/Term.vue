<script setup lang="ts">
/** A word of the program's own, with its explanation on hover. */
import { GLOSSARY, type Word } from './glossary';

defineProps<{ word: Word }>();
</script>

<template>
  <abbr class="term" :title="GLOSSARY[word]"><slot /></abbr>
</template>

<style scoped>
.term {
  text-decoration: underline dotted var(--ink-soft);
  text-underline-offset: 3px;
  cursor: help;
}
</style>
