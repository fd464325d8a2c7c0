<script setup lang="ts">
/** For whom else a field has a figure of its own at a place: seen where it is edited, and gone to with one press. */
import { computed } from 'vue';
import type { Carrier, Scope } from '@loom-kin/core/family';
import { type Field, showFigure } from '@loom-kin/core/registry';
import { useSetup } from '../stores/setup';
import { scopeText } from './scopes';

const scope = defineModel<Scope>({ required: true });
const props = defineProps<{ field: Field; carrier: Carrier }>();
const setup = useSetup();
const others = computed(() =>
  Object.entries(props.carrier.scoped ?? {}).flatMap(([name, figures]) => {
    const figure = figures[props.field.key];
    if (figure === undefined || name === scope.value) return [];
    return [
      {
        name,
        text: scopeText(setup.accounts, name),
        shown: showFigure(setup.registry, props.field, figure, setup.currency),
      },
    ];
  }),
);
</script>

<template>
  <button
    v-for="one in others"
    :key="one.name"
    class="link"
    :data-test="`other-${field.key}`"
    :title="`${field.label} ${one.text}: ${one.shown}`"
    @click="scope = one.name"
  >
    another {{ one.text }}
  </button>
</template>
