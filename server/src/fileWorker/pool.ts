/** Worker threads for files, bounded in time and memory: a file that needs more is refused, and nothing else suffers. */
import { join } from 'node:path';
import { MessageChannel, type MessagePort } from 'node:worker_threads';
import type { LabelOrder, SaidElsewhere } from '@loom-kin/contract';
import { Piscina } from 'piscina';
import { Refusal } from '@loom-kin/core/refusal';
import type { BackupNote } from '../backup/shape';
import type { Counts } from '../backup/tryOut';
import { FILE_WORKER } from '../folders/folders';
import { DATABASE_FILE } from '../store/database';
import type { Store } from '../store/store';
import { heard, type Told } from '../threads/told';
import type { ExportWriter } from '../export/exports';
import type { FamilyFound } from '../files/familyFile';
import type { SheetReader } from '../files/intakes';
import type { FamilyFileKind } from '../files/kinds';
import type { FamilyReader } from '../files/takeFamily';
import type { Tell } from '../jobs/runJobs';
import type { ListFound } from '../listFiles/listFound';
import type { ListReader } from '../lists/lists';
import type { SheetFound } from '../files/readInto';
import type { FileTask, FileWorkerSettings } from './worker';

/** In milliseconds. Of lists it is shown how far they are, and they can be stopped. */
const TIME_AT_MOST = 120_000;
const LONGEST = 15 * 60_000;
const LONG: ReadonlySet<FileTask['do']> = new Set([
  'readList',
  'readBackup',
  'bringBack',
  'writeBackup',
  'writeCatalogue',
]);
/** A thread takes a second or two to begin: whoever brings several files waits for it once. */
const KEPT_IDLE = 10 * 60_000;
const MEMORY_AT_MOST_MB = 1536;

export interface FilePool extends SheetReader, ListReader, FamilyReader, ExportWriter {
  /** A sheet as rows of text; throws a Refusal where it cannot be read. */
  readTable(path: string, fileName: string): Promise<string[][]>;
  /** A family as a file. */
  writeFamily(familyId: string, kind: FamilyFileKind): Promise<Uint8Array>;
  /** Reads a backup and lays it ready; throws a Refusal where it cannot be brought back. */
  readBackup(path: string, fileName: string): Promise<BackupNote>;
  /** Lays data ready that a backup took the place of; throws a Refusal where it cannot be brought back. */
  bringBack(name: string): Promise<Counts>;
  /** Labels for children of a family, as a PDF. */
  writeLabels(familyId: string, order: LabelOrder): Promise<Uint8Array>;
  /** A large family with everything its view needs, as JSON. */
  detail(familyId: string): Promise<Uint8Array>;
  /** Which sentences stand in other families word for word. */
  saidElsewhere(familyId: string, sentences: readonly string[]): Promise<SaidElsewhere>;
  close(): Promise<void>;
}

export function createFilePool(store: Store): FilePool {
  const workerData: FileWorkerSettings = { databaseFile: join(store.dataFolder, DATABASE_FILE) };
  const pool = new Piscina({
    ...FILE_WORKER,
    workerData,
    minThreads: 0,
    maxThreads: 2,
    idleTimeout: KEPT_IDLE,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY_AT_MOST_MB },
  });
  async function run<T>(task: FileTask, file: string, more: Parameters<typeof pool.run>[1] = {}): Promise<T> {
    const slow = AbortSignal.timeout(LONG.has(task.do) ? LONGEST : TIME_AT_MOST);
    const given = more.signal as AbortSignal | undefined;
    const signal = given ? AbortSignal.any([given, slow]) : slow;
    try {
      return heard((await pool.run(task, { ...more, signal })) as Told<T>);
    } catch (error) {
      if (slow.aborted && !given?.aborted) throw new Refusal('sheet.too-slow', { file });
      if (isOutOfMemory(error)) throw new Refusal('sheet.too-heavy', { file });
      throw error;
    }
  }
  /** Runs a task that tells how far it is. */
  async function runTelling<T>(
    taskWith: (port: MessagePort) => FileTask,
    file: string,
    signal: AbortSignal,
    tell: Tell,
  ): Promise<T> {
    const { port1, port2 } = new MessageChannel();
    port1.on('message', ({ done, total }: { done: number; total: number | null }) => tell(done, total));
    try {
      return await run<T>(taskWith(port2), file, { signal, transferList: [port2] });
    } finally {
      port1.close();
    }
  }
  return {
    readSheet: (order, signal, tell) =>
      runTelling<SheetFound>((port) => ({ do: 'readSheet', ...order, port }), order.fileName, signal, tell),
    readList: (order, signal, tell) =>
      runTelling<ListFound>((port) => ({ do: 'readList', order, port }), order.fileName, signal, tell),
    readTable: (path, fileName) => run<string[][]>({ do: 'readTable', path, fileName }, fileName),
    readFamily: (body) => run<FamilyFound>({ do: 'readFamily', body }, 'the family file'),
    writeFamily: (familyId, kind) => run<Uint8Array>({ do: 'writeFamily', familyId, kind }, `the ${kind} file`),
    writeCatalogue: async (order, signal, tell) =>
      void (await runTelling<null>((port) => ({ do: 'writeCatalogue', order, port }), 'the catalogue', signal, tell)),
    writeBackup: async (path, pictureFolder, signal) =>
      void (await run<null>({ do: 'writeBackup', path, pictureFolder }, 'the backup', { signal })),
    readBackup: (path, fileName) =>
      run<BackupNote>({ do: 'readBackup', path, fileName, dataFolder: store.dataFolder }, fileName),
    bringBack: (name) => run<Counts>({ do: 'bringBack', name, dataFolder: store.dataFolder }, 'the kept data'),
    writeLabels: (familyId, order) => run<Uint8Array>({ do: 'writeLabels', familyId, order }, 'the labels'),
    detail: (familyId) => run<Uint8Array>({ do: 'detail', familyId }, 'the family'),
    saidElsewhere: (familyId, sentences) =>
      run<SaidElsewhere>({ do: 'saidElsewhere', familyId, sentences }, 'the texts'),
    close: () => pool.destroy(),
  };
}

const isOutOfMemory = (error: unknown) => (error as { code?: string } | null)?.code === 'ERR_WORKER_OUT_OF_MEMORY';
