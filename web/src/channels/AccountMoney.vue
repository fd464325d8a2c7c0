<script setup lang="ts">
/** What comes off prices on an account, whose tax they hold, and how they are made; tried on all families before it is kept. */
import { computed, ref, shallowRef, watch } from 'vue';
import { ElButton } from 'element-plus';
import { type Account, AccountSchema, type AccountSettings } from '@loom-kin/core/catalogue';
import { CountrySchema, readAmount, showRates } from '@loom-kin/core/money';
import { countryName } from '@loom-kin/core/text';
import type { Channel, PriceTrial } from '@loom-kin/contract';
import { api, call, say, tell, refuse } from '../api/api';
import { useSetup } from '../stores/setup';
import Entry from '../common/Entry.vue';
import PriceRuleEntry from './PriceRuleEntry.vue';
import PriceTrialTable from './PriceTrialTable.vue';

const props = defineProps<{ account: Account; channel: Channel }>();
const setup = useSetup();
const price = computed(() => props.channel.rulebook.rules.price);
const fees = computed(() => props.channel.rulebook.rules.fees);
const seller = computed(() => setup.setup!.seller);

/** The settings as they are written here, kept when the seller says so. */
const draft = shallowRef<AccountSettings>(props.account.settings);
watch(
  () => props.account.settings,
  (kept) => (draft.value = kept),
);
const isChanged = computed(() => JSON.stringify(draft.value) !== JSON.stringify(props.account.settings));
type Charges = NonNullable<AccountSettings['charges']>;
const charges = computed((): Charges => draft.value.charges ?? {});
const country = computed(() => draft.value.country ?? price.value.country ?? seller.value.country);

/** An amount or percentage as typed; empty takes it away. */
function charge(key: keyof Charges, text: string): void {
  const { [key]: _before, ...others } = charges.value;
  if (text.trim() === '') return put({ charges: others });
  const read = readAmount(text.replace('%', ''));
  if (!read.ok) return refuse(`"${text}" is no amount.`);
  put({ charges: { ...others, [key]: key === 'pieces' ? Number(read.number) : read.number } });
}
function setCountry(text: string): void {
  const typed = text.trim().toUpperCase();
  if (typed === '') return put({ country: undefined });
  const read = CountrySchema.safeParse(typed);
  if (read.success) put({ country: read.data });
  else refuse(read.error.issues[0]!.message);
}
function put(to: Partial<AccountSettings>): void {
  const read = AccountSchema.safeParse({ ...props.account, settings: { ...draft.value, ...to } });
  if (read.success) draft.value = read.data.settings;
  else refuse(read.error.issues[0]!.message);
}

const trial = shallowRef<PriceTrial | null>(null);
const isTrying = ref(false);
let turn = 0;
/** Tried anew after each change; an older answer that comes late is not shown. */
watch(
  draft,
  async (settings) => {
    const mine = ++turn;
    isTrying.value = true;
    try {
      const body = { account: { ...props.account, settings } };
      const answer = await call(api.tryPrices, { params: { id: props.account.id }, body });
      if (mine === turn) trial.value = answer;
    } catch (error) {
      if (mine === turn) tell(error);
    } finally {
      if (mine === turn) isTrying.value = false;
    }
  },
  { immediate: true },
);
async function keep(): Promise<void> {
  if (
    await setup.change(
      [{ on: 'account', account: { ...props.account, settings: draft.value } }],
      `Change the prices on ${props.account.name}`,
    )
  )
    say(`The prices on ${props.account.name} are made so from now on. Undo is in the journal.`);
}
</script>

<template>
  <div id="account-money" class="money">
    <section>
      <h2>What comes off a price</h2>
      <p class="soft">
        {{ channel.rulebook.name }} itself: {{ fees.commissionPercent }} % commission<template
          v-if="fees.perListing !== '0'"
          >, {{ fees.perListing }} {{ price.currency }} for each listing</template
        ><template v-if="fees.perChild !== '0'">, {{ fees.perChild }} {{ price.currency }} for each child</template>.
        Categories may differ.
      </p>
      <div class="line">
        <label for="pay-percent">Payment fee</label>
        <Entry
          id="pay-percent"
          :value="charges.paymentPercent ?? ''"
          placeholder="0"
          data-test="payment-percent"
          @commit="charge('paymentPercent', $event)"
        />
        % and
        <Entry
          :value="charges.paymentFixed ?? ''"
          placeholder="0.00"
          aria-label="Fixed payment fee"
          data-test="payment-fixed"
          @commit="charge('paymentFixed', $event)"
        />
        {{ price.currency }} for each payment
      </div>
      <div class="line">
        <label for="shipping">Shipping</label>
        <Entry
          id="shipping"
          :value="charges.shipping ?? ''"
          placeholder="0.00"
          data-test="shipping"
          @commit="charge('shipping', $event)"
        />
        {{ seller.currency }} for each piece that has no shipping cost of its own
      </div>
      <div v-if="fees.perListing !== '0' || fees.perChild !== '0'" class="line">
        <label for="pieces">A listing sells</label>
        <Entry
          id="pieces"
          :value="String(charges.pieces ?? '')"
          placeholder="10"
          data-test="pieces"
          @commit="charge('pieces', $event)"
        />
        pieces for its fee
      </div>
      <p v-if="price.taxSlabs" class="soft">
        The tax in prices there is the channel's own: {{ showRates(price.taxSlabs) }}.
      </p>
      <div v-else-if="price.taxIncluded" class="line">
        <label for="tax-country">Tax of</label>
        <Entry
          id="tax-country"
          :value="draft.country ?? ''"
          :placeholder="country ?? 'DE'"
          data-test="tax-country"
          @commit="setCountry"
        />
        <span class="soft">{{
          country
            ? `${countryName(country)}: the rate comes from the tax code of the goods`
            : `nobody has said: all prices hold ${seller.taxPercent} %`
        }}</span>
      </div>
      <p v-else class="soft">Prices are without tax there: yours is taken out.</p>
    </section>
    <section>
      <h2>How prices are made</h2>
      <PriceRuleEntry
        :rule="draft.priceRule"
        :currency="price.currency"
        :seller-currency="seller.currency"
        :channel-steps="price"
        @change="put({ priceRule: $event })"
      />
    </section>
    <PriceTrialTable :trial="trial" :currency="price.currency" :busy="isTrying" :is-changed="isChanged">
      <ElButton size="small" :disabled="!isChanged" @click="draft = account.settings">As before</ElButton>
      <ElButton type="primary" size="small" :disabled="!isChanged" data-test="keep-money" @click="keep"
        >Keep this</ElButton
      >
    </PriceTrialTable>
  </div>
</template>

<style scoped>
@import './lines.css';
.money,
section {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.money {
  gap: 16px;
}
</style>
