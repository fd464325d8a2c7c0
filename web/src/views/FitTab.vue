<script setup lang="ts">
/** The fit of the family to one channel: plan, pairings, findings, and the rows that would be sent. */
import { computed, nextTick, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ElButton } from 'element-plus';
import { alike, childLabels, familyIndex, listingMessage, pairingLookup, pairingValue, placeLabel, rulesForSheet, showAmount, uploadSheet, type Finding, type Plan, type Role, type Wish } from '@loom-kin/core';
import { api, call, say } from '../api';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { useKeys } from '../shell/keys';
import Threads from '../parts/Threads.vue';
import Ticks from '../parts/Ticks.vue';
import Weave from '../parts/Weave.vue';

const route = useRoute();
const router = useRouter();
const store = useFamily();
const setup = useSetup();
const id = computed(() => String(route.params.channel));
const channel = computed(() => setup.channels.find((one) => one.channel === id.value));
const fit = computed(() => store.fits[id.value]);
const family = computed(() => store.family!);
const plan = computed(() => fit.value?.plan ?? null);
const name = computed(() => channel.value?.rulebook.name ?? id.value);
const STATE_WORDS = { fits: 'fits', needs: 'goes, but needs work', stopped: 'is stopped', absent: 'is not offered' };

const wish = computed((): Wish => family.value.wishes[id.value] ?? { apart: [], whole: [], leaveOut: [], offered: true });
const setWish = (changes: Partial<Wish>) => store.run({ do: 'setWish', channel: id.value, wish: { ...wish.value, ...changes } });
const toggleWish = (key: 'apart' | 'whole', axisId: string) => setWish({ [key]: wish.value[key].includes(axisId) ? wish.value[key].filter((one) => one !== axisId) : [...wish.value[key], axisId] });
const choose = (one: Plan) => setWish({ chosen: one === fit.value?.plans[0] ? undefined : one.signature });

const axisLabel = (axisId: string) => family.value.axes.find((axis) => axis.id === axisId)?.label ?? '';
function planText(one: Plan): string {
  const parts = [
    ...one.axes.filter((axis) => axis.from.length > 1).map((axis) => `join ${axis.from.map(axisLabel).join(' + ')}`),
    ...(one.split.length ? [`split by ${one.split.map(axisLabel).join(', ')}`] : []),
    ...one.axes.filter((axis) => axis.from.length === 1).map((axis) => `carry ${axisLabel(axis.from[0]!)}`),
    ...(one.pinned.length ? [`pin ${one.pinned.map(axisLabel).join(', ')}`] : []),
  ];
  return parts.join('; ') || 'a single product';
}
function cost(one: Plan): string {
  const { bill } = one;
  const currency = fit.value!.category!.rules.price.currency;
  return [
    `${bill.listings} listing${bill.listings === 1 ? '' : 's'}`, Number(bill.fees) > 0 && `${showAmount(bill.fees, currency)} in fees`, bill.joinedOptions > 0 && `${bill.joinedOptions} joined options`,
    `longest label ${bill.longestLabel}`, bill.picturesLost > 0 && `${bill.picturesLost} pictures not shown`, bill.remade > 0 && `${bill.remade} live listings made again`, bill.leftOut > 0 && `${bill.leftOut} children left out`,
  ].filter(Boolean).join(' · ');
}

const findings = computed(() => fit.value?.findings ?? []);
const groups = computed(() => {
  const byCode = new Map<string, Finding[]>();
  for (const finding of findings.value) byCode.set(finding.code, [...(byCode.get(finding.code) ?? []), finding]);
  return [...byCode.values()];
});
/** Of many alike a few are shown, until somebody wants all. */
const FEW = 4;
const unfolded = ref(new Set<string>());
const shown = (group: Finding[]) => (unfolded.value.has(group[0]!.code) ? group : group.slice(0, FEW));
const flat = computed(() => groups.value.flatMap(shown));
const at = ref(0);
watch(flat, (list) => (at.value = Math.min(at.value, Math.max(0, list.length - 1))));
const panel = ref<HTMLElement>();
function walk(by: number): void {
  at.value = Math.max(0, Math.min(flat.value.length - 1, at.value + by));
  void nextTick(() => panel.value?.querySelector('.finding.at')?.scrollIntoView({ block: 'nearest' }));
}
const mendable = (finding: Finding) => alike(findings.value, finding).filter((one) => one.remedy);
function goTo(finding: Finding): void {
  store.selected = finding.place;
  const { key } = finding;
  if (key === 'settings') void router.push('/channels');
  else if (key === 'pictures') void router.push({ name: 'pictures', params: { id: family.value.id } });
  else if (key === 'pairing') document.getElementById('pairings')?.scrollIntoView({ behavior: 'smooth' });
  else if (key !== 'plan') void router.push({ name: finding.place.level === 'family' && !['price', 'weight', 'stock'].includes(key) ? 'words' : 'family', params: { id: family.value.id } });
}
useKeys({
  j: () => walk(1), k: () => walk(-1), g: () => flat.value[at.value] && goTo(flat.value[at.value]!),
  Enter: () => flat.value[at.value]?.remedy && void store.mend([flat.value[at.value]!]),
  'Shift+Enter': () => flat.value[at.value]?.remedy && void store.mend(mendable(flat.value[at.value]!)),
});

