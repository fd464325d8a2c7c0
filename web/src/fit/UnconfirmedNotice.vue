<script setup lang="ts">
/** Says that it is not certain what an account holds of the family, why, and has it read. */
import { computed, ref } from 'vue';
import { ElButton } from 'element-plus';
import type { Account } from '@loom-kin/core/catalogue';
import { api, call, say, tell } from '../api/api';
import { useFamily } from '../stores/family';

const props = defineProps<{ account: Account }>();
const store = useFamily();
const here = computed(() => store.unconfirmed.filter((one) => one.account === props.account.id));
const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
const what = computed(() =>
  here.value.some((one) => one.key === '')
    ? `what ${props.account.name} holds`
    : `what ${props.account.name} holds of ${here.value.length === 1 ? 'this listing' : `${here.value.length} listings`}`,
);
const busy = ref(false);
async function read(): Promise<void> {
  busy.value = true;
  try {
    const { left } = await call(api.readAccount, { params: { id: props.account.id } });
    say(
      left === 0
        ? `${props.account.name} has been read.`
        : `${props.account.name} has been read, but may still be working on what was sent. It is read again by itself.`,
    );
  } catch (error) {
    tell(error);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <section v-if="here.length" class="sheet notice" role="status" data-test="unconfirmed">
    <div>
      <strong>It is not certain {{ what }}.</strong>
      <p v-for="one in here" :key="one.key" class="soft">
        {{ day.format(new Date(one.since)) }}: {{ one.why }}. What is shown here may be older. Nothing is sent until the
        account has been read.
      </p>
    </div>
    <ElButton size="small" :loading="busy" data-test="read-account" @click="read">Read {{ account.name }} now</ElButton>
  </section>
</template>

<style scoped>
.notice {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  padding: 8px 14px;
  border-left: 3px solid var(--stops);
}
.notice p {
  margin: 2px 0 0;
}
</style>
