<script setup lang="ts">
/** The channels: their rules in words, and what the seller has set up there. */
import { computed, onMounted, ref } from 'vue';
import { ElButton, ElMessage, ElOption, ElSelect } from 'element-plus';
import { categoryOf, ChannelSettingsSchema, showAmount, type Rules } from '@loom-kin/core';
import { api, call, say, tell } from '../api';
import { useSetup } from '../stores/setup';
import Entry from '../common/Entry.vue';

const setup = useSetup();
const chosen = ref('');
const busy = ref(false);
onMounted(() => void setup.ensure());
const channel = computed(() => setup.channels.find((one) => one.channel === chosen.value) ?? setup.channels[0]);

const words = computed(() => (channel.value ? rulesInWords(channel.value.rulebook.rules) : []));
function rulesInWords(rules: Rules): [string, string][] {
  const { axes, pictures, price, stock, fees } = rules;
  const attach = { child: 'each child', axis: 'the values of one axis', listing: 'the listing alone' }[axes.pictures];
  return [
    [
      'Axes',
      `${axes.atMost} at most${axes.sets ? `, only ${axes.sets.map((set) => set.join(' + ')).join(', or ')} (by category)` : ', any of your own'}`,
    ],
    ['Options', `${axes.valuesAtMost} an axis, labels of ${axes.labelAtMost} characters`],
    [
      'Own lists',
      Object.entries(axes.roles)
        .filter(([, role]) => role?.list)
        .map(([role, rule]) => `${role}: ${rule!.list!.length} values`)
        .join(', ') || 'none',
    ],
    ['Children', `${rules.children.atMost} a listing`],
    [
      'GTIN',
      {
        required: 'on every child',
        exemptible: 'on every child, or an exemption for the brand',
        optional: 'not asked for',
      }[rules.identifiers.gtin],
    ],
    [
      'Pictures',
      `${pictures.atLeast} to ${pictures.atMost}, tied to ${attach}, ${pictures.leastPixels} pixels at least${pictures.whiteMain ? ', the main one on white' : ''}`,
    ],
    [
      'Prices',
      `${price.currency} ${price.taxIncluded ? 'with' : 'without'} tax${price.listAbovePrice ? ', list price above the price' : ''}`,
    ],
    ['Stock', `${stock.least} to ${stock.most.toLocaleString('en')} pieces`],
    [
      'Fees',
      Number(fees.perListing) > 0
        ? `${showAmount(fees.perListing, price.currency)} a listing, ${fees.commissionPercent} % commission`
        : `none a listing, ${fees.commissionPercent} % commission`,
    ],
    ['Fields', rules.fields.map((field) => `${field.name}${field.need === 'required' ? ' *' : ''}`).join(', ')],
  ];
}

async function change(to: Partial<(typeof setup.channels)[number]['settings']>): Promise<void> {
  const read = ChannelSettingsSchema.safeParse({ ...channel.value!.settings, ...to });
  if (!read.success) return void ElMessage({ type: 'error', message: read.error.issues[0]!.message });
  try {
    await call(api.setChannel, { params: { id: channel.value!.channel }, body: read.data });
    await setup.reload();
    say(`${channel.value!.rulebook.name} is set.`);
  } catch (error) {
    tell(error);
  }
}
async function refresh(): Promise<void> {
  busy.value = true;
  try {
    const fresh = await call(api.refreshChannel, { params: { id: channel.value!.channel } });
    await setup.reload();
    say(`${fresh.rulebook.name}: rules of version ${fresh.rulebook.version}.`);
  } catch (error) {
    tell(error);
  } finally {
    busy.value = false;
  }
}
const value = (event: Event) => (event.target as HTMLInputElement).value.trim();
</script>

