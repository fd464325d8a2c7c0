<script setup lang="ts">
/** A family copied under another name; what no two goods share is emptied. */
import { ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { ElButton, ElCheckbox } from 'element-plus';
import { makeChange } from '@loom-kin/contract';
import { call, say, tell } from '../api/api';
import Dialog from '../common/Dialog.vue';
import { useFamily } from '../stores/family';

const shown = defineModel<boolean>({ required: true });
const store = useFamily();
const router = useRouter();
const name = ref('');
const styleCode = ref('');
const pictures = ref(false);
const busy = ref(false);
watch(shown, (on) => {
  if (!on) return;
  name.value = styleCode.value = '';
  pictures.value = false;
});

async function copy(): Promise<void> {
  busy.value = true;
  try {
    await store.settled();
    const { id } = store.family!;
    const fields = {
      name: name.value.trim(),
      ...(styleCode.value.trim() ? { styleCode: styleCode.value.trim() } : {}),
    };
    const done = await makeChange(call, [{ on: 'copy', familyId: id, fields, pictures: pictures.value }]);
    shown.value = false;
    say('It is copied. SKUs, GTINs, style code and model number are empty; nothing is counted or listed yet.');
    await router.push(`/families/${done.started[0]}`);
  } catch (error) {
    tell(error);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <Dialog v-model="shown" title="Copy this family" :width="420">
    <form class="copy" @submit.prevent="copy">
      <p class="soft">
        Axes, values, prices, texts and facts come along. What no two goods share is emptied: SKUs, GTINs, style code,
        model number. So are pieces and wishes.
      </p>
      <label>Name <input v-model="name" maxlength="200" required data-test="copy-name" /></label>
      <label>Style code <input v-model="styleCode" class="mono" maxlength="40" data-test="copy-style" /></label>
      <ElCheckbox v-model="pictures" size="small">with its pictures, though they show the other goods</ElCheckbox>
      <div class="acts">
        <ElButton @click="shown = false">Leave it</ElButton>
        <ElButton type="primary" native-type="submit" :loading="busy" :disabled="name.trim() === ''" data-test="copy-do"
          >Copy</ElButton
        >
      </div>
    </form>
  </Dialog>
</template>

<style scoped>
.copy {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
label {
  display: flex;
  gap: 8px;
  align-items: center;
}
input:not([type='checkbox']) {
  font: inherit;
  flex: 1;
}
.acts {
  display: flex;
  gap: 8px;
  justify-content: flex-end;
}
</style>
