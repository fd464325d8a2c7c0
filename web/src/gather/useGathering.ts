/** Families on their way into one: what is proposed, what the seller says of it, and what it would make. */
import { computed, ref, shallowRef, watch } from 'vue';
import { movedFigures } from '@loom-kin/core/change';
import { movedFigureText } from '@loom-kin/core/descriptions';
import { type Family, type Role, familyIndex, freeze } from '@loom-kin/core/family';
import { type Gathered, gather, proposeGather } from '@loom-kin/core/gather';
import { Refusal } from '@loom-kin/core/refusal';
import { makeChange, type StepInput } from '@loom-kin/contract';
import { api, call, tell } from '../api/api';
import { useSetup } from '../stores/setup';

/**
 * What is gathered: families; the one they come into, where it is said; the only children of the others that
 * come, where not all do.
 */
export interface Wanted {
  ids: string[];
  into: string;
  only: string[];
}

/** An axis that comes to the family. */
interface FreshAxis {
  role: Role;
  label: string;
  place: number;
}

export function useGathering(wanted: () => Wanted) {
  const setup = useSetup();
  const families = shallowRef<Family[]>([]);
  const problem = ref('');
  const busy = ref(false);
  const intoId = ref('');
  const name = ref('');
  /** Axes that come to the family; `place`: where their labels stand among those of a proposed member. */
  const axes = ref<FreshAxis[]>([]);
  /** Those the seller does without. */
  const dropped = ref<FreshAxis[]>([]);
  /** Family → place of an axis → the label all its children have there, as the seller wrote it. */
  const written = ref<Record<string, Record<number, string>>>({});

  const into = computed(() => families.value.find(({ id }) => id === intoId.value) ?? null);
  const others = computed(() => families.value.filter(({ id }) => id !== intoId.value));
  /** The others with those of their children alone that come. */
  const comers = computed(() => {
    const only = new Set(wanted().only);
    if (only.size === 0) return others.value;
    const ofThem = ([id]: [string, unknown]) => only.has(id);
    return others.value.map((one) =>
      freeze({ ...one, children: Object.fromEntries(Object.entries(one.children).filter(ofThem)) }),
    );
  });
  const proposal = computed(() =>
    into.value && others.value.length > 0 ? proposeGather(setup.registry, into.value, comers.value) : null,
  );
  watch(proposal, (next) => {
    const own = into.value?.axes.length ?? 0;
    axes.value = (next?.axes ?? []).map((axis, at) => ({ ...axis, place: own + at }));
    dropped.value = [];
    name.value = next?.name ?? '';
    written.value = {};
  });

  async function load(): Promise<void> {
    problem.value = '';
    try {
      await setup.ensure();
      families.value = (await Promise.all(wanted().ids.map((id) => call(api.family, { params: { id } })))).map(
        (one) => one.family,
      );
      // The largest is the one that most is kept of.
      const most = [...families.value].sort((a, b) => familyIndex(b).woven.length - familyIndex(a).woven.length)[0];
      intoId.value = families.value.find(({ id }) => id === wanted().into)?.id ?? most?.id ?? '';
    } catch (error) {
      problem.value = error instanceof Error ? error.message : 'The families cannot be loaded.';
    }
  }
  watch(() => JSON.stringify(wanted()), load, { immediate: true });

  const members = computed(() =>
    (proposal.value?.members ?? []).map((member) => ({
      ...member,
      labels: member.labels.map((label, place) => written.value[member.familyId]?.[place] ?? label),
    })),
  );
  /** All axes of the family as it will be. */
  const allAxes = computed(() => [
    ...(into.value?.axes ?? []).map((axis, place) => ({ ...axis, place })),
    ...axes.value,
  ]);
  function drop(axis: FreshAxis): void {
    axes.value = axes.value.filter((one) => one !== axis);
    dropped.value = [...dropped.value, axis];
  }
  function bringBack(axis: FreshAxis): void {
    dropped.value = dropped.value.filter((one) => one !== axis);
    axes.value = [...axes.value, axis].sort((a, b) => a.place - b.place);
  }
  /** What is asked for: the axes that are kept, each member with its labels on them. */
  const asked = computed(() => ({
    axes: axes.value.map(({ role, label }) => ({ role, label })),
    members: members.value.map((member) => ({
      ...member,
      labels: allAxes.value.map(({ place }) => member.labels[place] ?? ''),
    })),
  }));
  /** The labels that the children of a family have on an axis, each once. */
  const labelsOf = (familyId: string, place: number): string[] => [
    ...new Set(members.value.filter((one) => one.familyId === familyId).map((one) => one.labels[place] ?? '')),
  ];
  const write = (familyId: string, place: number, label: string): void => {
    written.value = { ...written.value, [familyId]: { ...written.value[familyId], [place]: label } };
  };

  const preview = computed<{ done: Gathered | null; problem: string }>(() => {
    if (!into.value || !proposal.value) return { done: null, problem: '' };
    try {
      return {
        done: gather(setup.registry, into.value, others.value, asked.value),
        problem: '',
      };
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      return { done: null, problem: error.message };
    }
  });

  /** What stood for several children of the family and is their own afterwards. */
  const moved = computed(() => {
    const [before, after] = [into.value, preview.value.done?.into.family];
    return before && after ? movedFigures(before, after).map((one) => movedFigureText(setup.namer, before, one)) : [];
  });

  /** Gathers them as one change; the family they are in, or null where it could not be done. */
  async function make(): Promise<string | null> {
    const target = into.value!;
    const revisions = Object.fromEntries(families.value.map(({ id, revision }) => [id, revision]));
    const steps: StepInput[] = [{ on: 'gather', familyId: target.id, revisions, ...asked.value }];
    if (name.value.trim() !== '' && name.value !== target.fields.name) {
      const changes = [{ place: { level: 'family' as const }, key: 'name', figure: name.value.trim() }];
      steps.push({
        on: 'family',
        familyId: target.id,
        revision: target.revision,
        command: { do: 'setFigures', changes },
      });
    }
    busy.value = true;
    try {
      await makeChange(call, steps, { from: target.id });
      return target.id;
    } catch (error) {
      tell(error);
      await load();
      return null;
    } finally {
      busy.value = false;
    }
  }

  return {
    families,
    problem,
    busy,
    intoId,
    into,
    name,
    axes,
    dropped,
    drop,
    bringBack,
    asked,
    allAxes,
    members,
    labelsOf,
    moved,
    write,
    preview,
    make,
    load,
  };
}
