/**
 * Sheets taken in as jobs: the file lies beside the database until its job is forgotten, a worker thread reads it, and what is good of
 * it is one change. A job that a process left is read anew; its change has the job's key, so that it is made once.
 */
import { existsSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { and, eq, sql } from 'drizzle-orm';
import type { Logger } from 'pino';
import { Refusal } from '@loom-kin/core/refusal';
import type { IntakeReport, Job, QueryOf, endpoints } from '@loom-kin/contract';
import { changeOfKey } from '../journal/journal';
import type { Writer } from '../changes/writer';
import { hasFamily } from '../store/loadFamily';
import { forgetOldJobs, jobRow, openJob, setJob, type JobRow } from '../jobs/jobs';
import { createJobRunner, progressOf, type Tell } from '../jobs/runJobs';
import { inTransaction } from '../store/database';
import { sheetRows } from '../store/schema';
import { incomingFolder, type Store } from '../store/store';
import { withoutOvertaking } from './overtaken';
import type { SheetFound } from './readInto';

/** A file as it was put down on arrival. */
export interface Arrived {
  /** Its name in the folder of what came in. */
  file: string;
  /** The name it had where it came from. */
  fileName: string;
}

export interface Intakes {
  /** Begins to read a sheet; with `apply` what is good of it is taken in. */
  start(familyId: string, arrived: Arrived, apply: boolean): Job;
  /** Takes the good rows of a sheet in that was read. */
  take(id: string): Job;
  stop(id: string): void;
  resume(id: string): void;
  /** Takes up what a process left. */
  goOn(): void;
  close(): Promise<void>;
}

const takingIn = (fileName: string) => `Take ${fileName} in`;

export interface SheetOrder {
  familyId: string;
  path: string;
  fileName: string;
  /** Whether the family after it is wanted as well. */
  make: boolean;
}

/** What reads sheets beside the server. */
export interface SheetReader {
  /** Reads a sheet; throws a Refusal where it cannot be read, and whatever the signal is aborted with. */
  readSheet(order: SheetOrder, signal: AbortSignal, tell: Tell): Promise<SheetFound>;
}

export function createIntakes(store: Store, pool: SheetReader, writer: Writer, log: Logger): Intakes {
  const { database } = store;
  const runner = createJobRunner(store, 'intake', work, log);
  const pathOf = (file: string) => join(incomingFolder(store), file);

  async function work(id: string, signal: AbortSignal): Promise<void> {
    const { subject: familyId, sheet } = jobRow(database, id)!;
    const { file, fileName, apply } = sheet!;
    if (!existsSync(pathOf(file))) throw new Refusal('job.file-gone', {});
    const key = `sheet:${id}`;
    await withoutOvertaking(async () => {
      const make = apply && !changeOfKey(database, key);
      const order = { familyId, path: pathOf(file), fileName, make };
      const found = await pool.readSheet(order, signal, progressOf(store, id, log));
      if (make) await takeFound(key, takingIn(fileName), found);
      await store.whenQuiet(() => storeFound(id, sheet!, found));
    });
  }

  async function takeFound(key: string, title: string, found: SheetFound): Promise<void> {
    const { revision, made } = found;
    await writer.write({ do: 'take', order: { key, title, revision, ...made! } });
  }

  function storeFound(id: string, sheet: NonNullable<JobRow['sheet']>, found: SheetFound): void {
    const { counts, unknownColumns, rows } = found;
    inTransaction(database, () => {
      database.delete(sheetRows).where(eq(sheetRows.jobId, id)).run();
      const value = sql.placeholder;
      const row = { jobId: id, row: value('row'), verdict: value('verdict'), doc: value('doc') };
      const insert = database.insert(sheetRows).values(row).prepare();
      for (const doc of rows) insert.run({ row: doc.row, verdict: doc.verdict, doc });
    });
    const told = { applied: sheet.apply, counts, unknownColumns };
    setJob(store, id, { done: rows.length, total: rows.length, sheet: { ...sheet, found: told } });
  }

  return {
    start(familyId, { file, fileName }, apply) {
      if (!hasFamily(database, familyId)) {
        rmSync(pathOf(file), { force: true });
        throw new Refusal('family.unknown', {});
      }
      forgetOldJobs(store);
      const job = openJob(store, {
        ...{
          id: crypto.randomUUID(),
          kind: 'intake',
          title: apply ? takingIn(fileName) : `Read ${fileName}`,
          subject: familyId,
          total: null,
        },
        sheet: { fileName, file, apply, found: null },
      });
      runner.run(job.id);
      return job;
    },
    take(id) {
      const { sheet } = requireSheet(store, id);
      const job = setJob(store, id, {
        title: takingIn(sheet.fileName),
        state: 'running',
        endedAt: null,
        done: 0,
        sheet: { ...sheet, apply: true },
      });
      runner.run(id);
      return job;
    },
    stop: runner.stop,
    resume: runner.resume,
    goOn: runner.goOn,
    close: runner.close,
  };
}

/** A job of a sheet that was read, or a Refusal. */
function requireSheet(store: Store, id: string): JobRow & { sheet: NonNullable<JobRow['sheet']> } {
  const row = jobRow(store.database, id);
  if (!row?.sheet) throw new Refusal('job.unknown', {});
  if (row.state !== 'done' || !row.sheet.found) throw new Refusal('job.not-done', {});
  return { ...row, sheet: row.sheet };
}

/** What a sheet that was read does or would do: those of its rows that are asked for. */
export function sheetReport(
  store: Store,
  id: string,
  { only = 'all', from = 0, limit = 500 }: QueryOf<typeof endpoints.sheetReport>,
): IntakeReport {
  const { subject, sheet } = requireSheet(store, id);
  const here = and(eq(sheetRows.jobId, id), only === 'all' ? undefined : eq(sheetRows.verdict, only));
  const rows = store.database
    .select({ doc: sheetRows.doc })
    .from(sheetRows)
    .where(here)
    .orderBy(sheetRows.row)
    .limit(Number(limit))
    .offset(Number(from))
    .all();
  return { familyId: subject, fileName: sheet.fileName, ...sheet.found!, rows: rows.map((row) => row.doc) };
}
