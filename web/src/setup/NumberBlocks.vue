<script setup lang="ts">
/** Blocks of GTINs that the seller bought: how many are left, and what of them is set aside. */
import { computed, reactive, ref } from 'vue';
import { ElButton, ElInput } from 'element-plus';
import { NumberBlockSchema } from '@loom-kin/core/identifiers';
import { count } from '@loom-kin/core/text';
import type { BlockState } from '@loom-kin/contract';
import Entry from '../common/Entry.vue';
import { freshBlock } from '../numbers/freshBlock';
import { useSetup } from '../stores/setup';

const setup = useSetup();
const blocks = computed(() => setup.setup?.blocks ?? []);
const typed = reactive({ label: '', prefix: '', digits: 13 as 12 | 13 });
const problem = ref('');
const number = (one: number) => one.toLocaleString('en');

/** The block as the registry holds it, of what is shown. */
const keptOf = (id: string) => setup.registry.data.numberBlocks.find((one) => one.id === id)!;
const put = (id: string, more: Partial<BlockState>) =>
  setup.change(() => [{ on: 'registry', command: { do: 'setNumberBlock', block: { ...keptOf(id), ...more } } }]);
const remove = (id: string) => setup.change([{ on: 'registry', command: { do: 'removeNumberBlock', id } }]);
const letGo = (id: string, partId: string) =>
  setup.change(() => {
    const block = keptOf(id);
    const reserved = block.reserved.filter((part) => part.id !== partId);
    return [{ on: 'registry', command: { do: 'setNumberBlock', block: { ...block, reserved } } }];
  });

async function add(): Promise<void> {
  const read = NumberBlockSchema.safeParse(freshBlock(typed.prefix, typed.digits, typed.label));
  if (!read.success) return void (problem.value = read.error.issues[0]!.message);
  problem.value = '';
  if (await setup.change([{ on: 'registry', command: { do: 'setNumberBlock', block: read.data } }]))
    Object.assign(typed, { label: '', prefix: '' });
}

const aside = reactive({ blockId: '', label: '', count: '' });
const asideCount = computed(() => Number(aside.count.replace(/[\s,]/g, '')));
const isAside = computed(() => aside.label.trim() !== '' && Number.isInteger(asideCount.value) && asideCount.value > 0);
async function setAside(): Promise<void> {
  const blockId = aside.blockId || blocks.value[0]!.id;
  const step = { on: 'setAside' as const, blockId, label: aside.label.trim(), count: asideCount.value };
  if (await setup.change([step])) Object.assign(aside, { label: '', count: '' });
}
</script>

<template>
  <div id="number-blocks" class="sheet part" data-test="number-blocks">
    <h2>Number blocks</h2>
    <p class="soft">
      GTINs you bought: the digits all of them begin with. Numbers are given out in order and never twice; those set
      aside are given only to who asks for them.
    </p>
    <table v-if="blocks.length" class="lines">
      <thead>
        <tr>
          <th>Block</th>
          <th>Begins with</th>
          <th class="number">Digits</th>
          <th class="number">Given out</th>
          <th class="number">Left</th>
          <th>Next</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <template v-for="one in blocks" :key="one.id">
          <tr data-test="block">
            <td>
              <Entry :value="one.label" :aria-label="`Name of ${one.label}`" @commit="put(one.id, { label: $event })" />
            </td>
            <td class="mono">{{ one.prefix }}</td>
            <td class="number">{{ one.digits }}</td>
            <td class="number">{{ number(one.used) }}</td>
            <td class="number">{{ number(one.free) }}</td>
            <td class="mono">{{ one.next ?? 'none is free' }}</td>
            <td class="acts">
              <button class="link" title="Numbers given out stay with their children" @click="remove(one.id)">
                remove
              </button>
            </td>
          </tr>
          <tr v-for="part in one.reserved" :key="part.id" class="aside" data-test="aside">
            <td colspan="3">
              set aside: {{ part.label }} <span class="soft">({{ count(part.count, 'number') }})</span>
            </td>
            <td class="number">{{ number(part.count - part.left) }}</td>
            <td class="number">{{ number(part.left) }}</td>
            <td class="mono">{{ part.next ?? 'none is free' }}</td>
            <td class="acts">
              <button class="link" title="What is left of it is free for all again" @click="letGo(one.id, part.id)">
                let go
              </button>
            </td>
          </tr>
        </template>
      </tbody>
    </table>
    <p v-else class="soft">There is no block yet.</p>
    <p v-if="problem" class="stops" role="alert">{{ problem }}</p>
    <form class="line" @submit.prevent="add">
      <label>Name <ElInput v-model="typed.label" data-test="block-name" /></label
      ><label
        >Begins with
        <ElInput v-model="typed.prefix" class="mono" placeholder="950 1017 4" data-test="block-begins" /></label
      ><label
        >Digits
        <select v-model="typed.digits">
          <option :value="13">13 (EAN)</option>
          <option :value="12">12 (UPC)</option>
        </select></label
      ><ElButton native-type="submit" data-test="block-add">Add the block</ElButton>
    </form>
    <form v-if="blocks.length" class="line" @submit.prevent="setAside">
      <label v-if="blocks.length > 1"
        >Of
        <select v-model="aside.blockId" aria-label="Of which block">
          <option value="">{{ blocks[0]!.label }}</option>
          <option v-for="one in blocks.slice(1)" :key="one.id" :value="one.id">{{ one.label }}</option>
        </select></label
      ><label
        >Set aside <ElInput v-model="aside.count" inputmode="numeric" placeholder="50" data-test="aside-count" /></label
      ><label>for <ElInput v-model="aside.label" placeholder="Labels of the spring" data-test="aside-label" /></label
      ><ElButton native-type="submit" :disabled="!isAside" data-test="aside-do">Set them aside</ElButton>
    </form>
  </div>
</template>

<style scoped>
@import './part.css';
.aside td:first-child {
  padding-left: 26px;
}
</style>
