<script setup lang="ts">
/** Pictures on the family, on values, and on single children; which children have none. */
import { computed, ref, watch } from 'vue';
import { storeToRefs } from 'pinia';
import {
  childLabels,
  children,
  childrenWithoutPicture,
  EVERYWHERE,
  particularPictures,
  scopeName,
} from '@loom-kin/core';
import { useFamily } from '../stores/family';
import ScopeSelect from '../common/ScopeSelect.vue';
import { scopeText } from '../common/scopes';
import { useSetup } from '../stores/setup';
import PictureTray from './PictureTray.vue';

const store = useFamily();
const chosenAxis = ref('');
const childrenShown = ref(false);
const { scope } = storeToRefs(store);
const setup = useSetup();
/** Pictures differ from account to account, not from language to language. */
watch(
  scope,
  (one) => {
    if (scopeName(one).kind === 'language') scope.value = EVERYWHERE;
  },
  { immediate: true },
);
/** Whatever was gone to is shown. */
watch(
  () => store.selected,
  (place) => {
    if (place.level === 'value') chosenAxis.value = place.axisId;
    if (place.level === 'child') childrenShown.value = true;
  },
  { immediate: true },
);

const axes = computed(() => store.family?.axes ?? []);
/** Colours carry the pictures as a rule; any other axis can be chosen. */
const axis = computed(
  () =>
    axes.value.find((one) => one.id === chosenAxis.value) ??
    axes.value.find((one) => one.role === 'colour' || one.role === 'pattern') ??
    axes.value[0],
);
const countOf = (valueId: string) =>
  store.index!.woven.filter((child) => Object.values(child.at).includes(valueId)).length;
const bare = computed(() => (store.family ? childrenWithoutPicture(store.family) : []));
const general = computed(() =>
  store.family ? store.index!.woven.filter((child) => particularPictures(store.family!, child).length === 0).length : 0,
);
const ownOnes = computed(() => store.index!.woven.filter((child) => child.pictures.length > 0 || childrenShown.value));
</script>

<template>
  <div v-if="store.family" class="pictures">
    <p v-if="bare.length" class="notice stops" data-test="without-picture">
      {{ children(bare.length) }} {{ bare.length === 1 ? 'has' : 'have' }} no picture:
      {{
        bare
          .slice(0, 6)
          .map((child) => childLabels(store.family!, child).join(' · '))
          .join(', ')
      }}{{ bare.length > 6 ? ' …' : '' }}
    </p>
    <p v-else-if="general" class="notice warns">
      {{ children(general) }} {{ general === 1 ? 'shows' : 'show' }} only the family's pictures: choosing them changes
      nothing for the buyer.
    </p>
    <p v-else class="notice soft">
      Every child has a picture. Drag to reorder or to another place; the first is the main one.
    </p>
    <div class="sheet">
      <div class="axis first">
        <ScopeSelect v-model="scope" only="accounts" />
        <span v-if="scope !== EVERYWHERE" class="soft"
          >What is set here is shown {{ scopeText(setup.accounts, scope) }} alone; the rest stays as everywhere.</span
        >
      </div>
      <PictureTray :place="{ level: 'family' }" label="All children" note="shown after the children's own" />
      <div v-if="axes.length > 1" class="axis soft">
        By
        <button
          v-for="one in axes"
          :key="one.id"
          class="link"
          :class="{ at: one.id === axis?.id }"
          @click="chosenAxis = one.id"
        >
          {{ one.label }}
        </button>
      </div>
      <template v-if="axis">
        <PictureTray
          v-for="value in axis.values"
          :key="value.id"
          :place="{ level: 'value', axisId: axis.id, valueId: value.id }"
          :label="value.label"
          :note="children(countOf(value.id))"
          :swatch="value.swatch"
        />
      </template>
      <div class="axis soft">
        <label><input v-model="childrenShown" type="checkbox" /> Single children</label>
      </div>
      <PictureTray
        v-for="child in ownOnes"
        :key="child.id"
        :place="{ level: 'child', childId: child.id }"
        :label="childLabels(store.family, child).join(' · ')"
        note="this child alone"
      />
    </div>
  </div>
</template>

<style scoped>
.pictures {
  height: 100%;
  overflow: auto;
  padding: 10px 20px 20px;
}
.notice {
  padding: 2px 0 10px;
}
.axis {
  padding: 8px 14px;
  border-top: 1px solid var(--line-soft);
  display: flex;
  gap: 10px;
  background: var(--ground);
}
.first {
  border-top: none;
  align-items: center;
}
.at {
  font-weight: 600;
  text-decoration: none;
  color: var(--ink);
}
</style>
