<script setup lang="ts">
/** Children that leave their family, each to be one of its own; asked before it is done. */
import { ElButton } from 'element-plus';
import { children } from '@loom-kin/core/text';
import { say } from '../api/api';
import PopupButton from '../common/PopupButton.vue';
import { useFamily } from '../stores/family';

const props = defineProps<{ childIds: readonly string[] }>();
const store = useFamily();

async function leave(close: () => void): Promise<void> {
  close();
  const childIds = [...props.childIds];
  const done = await store.ask(({ id, revision }) => [{ on: 'leave', familyId: id, revision, childIds }]);
  if (!done) return;
  store.choose([], store.chosenIn);
  say(`${children(childIds.length)} left: ${childIds.length === 1 ? 'a family' : 'each a family'} of its own now.`);
}
</script>

<template>
  <PopupButton name="Let children leave" plain class="link small" :width="300" data-test="let-leave">
    <template #label>Let leave…</template>
    <template #default="{ close }">
      <p>
        {{ childIds.length === 1 ? 'This child becomes a family' : `Each of the ${childIds.length} becomes a family` }}
        of its own, with its SKU, prices, pieces and pictures. It comes back by being gathered in the list of families.
      </p>
      <ElButton size="small" type="primary" data-test="leave-do" @click="leave(close)"
        >Let {{ children(childIds.length) }} leave</ElButton
      >
    </template>
  </PopupButton>
</template>
