<script setup lang="ts">
/** Ways out of a family for children: to be families of their own, or to join another. */
import { computed } from 'vue';
import { useFamily } from '../stores/family';
import JoinFamily from './JoinFamily.vue';
import LetLeave from './LetLeave.vue';

const props = defineProps<{ childIds: readonly string[] }>();
const store = useFamily();
/** The last child of a family is the family. */
const areAll = computed(() => props.childIds.length >= (store.index?.woven.length ?? 0));
</script>

<template>
  <LetLeave v-if="!areAll" :child-ids="childIds" />
  <JoinFamily :child-ids="childIds" />
</template>