<template>
  <section class="view">
    <div v-if="setup.setup && setup.channels.length === 0" class="empty">
      <p>No channel has answered yet. Start the stand-in channels and start the server again.</p>
    </div>
    <div v-else-if="channel" class="columns">
      <nav class="sheet list" aria-label="Channels">
        <button
          v-for="one in setup.channels"
          :key="one.channel"
          class="plain"
          :class="{ here: one.channel === channel.channel }"
          @click="chosen = one.channel"
        >
          <strong>{{ one.rulebook.name }}</strong><span class="soft">{{ one.rulebook.about }}</span
          ><span v-if="!one.reachable" class="stops">does not answer</span>
        </button>
      </nav>
      <div class="sheet body">
        <h1>{{ channel.rulebook.name }}</h1>
        <h2>Set up here</h2>
        <div v-if="channel.rulebook.rules.price.currency !== setup.currency" class="line">
          <label for="rate">1 {{ setup.currency }} is</label
          ><Entry id="rate" :value="channel.settings.rate" @commit="(rate) => change({ rate: rate.trim() })" />
          {{ channel.rulebook.rules.price.currency }}
        </div>
        <div v-for="setting in channel.rulebook.rules.settings" :key="setting.key" class="line">
          <label>{{ setting.label }}</label>
          <ElSelect
            :model-value="channel.settings.answers[setting.key] ?? ''"
            placeholder="Choose one"
            style="width: 240px"
            @update:model-value="
              (answer: string) => change({ answers: { ...channel!.settings.answers, [setting.key]: answer } })
            "
          >
            <ElOption
              v-for="choice in channel.choices[setting.key] ?? []"
              :key="choice"
              :value="choice"
              :label="choice"
            />
          </ElSelect>
          <span class="soft">{{ setting.help }}</span>
        </div>
        <div class="line">
          <label>Best plan means</label>
          <select
            :value="channel.settings.objective"
            @change="change({ objective: value($event) as 'listings' | 'fees' })"
          >
            <option value="listings">fewest listings</option>
            <option value="fees">least fees</option>
          </select>
        </div>
        <div v-if="channel.rulebook.rules.identifiers.gtin === 'exemptible'" class="line">
          <label>Exempt from GTINs</label><span>{{ channel.settings.exemptBrands.join(', ') || 'no brand' }}</span
          ><span class="soft">granted by {{ channel.rulebook.name }}</span>
        </div>
        <h2>
          Its rules <span class="soft">version {{ channel.rulebook.version }}</span>
          <ElButton size="small" :loading="busy" @click="refresh">Fetch anew</ElButton>
        </h2>
        <table class="lines">
          <tbody>
            <tr v-for="[what, text] in words" :key="what">
              <td style="width: 110px" class="soft">{{ what }}</td>
              <td>{{ text }}</td>
            </tr>
          </tbody>
        </table>
        <h2>Where families go</h2>
        <table class="lines">
          <thead>
            <tr>
              <th>Its category</th>
              <th>Takes your categories</th>
              <th>Asks for besides</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="category in channel.rulebook.categories" :key="category.id">
              <td>{{ category.label }}</td>
              <td class="soft">{{ category.takes.map((id) => categoryOf(id)?.label ?? id).join(', ') }}</td>
              <td class="soft">{{ category.fields.map((field) => field.name).join(', ') }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </div>
  </section>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  gap: 10px;
  padding: 12px 20px 14px;
  height: 100%;
}
.list .plain {
  display: flex;
  flex-direction: column;
  width: 100%;
  padding: 9px 12px;
  border-bottom: 1px solid var(--line-soft);
  border-left: 3px solid transparent;
  font-size: 12.5px;
}
.list .here {
  border-left-color: var(--weld);
  background: var(--weld-pale);
}
.list strong {
  font-size: 14px;
}
.body {
  padding: 12px 18px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
h2 {
  margin-top: 10px;
  display: flex;
  gap: 10px;
  align-items: center;
}
.line {
  display: flex;
  gap: 10px;
  align-items: center;
}
.line label {
  width: 130px;
  color: var(--ink-soft);
}
input,
select {
  font: inherit;
  border: 1px solid var(--line);
  padding: 4px 8px;
  width: 110px;
  background: var(--sheet);
}
select {
  width: 160px;
}
</style>
