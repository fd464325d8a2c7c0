<script setup lang="ts">
/** Lines of a dispatch: what goes where, what came of it, and every refusal leading to its child and field. */
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import type { ListingMessage } from '@loom-kin/core/listing';
import { showAmount } from '@loom-kin/core/money';
import type { DispatchLine, PreviewLine } from '@loom-kin/contract';
import { api, call, tell } from '../api/api';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { useGoThere } from '../common/goThere';

/**
 * Lines of a preview carry their messages; those of a dispatch that went out are asked for when somebody wants to see
 * one.
 */
const props = defineProps<{ lines: readonly (DispatchLine | PreviewLine)[]; dispatchId?: string }>();
const router = useRouter();
const setup = useSetup();
const store = useFamily();
const go = useGoThere();
const FEW = 3;
/** Lines whose reasons are all shown. */
const full = ref(new Set<number>());

const ACTIONS = { list: 'list', revise: 'revise', takeDown: 'take down', none: '—' };
const STATES = {
  held: 'held back',
  queued: 'not sent yet',
  sent: 'waiting',
  done: 'done',
  refused: 'refused',
  failed: 'not delivered',
  stopped: 'stopped',
};
const CLASSES = {
  held: 'stops',
  queued: 'soft',
  sent: 'soft',
  done: 'fits',
  refused: 'stops',
  failed: 'stops',
  stopped: 'warns',
};
const WITH_OUTCOME: readonly DispatchLine['state'][] = ['failed', 'held'];
function currencyOf(account: string): string {
  const found = setup.account(account);
  return (found && setup.channelOf(found)?.rulebook.rules.price.currency) ?? setup.currency;
}
const stateText = (line: DispatchLine) =>
  (line.state === 'done' && line.outcome ? line.outcome : STATES[line.state]) +
  (line.outcome && WITH_OUTCOME.includes(line.state) ? `: ${line.outcome}` : '');

async function goTo(line: DispatchLine, reason: DispatchLine['reasons'][number]): Promise<void> {
  if (line.state === 'held' && !reason.childId) {
    return void router.push({ name: 'fit', params: { id: line.familyId, account: line.account } });
  }
  await store.open(line.familyId);
  const place = reason.childId ? { level: 'child' as const, childId: reason.childId } : { level: 'family' as const };
  await go({ key: reason.field ?? 'sku', place, account: line.account });
}

/** Line id → its message, while it is shown. */
const messages = ref<Record<number, ListingMessage | null>>({});
async function toggle(line: DispatchLine | PreviewLine): Promise<void> {
  if (line.id in messages.value) {
    const { [line.id]: _hidden, ...rest } = messages.value;
    messages.value = rest;
    return;
  }
  try {
    const message =
      'message' in line
        ? line.message
        : (await call(api.dispatchLine, { params: { id: props.dispatchId!, line: line.id } })).message;
    messages.value = { ...messages.value, [line.id]: message };
  } catch (error) {
    tell(error);
  }
}
</script>

<template>
  <table class="lines" data-test="dispatch-lines">
    <thead>
      <tr>
        <th>Account</th>
        <th>Family</th>
        <th>What</th>
        <th>What differs</th>
        <th class="number">Fee</th>
        <th>State</th>
        <th />
      </tr>
    </thead>
    <tbody>
      <template v-for="line in lines" :key="line.id">
        <tr :data-state="line.state">
          <td class="whole">{{ setup.accountName(line.account) }}</td>
          <td>
            <RouterLink :to="{ name: 'fit', params: { id: line.familyId, account: line.account } }">{{
              line.familyName
            }}</RouterLink>
          </td>
          <td>{{ ACTIONS[line.action] }}</td>
          <td class="soft">{{ line.what }}</td>
          <td class="number">{{ line.fee === '0' ? '' : showAmount(line.fee, currencyOf(line.account)) }}</td>
          <td :class="CLASSES[line.state]">{{ stateText(line) }}</td>
          <td>
            <span class="acts">
              <a v-if="line.page && line.state === 'done'" :href="line.page" target="_blank" rel="noreferrer"
                >buyer's page</a
              >
              <button
                v-if="line.action !== 'none'"
                class="link"
                data-test="exactly"
                :aria-expanded="line.id in messages"
                @click="toggle(line)"
              >
                {{ line.id in messages ? 'hide' : 'show every figure' }}
              </button>
            </span>
          </td>
        </tr>
        <tr v-if="line.reasons.length" class="why">
          <td />
          <td colspan="6">
            <ul>
              <li v-for="(reason, at) in full.has(line.id) ? line.reasons : line.reasons.slice(0, FEW)" :key="at">
                <span v-if="reason.sku" class="mono">{{ reason.sku }}</span> {{ reason.text }}
                <button class="link" data-test="reason-link" @click="goTo(line, reason)">
                  {{ reason.childId ? 'to the child' : 'to the place' }}
                </button>
              </li>
              <li v-if="line.reasons.length > FEW && !full.has(line.id)" class="rest">
                <button class="link" @click="full = new Set([...full, line.id])">
                  {{ line.reasons.length - FEW }} more
                </button>
              </li>
            </ul>
          </td>
        </tr>
        <tr v-if="line.id in messages">
          <td colspan="7">
            <pre class="mono">{{ JSON.stringify(messages[line.id], null, 2) }}</pre>
          </td>
        </tr>
      </template>
    </tbody>
  </table>
</template>

<style scoped>
.whole {
  white-space: nowrap;
}
ul {
  margin: 0;
  padding-left: 16px;
}
.rest {
  list-style: none;
}
.acts {
  white-space: nowrap;
  display: flex;
  gap: 10px;
}
pre {
  margin: 0;
  max-height: 300px;
  overflow: auto;
  background: var(--ground);
  padding: 8px;
}
</style>