const pairings = computed(() => {
  if (!plan.value || !channel.value) return [];
  const roles = fit.value!.category!.rules.axes.roles;
  const lookup = pairingLookup(id.value, setup.setup?.pairings ?? [], roles);
  const { valueById } = familyIndex(family.value);
  return plan.value.axes.flatMap((axis) => {
    const rules = roles[axis.role];
    if (!rules?.list) return [];
    const valueIds = [...new Set(axis.options.map((option) => option.valueIds[0]!))];
    return [{ axis: axis.name, role: axis.role, list: rules.list, values: valueIds.map((valueId) => ({ value: valueById.get(valueId)!, to: lookup(axis.role, valueById.get(valueId)!.label) ?? '' })) }];
  });
});
async function pair(role: Role, label: string, to: string): Promise<void> {
  if (await store.ask((familyId) => call(api.setPairings, { params: { id: familyId }, body: { pairings: [{ channel: id.value, role, value: pairingValue(label), to }] } }))) {
    await setup.reload();
    say(`${label} is paired with ${to} on ${name.value}, for every family.`);
  }
}

const rowsOpen = ref(false);
const live = computed(() => store.live.filter((one) => one.channel === id.value));
const sent = computed(() => {
  const held = new Map(live.value.map((one) => [one.key, one.listing]));
  const listings = fit.value?.listings ?? [];
  const messages = listings.flatMap((listing) => listingMessage(held.get(listing.key), listing) ?? []);
  const sheet = channel.value ? uploadSheet(channel.value.rulebook.transport === 'sheet' ? messages : listings.map((listing) => ({ action: 'list' as const, key: listing.key, draft: false, listing })), rulesForSheet(channel.value.rulebook)) : { headers: [], rows: [] };
  const used = sheet.headers.map((_header, column) => sheet.rows.some((row) => row[column] !== ''));
  return { messages, headers: sheet.headers.filter((_header, column) => used[column]), rows: sheet.rows.map((row) => row.filter((_cell, column) => used[column])), json: JSON.stringify(messages, null, 2) };
});
const differing = computed(() => sent.value.messages.reduce((sum, message) => sum + (message.action === 'list' ? message.listing.offers.length : message.action === 'revise' ? message.offers.length : 0), 0));
</script>

