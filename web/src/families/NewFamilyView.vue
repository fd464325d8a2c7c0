<script setup lang="ts">
/** Starting a family: what it is, its axes as pasted lists, and the weave at once. */
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus';
import { makeChange } from '@loom-kin/contract';
import { api, call, say, tell } from '../api/api';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import Weave from '../weave/Weave.vue';
import DraftAxes from './DraftAxes.vue';
import FirstSteps from './FirstSteps.vue';
import { useFamilyDraft } from './familyDraft';
import { takeRows, useBlockStart, type Block } from './useBlockStart';
import { useUsual } from './useUsual';

const router = useRouter();
const setup = useSetup();
const open = useFamily();
const draft = useFamilyDraft();
const { typed, axes, filled, housePattern, spec, childCount, firstSkus, skuProblem, toggle, missing, isRestored } =
  draft;
const { usual, drop: dropUsual, taken } = useUsual(typed);
const rows = useBlockStart(draft);
const usualKeys = computed(() => (['brand', 'maker', 'taxCode'] as const).filter(taken));
/** Before it is known who sells, that is asked here. */
const begun = computed(() => setup.setup?.begun !== false);
/** Names, codes and swatches come from the dictionary: they are stepped into only on demand. */
const dressing = ref(false);
const brands = computed(() => setup.registry.data.remembered.brand);
const likes = ref<{ id: string; name: string; styleCode: string; why: string }[]>([]);
const saving = ref(false);
const USUAL_NAMES = { brand: 'Brand', maker: 'maker', taxCode: 'tax code' } as const;
function chooseFile(event: Event): void {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = '';
  if (file) void rows.takeFile(file);
}

/** Families that look like this one, asked for while somebody types: an answer that comes late is not shown. */
let asking: AbortController | null = null;
watch([() => typed.name, () => typed.styleCode], async () => {
  asking?.abort();
  const mine = (asking = new AbortController());
  if (typed.name.trim().length < 3 && typed.styleCode.trim().length < 2) return void (likes.value = []);
  try {
    const found = await call(api.likeFamilies, {
      query: { name: typed.name, styleCode: typed.styleCode },
      signal: mine.signal,
    });
    if (!mine.signal.aborted) likes.value = found;
  } catch (error) {
    if (!mine.signal.aborted) tell(error);
  }
});

