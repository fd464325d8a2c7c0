/** What was brought and where each picture goes: read, settled at once on the page and then on the server, taken back, put in place. */
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import { placeKey } from '@loom-kin/core/family';
import type { Place } from '@loom-kin/core/place';
import type { Arrival, PictureIntake, PicturePlaces } from '@loom-kin/contract';
import { api, call, requestKey, tell } from '../../api/api';
import { useServerEvents } from '../../stores/serverEvents';
import { useJobs } from '../../stores/jobs';

export interface Target {
  familyId: string;
  place: Place;
}
export type Settled = Arrival['settled'];

/** A question about pictures that are asked about together. */
export interface Question {
  key: string;
  asks: string;
  arrivals: Arrival[];
  /** What is proposed; null where nothing is. */
  proposed: Target | null;
  familyId: string;
}

/** Where a picture goes as things stand: null while that is open, or where it is left out. */
export function targetOf({ settled, match }: Arrival): Target | null {
  if (settled === 'left-out') return null;
  if (settled) return settled;
  return match?.confidence === 'sure' ? proposalOf({ match }) : null;
}

/** What is proposed for a picture, sure or not. */
export function proposalOf({ match }: Pick<Arrival, 'match'>): Target | null {
  return match?.familyId && match.place ? { familyId: match.familyId, place: match.place } : null;
}

/** While pictures still come in, what there is is read again so often, in milliseconds. */
const READ_EVERY = 900;

export function useSettling(id: () => string) {
  const intake = shallowRef<PictureIntake | null>(null);
  const problem = ref<string | null>(null);
  const jobs = useJobs();
  const serverEvents = useServerEvents();
  const job = computed(() => jobs.jobs.find((one) => one.id === id()) ?? intake.value?.job ?? null);
  /** Families that pictures were moved to by hand. */
  const others = shallowRef<Record<string, PicturePlaces>>({});
  const families = computed(
    () => new Map([...Object.values(others.value), ...(intake.value?.families ?? [])].map((one) => [one.id, one])),
  );
  const arrivals = computed(() => intake.value?.arrivals ?? []);
  const undone: { at: number; settled: Settled }[][] = [];
  const canUndo = ref(false);
  let timer: ReturnType<typeof setTimeout> | undefined;

  /** Counts what was settled on the page; what was read before the last of it is told to the server is out of date. */
  let turn = 0;
  let sending: Promise<unknown> = Promise.resolve();

  async function load(): Promise<void> {
    clearTimeout(timer);
    const mine = id();
    let told: Promise<unknown>;
    do await (told = sending);
    while (told !== sending);
    const asked = turn;
    try {
      const read = await call(api.pictureIntake, { params: { id: mine } });
      if (mine !== id()) return;
      if (asked !== turn) return void load();
      intake.value = read;
      problem.value = null;
      if (read.job.state === 'running') timer = setTimeout(() => void load(), READ_EVERY);
    } catch (error) {
      problem.value = error instanceof Error ? error.message : 'The pictures cannot be read.';
    }
  }
  watch([id, () => job.value?.state], () => void load(), { immediate: true });
  // Families that change under it change what stands where.
  const unsubscribe = serverEvents.subscribe((event) => {
    if (Object.keys(event.families).some((one) => families.value.has(one))) void load();
  });
  onBeforeUnmount(() => {
    clearTimeout(timer);
    unsubscribe();
  });

  function show(changes: readonly { at: number; settled: Settled }[]): void {
    const wanted = new Map(changes.map((one) => [one.at, one.settled]));
    const next = arrivals.value.map((one) =>
      wanted.has(one.at) ? { ...one, settled: wanted.get(one.at)!, isThere: false } : one,
    );
    intake.value = { ...intake.value!, arrivals: next };
  }
  async function send(changes: readonly { at: number; settled: Settled }[]): Promise<void> {
    const groups = new Map<string, { at: number[]; to: Settled }>();
    for (const { at, settled } of changes) {
      const key = JSON.stringify(settled);
      const group = groups.get(key) ?? { at: [], to: settled };
      group.at.push(at);
      groups.set(key, group);
    }
    try {
      await call(api.settlePictures, { params: { id: id() }, body: { settle: [...groups.values()] } });
    } catch (error) {
      tell(error);
      // What was not taken is shown as it stands there.
      timer = setTimeout(() => void load());
    }
  }
  /** One after another, so that the last word is the last one told. */
  function tellServer(changes: readonly { at: number; settled: Settled }[]): Promise<unknown> {
    turn += 1;
    return (sending = sending.then(() => send(changes)));
  }
  async function change(changes: readonly { at: number; settled: Settled }[]): Promise<void> {
    if (changes.length === 0) return;
    const before = new Map(arrivals.value.map((one) => [one.at, one.settled]));
    undone.push(changes.map(({ at }) => ({ at, settled: before.get(at) ?? null })));
    canUndo.value = true;
    show(changes);
    await tellServer(changes);
  }
  /** Says where pictures go; null is what was proposed. */
  const settle = (ats: readonly number[], to: Settled) => change(ats.map((at) => ({ at, settled: to })));
  async function undo(): Promise<void> {
    const last = undone.pop();
    canUndo.value = undone.length > 0;
    if (!last) return;
    show(last);
    await tellServer(last);
  }
  /** The places of a family that nothing was matched to. */
  async function openFamily(familyId: string): Promise<PicturePlaces | undefined> {
    if (!families.value.has(familyId)) {
      try {
        const found = await call(api.picturePlaces, { params: { id: familyId } });
        others.value = { ...others.value, [familyId]: found };
      } catch (error) {
        tell(error);
      }
    }
    return families.value.get(familyId);
  }
  const pictures = computed(() => arrivals.value.filter((one) => one.picture));
  const questions = computed((): Question[] => {
    const found = new Map<string, Question>();
    for (const one of pictures.value) {
      const { settled, match } = one;
      if (settled || match?.confidence !== 'doubtful' || !match.question || !match.familyId) continue;
      // Pictures by colour are asked about value by value.
      const proposed = proposalOf(one);
      const key = `${match.question}|${proposed ? placeKey(proposed.place) : ''}`;
      const question = found.get(key) ?? {
        key,
        asks: match.asks ?? '',
        arrivals: [],
        proposed,
        familyId: match.familyId,
      };
      question.arrivals.push(one);
      found.set(key, question);
    }
    return [...found.values()];
  });
  const going = computed(() => pictures.value.filter((one) => targetOf(one) !== null));
  const waiting = computed(() => going.value.filter((one) => !one.isThere));
  const nowhere = computed(() =>
    pictures.value.filter((one) => !one.settled && (one.match?.confidence ?? 'none') === 'none'),
  );
  const leftOut = computed(() => pictures.value.filter((one) => one.settled === 'left-out'));
  const refused = computed(() => arrivals.value.filter((one) => one.problem));

  /** Puts everything in place that is sure or settled; gives the change, or null where nothing was changed. */
  async function place(
    how: 'behind' | 'instead',
  ): Promise<{ id: number | null; placed: number; title: string } | null> {
    try {
      await sending;
      const done = await call(api.placePictures, { params: { id: id() }, body: { key: requestKey(), how } });
      await load();
      return done;
    } catch (error) {
      tell(error);
      return null;
    }
  }

  return {
    intake,
    job,
    problem,
    families,
    arrivals,
    questions,
    going,
    waiting,
    nowhere,
    leftOut,
    refused,
    settle,
    undo,
    canUndo,
    openFamily,
    place,
    load,
  };
}
