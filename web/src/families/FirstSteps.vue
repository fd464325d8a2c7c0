<script setup lang="ts">
/** Asked once, before anything else: who sells, in which money and with which tax, and what other money is worth. Nothing of it is guessed. */
import { computed, reactive, ref } from 'vue';
import { useRouter } from 'vue-router';
import { ElButton, ElInput } from 'element-plus';
import { SellerSchema } from '@loom-kin/core/catalogue';
import { isAnswered } from '@loom-kin/core/fit';
import { isCurrency } from '@loom-kin/core/money';
import type { StepInput } from '@loom-kin/contract';
import { useSetup } from '../stores/setup';

const setup = useSetup();
const router = useRouter();
const seller = reactive({ name: '', currency: '', taxPercent: '' });
/** Account → units of its currency for one of the seller's. */
const rates = reactive<Record<string, string>>({});
/** Account → setting → answer. */
const answers = reactive<Record<string, Record<string, string>>>({});
const takesTree = ref(true);
const problem = ref('');

const currency = computed(() => seller.currency.trim().toUpperCase());
const foreign = computed(() =>
  isCurrency(currency.value)
    ? setup.accounts.flatMap((account) => {
        const other = setup.channelOf(account)?.rulebook.rules.price.currency;
        return other && other !== currency.value ? [{ account, other }] : [];
      })
    : [],
);
const asked = computed(() =>
  setup.accounts.flatMap((account) => {
    const channel = setup.channelOf(account);
    const settings = channel?.rulebook.rules.settings ?? [];
    return settings.map((setting) => ({
      account,
      setting,
      key: setting.key,
      label: setting.label,
      choices: channel?.choices[setting.key] ?? [],
      currency: channel?.rulebook.rules.price.currency ?? '',
    }));
  }),
);
const hasTree = computed(() => setup.registry.tree.length > 0);

const plainNumber = (text: string) => text.trim().replace(',', '.').replace(/\s*%$/, '');

async function keep(): Promise<void> {
  if (!isCurrency(currency.value))
    return void (problem.value = 'The currency is a code of three letters, such as EUR, USD or GBP.');
  const read = SellerSchema.safeParse({
    name: seller.name,
    currency: currency.value,
    taxPercent: plainNumber(seller.taxPercent),
  });
  if (!read.success) {
    const wrong = { name: 'Say who sells.', taxPercent: 'The tax is a number of percent; 0 where prices have none.' };
    return void (problem.value = wrong[read.error.issues[0]!.path[0] as keyof typeof wrong] ?? 'This cannot be read.');
  }
  const missing = foreign.value.find(({ account }) => !(Number(plainNumber(rates[account.id] ?? '')) > 0));
  if (missing) return void (problem.value = `Say how many ${missing.other} one ${currency.value} is.`);
  const wrong = asked.value.find(({ account, setting, key }) => {
    const said = answers[account.id]?.[key];
    return said && !isAnswered(setting, said);
  });
  if (wrong)
    return void (problem.value = `${wrong.label} on ${wrong.account.name}: ${wrong.setting.help ?? 'an amount.'}`);
  problem.value = '';
  const steps: StepInput[] = [
    { on: 'seller', seller: read.data },
    ...(takesTree.value && !hasTree.value
      ? [{ on: 'registry' as const, command: { do: 'takeGeneralTree' as const } }]
      : []),
    ...setup.accounts.map((account): StepInput => {
      const rate = foreign.value.some((one) => one.account.id === account.id) ? plainNumber(rates[account.id]!) : '1';
      const given = Object.fromEntries(Object.entries(answers[account.id] ?? {}).filter(([, text]) => text !== ''));
      return {
        on: 'account',
        account: {
          ...account,
          settings: { ...account.settings, rate, answers: { ...account.settings.answers, ...given } },
        },
      };
    }),
  ];
  if (await setup.change(steps, 'Say who sells')) await router.push('/families/new');
}
const answer = (account: string, name: string, text: string) =>
  (answers[account] = { ...answers[account], [name]: text });
</script>

<template>
  <form class="first" data-test="first-steps" @submit.prevent="keep">
    <h2>Before the first family</h2>
    <p class="soft">Asked once; everything can be changed under Setup and Channels.</p>
    <div class="line">
      <label>Who sells <ElInput v-model="seller.name" maxlength="120" autofocus data-test="first-name" /></label>
      <label
        >Currency of your prices
        <ElInput v-model="seller.currency" maxlength="3" placeholder="EUR" data-test="first-currency"
      /></label>
      <label
        >Tax in them, % <ElInput v-model="seller.taxPercent" maxlength="7" placeholder="20" data-test="first-tax"
      /></label>
    </div>
    <div v-if="foreign.length" class="line">
      <label v-for="{ account, other } in foreign" :key="account.id"
        >1 {{ currency }} is … {{ other }}, for {{ account.name }}
        <ElInput v-model="rates[account.id]" maxlength="18" :data-test="`first-rate-${account.id}`"
      /></label>
    </div>
    <div v-if="asked.length" class="line">
      <label v-for="{ account, setting, key, label, choices, currency: money } in asked" :key="account.id + key"
        >{{ label }} on {{ account.name }}{{ setting.kind === 'money' ? `, ${money}` : '' }}
        <ElInput
          v-if="setting.kind === 'money'"
          :model-value="answers[account.id]?.[key] ?? ''"
          maxlength="12"
          :placeholder="setting.help"
          :data-test="`first-${key}`"
          @update:model-value="(text: string) => answer(account.id, key, plainNumber(text))"
        />
        <select
          v-else
          :value="answers[account.id]?.[key] ?? ''"
          :data-test="`first-${key}`"
          @change="answer(account.id, key, ($event.target as HTMLSelectElement).value)"
        >
          <option value="">later</option>
          <option v-for="choice in choices" :key="choice">{{ choice }}</option>
        </select></label
      >
    </div>
    <label v-if="!hasTree" class="tick"
      ><input v-model="takesTree" type="checkbox" /> Begin with a small general tree of categories</label
    >
    <p v-if="problem" class="stops" role="alert">{{ problem }}</p>
    <ElButton type="primary" native-type="submit" data-test="first-keep">Keep this, and start a family</ElButton>
  </form>
</template>

<style scoped>
.first {
  text-align: left;
  color: var(--ink);
  display: flex;
  flex-direction: column;
  gap: 12px;
  width: min(720px, 100%);
}
.first > button {
  align-self: flex-start;
}
.line {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 12px;
}
@media (max-width: 600px) {
  .line {
    grid-template-columns: minmax(0, 1fr);
  }
}
.line label {
  display: flex;
  flex-direction: column;
  justify-content: end;
  gap: 3px;
  font-size: 12.5px;
  color: var(--ink-soft);
}
select {
  font: inherit;
  height: 32px;
  border: 1px solid var(--line);
  background: var(--sheet);
}
.tick {
  display: flex;
  gap: 8px;
  font-size: 13px;
}
</style>
