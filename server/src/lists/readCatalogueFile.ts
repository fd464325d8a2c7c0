/**
 * A catalogue in JSON read against what is there: family files in one, each with its verdict. Runs in a worker
 * thread.
 */
import { z } from 'zod';
import { type RegistryParts, RegistryPartsSchema, accountsNamed, partsMissing } from '@loom-kin/core/export';
import { type Family, familyIndex } from '@loom-kin/core/family';
import {
  LIST_VERDICTS,
  type ListVerdict,
  NO_MAPPING,
  accountsMissingText,
  bringsText,
  partsRefusedText,
  picturesMissingText,
} from '@loom-kin/core/intake';
import { Refusal } from '@loom-kin/core/refusal';
import { type Registry, openRegistry, runRegistryCommand } from '@loom-kin/core/registry';
import { CHILDREN_SHOWN, type ListCounts, type ListFamilyView, type ListRowView } from '@loom-kin/contract';
import { readCatalogue } from '../store/readCatalogue';
import { readFamilyFile, type FamilyFound } from '../files/familyFile';
import { packagedPictures } from '../pictures/pictureFacts';
import { readInput } from '../input/readInput';
import { loadStock } from '../stock/ledger';
import type { Database } from '../store/database';
import type { ListRead } from '../listFiles/listFound';

const FAMILIES_AT_MOST = 50_000;

/** Families are checked one by one: a bad one costs itself. */
const CatalogueFileSchema = z.object({
  format: z.literal('loom-kin/catalogue'),
  version: z.literal(1),
  families: z.array(z.unknown()).max(FAMILIES_AT_MOST),
  registry: RegistryPartsSchema.optional(),
});
type CatalogueFile = z.infer<typeof CatalogueFileSchema>;

/** The catalogue in a text, if it is one. Throws a Refusal with the place where one is not in order. */
export function catalogueIn(text: string): CatalogueFile | null {
  if (!/^\ufeff?\s*\{\s*"format"\s*:\s*"loom-kin\/catalogue"/.test(text)) return null;
  let data: unknown;
  try {
    data = JSON.parse(text.replace(/^\ufeff/, ''));
  } catch {
    return null;
  }
  return readInput(CatalogueFileSchema, data, 'file');
}

/** What the families become; those that cannot be taken are told with their reason. `tell` hears how many are read. */
export function readCatalogueFile(
  database: Database,
  { families, registry: parts = {} }: CatalogueFile,
  tell: (done: number, total: number) => void,
): ListRead {
  const { registry: here, accounts } = readCatalogue(database);
  const { brings, registry, refusal } = withParts(here, parts);
  const pictures = packagedPictures(database);
  const found: ListRead = {
    found: emptyView(families.length),
    families: [],
    rows: [],
    made: [],
    pictures: [],
    kind: '',
    registry: brings,
  };
  found.found.brings = brings ? bringsText(brings) : '';
  if (refusal) addProblem(found, { row: 1, code: refusal.code, text: partsRefusedText(refusal.message) });
  const seen = new Set<string>();
  families.forEach((file, at) => {
    if (at % 50 === 0) tell(at, families.length);
    const row = at + 1;
    const told: string[] = [];
    try {
      const tellMissing = (count: number) => told.push(picturesMissingText(count));
      const one = readFamilyFile(database, { registry }, file, { pictures, tellMissing });
      const strange = [...accountsNamed(one)].filter((id) => !accounts.some((account) => account.id === id));
      if (strange.length > 0) told.push(accountsMissingText(strange));
      if (seen.has(one.family.id)) throw new Refusal('family.twin-id', { id: one.family.id });
      seen.add(one.family.id);
      const verdict = verdictOf(database, one);
      const problems = told.map((message) => ({ column: '', message }));
      found.rows.push({ ...rowOf(row, verdict, one.family), problems });
      for (const text of told) addProblem(found, { row, code: 'catalogue.left-out', text: `${nameIn(file)}: ${text}` });
      found.families.push({ mark: 'plain', doc: viewOf(at, row, verdict, one) });
      if (verdict !== 'same') found.made.push(one);
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      const name = nameIn(file);
      const problems = [{ column: '', message: error.message }];
      found.rows.push({ row, verdict: 'refused', family: name, child: '', problems, changes: [] });
      addProblem(found, { row, code: error.code, text: `${name}: ${error.message}` });
    }
  });
  for (const { verdict } of found.rows) found.found.counts[verdict] += 1;
  found.found.families = found.families.length;
  return found;
}

function addProblem({ found }: ListRead, problem: ListRead['found']['problems'][number]): void {
  found.problems.push(problem);
  found.problemCount += 1;
}

/** The registry as it will be with what the file brings along; as it is where that does not go with what is there. */
function withParts(
  here: Registry,
  parts: RegistryParts,
): { brings: RegistryParts | null; registry: Registry; refusal?: Refusal } {
  const brings = partsMissing(here.data, parts);
  if (!brings) return { brings, registry: here };
  try {
    const { data } = runRegistryCommand(here.data, { do: 'takeRegistry', registry: brings });
    return { brings, registry: openRegistry(data) };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { brings: null, registry: here, refusal: error };
  }
}

function verdictOf(database: Database, { revision, family, pieces }: FamilyFound): ListVerdict {
  if (revision === null) return 'newFamily';
  if (family.revision !== revision) return 'changed';
  const held = loadStock(database, family.id);
  const told = new Map<string, number>();
  for (const { childId, pieces: count } of pieces) told.set(childId, (told.get(childId) ?? 0) + count);
  return [...told].every(([childId, count]) => (held[childId] ?? 0) === count) ? 'same' : 'changed';
}

const rowOf = (row: number, verdict: ListVerdict, { fields }: Family): ListRowView => ({
  row,
  verdict,
  child: '',
  problems: [],
  changes: [],
  family: String(fields.name),
});

function viewOf(at: number, row: number, verdict: ListVerdict, { revision, family }: FamilyFound): ListFamilyView {
  const { woven, valueById } = familyIndex(family);
  const children = woven.slice(0, CHILDREN_SHOWN).map((child) => ({
    rows: [row],
    at: Object.fromEntries(family.axes.map(({ id, label }) => [label, valueById.get(child.at[id]!)!.label])),
  }));
  return {
    ...{ at, key: `row${row}`, rows: 1, why: '', doubts: [], changes: [], children },
    name: String(family.fields.name),
    brand: String(family.fields.brand ?? ''),
    familyId: revision === null ? null : family.id,
    axes: family.axes.map(({ label, role, values }) => ({ label, role, values: values.map((value) => value.label) })),
    counts: { ...noCounts(), [verdict]: 1 },
  };
}

const noCounts = (): ListCounts => Object.fromEntries(LIST_VERDICTS.map((verdict) => [verdict, 0])) as ListCounts;

const emptyView = (rows: number): ListRead['found'] => ({
  sheets: [],
  sheet: null,
  rows,
  head: [],
  headerRows: [],
  columns: [],
  mapping: NO_MAPPING,
  families: 0,
  counts: noCounts(),
  skipped: [],
  mended: [],
  problems: [],
  problemCount: 0,
  pictures: 0,
  brings: '',
});

/** What a file that cannot be read calls its family, as far as that can be seen. */
function nameIn(file: unknown): string {
  const read = z.object({ family: z.object({ fields: z.object({ name: z.string().max(200) }) }) }).safeParse(file);
  return read.success ? read.data.family.fields.name : 'A family';
}
