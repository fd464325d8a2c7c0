<script setup lang="ts">
/** Where a child stands under a channel's entry: what is written here about it does not go there. */
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';

const props = defineProps<{ childId: string }>();
const store = useFamily();
const setup = useSetup();
const router = useRouter();
const entries = computed(() =>
  setup.accounts.flatMap((account) => {
    const match = store.fits[account.id]?.entries.find(
      (one) => one.childId === props.childId && one.stands === 'under',
    );
    return match ? [{ account, match }] : [];
  }),
);
const show = (account: string) => router.push({ name: 'fit', params: { id: store.family!.id, account } });
</script>

<template>
  <p v-for="{ account, match } in entries" :key="account.id" class="soft under" data-test="under-entry">
    On {{ account.name }} it is offered under
    <button class="link" @click="show(account.id)">{{ match.entry.entry }} {{ match.entry.name }}</button>: names, facts
    and pictures are fixed there.
  </p>
</template>

<style scoped>
.under {
  font-size: 12px;
  margin: 4px 0 0;
}
</style>
