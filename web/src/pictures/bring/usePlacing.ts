/** What was settled, put in place as one change; taken back with one press; what was brought, put away. */
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, call, requestKey, say, tell } from '../../api/api';
import type { useSettling } from './useSettling';

export function usePlacing(settling: ReturnType<typeof useSettling>, id: () => string) {
  const router = useRouter();
  const how = ref<'behind' | 'instead'>('behind');
  const isPlacing = ref(false);
  /** The change that put them there, as long as it was not taken back. */
  const placed = ref<number | null>(null);

  async function place(): Promise<void> {
    if (settling.waiting.value.length === 0 || isPlacing.value) return;
    isPlacing.value = true;
    const done = await settling.place(how.value);
    isPlacing.value = false;
    if (!done) return;
    placed.value = done.id;
    say(done.id === null ? 'They stand there already.' : `${done.title}.`);
  }
  async function takeBack(): Promise<void> {
    if (placed.value === null) return;
    try {
      await call(api.undo, { params: { id: placed.value }, body: { key: requestKey() } });
      placed.value = null;
      await settling.load();
      say('Taken back: the families are as they were.');
    } catch (error) {
      tell(error);
    }
  }
  async function putAway(): Promise<void> {
    try {
      await call(api.putAwayPictures, { params: { id: id() } });
      await router.push({ name: 'bring' });
    } catch (error) {
      tell(error);
    }
  }
  return { how, isPlacing, placed, place, takeBack, putAway };
}