<template>
  <div v-if="!fit || !channel" class="empty">{{ channel || !setup.setup ? 'Working out the fit…' : 'There is no such channel.' }}</div>
  <div v-else class="fit">
    <div class="main">
      <header class="sheet verdict">
        <Ticks :states="{ [id]: fit.state }" :only="id" />
        <h2>{{ name }}: the family {{ STATE_WORDS[fit.state] }}<template v-if="fit.category">, as {{ fit.category.label }}</template></h2>
        <span v-for="one in live" :key="one.key" class="soft"><a v-if="one.page" :href="one.page" target="_blank" rel="noreferrer">buyer's page</a><template v-if="one.draft"> (draft)</template></span>
        <div class="grow" />
        <ElButton size="small" @click="setWish({ offered: !wish.offered })">{{ wish.offered ? `Do not offer on ${name}` : `Offer on ${name}` }}</ElButton>
      </header>
      <section v-if="plan" class="sheet plan">
        <div class="plan-head"><h2>{{ planText(plan) }}</h2><span class="soft">{{ cost(plan) }}</span></div>
        <div class="drawn">
          <div class="cloth">
            <Threads :family="family" :plan="plan" :channel-name="name" @hover="store.lit = new Set($event)" />
            <Weave :family="family" :weaving="false" :states="{ [id]: fit.childStates }" :only="id" :selected="store.selected" :lit="store.lit" @select="store.selected = $event" @hover="store.lit = new Set($event)" />
          </div>
          <div class="plans">
            <h3>Plans, best first</h3>
            <button v-for="(one, number) in fit.plans" :key="one.signature" class="plain other" :class="{ used: one.signature === plan.signature }" data-test="plan" @click="choose(one)">
              <strong>{{ planText(one) }}</strong><span class="soft">{{ cost(one) }}</span><span v-if="number === 0" class="soft">the best by itself</span>
            </button>
            <h3>Wishes</h3>
            <div v-for="axis in family.axes" :key="axis.id" class="wish">
              <span>{{ axis.label }}</span>
              <label><input type="checkbox" :checked="wish.apart.includes(axis.id)" @change="toggleWish('apart', axis.id)" /> never joined</label>
              <label><input type="checkbox" :checked="wish.whole.includes(axis.id)" @change="toggleWish('whole', axis.id)" /> never split</label>
            </div>
            <label v-if="fit.category?.rules.axes.pictures === 'axis' && family.axes.length > 1" class="wish">Pictures follow
              <select :value="wish.pictureAxis ?? ''" data-test="picture-axis" @change="setWish({ pictureAxis: ($event.target as HTMLSelectElement).value || undefined })">
                <option value="">the best axis</option><option v-for="axis in family.axes" :key="axis.id" :value="axis.id">{{ axis.label }}</option>
              </select>
            </label>
            <p v-if="wish.leaveOut.length" class="soft">{{ wish.leaveOut.length }} children are left out. <button class="link" @click="setWish({ leaveOut: [] })">Offer them again</button></p>
          </div>
        </div>
      </section>
      <section v-if="pairings.length" id="pairings" class="sheet plan">
        <h2>Pairings with {{ name }}'s own values</h2>
        <p class="soft">Remembered for every family. The buyer reads your own label; {{ name }} sorts and filters by its own.</p>
        <div class="pair-groups">
          <div v-for="group in pairings" :key="group.axis" class="pairs">
            <h3>{{ group.axis }}</h3>
            <div v-for="one in group.values" :key="one.value.id" class="pair">
              <i v-if="one.value.swatch" class="swatch" :style="{ background: one.value.swatch }" /><span>{{ one.value.label }}</span><span class="soft">↔</span>
              <select :value="one.to" :class="{ missing: !one.to }" :aria-label="`${one.value.label} on ${name}`" :data-test="`pair-${one.value.label}`" @change="pair(group.role, one.value.label, ($event.target as HTMLSelectElement).value)">
                <option value="" disabled>not paired</option><option v-for="entry in group.list" :key="entry.label" :value="entry.label">{{ entry.label }}</option>
              </select>
            </div>
          </div>
        </div>
      </section>
      <section v-if="plan" class="sheet plan">
        <div class="plan-head">
          <h2>What would be sent now</h2>
          <span class="soft">{{ sent.messages.length === 0 ? `${name} holds all of it already` : `${sent.messages.length} listing${sent.messages.length === 1 ? '' : 's'}, ${differing} children` }}</span>
          <div class="grow" />
          <a v-if="channel.rulebook.transport === 'sheet' && sent.messages.length" :href="`/api/families/${family.id}/upload/${id}`" download>Upload sheet (XLSX)</a>
          <button class="link" data-test="show-rows" @click="rowsOpen = !rowsOpen">{{ rowsOpen ? 'Hide' : 'Show' }} {{ channel.rulebook.transport === 'sheet' ? 'the rows' : 'it exactly' }}</button>
        </div>
        <div v-if="rowsOpen && sent.messages.length" class="rows">
          <table v-if="channel.rulebook.transport === 'sheet'" class="lines" data-test="rows"><thead><tr><th v-for="header in sent.headers" :key="header">{{ header }}</th></tr></thead>
            <tbody><tr v-for="(row, number) in sent.rows" :key="number" :class="{ parent: row[0] === 'family' }"><td v-for="(cell, column) in row" :key="column" :class="{ number: typeof cell === 'number' }">{{ String(cell).slice(0, 60) }}</td></tr></tbody></table>
          <pre v-else class="mono" data-test="rows">{{ sent.json }}</pre>
        </div>
      </section>
    </div>
    <aside ref="panel" class="sheet findings" aria-label="Findings">
      <header><h2>{{ findings.length === 0 ? 'Nothing is missing' : `${findings.length} findings` }}</h2><p v-if="findings.length" class="soft small"><kbd>J</kbd> <kbd>K</kbd> walk · <kbd>Enter</kbd> mend · <kbd>Shift Enter</kbd> all alike</p></header>
      <p v-if="findings.length === 0 && fit.state === 'fits'" class="soft pad">Everything {{ name }} asks for is there. It can be sent.</p>
      <div v-for="group in groups" :key="group[0]!.code" class="group" :class="group[0]!.severity">
        <div v-for="finding in shown(group)" :key="JSON.stringify(finding.place) + finding.text" class="finding" :class="{ at: flat[at] === finding }" data-test="finding" @click="at = flat.indexOf(finding)">
          <p><span class="sign" :title="finding.severity">{{ finding.severity === 'stops' ? 'stops' : finding.severity === 'warns' ? 'warns' : 'note' }}</span> {{ finding.text }}</p>
          <div class="acts">
            <button class="link" :title="`Rule: ${finding.rule}`" @click.stop="goTo(finding)">{{ finding.place.level === 'child' && family.children[finding.place.childId] ? childLabels(family, family.children[finding.place.childId]!).join(' · ') : placeLabel(family, finding.place) }}</button>
            <ElButton v-if="finding.remedy" size="small" data-test="remedy" @click.stop="store.mend([finding])">{{ finding.remedy.label }}</ElButton>
          </div>
        </div>
        <button v-if="group.length > shown(group).length" class="link rest" data-test="unfold" @click="unfolded = new Set([...unfolded, group[0]!.code])">{{ group.length - shown(group).length }} more like this</button>
        <div v-if="group.filter((one) => one.remedy).length > 1" class="all"><ElButton size="small" type="primary" plain data-test="remedy-all" @click="store.mend(mendable(group.find((one) => one.remedy)!))">Mend all {{ mendable(group.find((one) => one.remedy)!).length }} alike</ElButton></div>
      </div>
    </aside>
  </div>
