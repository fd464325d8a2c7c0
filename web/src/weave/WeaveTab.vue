<script setup lang="ts">
/** The weave above, the children's grid below, the inspector beside. */
import { computed, ref } from 'vue';
import { ElSwitch } from 'element-plus';
import { crossingsOf } from '@loom-kin/core/axes';
import { columnOf } from '@loom-kin/core/family';
import { mainPicture } from '@loom-kin/core/pictures';
import { showColumn } from '@loom-kin/core/registry';
import { useFamily } from '../stores/family';
import { useLayout } from '../grid/layout';
import { useSetup } from '../stores/setup';
import { useKeys } from '../shell/keys';
import { GLOSSARY } from '../common/glossary';
import AddAxis from './AddAxis.vue';
import AxisMenu from './AxisMenu.vue';
import ChildGrid from '../grid/ChildGrid.vue';
import IdentifierMenus from '../grid/IdentifierMenus.vue';
import Inspector from '../inspector/Inspector.vue';
import JoinAxes from './structure/JoinAxes.vue';
import MergeValues from './structure/MergeValues.vue';
import RemoveAxis from './structure/RemoveAxis.vue';
import SplitAxis from './structure/SplitAxis.vue';
import ChosenBar from './ChosenBar.vue';
import Weave from './Weave.vue';
import WeaveTools from './WeaveTools.vue';
import { useWeaveLook } from './weaveLook';

const AXES_AT_MOST = 6;

const store = useFamily();
const layout = useLayout();
const weaving = ref(false);
useKeys({ w: () => (weaving.value = !weaving.value) });

const family = computed(() => store.family!);
const states = computed(() =>
  Object.fromEntries(Object.entries(store.fits).map(([channel, fit]) => [channel, fit.childStates])),
);
const setup = useSetup();
const { look, change } = useWeaveLook(
  () => family.value.id,
  () => crossingsOf(family.value.axes.map((axis) => axis.values.length)),
);
/** What stands in the crossings: a figure of each child, or its picture. */
const figure = computed(() => {
  const now = family.value;
  const index = store.index!;
  const { figure: key } = look.value;
  if (key === null) return null;
  if (key === 'pictures') return (id: string) => ({ text: '', picture: mainPicture(now, now.children[id]!) });
  const field = setup.registry.field(key);
  if (!field) return null;
  if (field.type === 'stock') return (id: string) => ({ text: String(store.stock[id] ?? 0) });
  const show = showColumn(setup.registry, field, columnOf(now, key), setup.currency);
  return (id: string) => ({ text: show(index.position.get(id)!) || (field.unset ?? '') });
});
/** A change of an axis that is looked at before it is made. */
const STRUCTURE = { remove: RemoveAxis, join: JoinAxes, split: SplitAxis, merge: MergeValues };
const turning = ref<{ how: keyof typeof STRUCTURE; axisId: string } | null>(null);
const turned = computed(() => family.value.axes.find((axis) => axis.id === turning.value?.axisId));
</script>

<template>
  <div class="tab-weave">
    <div class="left">
      <div class="sheet cloth">
        <div class="tools">
          <AxisMenu
            v-for="(axis, at) in family.axes"
            :key="axis.id"
            :axis="axis"
            :at="at"
            :count="family.axes.length"
            @turn="turning = { how: $event, axisId: axis.id }"
          />
          <AddAxis v-if="family.axes.length < AXES_AT_MOST" />
          <div class="grow" />
          <WeaveTools :family="family" :look="look" @change="change" />
          <IdentifierMenus />
          <label class="mode" :title="`${GLOSSARY.weaving} (W)`"
            ><ElSwitch v-model="weaving" size="small" data-test="weaving" /> Weaving</label
          >
        </div>
        <Weave
          :family="family"
          :weaving="weaving"
          :states="states"
          :selected="store.selected"
          :lit="store.lit"
          :chosen="store.chosen"
          :zoom="look.zoom"
          :edges="look.edges"
          :figure="figure"
          @choose="store.choose($event, 'weave')"
          @select="store.selected = $event"
          @toggle="(crossings, woven) => store.run({ do: 'setWoven', crossings, woven })"
          @hover="turned || (store.lit = new Set($event))"
        />
        <ChosenBar />
      </div>
      <!-- Columns that moved under the pointer when the seller's order came would take a click for another. -->
      <div class="sheet children"><ChildGrid v-if="layout.isRead" /></div>
    </div>
    <component :is="STRUCTURE[turning.how]" v-if="turning && turned" :axis="turned" @done="turning = null" />
    <Inspector v-else />
  </div>
</template>

<style scoped>
.tab-weave {
  display: grid;
  grid-template-columns: minmax(0, 1fr) var(--inspector);
  gap: 10px;
  height: 100%;
  padding: 10px 20px 12px;
}
.left {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
}
.cloth {
  padding: 8px 12px 10px;
  max-height: 52%;
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.mode {
  display: flex;
  gap: 6px;
  align-items: center;
  font-size: 13px;
  margin-left: 6px;
}
.children {
  flex: 1;
  min-height: 120px;
  overflow: hidden;
}
/* Enlarged, or in a small window: one part below the other, each as high as it is of use. */
@media (width < 900px), (height < 560px) {
  .tab-weave {
    display: flex;
    flex-direction: column;
    overflow: auto;
  }
  .tab-weave > * {
    flex: none;
  }
  .cloth {
    max-height: none;
  }
  .cloth :deep(.weave-scroller) {
    max-height: 300px;
  }
  .children {
    flex: none;
    height: 360px;
  }
}
</style>
