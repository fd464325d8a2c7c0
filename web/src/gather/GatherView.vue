<script setup lang="ts">
/** Several families, or goods sold singly, gathered into one: what tells them apart, what becomes of every child, one press. */
import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ElButton, ElOption, ElSelect } from 'element-plus';
import { ROLES, familyIndex } from '@loom-kin/core/family';
import { ROLE_LABELS } from '@loom-kin/core/registry';
import { children } from '@loom-kin/core/text';
import { say } from '../api/api';
import { useSetup } from '../stores/setup';
import MovedFigures from '../common/MovedFigures.vue';
import { useGathering } from './useGathering';

const route = useRoute();
const router = useRouter();
const setup = useSetup();
const listOf = (text: unknown) =>
  String(text ?? '')
    .split(',')
    .filter(Boolean);
const ids = computed(() => listOf(route.query.families));
const only = computed(() => listOf(route.query.only));
const page = useGathering(() => ({ ids: ids.value, into: String(route.query.into ?? ''), only: only.value }));
const { families, problem, busy, intoId, into, name, axes, dropped, allAxes, asked, members, moved, preview } = page;

const nameOf = (id: string) => String(families.value.find((one) => one.id === id)?.fields.name ?? '');
const countOf = (id: string) => {
  const going = members.value.filter((member) => member.familyId === id).length;
  const there = familyIndex(families.value.find((one) => one.id === id)!).woven.length;
  return going < there ? `${going} of ${children(there)}` : children(there);
};
const own = computed(() => into.value?.axes.length ?? 0);
const come = computed(() => asked.value.members.filter(({ familyId }) => familyId !== intoId.value));
const SHOWN = 200;
const behind = computed(() =>
  (preview.value.done?.left ?? [])
    .filter(({ key }) => key !== 'name')
    .map(({ familyId, key }) => `${setup.registry.field(key)?.label ?? key} of ${nameOf(familyId)}`),
);
async function make(): Promise<void> {
  const id = await page.make();
  if (!id) return;
  say(`${children(come.value.length)} came in, each with its SKU, its pieces and its listings.`);
  await router.push(`/families/${id}`);
}
</script>

<template>
  <section class="view gather">
    <h1 class="visually-hidden">Gather families</h1>
    <p v-if="problem" class="sheet head stops" role="alert">{{ problem }}</p>
    <p v-else-if="ids.length < 2" class="sheet head">
      Tick two families or more in the list, then gather them here.
      <RouterLink to="/families">To the families</RouterLink>
    </p>
    <template v-else-if="into">
      <div class="sheet head">
        <label
          >Into
          <select v-model="intoId" :disabled="only.length > 0" data-test="gather-into">
            <option v-for="one in families" :key="one.id" :value="one.id">
              {{ one.fields.name }} ({{ children(familyIndex(one).woven.length) }})
            </option>
          </select></label
        >
        <label>called <input v-model="name" maxlength="200" class="name" data-test="gather-name" /></label>
        <span class="grow" />
        <ElButton @click="router.push('/families')">Leave it</ElButton>
        <ElButton type="primary" :loading="busy" :disabled="!preview.done" data-test="gather-do" @click="make"
          >Gather {{ children(come.length) }}</ElButton
        >
      </div>
      <p v-if="preview.problem" class="stops" role="alert" data-test="gather-problem">{{ preview.problem }}</p>
      <div class="sheet part">
        <table>
          <thead>
            <tr>
              <th>Family</th>
              <th v-for="(axis, place) in allAxes" :key="axis.place">
                <template v-if="place < own">{{ axis.label }}</template>
                <span v-else class="fresh">
                  <input
                    v-model="axes[place - own]!.label"
                    maxlength="40"
                    aria-label="Name of the new axis"
                    :data-test="`gather-axis-${place - own}`"
                  />
                  <ElSelect
                    v-model="axes[place - own]!.role"
                    size="small"
                    style="width: 110px"
                    :aria-label="`What ${axis.label} is about`"
                  >
                    <ElOption v-for="role in ROLES" :key="role" :value="role" :label="ROLE_LABELS[role]" />
                  </ElSelect>
                  <button
                    class="link"
                    :aria-label="`Drop ${axis.label}`"
                    :data-test="`gather-drop-${place - own}`"
                    @click="page.drop(axes[place - own]!)"
                  >
                    Drop
                  </button>
                </span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in families" :key="one.id" :data-test="`gather-${one.fields.name}`">
              <th scope="row">
                {{ one.fields.name }} <span class="soft">{{ countOf(one.id) }}</span>
              </th>
              <td v-for="(axis, place) in allAxes" :key="axis.place">
                <span v-if="page.labelsOf(one.id, axis.place).length > 1" class="soft">{{
                  page.labelsOf(one.id, axis.place).join(', ')
                }}</span>
                <input
                  v-else
                  :value="page.labelsOf(one.id, axis.place)[0]"
                  maxlength="80"
                  :class="{ missing: !page.labelsOf(one.id, axis.place)[0] }"
                  :disabled="one.id === intoId && place < own"
                  :aria-label="`${axis.label} of ${one.fields.name}`"
                  @input="page.write(one.id, axis.place, ($event.target as HTMLInputElement).value)"
                />
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="dropped.length" data-test="gather-dropped">
          Left out:
          <template v-for="axis in dropped" :key="axis.place">
            {{ axis.label }} <button class="link" @click="page.bringBack(axis)">bring back</button>
          </template>
        </p>
        <p class="soft">
          Every child keeps its SKU, GTIN, price, pieces, pictures and listings. Families that nobody is left in are
          retired; what only a family has stays with them.
        </p>
        <MovedFigures :moved="moved" />
        <p v-if="behind.length" class="warns" data-test="gather-behind">
          Stays behind, since {{ into.fields.name }} has its own: {{ behind.slice(0, 6).join('; ')
          }}{{ behind.length > 6 ? ` and ${behind.length - 6} more` : '' }}.
        </p>
      </div>
      <ol class="sheet part each" data-test="gather-children">
        <li v-for="one in come.slice(0, SHOWN)" :key="one.childId">
          <span class="soft">{{ nameOf(one.familyId) }} →</span> <strong>{{ one.labels.join(' · ') }}</strong>
        </li>
        <li v-if="come.length > SHOWN" class="soft">and {{ come.length - SHOWN }} more</li>
      </ol>
    </template>
    <p v-else class="empty">Loading…</p>
  </section>
</template>

<style scoped>
.gather {
  padding: 12px 20px 14px;
  gap: 10px;
  overflow: auto;
}
.head {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 8px 14px;
  flex-wrap: wrap;
}
.part {
  padding: 8px 14px;
}
.name {
  width: 260px;
}
input,
select {
  font: inherit;
}
th {
  text-align: left;
  font-weight: 600;
  padding: 4px 12px 4px 0;
}
td {
  padding: 4px 12px 4px 0;
}
tbody th {
  font-weight: 400;
}
.fresh {
  display: flex;
  gap: 6px;
  font-weight: 400;
}
.fresh input {
  width: 110px;
}
.missing {
  border-color: var(--stops);
}
.each {
  list-style: none;
  margin: 0;
  columns: 3;
}
</style>
