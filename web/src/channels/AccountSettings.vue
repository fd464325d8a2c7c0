<script setup lang="ts">
/** What the seller has set up for one account. */
import { computed } from 'vue';
import { ElButton, ElMessageBox, ElOption, ElSelect } from 'element-plus';
import { type Account, AccountSchema, type AccountSettings } from '@loom-kin/core/catalogue';
import { isAnswered } from '@loom-kin/core/fit';
import { isLanguageTag } from '@loom-kin/core/registry';
import { languageName, listed } from '@loom-kin/core/text';
import type { Channel } from '@loom-kin/contract';
import { api, call, say, tell, refuse } from '../api/api';
import { useSetup } from '../stores/setup';
import Entry from '../common/Entry.vue';

const props = defineProps<{ account: Account; channel: Channel }>();
const emit = defineEmits<{ removed: [] }>();
const setup = useSetup();
const rules = computed(() => props.channel.rulebook.rules);
const siblings = computed(() => setup.accounts.filter((one) => one.channel === props.account.channel));

async function change(to: Partial<Account>): Promise<void> {
  const read = AccountSchema.safeParse({ ...props.account, ...to });
  if (!read.success) refuse(read.error.issues[0]!.message);
  else if (await setup.change([{ on: 'account', account: read.data }])) say(`${read.data.name} is set.`);
}
const set = (to: Partial<AccountSettings>) => change({ settings: { ...props.account.settings, ...to } });
function write(tag: string): void {
  const language = tag.trim();
  if (isLanguageTag(language)) void change({ language: Intl.getCanonicalLocales(language)[0]! });
  else refuse(`"${language}" is no language tag, such as en, de or pt-BR.`);
}

const entered = computed(() => setup.setup?.seller.rates?.[rules.value.price.currency]);

type Setting = Channel['rulebook']['rules']['settings'][number];
function answer(setting: Setting, text: string): void {
  const amount = text.trim().replace(',', '.');
  if (isAnswered(setting, amount)) void set({ answers: { ...props.account.settings.answers, [setting.key]: amount } });
  else refuse(`"${text}" is no amount for this. ${setting.help ?? ''}`);
}

/** Categories that the channel has to let sellers into, and how the account stands there. */
const closed = computed(() =>
  props.channel.rulebook.categories.flatMap(({ id, label }) => {
    const category = setup.rulebooks.get(props.channel.channel)?.category(id);
    const { needed, about } = category?.rules.approval ?? {};
    return needed
      ? [{ id, label, about, stands: props.account.settings.approvals?.[id] ?? ('not asked' as const) }]
      : [];
  }),
);
const APPROVALS = { 'not asked': 'not let in', waiting: 'asked; no answer yet', granted: 'let in', refused: 'refused' };
async function letIn(category: string): Promise<void> {
  try {
    await call(api.askApproval, { params: { id: props.account.id }, body: { category } });
    await setup.reload();
    say(`${props.account.name} has been asked.`);
  } catch (error) {
    tell(error);
  }
}

/** The only categories that an exemption holds for. */
const onlyIn = computed(() => {
  const only = Object.values(props.account.settings.exemptOnlyIn ?? {}).flat();
  const names = props.channel.rulebook.categories.filter((one) => only.includes(one.id)).map((one) => one.label);
  return names.length > 0 ? `, in ${listed(names)}` : '';
});

async function remove(): Promise<void> {
  const { id, name } = props.account;
  const sure = await ElMessageBox.confirm(
    `Take the account ${name} away? What is live there has to be taken down first. Undo is in the journal.`,
    'Take an account away',
    { confirmButtonText: 'Take it away', cancelButtonText: 'Keep it' },
  ).catch(() => false);
  if (sure && (await setup.change([{ on: 'removeAccount', id }]))) emit('removed');
}
const value = (event: Event) => (event.target as HTMLSelectElement).value;
</script>

