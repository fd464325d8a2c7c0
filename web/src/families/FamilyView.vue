<script setup lang="ts">
/** One family: its tabs, undo and redo, files, sending. */
import { computed, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ElButton, ElDropdown, ElDropdownItem, ElDropdownMenu } from 'element-plus';
import { Redo2, Undo2 } from 'lucide-vue-next';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { useKeys } from '../shell/keys';
import Ticks from '../common/Ticks.vue';

const route = useRoute();
const router = useRouter();
const store = useFamily();
const setup = useSetup();

const id = computed(() => String(route.params.id ?? ''));
watch(id, (next) => next && void store.open(next), { immediate: true });
useKeys(
  { 'Ctrl+z': () => void store.undo(), 'Ctrl+y': () => void store.redo(), 'Ctrl+Shift+z': () => void store.redo() },
  { quietWhileTyping: ['Ctrl+z', 'Ctrl+y', 'Ctrl+Shift+z'] },
);

const name = computed(() => String(store.family?.fields.name ?? ''));
const stopsOn = (channel: string) =>
  store.fits[channel]?.findings.filter((finding) => finding.severity === 'stops').length ?? 0;
const liveOn = computed(() =>
  Object.fromEntries(
    setup.channels.map(({ channel }) => [channel, store.live.filter((one) => one.channel === channel).length]),
  ),
);
async function retire(): Promise<void> {
  store.run({ do: 'retireFamily', retired: !store.family!.retired });
  await store.settled();
}
async function send(): Promise<void> {
  await store.settled();
  await router.push({
    name: 'compose',
    query: { families: id.value, ...(route.name === 'fit' ? { channels: String(route.params.channel) } : {}) },
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
      <div v-if="store.aside.length" class="aside" role="alert" data-test="aside">
        <span
          >{{
            store.aside.length === 1
              ? 'One change of yours is not stored'
              : `${store.aside.length} changes of yours are not stored`
          }}: the family was changed meanwhile. What you see is the family as it is now.</span
        >
        <ElButton size="small" type="primary" data-test="aside-again" @click="store.makeAsideAgain()"
          >Make {{ store.aside.length === 1 ? 'it' : 'them' }} again on top</ElButton
        >
        <ElButton size="small" @click="store.dropAside()">Drop {{ store.aside.length === 1 ? 'it' : 'them' }}</ElButton>
      </div>
      <div class="view-head head">
        <div>
          <h1>{{ name }} <span v-if="store.family.retired" class="warns">retired</span></h1>
          <div class="soft small">
            <span class="mono">{{ store.family.fields.styleCode ?? 'no style code' }}</span> ·
            {{ store.family.fields.brand ?? 'no brand' }} · {{ store.index?.woven.length }} children
          </div>
        </div>
        <div class="grow" />
        <ElButton
          :disabled="!store.undoTitle"
          :title="store.undoTitle ? `Take back: ${store.undoTitle} (Ctrl Z)` : 'Nothing to take back'"
          data-test="undo"
          @click="store.undo()"
          ><Undo2 :size="15" /><span class="visually-hidden">Take back</span></ElButton
        >
        <ElButton
          :disabled="!store.redoTitle"
          :title="store.redoTitle ? `Make again: ${store.redoTitle} (Ctrl Y)` : 'Nothing to make again'"
          data-test="redo"
          @click="store.redo()"
          ><Redo2 :size="15" /><span class="visually-hidden">Make again</span></ElButton
        >
        <ElDropdown trigger="click">
          <ElButton>Files</ElButton>
          <template #dropdown>
            <ElDropdownMenu>
              <ElDropdownItem v-for="kind in ['xlsx', 'csv', 'json']" :key="kind"
                ><a class="download" :href="`/api/families/${id}/file.${kind}`" download>{{
                  kind === 'json' ? 'Family file (JSON)' : `Children as ${kind.toUpperCase()}`
                }}</a></ElDropdownItem
              >
              <ElDropdownItem divided @click="router.push({ name: 'intake', query: { family: id } })"
                >Take a sheet into this family…</ElDropdownItem
              >
              <ElDropdownItem divided @click="retire">{{
                store.family.retired ? 'Bring back into use' : 'Retire this family'
              }}</ElDropdownItem>
            </ElDropdownMenu>
          </template>
        </ElDropdown>
        <ElButton type="primary" data-test="send" @click="send">Send…</ElButton>
      </div>
      <nav class="tabs" aria-label="Parts of the family">
        <RouterLink :to="{ name: 'family', params: { id } }">Weave</RouterLink>
        <RouterLink :to="{ name: 'words', params: { id } }">Words and facts</RouterLink>
        <RouterLink :to="{ name: 'pictures', params: { id } }">Pictures</RouterLink>
        <RouterLink
          v-for="one in setup.channels"
          :key="one.channel"
          :to="{ name: 'fit', params: { id, channel: one.channel } }"
          class="fit-tab"
          :data-test="`fit-${one.channel}`"
        >
          <Ticks :states="{ [one.channel]: store.fits[one.channel]?.state }" :live="liveOn" :only="one.channel" />
          {{ one.rulebook.name }}<span v-if="stopsOn(one.channel)" class="stops count">{{ stopsOn(one.channel) }}</span>
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
.aside {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 7px 20px;
  background: var(--warns-pale);
  font-size: 13px;
}
.small {
  font-size: 12px;
}
.tabs {
  display: flex;
  gap: 2px;
  padding: 0 20px;
  border-bottom: 1px solid var(--line);
}
.tabs a {
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
.download {
  color: inherit;
  text-decoration: none;
}
</style>