async function takeIn(id: string, block: Block): Promise<void> {
  try {
    const { family } = await call(api.family, { params: { id } });
    open.notTaken = await takeRows(setup.registry, setup.currency, family, block, new Set(Object.keys(typed)));
  } catch (error) {
    tell(error);
  }
}
async function start(): Promise<void> {
  if (missing.value || saving.value) return;
  saving.value = true;
  try {
    const { id: _draft, ...family } = spec.value;
    const done = await makeChange(call, [{ on: 'start', family, skus: childCount.value > 0 && !rows.hasSkus.value }]);
    const id = done.started[0]!;
    done.notices.forEach(say);
    draft.forget();
    // The family is there: whatever becomes of its rows, it is not started again.
    if (rows.block.value) await takeIn(id, rows.block.value);
    rows.drop();
    void setup.reload();
    await router.push(`/families/${id}`);
  } catch (error) {
    tell(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <section class="view">
    <div class="view-head">
      <h1>Start a family</h1>
      <div class="grow" />
      <template v-if="begun">
        <span class="soft">{{ missing }}</span>
        <ElButton @click="router.push('/families')">Leave</ElButton>
        <ElButton type="primary" :disabled="missing !== null" :loading="saving" data-test="create" @click="start"
          >Start with {{ childCount.toLocaleString('en') }} {{ childCount === 1 ? 'child' : 'children' }}</ElButton
        >
      </template>
    </div>
    <div v-if="!begun" class="empty"><FirstSteps /></div>
    <div v-else class="columns">
      <form class="sheet part" @submit.prevent="start" @paste="rows.onPaste">
        <p v-if="isRestored" class="note" role="status" data-test="restored">
          As you left it; nothing of it is stored yet.
          <button type="button" class="link" data-test="begin-anew" @click="(draft.beginAnew(), rows.drop())">
            Begin anew
          </button>
        </p>
        <label
          >Name
          <ElInput
            v-model="typed.name"
            maxlength="200"
            autofocus
            data-test="name"
            placeholder="Without colours and sizes: those are added per child"
        /></label>
        <div v-if="likes.length" class="likes" role="status" data-test="likes">
          <p v-for="like in likes" :key="like.id">
            <RouterLink :to="`/families/${like.id}`">{{ like.name }}</RouterLink>
            <span class="mono">{{ like.styleCode }}</span> {{ like.why }}. Is it the same?
          </p>
        </div>
        <div class="two">
          <label
            >Brand
            <ElInput v-model="typed.brand" maxlength="80" list="brands" data-test="brand" />
            <datalist id="brands"><option v-for="one in brands" :key="one" :value="one" /></datalist>
          </label>
          <label>Style code <ElInput v-model="typed.styleCode" maxlength="24" class="mono" data-test="style" /></label>
        </div>
        <div class="two">
          <label
            >Category
            <ElSelect
              v-model="typed.category"
              filterable
              default-first-option
              placeholder="What is it mainly for?"
              data-test="category"
            >
              <ElOption
                v-for="{ category: one } in setup.registry.tree"
                :key="one.id"
                :value="one.id"
                :label="setup.registry.pathLabel(one.id)"
              />
            </ElSelect>
          </label>
          <label
            >Price for all, {{ setup.currency }}
            <ElInput v-model="typed.price" placeholder="can be filled later" data-test="price"
          /></label>
        </div>
        <div v-if="typed.maker || typed.taxCode || usual" class="two">
          <label
            >Maker <ElInput v-model="typed.maker" maxlength="80" :tabindex="taken('maker') ? -1 : 0" data-test="maker"
          /></label>
          <label
            >Tax code
            <ElInput
              v-model="typed.taxCode"
              maxlength="12"
              class="mono"
              :tabindex="taken('taxCode') ? -1 : 0"
              data-test="tax-code"
          /></label>
        </div>
        <p v-if="usual && usualKeys.length" class="note" data-test="usual">
          {{ usualKeys.map((key) => USUAL_NAMES[key]).join(', ') }} as in {{ usual.name }}.
          <button type="button" class="link" @click="dropUsual">Leave them empty</button>
        </p>
        <DraftAxes v-model="axes" :dressing="dressing" @enter="start" />
        <p v-if="filled.length">
          <button
            type="button"
            class="link"
            :aria-pressed="dressing"
            data-test="dressing"
            @click="dressing = !dressing"
          >
            {{ dressing ? 'Names, codes and swatches are done' : 'Change names, codes and swatches' }}
          </button>
        </p>
        <p v-if="rows.words.value" class="note" role="status" data-test="block">
          {{ rows.words.value }} <button type="button" class="link" @click="rows.drop()">Leave the rows out</button>
        </p>
        <p v-else class="soft">
          Or begin with rows: paste them from a spreadsheet, header and all, or
          <label class="file"
            ><span class="link">choose a sheet</span
            ><input
              type="file"
              accept=".csv,.xlsx"
              class="visually-hidden"
              data-test="block-file"
              @change="chooseFile" /></label
          >.
        </p>
        <p v-if="rows.problem.value" class="stops" role="alert">{{ rows.problem.value }}</p>
        <label v-if="filled.length"
          >SKU pattern <ElInput v-model="typed.pattern" class="mono" :placeholder="housePattern"
        /></label>
        <p v-if="firstSkus.length" class="soft mono">{{ firstSkus.join('  ') }} …</p>
        <p v-if="skuProblem" class="warns">{{ skuProblem }}</p>
        <button class="visually-hidden" tabindex="-1">Start</button>
      </form>
      <div class="sheet part">
        <h2>The weave</h2>
        <p v-if="filled.length" class="soft">
          Click crossings that do not exist, or a whole row or column, to take them out. With the keyboard: arrows, and
          Space.
        </p>
        <p v-if="draft.draft.value.problem" class="stops">{{ draft.draft.value.problem }}</p>
        <Weave
          v-if="draft.draft.value.family && filled.length"
          :family="draft.draft.value.family"
          weaving
          :zoom="childCount > 400 ? 1 : 2"
          name="The weave of the new family"
          @toggle="toggle"
        />
        <p v-else-if="!draft.draft.value.problem" class="soft">
          It appears as soon as an axis has values. Without an axis the family is a single product.
        </p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 460px minmax(0, 1fr);
  gap: 12px;
  padding: 0 20px 16px;
  flex: 1;
  min-height: 0;
}
.part {
  padding: 14px 16px;
  display: flex;
  flex-direction: column;
  gap: 10px;
  overflow: auto;
}
label {
  display: flex;
  flex-direction: column;
  gap: 3px;
  font-size: 12px;
  color: var(--ink-soft);
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.likes {
  background: var(--warns-pale);
  padding: 6px 10px;
  font-size: 13px;
}
.note {
  background: var(--weld-pale);
  padding: 4px 10px;
  font-size: 13px;
}
.file {
  display: inline;
  font-size: inherit;
}
.file .link {
  color: var(--woad);
  text-decoration: underline;
  cursor: pointer;
}
.file:focus-within .link {
  outline: 2px solid var(--woad);
}
.likes p {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: baseline;
}
@media (width < 900px), (height < 560px) {
  .columns {
    display: flex;
    flex-direction: column;
    overflow: auto;
  }
  .part {
    flex: none;
    overflow: visible;
  }
}
</style>
