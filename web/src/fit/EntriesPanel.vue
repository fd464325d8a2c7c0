<script setup lang="ts">
/** Entries that the channel has already for numbers of the family: what is fixed there, and whether children are offered under them. */
import { computed } from 'vue';
import { ElButton } from 'element-plus';
import type { Account } from '@loom-kin/core/catalogue';
import { type Role, childLabels } from '@loom-kin/core/family';
import type { Fit } from '@loom-kin/core/fit';
import type { EntryMatch } from '@loom-kin/core/listing';
import { ROLE_LABELS } from '@loom-kin/core/registry';
import { children } from '@loom-kin/core/text';
import { useFamily } from '../stores/family';
import { useWish } from './useWish';

const props = defineProps<{ account: Account; fit: Fit }>();
const store = useFamily();
const { wish, setWish } = useWish(() => props.account.id);
const mustBe = computed(() => props.fit.category?.rules.identifiers.entries === 'must');
const lines = computed(() =>
  props.fit.entries.map((match) => ({
    match,
    name: childLabels(store.family!, store.family!.children[match.childId]!).join(' · ') || 'the only child',
    says: [
      ...Object.entries(match.entry.options).map(
        ([role, option]) => [ROLE_LABELS[role as Role] ?? role, option] as const,
      ),
      ...Object.entries(match.entry.facts),
    ]
      .map(([name, figure]) => `${name}: ${[figure].flat().join(', ')}`)
      .join(' · '),
  })),
);
const open = computed(() => lines.value.filter(({ match }) => match.stands === 'open' && match.isLikely));

const settle = (matches: readonly EntryMatch[], to: (match: EntryMatch) => string | null | undefined): void => {
  const entries = { ...wish.value.entries };
  for (const match of matches) {
    const choice = to(match);
    if (choice === undefined) delete entries[match.childId];
    else entries[match.childId] = choice;
  }
  setWish({ entries });
};
const under = (matches: readonly EntryMatch[]) => settle(matches, ({ entry }) => entry.entry);
</script>

<template>
  <section v-if="lines.length" id="entries" class="sheet entries" data-test="entries">
    <header>
      <h2>Known on {{ account.name }} already</h2>
      <span class="soft">{{ children(lines.length) }}</span>
      <div class="grow" />
      <ElButton v-if="open.length > 1" size="small" data-test="all-under" @click="under(open.map((one) => one.match))"
        >Offer the {{ open.length }} that agree under their entries</ElButton
      >
      <button class="link" data-test="ask-entries" @click="store.askEntries(account.id)">ask again</button>
    </header>
    <p class="soft">
      Under an entry buyers see {{ account.name }}’s own name, texts, pictures and facts, which are fixed; price, pieces
      and condition stay yours.
      {{ mustBe ? 'Goods it knows are taken under its entries alone.' : '' }}
    </p>
    <table>
      <thead>
        <tr>
          <th scope="col">Child</th>
          <th scope="col">Its entry there</th>
          <th scope="col">Said otherwise than by you</th>
          <th scope="col">Offered</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ match, name, says } in lines" :key="match.childId" :data-test="`entry-${match.entry.entry}`">
          <th scope="row">{{ name }}</th>
          <td>
            <details>
              <summary>
                <span class="mono">{{ match.entry.entry }}</span> {{ match.entry.name }}
              </summary>
              <span class="soft">{{ says }}</span>
            </details>
          </td>
          <td :class="{ off: !match.isLikely }">
            <template v-for="(one, at) in match.differences" :key="one.name"
              >{{ at > 0 ? '; ' : '' }}{{ one.name }} {{ one.theirs }}, <span class="soft">yours {{ one.ours }}</span>
            </template>
            <span v-if="match.differences.length === 0" class="soft">nothing</span>
          </td>
          <td class="acts">
            <template v-if="match.stands === 'under'">
              under it <button class="link" @click="settle([match], () => undefined)">take back</button>
            </template>
            <template v-else-if="match.stands === 'apart'">
              as other goods <button class="link" @click="settle([match], () => undefined)">take back</button>
            </template>
            <template v-else>
              <button class="link" data-test="under" @click="under([match])">under it</button>
              <button class="link" data-test="apart" @click="settle([match], () => null)">these are other goods</button>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.entries {
  padding: 10px 14px 12px;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
}
.grow {
  flex: 1;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 13px;
}
th,
td {
  text-align: left;
  padding: 4px 12px 4px 0;
  border-top: 1px solid var(--line-soft);
  vertical-align: top;
  font-weight: normal;
}
tbody th,
.acts {
  white-space: nowrap;
}
thead th {
  color: var(--ink-soft);
  font-size: 12px;
}
td.off {
  color: var(--warns);
}
.acts .link + .link {
  margin-left: 10px;
}
summary {
  cursor: pointer;
}
</style>
