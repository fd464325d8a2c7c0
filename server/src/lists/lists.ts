/**
 * Lists taken in as jobs: the file lies beside the database until its job is forgotten, a worker thread reads it, and what is good of
 * it is one change under the job's key, made once. What the seller says of it has it read anew.
 */
import { existsSync, writeFileSync } from 'node:fs';
import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import { setImmediate } from 'node:timers/promises';
import type { Logger } from 'pino';
import { ListMappingSchema, ListSettlementSchema, NO_SETTLEMENT } from '@loom-kin/core/intake';
import { Refusal } from '@loom-kin/core/refusal';
import type { BodyOf, endpoints, Job } from '@loom-kin/contract';
import { changeOfKey } from '../journal/journal';
import { isSetUpAlike, readAt } from '../changes/readAt';
import type { Writer } from '../changes/writer';
import { withoutOvertaking } from '../files/overtaken';
import type { Arrived } from '../files/intakes';
import { forgetOldJobs, jobRow, openJob, removeFound, setJob } from '../jobs/jobs';
import { createJobRunner, progressOf, type Tell } from '../jobs/runJobs';
import type { PictureIntakes } from '../pictureIntakes/pictureIntakes';
import { prepared } from '../store/prepared';
import type { ListJob, ListMade, ReadAt } from '../store/tables/jobs';
import { incomingFolder, type Store } from '../store/store';
import { forgetFound, foundLines, hasFound, picturesNamed } from '../listFiles/foundFiles';
import { keepLive } from './keepLive';
import { changeKeyOf, requireList } from './listViews';
import type { ListFound } from '../listFiles/listFound';
import type { ListOrder } from './readListFile';
import { rememberMapping } from './remembered';

export interface Lists {
  /** Begins to read a list. */
  start(arrived: Arrived): Job;
  /** The same for pasted text, and for a list that was made of what stands on an account. */
  startText(
    text: string,
    from?: { fileName: string; account: string; live: NonNullable<ListJob['live']>; mapping: ListJob['mapping'] },
  ): Job;
  /** Reads a list anew, as the seller wants it. */
  settle(id: string, said: BodyOf<typeof endpoints.settleList>): Job;
  /** Takes the good rows in; `fetches` the pictures they name by address as well. */
  take(id: string, deletions: boolean, fetches: boolean): Job;
  stop(id: string): void;
  resume(id: string): void;
  /** Takes up what a process left. */
  goOn(): void;
  close(): Promise<void>;
}

/** A list brings so many pictures; those behind them are for a list of their own. */
const ADDRESSES_AT_MOST = 20_000;

/** What was read comes as JSON already. */
const addFamily = prepared(({ $client }) =>
  $client.prepare('INSERT INTO list_families (job_id, at, mark, doc) VALUES (?, ?, ?, ?)'),
);
const addRow = prepared(({ $client }) =>
  $client.prepare('INSERT INTO list_rows (job_id, at, row, verdict, doc) VALUES (?, ?, ?, ?, ?)'),
);

const takingIn = (fileName: string) => `Take ${fileName} in`;

/** What reads lists beside the server. */
export interface ListReader {
  /** Reads a list of goods; throws a Refusal where it cannot be read, and whatever the signal is aborted with. */
  readList(order: ListOrder, signal: AbortSignal, tell: Tell): Promise<ListFound>;
}

/** What lists work with. */
interface Tools {
  pool: ListReader;
  writer: Writer;
  pictures: Pick<PictureIntakes, 'start'>;
  log: Logger;
}

