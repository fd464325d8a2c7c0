/** A sheet read against a family as the database has it, and the family that its good rows make. Runs in a worker thread. */
import { type RowVerdict, type SheetTaken, readSheet, sheetRows, takeReading } from '@loom-kin/core/intake';
import type { IntakeReport } from '@loom-kin/contract';
import type { Catalogue } from '../store/readCatalogue';
import { boundSkus } from '../identifiers/boundSkus';
import { takenElsewhere } from '../identifiers/identifiers';
import { loadFamily } from '../store/loadFamily';
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
  made: SheetTaken | null;
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
  const reading = readSheet(registry, family, headers, sheetRows(rows), loadStock(database, familyId), {
    takenElsewhere: takenElsewhere(database, familyId),
    bound: (sku) => bound.get(sku) ?? null,
    tell: (done) => tell(done, rows.length),
  });
  const counts = { new: 0, changed: 0, same: 0, refused: 0 };
  for (const row of reading.rows) counts[row.verdict] += 1;
  return {
    revision: family.revision,
    counts,
    unknownColumns: reading.unknownColumns,
    rows: reading.rows,
    made: make ? takeReading(registry, family, reading) : null,
  };
}
