<script setup lang="ts">
/** The SKU pattern that every new family is given, looked at on families there are. */
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { ElButton } from 'element-plus';
import { type Family, familyIndex } from '@loom-kin/core/family';
import { HOUSE_MARKS, USUAL_HOUSE, checkHousePattern, familyPattern, proposeSkus } from '@loom-kin/core/identifiers';
import { Refusal } from '@loom-kin/core/refusal';
import { api, call, say, tell } from '../api/api';
import PatternEditor from '../numbers/PatternEditor.vue';
import { useSetup } from '../stores/setup';

/** So many families show what it would make. */
const SHOWN = 3;

const setup = useSetup();
const kept = computed(() => setup.registry.data.skuPattern || USUAL_HOUSE);
const pattern = ref(kept.value);
watch(kept, (now, before) => pattern.value === before && (pattern.value = now));

const families = shallowRef<Family[]>([]);
onMounted(async () => {
  try {
    const { families: found } = await call(api.listFamilies, { query: { limit: SHOWN } });
    const details = await Promise.all(found.map(({ id }) => call(api.family, { params: { id } })));
    families.value = details.map((one) => one.family);
  } catch (error) {
    tell(error);
  }
});

const problem = computed(() => {
  try {
    checkHousePattern(pattern.value);
    return '';
  } catch (error) {
    return error instanceof Refusal ? error.message : String(error);
  }
});
const shown = computed(() =>
  problem.value
    ? []
    : families.value.map((family) => {
        const own = familyPattern(
          pattern.value,
          family.axes.map((axis) => axis.label),
        );
        const [first] = proposeSkus(family, familyIndex(family).woven.slice(0, 1), own, () => false);
        return { id: family.id, name: String(family.fields.name ?? ''), own, sku: first?.sku ?? '' };
      }),
);

async function keep(): Promise<void> {
  const said = pattern.value.trim() === USUAL_HOUSE ? '' : pattern.value;
  if (await setup.change([{ on: 'registry', command: { do: 'setHousePattern', pattern: said } }]))
    say('New families begin with this pattern.');
}
</script>

<template>
  <div id="house-pattern" class="sheet part" data-test="house-pattern">
    <h2>SKU pattern of new families</h2>
    <p class="soft">
      What a family’s own pattern is made of when it starts. Families that are there keep theirs, and any family may
      have another.
    </p>
    <div class="halves">
      <PatternEditor v-model="pattern" :marks="HOUSE_MARKS" />
      <table v-if="shown.length" class="lines" aria-label="What it would make">
        <thead>
          <tr>
            <th>Were it new</th>
            <th>Its pattern</th>
            <th>The first SKU</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in shown" :key="one.id" data-test="house-sample">
            <td>{{ one.name }}</td>
            <td class="mono">{{ one.own }}</td>
            <td class="mono">{{ one.sku || 'none: what its pieces name is empty' }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="problem" class="stops" role="alert">{{ problem }}</p>
    <div>
      <ElButton :disabled="problem !== '' || pattern === kept" data-test="keep-house-pattern" @click="keep"
        >Keep it for new families</ElButton
      >
      <button v-if="pattern !== USUAL_HOUSE" class="link" @click="pattern = USUAL_HOUSE">the usual one</button>
    </div>
  </div>
</template>

<style scoped>
@import './part.css';
.halves {
  display: grid;
  grid-template-columns: 380px minmax(0, 1fr);
  gap: 20px;
  align-items: start;
}
.link {
  margin-left: 12px;
}
@media (width < 1000px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
