<script setup lang="ts">
/** GTINs for the children that have none: the next numbers of a block, a pasted list, or an exemption. */
import { computed, ref } from 'vue';
import { ElButton } from 'element-plus';
import { children, count, NumberBlockSchema, readFigure, Refusal, unreadableText, type Command } from '@loom-kin/core';
import { api, call, say, tell } from '../api';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';

const store = useFamily();
const setup = useSetup();
const block = ref('');
const pasted = ref('');
const bare = computed(() => (store.index?.woven ?? []).filter((child) => child.fields.gtin === undefined));
const exempt = computed(() => store.family!.fields.gtinExempt === true);

async function takeNumbers(): Promise<void> {
  const ids = bare.value.map((child) => child.id);
  if (!(await store.takeNumbers(ids, block.value || undefined))) return;
  say(`${count(ids.length, 'number')} taken.`);
}

const prefix = ref('');
/** Blanks in a prefix are how people read it. */
async function addBlock(): Promise<void> {
  const digits = prefix.value.replace(/[\s-]/g, '');
  const read = NumberBlockSchema.omit({ id: true }).safeParse({ label: `Block ${digits}`, prefix: digits, digits: 13 });
  if (!read.success) return tell(new Refusal('block.prefix', { text: prefix.value }));
  try {
    await call(api.addBlock, { body: read.data });
    await setup.reload();
    await takeNumbers();
  } catch (error) {
    tell(error);
  }
}

/** Numbers one a line, in the order of the children that have none. What is wrong is told with its line. */
const list = computed(() =>
  pasted.value
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map((text, at) => ({ line: at + 1, read: readFigure(setup.registry, setup.registry.field('gtin')!, text) })),
);
const wrong = computed(() =>
  list.value.flatMap(({ line, read }) => (read.ok ? [] : [`Number ${line}: ${unreadableText(read)}`])),
);
const over = computed(() => Math.max(0, list.value.length - bare.value.length));
function takeList(): void {
  const changes: Extract<Command, { do: 'setFigures' }>['changes'] = list.value.flatMap(({ read }, at) => {
    const child = bare.value[at];
    return read.ok && child
      ? [{ place: { level: 'child' as const, childId: child.id }, key: 'gtin', figure: read.figure }]
      : [];
  });
  if (changes.length > 0 && store.run({ do: 'setFigures', changes })) pasted.value = '';
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
      <form v-if="!setup.setup?.blocks.length" class="row" data-test="first-block" @submit.prevent="addBlock">
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
          <select v-model="block">
            <option value="">the first block with room</option>
            <option v-for="one in setup.setup.blocks" :key="one.id" :value="one.id">
              {{ one.label }}, next {{ one.next }}
            </option>
          </select>
        </label>
        <ElButton size="small" type="primary" data-test="take-numbers" @click="takeNumbers"
          >Take {{ count(bare.length, 'number') }} in order</ElButton
        >
      </template>
      <label class="soft"
        >Or a list, in the order of the grid
        <textarea v-model="pasted" rows="3" class="mono" placeholder="one number a line" data-test="gtin-list" />
      </label>
      <p v-if="wrong.length" class="stops" data-test="gtin-wrong">
        {{ wrong.slice(0, 3).join(' ') }}<template v-if="wrong.length > 3"> And {{ wrong.length - 3 }} more.</template>
      </p>
      <p v-if="over" class="warns">
        {{ count(over, 'number') }} too many: {{ children(bare.length) }} {{ bare.length === 1 ? 'has' : 'have' }} none.
      </p>
      <ElButton
        v-if="list.length"
        size="small"
        type="primary"
        data-test="take-list"
        :disabled="wrong.length > 0 || over > 0"
        @click="takeList"
        >Give {{ count(list.length, 'number') }} out</ElButton
      >
    </template>
    <ElButton v-if="exempt" size="small" data-test="not-exempt" @click="setExempt(false)"
      >The family is exempt: take that back</ElButton
    >
    <ElButton v-else-if="bare.length" size="small" data-test="exempt" @click="setExempt(true)"
      >Mark the family exempt</ElButton
    >
    <p class="soft">Check digits are looked at; a number is never given out twice.</p>
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
textarea {
  display: block;
  width: 100%;
  border: 1px solid var(--line);
  padding: 4px 6px;
  resize: vertical;
  color: inherit;
}
</style>