</template>

<style scoped>
.fit { display: grid; grid-template-columns: minmax(0, 1fr) 330px; gap: 10px; height: 100%; padding: 10px 20px 12px; }
.main { overflow: auto; display: flex; flex-direction: column; gap: 10px; min-height: 0; }
.main > * { flex: none; }
.verdict { display: flex; align-items: center; gap: 12px; padding: 8px 14px; }
.plan { padding: 10px 14px 12px; }
.plan-head { display: flex; gap: 14px; align-items: baseline; flex-wrap: wrap; }
.drawn { display: grid; grid-template-columns: minmax(0, 1fr) 236px; gap: 14px; margin-top: 6px; }
.cloth { min-width: 0; display: flex; flex-direction: column; gap: 12px; }
.cloth :deep(.crossing) { width: 37px; }
.cloth :deep(.warp) { left: 8px; right: 8px; }
.cloth :deep(.ticks-patch) { left: 11px; width: 15px; padding-left: 3px; }
.plans { border-left: 1px solid var(--line-soft); padding-left: 14px; font-size: 12.5px; }
.plans h3 { margin: 8px 0 4px; }
.other { display: flex; flex-direction: column; padding: 5px 8px; border-left: 3px solid transparent; width: 100%; }
.other strong { font-weight: 500; }
.other:hover { background: var(--ground); }
.other.used { border-left-color: var(--weld); background: var(--weld-pale); }
.wish { display: grid; grid-template-columns: 1fr auto auto; gap: 8px; padding: 2px 0; white-space: nowrap; }
.pair-groups { display: flex; gap: 40px; flex-wrap: wrap; }
.pairs h3 { margin: 8px 0 4px; }
.pair { display: grid; grid-template-columns: 14px 110px 16px 160px; gap: 6px; align-items: center; padding: 2px 0; font-size: 13px; }
.pair span:nth-child(1) { grid-column: 2; }
.pair select { font: inherit; border: 1px solid var(--line); background: var(--sheet); padding: 2px; }
.pair select.missing { border-color: var(--stops); color: var(--stops); }
.swatch { width: 12px; height: 12px; border: 1px solid #0003; grid-column: 1; }
.pair .swatch + span { grid-column: 2; }
.rows { overflow: auto; max-height: 360px; border: 1px solid var(--line-soft); margin-top: 8px; }
.rows td { white-space: nowrap; }
.rows tr.parent { background: var(--ground); font-weight: 500; }
pre { margin: 0; padding: 10px; }
.findings { overflow: auto; min-height: 0; }
.findings header { padding: 10px 14px; border-bottom: 1px solid var(--line-soft); position: sticky; top: 0; background: var(--sheet); }
.small { font-size: 12px; }
.pad { padding: 12px 14px; }
.group { border-bottom: 1px solid var(--line); border-left: 3px solid var(--line); }
.group.stops { border-left-color: var(--stops); color: inherit; }
.group.warns { border-left-color: var(--warns); color: inherit; }
.finding { padding: 6px 12px; font-size: 13px; border-top: 1px solid var(--line-soft); cursor: default; }
.finding.at { background: var(--weld-pale); }
.sign { font-size: 11px; text-transform: uppercase; letter-spacing: 0.04em; font-weight: 600; }
.stops .sign { color: var(--stops); }
.warns .sign { color: var(--warns); }
.advises .sign { color: var(--ink-soft); }
.acts { display: flex; justify-content: space-between; align-items: center; gap: 8px; margin-top: 3px; font-size: 12px; flex-wrap: wrap; }
button.rest { margin: 4px 12px 6px; font-size: 12px; }
.all { padding: 6px 12px; text-align: right; background: var(--ground); }
</style>
