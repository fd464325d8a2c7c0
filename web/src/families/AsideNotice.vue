<script setup lang="ts">
/** Changes of the seller's that somebody else's stands against: both figures, and what to do. */
import { computed } from 'vue';
import { ElButton } from 'element-plus';
import { useFamily } from '../stores/family';

const store = useFamily();
const FEW = 6;
const one = computed(() => store.aside.length === 1);
const lines = computed(() => store.aside.flatMap((aside) => aside.lines));
</script>

<template>
  <div class="aside" role="alert" data-test="aside">
    <div class="line">
      <span
        >{{ one ? 'One change of yours is not stored' : `${store.aside.length} changes of yours are not stored` }}:
        somebody changed the same meanwhile. What you see is the family as it is now.</span
      >
      <ElButton size="small" type="primary" data-test="aside-again" @click="store.makeAsideAgain()"
        >Make {{ one ? 'it' : 'them' }} again on top</ElButton
      >
      <ElButton size="small" @click="store.dropAside()">Drop {{ one ? 'it' : 'them' }}</ElButton>
    </div>
    <table v-if="lines.length">
      <tbody>
        <tr v-for="(line, at) in lines.slice(0, FEW)" :key="at" data-test="aside-line">
          <td>{{ line.where }}, {{ line.what.toLowerCase() }}</td>
          <td>yours {{ line.after || 'nothing' }}</td>
          <td>now {{ line.theirs || 'nothing' }}</td>
        </tr>
      </tbody>
    </table>
    <span v-if="lines.length > FEW" class="soft">and {{ lines.length - FEW }} more</span>
  </div>
</template>

<style scoped>
.aside {
  padding: 7px 20px;
  background: var(--warns-pale);
  font-size: 13px;
}
.line {
  display: flex;
  gap: 10px;
  align-items: center;
}
td {
  padding: 2px 18px 0 0;
}
</style>