export function createLists(store: Store, { pool, writer, pictures, log }: Tools): Lists {
  const { database } = store;
  const runner = createJobRunner(store, 'list', work, log);
  const pathOf = (file: string) => join(incomingFolder(store), file);
  const listOf = (id: string): ListJob => {
    const list = jobRow(database, id)?.list;
    if (!list) throw new Refusal('job.unknown', {});
    return list;
  };

  function work(id: string, signal: AbortSignal): Promise<void> {
    const list = listOf(id);
    if (!existsSync(pathOf(list.file))) throw new Refusal('job.file-gone', {});
    return list.apply ? withoutOvertaking(() => takeIn(id, signal)) : read(id, signal);
  }

  async function readFile(id: string, list: ListJob, signal: AbortSignal): Promise<ListFound & { state: ReadAt }> {
    const { fileName, sheet, mapping, settlement } = list;
    const state = readAt(database);
    const order = { path: pathOf(list.file), fileName, sheet, mapping, settlement };
    return { ...(await pool.readList(order, signal, progressOf(store, id, log))), state };
  }

  async function read(id: string, signal: AbortSignal): Promise<void> {
    const list = listOf(id);
    const { found, rows, ...made } = await readFile(id, list, signal);
    await storeFound(id, pathOf(list.file), signal);
    await store.whenQuiet(
      () => signal.aborted || setJob(store, id, { done: rows, total: rows, list: { ...list, found, made } }),
    );
  }

  /** Takes in what was read; where the catalogue is another since, the list is read anew. */
  async function takeIn(id: string, signal: AbortSignal): Promise<void> {
    const list = listOf(id);
    const path = pathOf(list.file);
    const isMade = changeOfKey(database, changeKeyOf(id)) !== undefined;
    const fetches = list.fetches && list.pictures === null;
    const isFresh = hasFound(path) && (isMade || (list.made !== null && isSetUpAlike(database, list.made.state)));
    const made = isFresh || !(fetches || !isMade) ? list.made : await readFile(id, list, signal);
    try {
      if (!isMade) await takeFamilies(id, list, made!);
      const pictures = fetches ? await store.whenQuiet(() => fetchPictures(path)) : list.pictures;
      const total = jobRow(database, id)!.total ?? 0;
      await store.whenQuiet(() => setJob(store, id, { done: total, total, list: { ...list, pictures, made: null } }));
    } finally {
      // Whatever it was, next time it is read anew.
      forgetFound(path);
    }
  }

  async function takeFamilies(
    id: string,
    list: ListJob,
    { children, kind, state, registry = null }: ListMade,
  ): Promise<void> {
    const { fileName, file, deletions } = list;
    const order = {
      key: changeKeyOf(id),
      title: takingIn(fileName),
      path: pathOf(file),
      state,
      children,
      deletions,
      registry,
    };
    const rows = jobRow(database, id)?.total ?? null;
    const tell = progressOf(store, id, log);
    const tellRows = (some: number, all: number) => tell(Math.round((some / all) * (rows ?? all)), rows ?? all);
    await writer.write({ do: 'takeList', order }, tellRows);
    await store.whenQuiet(() => {
      if (list.mapping && list.account === null) rememberMapping(database, kind, list.mapping);
      if (list.account !== null && list.live) keepLive(store, list.account, list.live);
    });
  }

  /** Pictures of addresses come after the list, as an intake of their own that waits to be put in place. */
  function fetchPictures(path: string): string | null {
    const all = picturesNamed(path).slice(0, ADDRESSES_AT_MOST);
    if (all.length === 0) return null;
    const places = all.map(({ familyId, place }) => ({ familyId, place }));
    return pictures.start({ files: [], addresses: all.map(({ address }) => address), places, familyId: null }).id;
  }

  /** Stores what was read some rows at a time, so that nobody waits for a long list. */
  async function storeFound(id: string, path: string, signal: AbortSignal): Promise<void> {
    await removeFound(store, id);
    for (const kind of ['families', 'rows'] as const) {
      const add = (kind === 'families' ? addFamily : addRow)(database);
      let at = 0;
      for await (const lines of foundLines(path, kind)) {
        if (signal.aborted) return;
        // Others come in between.
        await setImmediate();
        await store.transactionWhenQuiet(() => {
          for (const line of lines) add.run(id, at++, ...line);
        });
      }
    }
  }

  function begin(list: Pick<ListJob, 'file' | 'fileName'> & Partial<ListJob>): Job {
    forgetOldJobs(store);
    const job = openJob(store, {
      ...{ id: crypto.randomUUID(), kind: 'list', title: `Read ${list.fileName}`, subject: '', total: null },
      list: {
        account: null,
        live: null,
        sheet: null,
        mapping: null,
        settlement: NO_SETTLEMENT,
        apply: false,
        deletions: false,
        fetches: false,
        pictures: null,
        found: null,
        made: null,
        ...list,
      },
    });
    runner.run(job.id);
    return job;
  }

  /** Has a list read anew; what is under way for it is dropped. */
  function again(id: string, list: ListJob, title: string): Job {
    runner.drop(id);
    const job = setJob(store, id, { title, state: 'running', endedAt: null, notice: null, done: 0, list });
    runner.run(id);
    return job;
  }

  return {
    start: ({ file, fileName }) => begin({ file, fileName }),
    startText(text, from) {
      const file = randomBytes(16).toString('hex');
      writeFileSync(pathOf(file), text, { mode: 0o600 });
      return begin({ file, fileName: 'pasted cells', ...from });
    },
    settle(id, { sheet, mapping, settlement }) {
      const list = listOf(id);
      if (list.apply) throw new Refusal('list.taken', {});
      // Families of another sheet, or by other columns, are others.
      const isOther = sheet !== undefined || mapping !== undefined;
      return again(
        id,
        {
          ...list,
          ...(sheet === undefined ? {} : { sheet, mapping: null }),
          ...(mapping === undefined ? {} : { mapping: ListMappingSchema.parse(mapping) }),
          settlement: settlement ? ListSettlementSchema.parse(settlement) : isOther ? NO_SETTLEMENT : list.settlement,
        },
        `Read ${list.fileName}`,
      );
    },
    take(id, deletions, fetches) {
      const { list } = requireList(store, id);
      return again(id, { ...list, apply: true, deletions, fetches }, takingIn(list.fileName));
    },
    stop: runner.stop,
    resume: runner.resume,
    goOn: runner.goOn,
    close: runner.close,
  };
}
