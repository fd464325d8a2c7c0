<script setup lang="ts">
/** The fit of the family to one account: plan, pairings, what would be sent, and the findings beside. */
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { ElButton } from 'element-plus';
import type { FitState } from '@loom-kin/core/fit';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import EntriesPanel from './EntriesPanel.vue';
import FindingsPanel from './FindingsPanel.vue';
import LeftOut from './LeftOut.vue';
import PairingPanel from './PairingPanel.vue';
import PlanPanel from './PlanPanel.vue';
import SentPanel from './SentPanel.vue';
import UnconfirmedNotice from './UnconfirmedNotice.vue';
import Wishes from './Wishes.vue';
import { useWish } from './useWish';
import Ticks from '../common/Ticks.vue';

const route = useRoute();
const store = useFamily();
const setup = useSetup();
const id = computed(() => String(route.params.account));
const account = computed(() => setup.account(id.value));
const channel = computed(() => account.value && setup.channelOf(account.value));
const name = computed(() => account.value?.name ?? id.value);
const fit = computed(() => store.fits[id.value]);
const live = computed(() => store.live.filter((one) => one.account === id.value));

const VERDICTS: Record<FitState, (name: string) => string> = {
  fits: (on) => `Fits ${on}`,
  needs: (on) => `Goes onto ${on}, but needs work`,
  stopped: (on) => `Stopped on ${on}`,
  absent: (on) => `Not offered on ${on}`,
};
const { wish, setWish } = useWish(() => id.value);
/** As the seller has said of this family; else as its route says. */
const isOffered = computed(
  () => wish.value.offered ?? !fit.value?.findings.some((finding) => finding.code === 'route.waits'),
);
</script>

<template>
  <div v-if="!fit || !account || !channel" class="empty">
    {{ account || !setup.setup ? 'Working out the fit…' : 'There is no such account.' }}
  </div>
  <div v-else class="fit">
    <div class="main">
      <header class="sheet verdict">
        <Ticks :states="{ [id]: fit.state }" :only="id" />
        <h2>{{ VERDICTS[fit.state](name) }}</h2>
        <span v-if="fit.category && fit.state !== 'absent'" class="soft">goes to {{ fit.category.label }}</span>
        <a
          v-for="one in live.filter((each) => each.page)"
          :key="one.key"
          :href="one.page!"
          target="_blank"
          rel="noreferrer"
          >buyer's page{{ one.draft ? ' (draft)' : '' }}</a
        >
        <div class="grow" />
        <ElButton size="small" data-test="offered" @click="setWish({ offered: !isOffered })">{{
          isOffered ? `Do not offer on ${name}` : `Offer on ${name}`
        }}</ElButton>
      </header>
      <UnconfirmedNotice :account="account" />
      <template v-if="fit.plan">
        <PlanPanel :account="account" :fit="fit" :plan="fit.plan" />
        <PairingPanel :account="account" :fit="fit" />
      </template>
      <section v-else-if="fit.category && fit.state !== 'absent'" id="plans" class="sheet none">
        <h2>No plan</h2>
        <p class="soft">No way to carry the axes over keeps to the rules and to these wishes.</p>
        <Wishes :account="account" :fit="fit" />
      </section>
      <SentPanel v-if="fit.plan || live.length" :account="account" :channel="channel" :fit="fit" />
      <EntriesPanel :account="account" :fit="fit" />
      <LeftOut :account="account" />
    </div>
    <FindingsPanel :key="id" :account="account" :fit="fit" />
  </div>
</template>

<style scoped>
.fit {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 10px;
  height: 100%;
  padding: 10px 20px 12px;
}
.main {
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
}
.main > * {
  flex: none;
}
.none {
  padding: 10px 14px 12px;
  max-width: 460px;
}
.verdict {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px 14px;
}
@media (width < 900px), (height < 560px) {
  .fit {
    display: flex;
    flex-direction: column;
    overflow: auto;
  }
  .fit > * {
    flex: none;
    overflow: visible;
  }
}
</style>
