<script setup lang="ts">
/** Lines of a dispatch: what goes where, what came of it, and every refusal leading to its child and field. */
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { showAmount } from '@loom-kin/core';
import type { DispatchLine } from '@loom-kin/contract';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';

defineProps<{ lines: readonly DispatchLine[] }>();
const router = useRouter();
const setup = useSetup();
const store = useFamily();
const open = ref(new Set<number>());
const FEW = 3;
/** Lines whose reasons are all shown. */
const full = ref(new Set<number>());

const ACTIONS = { list: 'list', revise: 'revise', takeDown: 'take down', none: '—' };
const STATES = { held: 'held back', queued: 'not sent yet', sent: 'waiting', done: 'done', refused: 'refused', failed: 'not delivered', stopped: 'stopped' };
const CLASSES = { held: 'stops', queued: 'soft', sent: 'soft', done: 'fits', refused: 'stops', failed: 'stops', stopped: 'warns' };
const currencyOf = (channel: string) => setup.channels.find((one) => one.channel === channel)?.rulebook.rules.price.currency ?? 'EUR';

async function goTo(line: DispatchLine, reason: DispatchLine['reasons'][number]): Promise<void> {
  if (line.state === 'held' && !reason.childId) return void router.push({ name: 'fit', params: { id: line.familyId, channel: line.channel } });
  await store.open(line.familyId);
  if (reason.childId) store.selected = { level: 'child', childId: reason.childId };
  const words = ['name', 'description', 'highlights', 'searchWords', 'brand', 'wearer', 'collections', 'care'];
  await router.push({ name: reason.field === 'pictures' ? 'pictures' : reason.field && words.includes(reason.field) ? 'words' : 'family', params: { id: line.familyId } });
}
const toggle = (id: number) => {
  const next = new Set(open.value);
  if (!next.delete(id)) next.add(id);
  open.value = next;
};
function partsOf(line: DispatchLine): string {
  const { message } = line;
  if (message?.action === 'list') return `${message.listing.offers.length} children${message.listing.axes.length ? `, by ${message.listing.axes.map((axis) => axis.name).join(' × ')}` : ''}${message.draft ? ', as a draft' : ''}`;
  if (message?.action === 'revise') {
    const shared = Object.keys(message.changes);
    const figures = [...new Set(message.offers.flatMap((offer) => Object.keys(offer).filter((key) => key !== 'sku')))];
    return [message.offers.length && `${message.offers.length} children: ${figures.join(', ')}`, message.gone.length && `${message.gone.length} taken away`, shared.length && `listing: ${shared.join(', ')}`].filter(Boolean).join(' · ') || 'publish the draft';
  }
  return message ? 'the whole listing' : '';
}
</script>

<template>
  <table class="lines" data-test="dispatch-lines">
    <thead><tr><th>Channel</th><th>Family</th><th>What</th><th>Of it</th><th class="number">Fee</th><th>State</th><th /></tr></thead>
    <tbody>
      <template v-for="line in lines" :key="line.id">
        <tr :data-state="line.state">
          <td>{{ setup.channelName(line.channel) }}</td>
          <td><RouterLink :to="{ name: 'fit', params: { id: line.familyId, channel: line.channel } }">{{ line.familyName }}</RouterLink></td>
          <td>{{ ACTIONS[line.action] }}</td>
          <td class="soft">{{ partsOf(line) }}</td>
          <td class="number">{{ line.fee === '0' ? '' : showAmount(line.fee, currencyOf(line.channel)) }}</td>
          <td :class="CLASSES[line.state]">{{ line.state === 'done' && line.outcome ? line.outcome : STATES[line.state] }}<template v-if="line.outcome && ['failed', 'held'].includes(line.state)">: {{ line.outcome }}</template></td>
          <td style="white-space: nowrap"><a v-if="line.page && line.state === 'done'" :href="line.page" target="_blank" rel="noreferrer">buyer's page</a> <button v-if="line.message" class="link" @click="toggle(line.id)">{{ open.has(line.id) ? 'hide' : 'exactly' }}</button></td>
        </tr>
        <tr v-if="line.reasons.length" class="why">
          <td /><td colspan="6">
            <ul><li v-for="(reason, at) in full.has(line.id) ? line.reasons : line.reasons.slice(0, FEW)" :key="at"><span v-if="reason.sku" class="mono">{{ reason.sku }}</span> {{ reason.text }} <button class="link" data-test="reason-link" @click="goTo(line, reason)">{{ reason.childId ? 'to the child' : 'to the place' }}</button></li><li v-if="line.reasons.length > FEW && !full.has(line.id)" class="rest"><button class="link" @click="full = new Set([...full, line.id])">{{ line.reasons.length - FEW }} more</button></li></ul>
          </td>
        </tr>
        <tr v-if="open.has(line.id)"><td colspan="7"><pre class="mono">{{ JSON.stringify(line.message, null, 2) }}</pre></td></tr>
      </template>
    </tbody>
  </table>
</template>

<style scoped>
ul { margin: 0; padding-left: 16px; }
.rest { list-style: none; }
pre { margin: 0; max-height: 300px; overflow: auto; background: var(--ground); padding: 8px; }
</style>
