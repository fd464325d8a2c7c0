<script setup lang="ts">
/** How many families were found, and which: opened on demand. */
import { count } from '@loom-kin/core/text';
import type { FoundFamilies } from '@loom-kin/contract';
import PopupButton from '../common/PopupButton.vue';

defineProps<{ found: FoundFamilies; holds?: number }>();
</script>

<template>
  <span class="found"
    ><PopupButton v-if="found.count" name="The families found" plain
      ><template #label
        ><span class="link">{{ count(found.count, 'family', 'families') }}</span></template
      >
      <ul>
        <li v-for="one in found.families" :key="one.id">
          <RouterLink :to="`/families/${one.id}`">{{ one.name }}</RouterLink>
        </li>
        <li v-if="found.count > found.families.length" class="soft">
          and {{ (found.count - found.families.length).toLocaleString('en') }} more
        </li>
      </ul> </PopupButton
    ><span v-else class="soft">no family</span>
    <span v-if="holds !== undefined && holds > found.count" class="soft"
      >{{ (holds - found.count).toLocaleString('en') }} more were taken above</span
    ></span
  >
</template>

<style scoped>
.found {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  font-size: 12.5px;
}
.link {
  color: var(--woad);
  text-decoration: underline;
}
ul {
  margin: 0;
  padding: 6px 12px;
  list-style: none;
  max-height: 300px;
  overflow: auto;
}
</style>
