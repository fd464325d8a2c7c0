/** Sentences of the family's texts that other families have word for word: asked for when a text was written, not while one types. */
import { shallowRef, watch, type Ref } from 'vue';
import { sentencesOf } from '@loom-kin/core/wording';
import type { SaidElsewhere } from '@loom-kin/contract';
import { api, call, tell } from '../api/api';

/** Field → what of its text other families say as well. */
export function useSaidElsewhere(familyId: Ref<string>, texts: Ref<Readonly<Record<string, string>>>) {
  const said = shallowRef<Record<string, SaidElsewhere>>({});
  let turn = 0;
  watch(
    () => JSON.stringify([familyId.value, texts.value]),
    async () => {
      const mine = ++turn;
      const ofField = Object.entries(texts.value).map(([key, text]) => [key, sentencesOf(text)] as const);
      const sentences = [...new Set(ofField.flatMap(([, list]) => list))].slice(0, 100);
      if (sentences.length === 0) return void (said.value = {});
      try {
        const found = await call(api.saidElsewhere, { params: { id: familyId.value }, body: { sentences } });
        // An older answer that comes late is not shown.
        if (mine !== turn) return;
        said.value = Object.fromEntries(
          ofField.map(([key, list]) => [key, found.filter((one) => list.includes(one.sentence))]),
        );
      } catch (error) {
        if (mine === turn) tell(error);
      }
    },
    { immediate: true },
  );
  return said;
}
