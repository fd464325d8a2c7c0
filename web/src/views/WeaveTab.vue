<script setup lang="ts">
/** The weave above, the children's grid below, the inspector beside. */
import { computed, ref } from 'vue';
import { ElButton, ElInput, ElOption, ElPopover, ElSelect, ElSwitch } from 'element-plus';
import { proposeSkus, ROLE_LABELS, ROLES, skuMarks, type Axis, type Role } from '@loom-kin/core';
import { say, tell } from '../api';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { useKeys } from '../shell/keys';
import { draftValues, splitList } from '../parts/AxisValues';
import AxisMenu from '../parts/AxisMenu.vue';
import ChildGrid from '../parts/ChildGrid.vue';
import Inspector from '../parts/Inspector.vue';
import RemoveAxis from '../parts/RemoveAxis.vue';
import Weave from '../parts/Weave.vue';

const store = useFamily();
const setup = useSetup();
const weaving = ref(false);
const removing = ref<Axis | null>(null);
useKeys({ w: () => (weaving.value = !weaving.value) });

const family = computed(() => store.family!);
const states = computed(() => Object.fromEntries(Object.entries(store.fits).map(([channel, fit]) => [channel, fit.childStates])));
const woven = computed(() => store.index?.woven ?? []);

const newAxis = ref<{ role: Role; label: string; text: string }>({ role: 'other', label: '', text: '' });
const newValues = computed(() => draftValues(splitList(newAxis.value.text), newAxis.value.role));
const existingTake = ref(0);
function addAxis(): void {
  const { role, label } = newAxis.value;
  const take = Math.min(existingTake.value, newValues.value.length - 1);
  if (store.run({ do: 'addAxis', role, label: label.trim() || ROLE_LABELS[role], values: newValues.value, existingTake: take })) newAxis.value = { role: 'other', label: '', text: '' };
}

const pattern = ref('');
const usedPattern = computed(() => pattern.value || family.value.skuPattern);
const withoutSku = computed(() => woven.value.filter((child) => child.fields.sku === undefined));
const marks = computed(() => skuMarks(family.value).map((mark) => '{' + mark + '}').join(' '));
const taken = computed(() => new Set([...Object.values(family.value.children), ...Object.values(family.value.shelf).map((one) => one.child)].flatMap((child) => (typeof child.fields.sku === 'string' ? [child.fields.sku.toUpperCase()] : []))));
const proposals = computed(() => proposeSkus(family.value, withoutSku.value, usedPattern.value, taken.value));
function makeSkus(): void {
  const good = proposals.value.filter((one) => !one.problem);
  if (good.length === 0) return;
  const changes = good.map(({ childId, sku }) => ({ place: { level: 'child' as const, childId }, key: 'sku', figure: sku }));
  store.run({ do: 'batch', title: `Make ${good.length} SKUs`, commands: [...(pattern.value ? [{ do: 'setSkuPattern' as const, pattern: pattern.value }] : []), { do: 'setFigures', changes }] });
}

const withoutGtin = computed(() => woven.value.filter((child) => child.fields.gtin === undefined));
const block = ref('');
async function takeNumbers(): Promise<void> {
  const count = withoutGtin.value.length;
  if (await store.takeNumbers(withoutGtin.value.map((child) => child.id), block.value || undefined)) {
    say(`${count} numbers taken.`);
    await setup.reload();
  }
}
function exempt(): void {
  try {
    store.run({ do: 'setFigures', changes: [{ place: { level: 'family' }, key: 'gtinExempt', figure: true }] });
  } catch (error) {
    tell(error);
  }
}
</script>

