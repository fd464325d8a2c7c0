<script setup lang="ts">
/** The routes of an account: which families go there, to which category, tried on all families as they are written. */
import { computed, ref, shallowRef, watch } from 'vue';
import { ElButton } from 'element-plus';
import { type Account, type Route, type Routes, isWritten } from '@loom-kin/core/catalogue';
import type { Channel, Tried } from '@loom-kin/contract';
import { api, call, say, tell } from '../api/api';
import { useSetup } from '../stores/setup';
import ConditionsEntry from '../conditions/ConditionsEntry.vue';
import FoundFamilies from '../conditions/FoundFamilies.vue';

const props = defineProps<{ account: Account; channel: Channel }>();
const setup = useSetup();
const kept = computed<Routes>(() => setup.setup?.routes[props.account.id] ?? []);
const routes = ref<Routes>([]);
const isChanged = computed(() => JSON.stringify(routes.value) !== JSON.stringify(kept.value));
const asKept = () => (routes.value = structuredClone(kept.value) as Routes);
watch(kept, asKept, { immediate: true });

const tried = shallowRef<Tried | null>(null);
const allWritten = computed(() => routes.value.every((route) => isWritten(route.when)));
let turn = 0;
/** Counted again after each change that is written to the end: an older answer that comes late is not shown. */
watch(
  routes,
  async (now) => {
    const mine = ++turn;
    if (!allWritten.value) {
      tried.value = null;
      return;
    }
    try {
      const answer = await call(api.tryConditions, { body: { sets: now.map((route) => route.when) } });
      if (mine === turn) tried.value = answer;
    } catch (error) {
      if (mine === turn) tell(error);
    }
  },
  { deep: true, immediate: true },
);

const newId = () => Math.random().toString(36).slice(2, 10);
function add(): void {
  const when = { match: 'all' as const, of: [] };
  routes.value = [...routes.value, { id: newId(), name: '', when, category: null, offers: true }];
}
/** Accounts whose routes can be taken over. */
const others = computed(() =>
  setup.accounts.filter((one) => one.id !== props.account.id && (setup.setup?.routes[one.id] ?? []).length > 0),
);
/** Another account's routes after those that are here; a category stays where it is of the same channel. */
function takeFrom(select: HTMLSelectElement): void {
  const id = select.value;
  select.value = '';
  const from = setup.account(id);
  const taken = (setup.setup?.routes[id] ?? []).map((route): Route => ({
    ...(structuredClone(route) as Route),
    id: newId(),
    category: from?.channel === props.account.channel ? route.category : null,
  }));
  routes.value = [...routes.value, ...taken];
}
const put = (at: number, to: Partial<Route>) =>
  (routes.value = routes.value.map((route, n) => (n === at ? { ...route, ...to } : route)));
const remove = (at: number) => (routes.value = routes.value.filter((_, n) => n !== at));
function move(at: number, by: -1 | 1): void {
  const next = [...routes.value];
  const [route] = next.splice(at, 1);
  next.splice(at + by, 0, route!);
  routes.value = next;
}
/** Routes below one that takes everything are never come to. */
const isShut = (at: number) => routes.value.slice(0, at).some((route) => route.when.of.length === 0);
async function keep(): Promise<void> {
  if (await setup.change([{ on: 'routes', account: props.account.id, routes: routes.value }]))
    say(`The routes to ${props.account.name} are kept.`);
}
const text = (event: Event) => (event.target as HTMLSelectElement).value;
</script>

