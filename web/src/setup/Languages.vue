<script setup lang="ts">
/** The languages texts are written in: the first is the one everything is written in to begin with. */
import { ref } from 'vue';
import { ElButton, ElInput } from 'element-plus';
import { isLanguageTag } from '@loom-kin/core/registry';
import { languageName } from '@loom-kin/core/text';
import { useSetup } from '../stores/setup';
import { refuse } from '../api/api';

const setup = useSetup();
const fresh = ref('');
/** The list as it will be, made of the list as it is when its turn comes. */
const send = (next: (now: readonly string[]) => string[]) =>
  setup.change(() => [{ on: 'registry', command: { do: 'setLanguages', languages: next(setup.registry.languages) } }]);
async function add(): Promise<void> {
  const tag = fresh.value.trim();
  if (!isLanguageTag(tag)) {
    refuse(`"${tag}" is no language tag, such as en, de or pt-BR.`);
  } else {
    const typed = fresh.value;
    // What was typed meanwhile stays.
    if ((await send((now) => [...now, tag])) && fresh.value === typed) fresh.value = '';
  }
}
</script>

<template>
  <div class="sheet part" data-test="languages">
    <h2>Languages</h2>
    <p class="soft">
      Texts are written in the first. For the others they are written under Words where an account needs them.
    </p>
    <p class="line">
      <span v-for="(tag, at) in setup.registry.languages" :key="tag" data-test="language">
        {{ languageName(tag) }} <span class="mono soft">{{ tag }}</span>{{ ' ' }}
        <button
          v-if="at > 0"
          class="link"
          :title="`Texts in ${languageName(tag)} stay`"
          @click="send((now) => now.filter((one) => one !== tag))"
        >
          remove
        </button>
      </span>
    </p>
    <form class="line" @submit.prevent="add">
      <label>Tag <ElInput v-model="fresh" placeholder="de" style="width: 110px" data-test="new-language" /></label>
      <ElButton native-type="submit">Add the language</ElButton>
    </form>
  </div>
</template>

<style scoped>
@import './part.css';
</style>