<template>
  <div class="tab-weave">
    <div class="left">
      <div class="sheet cloth">
        <div class="tools">
          <AxisMenu v-for="(axis, at) in family.axes" :key="axis.id" :axis="axis" :at="at" :count="family.axes.length" @remove="removing = $event" />
          <ElPopover v-if="family.axes.length < 6" trigger="click" :width="380" placement="bottom-start">
            <template #reference><ElButton size="small" text data-test="add-axis">+ Axis</ElButton></template>
            <form class="pop" @submit.prevent="addAxis">
              <div class="row"><ElSelect v-model="newAxis.role" size="small" style="width: 120px" aria-label="What the axis is about"><ElOption v-for="role in ROLES" :key="role" :value="role" :label="ROLE_LABELS[role]" /></ElSelect><ElInput v-model="newAxis.label" size="small" :placeholder="ROLE_LABELS[newAxis.role]" aria-label="Name of the axis" /></div>
              <ElInput v-model="newAxis.text" size="small" placeholder="Values, parted by commas" data-test="new-axis-values" />
              <p v-if="newValues.length">The {{ woven.length }} children there are take <select v-model="existingTake"><option v-for="(value, at) in newValues" :key="value.label" :value="at">{{ value.label }}</option></select>; {{ woven.length * (newValues.length - 1) }} new ones appear.</p>
              <ElButton size="small" type="primary" native-type="submit" :disabled="newValues.length === 0">Add the axis</ElButton>
            </form>
          </ElPopover>
          <div class="grow" />
          <ElPopover trigger="click" :width="400" placement="bottom-end">
            <template #reference><ElButton size="small" data-test="skus">SKUs<span v-if="withoutSku.length" class="warns">&nbsp;{{ withoutSku.length }} missing</span></ElButton></template>
            <div class="pop">
              <label class="soft">Pattern <ElInput v-model="pattern" size="small" class="mono" :placeholder="family.skuPattern" /></label>
              <p class="soft">Marks: <span class="mono">{{ marks }}</span></p>
              <p v-if="withoutSku.length === 0">Every child has its SKU. A SKU is never changed by itself: orders find the item by it.</p>
              <template v-else>
                <p class="mono">{{ proposals.slice(0, 4).map((one) => one.sku).join('  ') }}</p>
                <p v-if="proposals.some((one) => one.problem)" class="stops">{{ proposals.find((one) => one.problem)!.problem }}</p>
                <ElButton size="small" type="primary" data-test="make-skus" @click="makeSkus">Make {{ proposals.filter((one) => !one.problem).length }} SKUs</ElButton>
              </template>
            </div>
          </ElPopover>
          <ElPopover trigger="click" :width="360" placement="bottom-end">
            <template #reference><ElButton size="small" data-test="gtins">GTINs<span v-if="withoutGtin.length" class="soft">&nbsp;{{ withoutGtin.length }} without</span></ElButton></template>
            <div class="pop">
              <p v-if="withoutGtin.length === 0">Every child has its GTIN.</p>
              <template v-else>
                <p v-if="!setup.setup?.blocks.length">There is no number block. <RouterLink to="/setup">Add one</RouterLink>, or paste numbers into the grid.</p>
                <template v-else>
                  <label class="soft">From <select v-model="block"><option value="">the first block with room</option><option v-for="one in setup.setup.blocks" :key="one.id" :value="one.id">{{ one.label }}, next {{ one.next }}</option></select></label>
                  <ElButton size="small" type="primary" data-test="take-numbers" @click="takeNumbers">Take {{ withoutGtin.length }} numbers in order</ElButton>
                </template>
                <ElButton size="small" @click="exempt">Mark the family exempt</ElButton>
                <p class="soft">Numbers can be pasted into the grid as well; check digits are looked at.</p>
              </template>
            </div>
          </ElPopover>
          <label class="mode" title="While weaving, a click takes a crossing out or in (W)"><ElSwitch v-model="weaving" size="small" data-test="weaving" /> Weaving</label>
        </div>
        <Weave :family="family" :weaving="weaving" :states="states" :selected="store.selected" :lit="store.lit" @select="store.selected = $event" @toggle="(crossings, on) => store.run({ do: 'setWoven', crossings, woven: on })" @hover="store.lit = new Set($event)" />
      </div>
      <div class="sheet children"><ChildGrid /></div>
    </div>
    <Inspector />
    <RemoveAxis v-model="removing" />
  </div>
</template>

<style scoped>
.tab-weave { display: grid; grid-template-columns: minmax(0, 1fr) var(--inspector); gap: 10px; height: 100%; padding: 10px 20px 12px; }
.left { display: flex; flex-direction: column; gap: 10px; min-height: 0; }
.cloth { padding: 8px 12px 10px; max-height: 52%; display: flex; flex-direction: column; gap: 8px; min-height: 0; }
.tools { display: flex; gap: 6px; align-items: center; }
.mode { display: flex; gap: 6px; align-items: center; font-size: 13px; margin-left: 6px; }
.children { flex: 1; min-height: 120px; overflow: hidden; }
.pop { display: flex; flex-direction: column; gap: 8px; align-items: flex-start; }
.pop label { width: 100%; }
.pop .row { display: flex; gap: 6px; width: 100%; }
select { font: inherit; border: 1px solid var(--line); background: var(--sheet); }
</style>