<template>
  <div id="account-routes" class="routes">
    <p class="soft">
      {{
        routes.length === 0
          ? `Without routes every family whose category has a place on ${account.name} is offered there. With routes only those that one of them takes.`
          : 'Looked at from above: the first that holds takes the family. What you say of a single family counts more.'
      }}
    </p>
    <section v-for="(route, at) in routes" :key="route.id" class="route" data-test="route">
      <div class="number">
        <strong>{{ at + 1 }}</strong>
        <button class="link" :disabled="at === 0" :aria-label="`Move route ${at + 1} up`" @click="move(at, -1)">
          up
        </button>
        <button
          class="link"
          :disabled="at === routes.length - 1"
          :aria-label="`Move route ${at + 1} down`"
          @click="move(at, 1)"
        >
          down
        </button>
      </div>
      <div class="when">
        <input
          class="name"
          :value="route.name"
          placeholder="name it, if you like"
          :aria-label="`Name of route ${at + 1}`"
          @change="put(at, { name: text($event) })"
        />
        <ConditionsEntry
          :model-value="route.when"
          :name="`route ${at + 1}`"
          @update:model-value="put(at, { when: $event })"
        />
      </div>
      <div class="goes">
        <label
          ><span class="soft">goes to</span>
          <select
            :value="route.category ?? ''"
            :aria-label="`Category of route ${at + 1}`"
            @change="put(at, { category: text($event) || null })"
          >
            <option value="">where its category goes</option>
            <option v-for="one in channel.rulebook.categories" :key="one.id" :value="one.id">{{ one.label }}</option>
          </select></label
        >
        <label
          ><span class="soft">and is</span>
          <select
            :value="route.offers ? 'yes' : 'no'"
            :aria-label="`Whether route ${at + 1} offers by itself`"
            @change="put(at, { offers: text($event) === 'yes' })"
          >
            <option value="yes">offered by itself</option>
            <option value="no">kept until you offer it</option>
          </select></label
        >
      </div>
      <div class="found">
        <span v-if="isShut(at)" class="warns">Never come to: a route above takes every family.</span>
        <span v-else-if="!isWritten(route.when)" class="warns">Say what it is compared with.</span>
        <FoundFamilies v-else-if="tried?.sets[at]" :found="tried.sets[at]" :holds="tried.sets[at].holds" />
        <button class="link" :data-test="`remove-route-${at + 1}`" @click="remove(at)">take away</button>
      </div>
    </section>
    <div class="foot">
      <ElButton size="small" data-test="add-route" @click="add">Add a route</ElButton>
      <select
        v-if="others.length"
        value=""
        aria-label="Take over the routes of another account"
        data-test="take-routes"
        @change="takeFrom($event.target as HTMLSelectElement)"
      >
        <option value="">take over those of…</option>
        <option v-for="one in others" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select>
      <template v-if="isChanged">
        <ElButton size="small" type="primary" :disabled="!allWritten" data-test="keep-routes" @click="keep"
          >Keep these routes</ElButton
        >
        <button class="link" @click="asKept">as they were</button>
      </template>
    </div>
    <template v-if="tried && routes.length">
      <div class="rest">
        <span>No route takes</span>
        <FoundFamilies :found="tried.none" data-test="no-route" />
      </div>
      <div class="rest">
        <span>Several routes would take</span>
        <FoundFamilies :found="tried.several" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.routes {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.route {
  display: grid;
  grid-template-columns: 44px minmax(0, 1fr) 250px 150px;
  gap: 12px;
  padding: 8px 0 10px;
  border-top: 1px solid var(--line);
}
.number,
.goes,
.found,
.when {
  display: flex;
  flex-direction: column;
  gap: 5px;
  align-items: flex-start;
}
.when {
  align-items: stretch;
}
.number {
  font-size: 12px;
  gap: 1px;
}
.goes label {
  display: flex;
  gap: 6px;
  align-items: center;
  width: 100%;
}
.goes span {
  width: 48px;
  flex: none;
}
.goes select,
.foot select,
.name {
  font: inherit;
  color: inherit;
  height: 26px;
  border: 1px solid var(--line);
  background: var(--sheet);
  min-width: 0;
  flex: 1;
  padding: 1px 6px;
}
.foot select {
  flex: none;
}
.name {
  max-width: 260px;
  flex: none;
}
.foot,
.rest {
  display: flex;
  gap: 6px;
  align-items: baseline;
}
button:disabled {
  opacity: 0.4;
}
</style>
