<script setup lang="ts">
import { computed, onMounted, ref, watchEffect } from 'vue';
import { useRoute } from 'vue-router';
import { Cable, Grid3x3, History, Images, Inbox, Send, Shirt, SlidersHorizontal } from 'lucide-vue-next';
import { useSetup } from '../stores/setup';
import { useServerEvents } from '../stores/serverEvents';
import { useFamily } from '../stores/family';
import JobsMenu from './JobsMenu.vue';
import CommandBox from './CommandBox.vue';
import KeysHelp from './KeysHelp.vue';
import { useKeys } from './keys';

const PLACES = [
  { to: '/families', label: 'Families', icon: Shirt },
  { to: '/board', label: 'Fit board', icon: Grid3x3 },
  { to: '/channels', label: 'Channels', icon: Cable },
  { to: '/pictures', label: 'Pictures', icon: Images },
  { to: '/intake', label: 'Intake', icon: Inbox },
  { to: '/dispatch', label: 'Dispatch', icon: Send },
  { to: '/journal', label: 'Journal', icon: History },
  { to: '/setup', label: 'Setup', icon: SlidersHorizontal },
];

const route = useRoute();
const setup = useSetup();
const open = useFamily();
const keysShown = ref(false);
const serverEvents = useServerEvents();
onMounted(() => {
  void setup.ensure();
  serverEvents.open();
  // A file dropped beside its place must not replace the page by itself.
  for (const kind of ['dragover', 'drop']) window.addEventListener(kind, (event) => event.preventDefault());
});
useKeys({ '?': () => (keysShown.value = !keysShown.value) });

const place = computed(() => {
  const title = String(route.meta.title ?? '');
  return route.params.id && open.family && route.path.startsWith('/families/')
    ? `Families › ${String(open.family.fields.name)}`
    : title;
});
/** Each page has a title of its own, for tabs, histories and screen readers. */
watchEffect(() => (document.title = place.value ? `${place.value} · Loom Kin` : 'Loom Kin'));
</script>

<template>
  <div class="house">
    <nav class="rail" aria-label="Places">
      <img class="mark" src="/mark.svg" alt="Loom Kin" width="30" height="30" />
      <RouterLink v-for="one in PLACES" :key="one.to" :to="one.to" :class="{ here: route.path.startsWith(one.to) }">
        <component :is="one.icon" :size="18" :stroke-width="1.6" aria-hidden="true" />
        <span>{{ one.label }}</span>
      </RouterLink>
      <button class="plain keys" title="Keys of this view (?)" @click="keysShown = true"><kbd>?</kbd></button>
    </nav>
    <header class="bar">
      <div class="place" data-test="place">{{ place }}</div>
      <CommandBox />
      <div class="saved" role="status">
        <span v-if="open.serverSilent" class="stops"
          >The server does not answer;
          {{ open.waiting === 1 ? '1 change waits' : `${open.waiting} changes wait` }} here</span
        >
        <span v-else-if="open.unkept" class="stops"
          >What is typed cannot be kept here while the server is away: leave the page open</span
        >
        <span v-else-if="open.waiting" class="soft">Saving…</span>
        <span v-else-if="setup.problem" class="stops">{{ setup.problem }}</span>
        <span v-else-if="setup.setup?.begun" class="soft">{{ setup.setup.seller.name }}</span>
      </div>
      <JobsMenu />
    </header>
    <main class="work"><RouterView /></main>
    <KeysHelp v-model="keysShown" />
  </div>
</template>

<style scoped>
.house {
  display: grid;
  grid-template: var(--bar) minmax(0, 1fr) / var(--rail) minmax(0, 1fr);
  height: 100%;
}
.rail {
  grid-row: 1 / 3;
  background: var(--ink);
  color: #d8dedb;
  display: flex;
  flex-direction: column;
  align-items: stretch;
  overflow: hidden auto;
}
.mark {
  display: block;
  margin: 8px auto 12px;
}
.rail a {
  color: inherit;
  text-decoration: none;
  font-size: 11px;
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 3px;
  padding: 9px 0 8px;
  border-left: 3px solid transparent;
  border-right: 3px solid transparent;
}
.rail a:hover {
  color: #fff;
  background: #22303b;
}
.rail a.here {
  color: #fff;
  border-left-color: var(--weld);
  background: #22303b;
}
.keys {
  margin: auto auto 12px;
}
.keys kbd {
  background: none;
  color: #d8dedb;
  border-color: #4c5963;
  padding: 2px 7px;
}
.bar {
  display: flex;
  align-items: center;
  gap: 20px;
  padding: 0 20px;
  background: var(--sheet);
  border-bottom: 1px solid var(--line);
}
.place {
  flex: 1;
  font-weight: 600;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.saved {
  flex: 1;
  text-align: right;
  font-size: 13px;
  white-space: nowrap;
}
.work {
  min-height: 0;
  overflow: hidden;
}
</style>
