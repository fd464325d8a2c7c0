<script setup lang="ts">
/**
 * Adding an axis to a family that is there: what the children there are take, and how many new ones appear, is said
 * first.
 */
import { computed, ref } from 'vue';
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus';
import { ROLES, type Role } from '@loom-kin/core/family';
import { ROLE_LABELS } from '@loom-kin/core/registry';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { draftValues, splitList } from './draftValues';
import PopupButton from '../common/PopupButton.vue';
import ValuesEntry from './ValuesEntry.vue';

const store = useFamily();
const setup = useSetup();
const role = ref<Role>('other');
const label = ref('');
const text = ref('');
const take = ref(0);
const values = computed(() => draftValues(setup.registry, splitList(text.value), role.value));
const there = computed(() => store.index?.woven.length ?? 0);

function add(): void {
  const existingTake = Math.min(take.value, values.value.length - 1);
  const added = store.run({
    do: 'addAxis',
    role: role.value,
    label: label.value.trim() || ROLE_LABELS[role.value],
    values: values.value,
    existingTake,
  });
  if (!added) return;
  role.value = 'other';
  label.value = '';
  text.value = '';
  take.value = 0;
}
</script>

<template>
  <PopupButton name="Add an axis" :width="400" text data-test="add-axis">
    <template #label>+ Axis</template>
    <form class="pop" @submit.prevent="add">
      <div class="row">
        <ElSelect v-model="role" size="small" style="width: 120px" aria-label="What the axis is about"
          ><ElOption v-for="one in ROLES" :key="one" :value="one" :label="ROLE_LABELS[one]"
        /></ElSelect>
        <ElInput v-model="label" size="small" :placeholder="ROLE_LABELS[role]" aria-label="Name of the axis" />
      </div>
      <ValuesEntry
        v-model="text"
        :role="role"
        size="small"
        placeholder="Values, parted by commas"
        aria-label="Values, parted by commas"
        data-test="new-axis-values"
        @enter="values.length > 0 && add()"
      />
      <p v-if="values.length">
        {{ there === 1 ? 'The child there is takes' : `The ${there.toLocaleString('en')} children there are take` }}
        <select v-model="take" data-test="existing-take">
          <option v-for="(value, at) in values" :key="value.label" :value="at">{{ value.label }}</option></select
        >; {{ there * (values.length - 1) }} new ones appear. None loses anything.
      </p>
      <ElButton
        size="small"
        type="primary"
        native-type="submit"
        data-test="add-axis-now"
        :disabled="values.length === 0"
        >Add the axis</ElButton
      >
    </form>
  </PopupButton>
</template>
