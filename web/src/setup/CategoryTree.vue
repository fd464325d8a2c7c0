<script setup lang="ts">
/** The seller's tree of categories: what goods are mainly for, and the axes they usually differ by. */
import { computed, ref } from 'vue';
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus';
import { ROLES, type Role, foldLabel } from '@loom-kin/core/family';
import { type Category, ROLE_LABELS } from '@loom-kin/core/registry';
import { useSetup } from '../stores/setup';
import Entry from '../common/Entry.vue';

const setup = useSetup();
const fresh = ref('');
const withRetired = ref(false);

const data = computed(() => setup.registry.data.categories);
const retired = computed(() => Object.values(data.value).filter((one) => one.retired));
const siblings = (one: Category) => setup.registry.tree.filter((each) => each.category.parent === one.parent);

const send = (category: Category) => setup.change([{ on: 'registry', command: { do: 'setCategory', category } }]);
const retire = (id: string, away: boolean) =>
  setup.change([{ on: 'registry', command: { do: 'retireCategory', id, retired: away } }]);

/** A path of words from the label, that no other category has. */
function idFor(label: string, parent: string | null): string {
  const word =
    foldLabel(label)
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '') || 'category';
  const path = (parent === null ? word : `${parent}/${word}`).slice(0, 70);
  let id = path;
  for (let number = 2; data.value[id]; number += 1) id = `${path}-${number}`;
  return id;
}
async function add(label: string, parent: string | null): Promise<void> {
  if (label.trim() === '') return;
  const added = await setup.change(() => {
    const below = setup.registry.tree.filter(({ category }) => category.parent === parent);
    const axes = parent === null ? [] : (data.value[parent]?.axes ?? []);
    const at = Math.max(0, ...below.map(({ category }) => category.at + 1));
    const category = { id: idFor(label, parent), label: label.trim(), parent, at, axes, retired: false };
    return [{ on: 'registry', command: { do: 'setCategory', category } }];
  });
  // What was typed meanwhile stays.
  if (added && fresh.value === label) fresh.value = '';
}
/** Changes places with the one before or after. */
function move(category: Category, by: number): void {
  const row = siblings(category).map((one) => one.category);
  const from = row.indexOf(category);
  const to = from + by;
  if (to < 0 || to >= row.length) return;
  row.splice(to, 0, ...row.splice(from, 1));
  const steps = row.flatMap((one, at) =>
    one.at === at
      ? []
      : [{ on: 'registry' as const, command: { do: 'setCategory' as const, category: { ...one, at } } }],
  );
  void setup.change(steps, `Move the category ${category.label}`);
}
/** Where a category may stand: not below itself. */
const parents = (category: Category) =>
  setup.registry.tree.filter((one) => !setup.registry.path(one.category.id).includes(category));
const takeGeneral = () => setup.change([{ on: 'registry', command: { do: 'takeGeneralTree' } }]);
</script>

<template>
  <div class="sheet part" data-test="categories">
    <h2>Categories</h2>
    <p class="soft">
      By what goods are mainly for. A category decides which facts are asked for, which axes are offered, and where
      families go on each channel.
    </p>
    <p v-if="setup.registry.tree.length === 0">
      There is no category yet.
      <ElButton size="small" data-test="general-tree" @click="takeGeneral">Begin with a small general tree</ElButton>
    </p>
    <table v-else class="lines">
      <thead>
        <tr>
          <th>Category</th>
          <th>Stands under</th>
          <th>Usual axes</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ category, depth } in setup.registry.tree" :key="category.id">
          <td :style="{ paddingLeft: `${8 + depth * 18}px` }">
            <Entry
              :value="category.label"
              :aria-label="`Name of ${category.label}`"
              @commit="send({ ...category, label: $event })"
            />
          </td>
          <td>
            <select
              :value="category.parent ?? ''"
              :aria-label="`Where ${category.label} stands`"
              @change="send({ ...category, parent: ($event.target as HTMLSelectElement).value || null })"
            >
              <option value="">nothing</option>
              <option v-for="{ category: one } in parents(category)" :key="one.id" :value="one.id">
                {{ setup.registry.pathLabel(one.id) }}
              </option>
            </select>
          </td>
          <td>
            <ElSelect
              :model-value="category.axes"
              multiple
              size="small"
              placeholder="none"
              style="width: 230px"
              :aria-label="`Usual axes of ${category.label}`"
              @update:model-value="(axes: Role[]) => send({ ...category, axes })"
            >
              <ElOption v-for="role in ROLES" :key="role" :value="role" :label="ROLE_LABELS[role]" />
            </ElSelect>
          </td>
          <td class="acts">
            <button class="link" :title="`${category.label} one up`" @click="move(category, -1)">up</button>
            <button class="link" :title="`${category.label} one down`" @click="move(category, 1)">down</button>
            <button class="link" @click="add('New category', category.id)">add below</button>
            <button
              class="link"
              title="Not offered any more; families that are in it stay"
              @click="retire(category.id, true)"
            >
              retire
            </button>
          </td>
        </tr>
        <template v-if="withRetired">
          <tr v-for="one in retired" :key="one.id" class="soft">
            <td>{{ setup.registry.pathLabel(one.id) }}</td>
            <td colspan="2">out of use</td>
            <td class="acts"><button class="link" @click="retire(one.id, false)">use it again</button></td>
          </tr>
        </template>
      </tbody>
    </table>
    <form class="line" @submit.prevent="add(fresh, null)">
      <label>New category <ElInput v-model="fresh" maxlength="80" data-test="new-category" /></label>
      <ElButton native-type="submit">Add at the top</ElButton>
      <button v-if="retired.length" type="button" class="link" @click="withRetired = !withRetired">
        {{ withRetired ? 'hide' : 'show' }} {{ retired.length }} out of use
      </button>
    </form>
  </div>
</template>

<style scoped>
@import './part.css';
</style>
