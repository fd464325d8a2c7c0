<script setup lang="ts">
/** Starting a family: what it is, its axes as pasted lists, and the weave at once. */
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus';
import { familyIndex, usualPattern } from '@loom-kin/core';
import { makeChange } from '@loom-kin/contract';
import { api, call, tell } from '../api';
import { useSetup } from '../stores/setup';
import Weave from '../weave/Weave.vue';
import DraftAxes from './DraftAxes.vue';
import { useFamilyDraft } from './familyDraft';

const router = useRouter();
const setup = useSetup();
void setup.ensure();
const { typed, axes, filled, spec, draft, childCount, isDrawn, skus, skuProblem, toggle, missing } = useFamilyDraft();
const brands = computed(() => setup.registry.data.remembered.brand);
const likes = ref<{ id: string; name: string; styleCode: string; why: string }[]>([]);
const saving = ref(false);

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

async function start(): Promise<void> {
  if (missing.value) return;
  saving.value = true;
  try {
    const { id: _draft, ...family } = spec.value;
    const done = await makeChange(call, [{ on: 'start', family }]);
    const id = done.started[0]!;
    const made = await call(api.family, { params: { id } });
    const childIds = familyIndex(made.family).woven.map((child) => child.id);
    // A clash of SKUs with another family must not lose the family: it is told, and the family opens without them.
    if (childIds.length > 0) await makeChange(call, [{ on: 'skus', familyId: id, childIds }]).catch(tell);
    await setup.reload();
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
      <span class="soft">{{ missing }}</span>
      <ElButton @click="router.push('/families')">Leave</ElButton>
      <ElButton type="primary" :disabled="missing !== null" :loading="saving" data-test="create" @click="start"
        >Start with {{ childCount.toLocaleString('en') }} {{ childCount === 1 ? 'child' : 'children' }}</ElButton
      >
    </div>
    <div class="columns">
      <form class="sheet part" @submit.prevent="start">
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
            <ElSelect v-model="typed.category" filterable placeholder="What is it mainly for?" data-test="category">
              <ElOption
                v-for="{ category: one } in setup.registry.tree"
                :key="one.id"
                :value="one.id"
                :label="setup.registry.pathLabel(one.id)"
              />
            </ElSelect>
          </label>
          <label
            >Price for all <ElInput v-model="typed.price" placeholder="can be filled later" data-test="price"
          /></label>
        </div>
        <DraftAxes v-model="axes" />
        <label v-if="filled.length"
          >SKU pattern
          <ElInput v-model="typed.pattern" class="mono" :placeholder="usualPattern(filled.map((axis) => axis.label))"
        /></label>
        <p v-if="skus.length" class="soft mono">
          {{
            skus
              .slice(0, 3)
              .map((one) => one.sku)
              .join('  ')
          }}
          …
        </p>
        <p v-if="skuProblem" class="warns">{{ skuProblem }}</p>
      </form>
      <div class="sheet part">
        <h2>The weave</h2>
        <p v-if="isDrawn" class="soft">
          Click crossings that do not exist, or a whole row or column, to take them out.
        </p>
        <p v-if="draft.problem" class="stops">{{ draft.problem }}</p>
        <Weave v-if="draft.family && filled.length" :family="draft.family" weaving @toggle="toggle" />
        <p v-else-if="!isDrawn && !draft.problem" data-test="large">
          {{ childCount.toLocaleString('en') }} children: so large a weave is drawn once the family is started.
          Crossings can be taken out there.
        </p>
        <p v-else-if="!draft.problem" class="soft">
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
.likes p {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: baseline;
}
</style>
