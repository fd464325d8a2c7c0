<script setup lang="ts">
/** GTINs for the children that have none: the next numbers of a block, a pasted list, or an exemption; and back again. */
import { computed, ref } from 'vue';
import { ElButton } from 'element-plus';
import { NumberBlockSchema, isOfBlock } from '@loom-kin/core/identifiers';
import { Refusal } from '@loom-kin/core/refusal';
import { children, count } from '@loom-kin/core/text';
import { say, tell } from '../api/api';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { freshBlock } from './freshBlock';
import GtinList from './GtinList.vue';

const store = useFamily();
const setup = useSetup();
const blocks = computed(() => setup.setup?.blocks ?? []);
const woven = computed(() => store.index?.woven ?? []);
const bare = computed(() => woven.value.filter((child) => child.fields.gtin === undefined));
const exempt = computed(() => store.family!.fields.gtinExempt === true);

/** Where the next numbers are taken from: a block, or what was set aside in one; empty: the first blocks with room. */
const from = ref('');
const source = computed(() => {
  const [blockId, reservedId] = from.value.split('|');
  const block = blocks.value.find((one) => one.id === blockId);
  const part = block?.reserved.find((one) => one.id === reservedId);
  const left = block ? (part ?? { left: block.free }).left : blocks.value.reduce((sum, one) => sum + one.free, 0);
  return { ...(block ? { blockId: block.id } : {}), ...(part ? { reservedId: part.id } : {}), left };
});
const takes = computed(() => Math.min(bare.value.length, source.value.left));

async function takeNumbers(): Promise<void> {
  const { left: _left, ...where } = source.value;
  const ids = bare.value.slice(0, takes.value).map((child) => child.id);
  if (!(await store.takeNumbers(ids, where))) return;
  say(`${count(ids.length, 'number')} taken.`);
}

const prefix = ref('');
async function addBlock(): Promise<void> {
  const read = NumberBlockSchema.safeParse(freshBlock(prefix.value, 13));
  if (!read.success) return tell(new Refusal('block.prefix', { text: prefix.value }));
  if (await setup.change([{ on: 'registry', command: { do: 'setNumberBlock', block: read.data } }]))
    await takeNumbers();
}

/** Those that are chosen, if any are: only numbers of one's own blocks can go back. */
const backs = computed(() =>
  woven.value.filter(
    ({ id, fields: { gtin } }) =>
      typeof gtin === 'string' &&
      (store.chosen.size === 0 || store.chosen.has(id)) &&
      blocks.value.some((block) => isOfBlock(block, gtin)),
  ),
);
function giveBack(): void {
  const childIds = backs.value.map((child) => child.id);
  void store.ask(({ id }) => [{ on: 'numbersBack', familyId: id, childIds }]);
}
const setExempt = (on: boolean) =>
  store.run({
    do: 'setFigures',
    changes: [{ place: { level: 'family' }, key: 'gtinExempt', figure: on ? true : null }],
  });
</script>

<template>
  <div class="pop">
    <p v-if="bare.length === 0">Every child has its GTIN.</p>
    <template v-else>
      <form v-if="blocks.length === 0" class="row" data-test="first-block" @submit.prevent="addBlock">
        <label class="soft"
          >There is no number block yet. The digits all your numbers begin with:
          <input v-model="prefix" class="mono" inputmode="numeric" placeholder="950 1017" data-test="block-prefix"
        /></label>
        <ElButton size="small" native-type="submit" :disabled="prefix.trim() === ''" data-test="add-block"
          >Add it, and take {{ count(bare.length, 'number') }}</ElButton
        >
      </form>
      <template v-else>
        <label class="soft"
          >From
          <select v-model="from" data-test="number-source">
            <option value="">the first block with room</option>
            <template v-for="one in blocks" :key="one.id">
              <option :value="one.id">
                {{ one.label }}: {{ one.free.toLocaleString('en') }} left{{ one.next ? `, next ${one.next}` : '' }}
              </option>
              <option v-for="part in one.reserved" :key="part.id" :value="`${one.id}|${part.id}`">
                {{ one.label }}, set aside for {{ part.label }}: {{ part.left.toLocaleString('en') }} left
              </option>
            </template>
          </select>
        </label>
        <ElButton size="small" type="primary" :disabled="takes === 0" data-test="take-numbers" @click="takeNumbers">
          {{
            takes === bare.length
              ? `Take ${count(takes, 'number')} in order`
              : `Take the ${takes} that ${takes === 1 ? 'is' : 'are'} left`
          }}
        </ElButton>
        <p v-if="takes < bare.length" class="warns" data-test="too-few">
          {{ children(bare.length - takes) }} would be without: add a block under
          <RouterLink to="/setup#number-blocks">Setup</RouterLink>.
        </p>
      </template>
      <GtinList :bare="bare" />
    </template>
    <ElButton v-if="backs.length" size="small" data-test="numbers-back" @click="giveBack"
      >Give {{ count(backs.length, 'number') }} back{{ store.chosen.size > 0 ? ' of those chosen' : '' }}</ElButton
    >
    <ElButton v-if="exempt" size="small" data-test="not-exempt" @click="setExempt(false)"
      >The family is exempt: take that back</ElButton
    >
    <ElButton v-else-if="bare.length" size="small" data-test="exempt" @click="setExempt(true)"
      >Mark the family exempt</ElButton
    >
    <p class="soft">
      Check digits are looked at, and no number is given out twice. One that no account was told of can go back to its
      block; labels printed with it are void then.
    </p>
  </div>
</template>

<style scoped>
.row {
  flex-direction: column;
  gap: 6px;
}
.row input {
  display: block;
  width: 100%;
  font: inherit;
  border: 1px solid var(--line);
  padding: 2px 6px;
}
select {
  max-width: 100%;
}
</style>
