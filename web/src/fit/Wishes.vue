<script setup lang="ts">
/** The seller's wishes for an account: axes that are not joined or not split, and the axis that pictures follow. */
import { computed } from 'vue';
import type { Account } from '@loom-kin/core/catalogue';
import type { Fit } from '@loom-kin/core/fit';
import { useFamily } from '../stores/family';
import { useWish } from './useWish';

const props = defineProps<{ account: Account; fit: Fit }>();
const store = useFamily();
const family = computed(() => store.family!);
const { wish, setWish } = useWish(() => props.account.id);
function toggle(key: 'apart' | 'whole', axisId: string): void {
  const there = wish.value[key];
  setWish({ [key]: there.includes(axisId) ? there.filter((one) => one !== axisId) : [...there, axisId] });
}
</script>

<template>
  <div>
    <h3>Wishes</h3>
    <table class="wishes">
      <tbody>
        <tr v-for="axis in family.axes" :key="axis.id">
          <th scope="row">{{ axis.label }}</th>
          <td>
            <label
              ><input
                type="checkbox"
                :checked="wish.apart.includes(axis.id)"
                :data-test="`apart-${axis.label}`"
                @change="toggle('apart', axis.id)"
              />
              not joined</label
            >
          </td>
          <td>
            <label
              ><input
                type="checkbox"
                :checked="wish.whole.includes(axis.id)"
                :data-test="`whole-${axis.label}`"
                @change="toggle('whole', axis.id)"
              />
              not split</label
            >
          </td>
        </tr>
      </tbody>
    </table>
    <label v-if="fit.category?.rules.axes.pictures === 'axis' && family.axes.length > 1" class="follow">
      Pictures follow
      <select
        :value="wish.pictureAxis ?? ''"
        data-test="picture-axis"
        @change="setWish({ pictureAxis: ($event.target as HTMLSelectElement).value || undefined })"
      >
        <option value="">the best axis</option>
        <option v-for="axis in family.axes" :key="axis.id" :value="axis.id">{{ axis.label }}</option>
      </select>
    </label>
  </div>
</template>

<style scoped>
h3 {
  margin: 8px 0 4px;
}
.wishes {
  border-collapse: collapse;
  width: 100%;
}
.wishes th {
  font-weight: 400;
  text-align: left;
  padding-right: 8px;
  overflow-wrap: anywhere;
}
.wishes td {
  white-space: nowrap;
  padding: 1px 0 1px 6px;
}
.wishes input {
  vertical-align: -2px;
  margin: 0 2px 0 0;
}
.follow {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 6px 0;
}
select {
  font: inherit;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 1px;
}
</style>
