<script setup lang="ts">
/** One family: its tabs, undo and redo, files, sending. */
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ElButton } from 'element-plus';
import { Redo2, Undo2 } from 'lucide-vue-next';
import { children } from '@loom-kin/core/text';
import type { StepBack } from '@loom-kin/contract';
import { useFamily } from '../stores/family';
import { useLayout } from '../grid/layout';
import { useSetup } from '../stores/setup';
import { useKeys } from '../shell/keys';
import PopupButton from '../common/PopupButton.vue';
import Ticks from '../common/Ticks.vue';
import AsideNotice from './AsideNotice.vue';
import TaxCodeNotice from './TaxCodeNotice.vue';
import CopyFamily from '../copies/CopyFamily.vue';
import StillSame from '../copies/StillSame.vue';

const route = useRoute();
const router = useRouter();
const store = useFamily();
const setup = useSetup();

const id = computed(() => String(route.params.id ?? ''));
watch(id, (next) => next && void store.open(next), { immediate: true });
// The grid waits for the seller's order of columns: it is asked for beside the family.
void useLayout().ensure();
useKeys(
  { 'Ctrl+z': () => void store.undo(), 'Ctrl+y': () => void store.redo(), 'Ctrl+Shift+z': () => void store.redo() },
  { quietWhileTyping: ['Ctrl+z', 'Ctrl+y', 'Ctrl+Shift+z'] },
);

const copying = ref(false);
const name = computed(() => String(store.family?.fields.name ?? ''));
/** Things to do: findings that stop it, whatever the number of children they concern. */
const stopsOn = (account: string) =>
  store.fits[account]?.findings.filter((finding) => finding.severity === 'stops').length ?? 0;
const heldOn = computed(() =>
  Object.fromEntries(
    setup.accounts.map(({ id: account }) => {
      const here = store.live.filter((one) => one.account === account);
      const drafts = here.filter((one) => one.draft).length;
      const unconfirmed = store.unconfirmed.filter((one) => one.account === account).length;
      return [account, { live: here.length - drafts, drafts, unconfirmed }];
    }),
  ),
);
/** A change's title, and that it reaches further than this family. */
const reach = ({ title, others }: StepBack) =>
  others === 0 ? title : `${title}, in ${others} more ${others === 1 ? 'family' : 'families'} too`;
async function retire(): Promise<void> {
  store.run({ do: 'retireFamily', retired: !store.family!.retired });
  await store.settled();
}
async function send(): Promise<void> {
  await store.settled();
  await router.push({
    name: 'compose',
    query: { families: id.value, ...(route.name === 'fit' ? { accounts: String(route.params.account) } : {}) },
  });
}
</script>

<template>
  <section class="view">
    <div v-if="store.problem" class="empty">
      <p class="stops">{{ store.problem }}</p>
      <ElButton @click="store.open(id)">Try again</ElButton><RouterLink to="/families">To the families</RouterLink>
    </div>
    <template v-else-if="store.family && store.family.id === id">
      <AsideNotice v-if="store.aside.length" />
      <TaxCodeNotice />
      <div class="view-head head">
        <div>
          <h1>{{ name }} <span v-if="store.family.retired" class="warns">retired</span></h1>
          <div class="soft small">
            <span class="mono">{{ store.family.fields.styleCode ?? 'no style code' }}</span> ·
            {{ store.family.fields.brand ?? 'no brand' }} · {{ children(store.index?.woven.length ?? 0) }}
            <StillSame />
          </div>
        </div>
        <div class="grow" />
        <ElButton
          :disabled="!store.undoTitle"
          :title="store.undoStep ? `Take back: ${reach(store.undoStep)} (Ctrl Z)` : 'Nothing to take back'"
          data-test="undo"
          @click="store.undo()"
          ><Undo2 :size="15" /><span class="visually-hidden">Take back</span></ElButton
        >
        <ElButton
          :disabled="!store.redoTitle"
          :title="store.redoStep ? `Make again: ${reach(store.redoStep)} (Ctrl Y)` : 'Nothing to make again'"
          data-test="redo"
          @click="store.redo()"
          ><Redo2 :size="15" /><span class="visually-hidden">Make again</span></ElButton
        >
        <PopupButton name="Files" large :width="230" data-test="files">
          <template #label>Files</template>
          <template #default="{ close }">
            <div class="files">
              <a
                v-for="kind in ['xlsx', 'csv', 'json']"
                :key="kind"
                :href="`/api/families/${id}/file.${kind}`"
                download
                @click="close"
                >{{ kind === 'json' ? 'Family file (JSON)' : `Children as ${kind.toUpperCase()}` }}</a
              >
              <button class="plain" @click="(close(), router.push({ name: 'intake', query: { family: id } }))">
                Take a sheet into this family…
              </button>
              <button class="plain" data-test="copy-family" @click="(close(), (copying = true))">
                Copy this family…
              </button>
              <button class="plain" @click="(close(), retire())">
                {{ store.family.retired ? 'Bring back into use' : 'Retire this family' }}
              </button>
            </div>
          </template>
        </PopupButton>
        <ElButton type="primary" data-test="send" @click="send">Send…</ElButton>
        <CopyFamily v-model="copying" />
      </div>
      <nav class="tabs" aria-label="Parts of the family">
        <RouterLink :to="{ name: 'family', params: { id } }">Weave</RouterLink>
        <RouterLink :to="{ name: 'words', params: { id } }">Words and facts</RouterLink>
        <RouterLink :to="{ name: 'prices', params: { id } }">Prices</RouterLink>
        <RouterLink :to="{ name: 'numbers', params: { id } }">Numbers</RouterLink>
        <RouterLink :to="{ name: 'pictures', params: { id } }">Pictures</RouterLink>
        <RouterLink
          v-for="one in setup.accounts"
          :key="one.id"
          :to="{ name: 'fit', params: { id, account: one.id } }"
          class="fit-tab"
          :data-test="`fit-${one.id}`"
        >
          <Ticks :states="{ [one.id]: store.fits[one.id]?.state }" :held="heldOn" :only="one.id" />
          {{ one.name
          }}<span v-if="stopsOn(one.id)" class="stops count" :title="`${stopsOn(one.id)} to do`">{{
            stopsOn(one.id)
          }}</span>
        </RouterLink>
        <RouterLink :to="{ name: 'family-journal', params: { id } }">Journal</RouterLink>
      </nav>
      <div class="tab"><RouterView /></div>
    </template>
    <div v-else class="empty">Loading…</div>
  </section>
</template>

<style scoped>
.head {
  padding-bottom: 4px;
}
.small {
  font-size: 12px;
}
.tabs {
  display: flex;
  gap: 2px;
  padding: 0 20px;
  border-bottom: 1px solid var(--line);
  flex-wrap: wrap;
  flex: none;
}
.tabs a {
  white-space: nowrap;
  padding: 7px 12px 6px;
  color: var(--ink-soft);
  text-decoration: none;
  border-bottom: 2px solid transparent;
  display: flex;
  align-items: center;
  gap: 6px;
  margin-bottom: -1px;
}
.tabs a:hover {
  color: var(--ink);
}
.tabs a.router-link-exact-active {
  color: var(--ink);
  border-bottom-color: var(--weld);
  font-weight: 600;
}
.count {
  font-size: 12px;
}
.tab {
  flex: 1;
  min-height: 0;
}
.files {
  display: flex;
  flex-direction: column;
}
.files > * {
  padding: 5px 4px;
  color: var(--ink);
  text-decoration: none;
}
.files > *:hover,
.files > *:focus-visible {
  background: var(--weld-pale);
}
</style>