<template>
  <div id="account-answers" class="settings">
    <div class="line">
      <label for="account-name">Called</label>
      <Entry id="account-name" :value="account.name" data-test="account-name" @commit="change({ name: $event })" />
    </div>
    <div class="line">
      <label for="account-language">Written in</label>
      <Entry
        id="account-language"
        list="languages"
        :value="account.language"
        data-test="account-language"
        @commit="write"
      />
      <datalist id="languages">
        <option v-for="tag in setup.registry.languages" :key="tag" :value="tag" />
      </datalist>
      <span class="soft">{{ languageName(account.language) }}: texts in it go first, then those for everywhere</span>
    </div>
    <div v-if="rules.price.currency !== setup.currency" class="line">
      <label for="rate">1 {{ setup.currency }} is</label>
      <Entry v-if="!entered" id="rate" :value="account.settings.rate" @commit="(rate) => set({ rate: rate.trim() })" />
      <span v-else>{{ entered.rate }}</span>
      {{ rules.price.currency }}
      <span v-if="entered" class="soft">as you entered it for {{ entered.on }}</span>
      <RouterLink to="/setup#rates">all rates</RouterLink>
    </div>
    <div v-for="setting in rules.settings" :key="setting.key" class="line">
      <label>{{ setting.label }}</label>
      <template v-if="setting.kind === 'money'">
        <Entry
          :value="account.settings.answers[setting.key] ?? ''"
          :aria-label="setting.label"
          :data-test="`answer-${setting.key}`"
          @commit="(amount) => answer(setting, amount)"
        />
        {{ rules.price.currency }}
      </template>
      <ElSelect
        v-else
        :model-value="account.settings.answers[setting.key] ?? ''"
        placeholder="Choose one"
        :aria-label="setting.label"
        style="width: 240px"
        @update:model-value="
          (answer: string) => set({ answers: { ...account.settings.answers, [setting.key]: answer } })
        "
      >
        <ElOption v-for="choice in channel.choices[setting.key] ?? []" :key="choice" :value="choice" :label="choice" />
      </ElSelect>
      <span class="soft">{{ setting.help }}</span>
    </div>
    <div class="line">
      <label for="objective">Best plan means</label>
      <select
        id="objective"
        :value="account.settings.objective"
        @change="set({ objective: value($event) as 'listings' | 'fees' })"
      >
        <option value="listings">fewest listings</option>
        <option value="fees">least fees</option>
      </select>
    </div>
    <div v-if="rules.identifiers.gtin === 'exemptible'" class="line">
      <label>Exempt from GTINs</label><span>{{ account.settings.exemptBrands.join(', ') || 'no brand' }}</span
      ><span class="soft">granted by {{ channel.rulebook.name }}{{ onlyIn }}</span>
    </div>
    <div v-for="one in closed" :key="one.id" class="line">
      <label>{{ one.label }}</label><span
        :class="{ stops: one.stands === 'refused' }"
        :data-test="`approval-${one.id}`"
        >{{ APPROVALS[one.stands] }}</span
      ><ElButton
        v-if="one.stands === 'not asked' || one.stands === 'refused'"
        size="small"
        :data-test="`ask-${one.id}`"
        @click="letIn(one.id)"
        >Ask to be let in</ElButton
      ><span class="soft">{{ one.about }}</span>
    </div>
    <div v-if="siblings.length > 1" class="line">
      <label />
      <ElButton size="small" data-test="remove-account" @click="remove">Take this account away…</ElButton>
    </div>
  </div>
</template>

<style scoped>
.settings {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.line {
  display: flex;
  gap: 10px;
  align-items: center;
}
.line label {
  width: 130px;
  flex: none;
  color: var(--ink-soft);
}
:deep(input:not([class*='el-'])),
select {
  font: inherit;
  border: 1px solid var(--line);
  padding: 4px 8px;
  width: 160px;
  background: var(--sheet);
  color: inherit;
}
</style>
