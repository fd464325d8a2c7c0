/** How families could be gathered: which axes tell their children apart, read off their names, and the labels each child would have. */
import { childLabels, familyIndex } from '../family/weave';
import { foldLabel } from '../family/foldLabel';
import type { Axis, Family, Role } from '../family/shape';
import { readList } from '../intake/families/readList';
import { NO_SETTLEMENT } from '../intake/families/settlement';
import { NO_MAPPING } from '../intake/table/shape';
import type { Registry } from '../registry/openRegistry';
import type { Member } from './shape';

export interface GatherProposal {
  /** What they are called without what tells them apart. */
  name: string;
  axes: { role: Role; label: string }[];
  /** Every woven child of all of them. A label that could not be read is empty. */
  members: Member[];
}

interface NameAxis {
  role: Role;
  label: string;
  /** Family → its label; empty where its name says none. */
  of: ReadonlyMap<string, string>;
}

/** Proposes how others come into a family. Nothing of it is done; every label can be put right. */
export function proposeGather(registry: Registry, into: Family, others: readonly Family[]): GatherProposal {
  const all = [into, ...others];
  const { name, axes: read } = namesRead(registry, all);
  const fills = new Map(
    into.axes.map((axis) => [axis.id, read.find(({ role, of }) => role === axis.role && isMissing(others, axis, of))]),
  );
  const used = new Set([...fills.values()]);
  const brought = axesOfOthers(into, others);
  const named = read.filter((one) => !used.has(one) && !brought.some(({ role }) => role === one.role));
  const isWhole = named.every(({ of }) => [...of.values()].every((label) => label !== ''));
  const needed = named.length + brought.length > 0 || !isApart(into, others, fills);
  // Of names that say nothing for one of them, the words that are not in all are all there is to go by.
  const fresh = !needed
    ? []
    : named.length > 0 && (isWhole || named.length > 1)
      ? named
      : brought.length > 0
        ? []
        : [byName(all)];
  const members = all.flatMap((family) =>
    familyIndex(family).woven.map((child): Member => {
      const own = labelsBy(family, childLabels(family, child));
      return {
        familyId: family.id,
        childId: child.id,
        labels: [
          ...into.axes.map((axis) => own(axis) ?? fills.get(axis.id)?.of.get(family.id) ?? ''),
          ...brought.map((axis) => own(axis) ?? ''),
          ...fresh.map(({ of }) => of.get(family.id) ?? ''),
        ],
      };
    }),
  );
  const axes = [...brought, ...fresh].map(({ role, label }) => ({ role, label }));
  return { name: name || String(into.fields.name ?? ''), axes, members };
}

/** Whether the name of a family has to say what its axes do not. */
const isMissing = (others: readonly Family[], axis: Axis, of: ReadonlyMap<string, string>): boolean =>
  others.some((family) => axisLike(family, axis) === undefined && of.get(family.id));

/** The axis of a family that is the same as one of another: by its name, else by what it is about. */
const axisLike = ({ axes }: Family, { label, role }: Pick<Axis, 'label' | 'role'>): Axis | undefined =>
  axes.find((axis) => foldLabel(axis.label) === foldLabel(label)) ?? axes.find((axis) => axis.role === role);

function labelsBy(
  family: Family,
  labels: readonly string[],
): (axis: Pick<Axis, 'label' | 'role'>) => string | undefined {
  return (axis) => {
    const own = axisLike(family, axis);
    return own && labels[family.axes.indexOf(own)];
  };
}

/** Axes that others have and the family does not. */
function axesOfOthers(into: Family, others: readonly Family[]): { role: Role; label: string }[] {
  const found: { role: Role; label: string }[] = [];
  for (const { axes } of others)
    for (const axis of axes) {
      const isKnown = axisLike(into, axis) || found.some((one) => foldLabel(one.label) === foldLabel(axis.label));
      if (!isKnown) found.push({ role: axis.role, label: axis.label });
    }
  return found;
}

/** Whether the labels they have on the axes that are there tell all children apart already. */
function isApart(into: Family, others: readonly Family[], fills: ReadonlyMap<string, NameAxis | undefined>): boolean {
  const seen = new Set<string>();
  for (const family of [into, ...others])
    for (const child of familyIndex(family).woven) {
      const own = labelsBy(family, childLabels(family, child));
      const key = into.axes
        .map((axis) => foldLabel(own(axis) ?? fills.get(axis.id)?.of.get(family.id) ?? ''))
        .join('\n');
      if (seen.has(key)) return false;
      seen.add(key);
    }
  return true;
}

/** What the names of families differ by, read as rows of one family in a list. */
function namesRead(registry: Registry, families: readonly Family[]): { name: string; axes: NameAxis[] } {
  const rows = families.map(({ fields }) => [String(fields.name ?? '')]);
  const groups = Object.fromEntries(rows.map((_, at) => [at + 2, 'all']));
  const { families: found } = readList(registry, [['Name'], ...rows], NO_MAPPING, { ...NO_SETTLEMENT, groups });
  const [first] = found;
  if (!first || first.children.length !== families.length) return { name: '', axes: [] };
  // Words nobody knows are taken for a colour where names differ by them; goods that have their colours already differ by design.
  const isDesign = (role: Role) =>
    role === 'other' || families.every(({ axes }) => axes.some((axis) => axis.role === role));
  const axes = first.axes.map(({ label, role }): NameAxis => ({
    ...(isDesign(role) ? DESIGN : { role, label }),
    of: new Map(
      first.children.map(({ rows: [row], at }) => {
        const family = families[row! - 2]!;
        return [family.id, isSaid(family, at[label] ?? '') ? at[label]! : ''] as const;
      }),
    ),
  }));
  return { name: first.name, axes };
}

/** Where a name says none a list has a value of its own for it. */
const isSaid = ({ fields }: Family, label: string): boolean =>
  label !== '' && foldLabel(String(fields.name ?? '')).includes(foldLabel(label));

/** Where names say nothing that is known, each family is a design of its own: called by the words that are not in all their names. */
function byName(families: readonly Family[]): NameAxis {
  const names = families.map(({ fields }) => String(fields.name ?? '').split(/\s+/));
  const head = sharedWords(names);
  const rest = names.map((words) => words.slice(head));
  const tail = sharedWords(rest.map((words) => words.toReversed()));
  const labels = rest.map((words) => words.slice(0, words.length - tail).join(' ') || 'Plain');
  return { ...DESIGN, of: new Map(families.map(({ id }, at) => [id, labels[at]!.slice(0, 80)])) };
}

/** So many words from the first on are the same in all. */
function sharedWords(names: readonly (readonly string[])[]): number {
  const [first = []] = names;
  const differs = first.findIndex((word, at) =>
    names.some((words) => words[at] === undefined || foldLabel(words[at]) !== foldLabel(word)),
  );
  return differs < 0 ? first.length : differs;
}

const DESIGN = { role: 'pattern' as const, label: 'Design' };
