<script setup lang="ts">
/** Before sending: what would go, the total, and the agreement to it. */
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ElButton } from 'element-plus';
import { showAmount } from '@loom-kin/core/money';
import type { DispatchPreview } from '@loom-kin/contract';
import { api, call, requestKey, tell } from '../api/api';
import { useSetup } from '../stores/setup';
import { useSending } from '../stores/sending';
import DispatchLines from './DispatchLines.vue';

const route = useRoute();
const router = useRouter();
const setup = useSetup();
const sending = useSending();
const familyIds = computed(() => {
  const named = String(route.query.families ?? '');
  return named === 'handed' ? sending.familyIds : named.split(',').filter(Boolean);
});
const accounts = ref<string[]>([]);
/** Channels with rules of the seller's own have nobody to send to. */
const isOwn = (id: string) => {
  const account = setup.account(id);
  return account !== undefined && (setup.channelOf(account)?.isOwn ?? false);
};
const draft = ref(false);
const preview = ref<DispatchPreview | null>(null);
const busy = ref(false);
const problem = ref<string | null>(null);
/** One key for one agreement: pressing twice sends once. */
let key = requestKey();

onMounted(async () => {
  await setup.ensure();
  const wanted = String(route.query.accounts ?? '')
    .split(',')
    .filter(Boolean);
  accounts.value = (wanted.length ? wanted : setup.accounts.map((one) => one.id)).filter((id) => !isOwn(id));
});
const selection = computed(() => ({ familyIds: familyIds.value, accounts: accounts.value, draft: draft.value }));
watch(selection, async (now) => {
  preview.value = null;
  key = requestKey();
  if (now.familyIds.length === 0 || now.accounts.length === 0) return;
  try {
    const answer = await call(api.previewDispatch, { body: now });
    if (now === selection.value) preview.value = answer;
    problem.value = null;
  } catch (error) {
    if (now === selection.value) problem.value = error instanceof Error ? error.message : 'It cannot be worked out.';
  }
});
const totals = computed(() => preview.value?.totals);
const toSend = computed(() =>
  totals.value ? totals.value.listings + totals.value.revisions + totals.value.takenDown : 0,
);
const fees = computed(
  () => totals.value?.fees.map((fee) => showAmount(fee.amount, fee.currency)).join(' + ') || 'no fees',
);

async function send(): Promise<void> {
  busy.value = true;
  try {
    const { listings, takenDown, fees: agreedFees } = totals.value!;
    const made = await call(api.startDispatch, {
      body: { ...selection.value, key, agreed: { listings, takenDown, fees: agreedFees } },
    });
    await router.push({ name: 'receipt', params: { id: made.id } });
  } catch (error) {
    tell(error);
    preview.value = await call(api.previewDispatch, { body: selection.value }).catch(() => preview.value);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <section class="view">
    <div class="view-head">
      <h1>Send {{ familyIds.length === 1 ? 'one family' : `${familyIds.length} families` }} to</h1>
      <label v-for="one in setup.accounts" :key="one.id"
        ><input
          v-model="accounts"
          type="checkbox"
          :value="one.id"
          :disabled="isOwn(one.id)"
          :title="isOwn(one.id) ? 'Rules of your own: download its upload sheet in the fit of each family' : undefined"
          :data-test="`to-${one.id}`"
        />
        {{ one.name }}</label
      >
      <label class="soft" title="New listings go out as drafts where the channel knows drafts"
        ><input v-model="draft" type="checkbox" /> as drafts</label
      >
    </div>
    <div v-if="familyIds.length === 0" class="empty">
      <p>Nothing is chosen to be sent. Tick families in the list, or open one and press Send.</p>
      <RouterLink to="/families">To the families</RouterLink>
    </div>
    <div v-else-if="accounts.length === 0" class="empty">Choose at least one account.</div>
    <div v-else-if="problem" class="empty" role="alert">
      <p class="stops">{{ problem }}</p>
      <RouterLink to="/families">To the families</RouterLink>
    </div>
    <div v-else-if="!preview" class="empty">Working out what differs…</div>
    <template v-else>
      <div class="sheet list"><DispatchLines :lines="preview.lines" /></div>
      <footer class="sheet total" data-test="total">
        <div>
          <strong>{{ totals!.listings }}</strong> new {{ totals!.listings === 1 ? 'listing' : 'listings' }}
        </div>
        <div>
          <strong>{{ totals!.revisions }}</strong> {{ totals!.revisions === 1 ? 'revision' : 'revisions' }}
        </div>
        <div v-if="totals!.takenDown">
          <strong>{{ totals!.takenDown }}</strong> taken down
        </div>
        <div>
          <strong>{{ totals!.children }}</strong> {{ totals!.children === 1 ? 'child' : 'children' }}
        </div>
        <div>
          <strong>{{ fees }}</strong>
        </div>
        <div v-if="totals!.unchanged" class="soft">{{ totals!.unchanged }} held there already</div>
        <div v-if="totals!.held" class="stops">{{ totals!.held }} held back</div>
        <div class="grow" />
        <ElButton type="primary" :disabled="toSend === 0" :loading="busy" data-test="agree" @click="send">{{
          toSend === 0 ? 'Nothing to send' : totals!.fees.length ? `Agree to ${fees} and send` : 'Agree and send'
        }}</ElButton>
      </footer>
    </template>
  </section>
</template>

<style scoped>
.list {
  margin: 0 20px;
  flex: 1;
  overflow: auto;
  min-height: 0;
}
.total {
  margin: 10px 20px 14px;
  padding: 12px 16px;
  display: flex;
  gap: 22px;
  align-items: center;
}
.total strong {
  font-size: 16px;
}
</style>
