<script setup lang="ts">
/** How the family is likely to be shown where people search the web: title, address and description, cut where such lists cut. */
import { computed } from 'vue';

const props = defineProps<{ title: string; description: string; name: string; shortText: string; seller: string }>();
/** Characters shown (common practice). */
const TITLE = 60;
const DESCRIPTION = 155;

const cut = (text: string, most: number) => (text.length <= most ? text : `${text.slice(0, most - 1).trimEnd()}…`);
const title = computed(() => cut(props.title || props.name, TITLE));
const description = computed(() => cut(props.description || props.shortText, DESCRIPTION));
const address = computed(() => {
  const slug = props.name
    .normalize('NFD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return `shop.example › ${slug}`;
});
</script>

<template>
  <div class="snippet" data-test="snippet">
    <span class="soft">As a search result</span>
    <p class="address">{{ seller }} · {{ address }}</p>
    <p class="title">{{ title }}</p>
    <p class="soft">{{ description || 'Without a search description, what is shown is left to chance.' }}</p>
  </div>
</template>

<style scoped>
.snippet {
  margin: 8px 0 4px 164px;
  max-width: 620px;
  border: 1px solid var(--line-soft);
  background: var(--ground);
  padding: 8px 12px;
  font-size: 13px;
}
.address {
  font-size: 12px;
}
.title {
  font-size: 16px;
  color: var(--woad);
}
</style>
