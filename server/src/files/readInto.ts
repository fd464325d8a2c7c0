/** A sheet read against a family as the database has it, and the family that its good rows make. Runs in a worker thread. */
import {
  crossingFor,
  crossingKey,
  familyIndex,
  readSheet,
  runCommand,
  type Family,
  type Registry,
  type RowVerdict,
  type SheetReading,
} from '@loom-kin/core';
import type { IntakeReport } from '@loom-kin/contract';
import type { Catalogue } from '../catalogue/readCatalogue';
import { boundSkus } from '../changes/boundSkus';
import { takenElsewhere } from '../families/identifiers';
import { loadFamily } from '../families/load';
import { loadStock } from '../stock/ledger';
import type { Database } from '../store/database';

/** What a sheet says about a family. */
export interface SheetFound {
  /** The family's revision it was read against. */
  revision: number;
  counts: IntakeReport['counts'];
  unknownColumns: string[];
  rows: RowVerdict[];
  /** What the good rows make, where it is wanted: the family after them, and what is counted. */
  made: { family: Family; pieces: { childId: string; pieces: number }[] } | null;
}

/** Reads a table (header first) into a family; `tell` hears how many rows are read. With `make` the good rows are worked out as well. */
export function readInto(
  database: Database,
  catalogue: Catalogue,
  familyId: string,
  table: readonly string[][],
  { make, tell }: { make: boolean; tell: (done: number, total: number) => void },
): SheetFound {
  const { registry, namer } = catalogue;
  const family = loadFamily(database, familyId);
  const [headers = [], ...rows] = table;
  const bound = boundSkus(database, namer, familyId);
  const reading = readSheet(registry, family, headers, rows, loadStock(database, familyId), {
    takenElsewhere: takenElsewhere(database, familyId),
    bound: (sku) => bound.get(sku) ?? null,
    tell: (done) => tell(done, rows.length),
  });
  const counts = { new: 0, changed: 0, same: 0, refused: 0 };
  for (const row of reading.rows) counts[row.verdict] += 1;
  return {
    revision: family.revision,
    ...{ counts, unknownColumns: reading.unknownColumns, rows: reading.rows },
    made: make ? makeOf(registry, family, reading) : null,
  };
}

function makeOf(registry: Registry, held: Family, reading: SheetReading): NonNullable<SheetFound['made']> {
  const run = (family: Family, commands: ReturnType<SheetReading['stages'][number]>) =>
    commands.length === 0
      ? family
      : runCommand(registry, family, { do: 'batch', title: 'Take a sheet in', commands }).family;
  const family = reading.stages.reduce((now, stage) => run(now, stage(now)), held);
  const pieces = reading.stock.flatMap(({ labels, pieces: counted }) => {
    const at = crossingFor(family, labels);
    const child = at && familyIndex(family).byCrossing.get(crossingKey(family.axes, at));
    return child ? [{ childId: child.id, pieces: counted }] : [];
  });
  return { family, pieces };
}
