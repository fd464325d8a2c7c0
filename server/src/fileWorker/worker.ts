/** A worker thread for files: it reads the database beside the server and never writes it, so that no request waits for a large file. */
import type { MessagePort } from 'node:worker_threads';
import { workerData } from 'piscina';
import type { LabelOrder, SaidElsewhere } from '@loom-kin/contract';
import { familyRows } from '@loom-kin/core/intake';
import { fileSource, readTable, writeCsv, writeXlsx } from '@loom-kin/sheets';
import { bringBack } from '../backup/bringBack';
import { readBackup } from '../backup/readBackup';
import type { BackupNote } from '../backup/shape';
import type { Counts } from '../backup/tryOut';
import { writeBackup } from '../backup/writeBackup';
import { readCatalogue } from '../store/readCatalogue';
import { writeCatalogue, type ExportOrder } from '../export/writeCatalogue';
import { familyDetail } from '../families/detail';
import { loadFamily } from '../store/loadFamily';
import { saidElsewhere } from '../families/saidElsewhere';
import { writeLabels, type LabelsOf } from '../labels/writeLabels';
import { writeFound } from '../listFiles/foundFiles';
import type { ListFound } from '../listFiles/listFound';
import { readListFile, type ListOrder } from '../lists/readListFile';
import { loadStock, loadStockAt } from '../stock/ledger';
import { readDatabase } from '../store/database';
import { telling, type Told } from '../threads/told';
import { familyFile, readFamilyFile, type FamilyFound } from '../files/familyFile';
import type { FamilyFileKind } from '../files/kinds';
import { readInto, type SheetFound } from '../files/readInto';
import { yieldToRequests } from '../threads/lowPriority';

yieldToRequests();

export interface FileWorkerSettings {
  databaseFile: string;
}

export type FileTask =
  | { do: 'readSheet'; familyId: string; path: string; fileName: string; make: boolean; port: MessagePort }
  | { do: 'readList'; order: ListOrder; port: MessagePort }
  | { do: 'writeCatalogue'; order: ExportOrder; port: MessagePort }
  | { do: 'writeLabels'; familyId: string; order: LabelOrder }
  | { do: 'writeBackup'; path: string; pictureFolder: string }
  | { do: 'readBackup'; path: string; fileName: string; dataFolder: string }
  | { do: 'bringBack'; name: string; dataFolder: string }
  | { do: 'readTable'; path: string; fileName: string }
  | { do: 'readFamily'; body: unknown }
  | { do: 'writeFamily'; familyId: string; kind: FamilyFileKind }
  | { do: 'detail'; familyId: string }
  | { do: 'saidElsewhere'; familyId: string; sentences: readonly string[] };

type FileDone =
  null | BackupNote | Counts | SheetFound | ListFound | FamilyFound | Uint8Array | string[][] | SaidElsewhere;

const database = readDatabase((workerData as FileWorkerSettings).databaseFile);

export default function work(task: FileTask): Promise<Told<FileDone>> {
  return telling(() => workOn(task));
}

async function workOn(task: FileTask): Promise<FileDone> {
  switch (task.do) {
    case 'readSheet':
      return readSheetFile(task);
    case 'readList':
      return readListTask(task);
    case 'writeCatalogue':
      await writeCatalogue(database, task.order, (done, total) => task.port.postMessage({ done, total }));
      return null;
    case 'writeLabels':
      return writeLabels(labelsOf(task.familyId), task.order);
    case 'writeBackup':
      await writeBackup(database, task.path, task.pictureFolder);
      return null;
    case 'readBackup':
      return readBackup(task.path, task.fileName, task.dataFolder);
    case 'bringBack':
      return bringBack(task.name, task.dataFolder);
    case 'readTable':
      return readTable(fileSource(task.path, task.fileName));
    case 'readFamily':
      return database.transaction(() => readFamilyFile(database, readCatalogue(database), task.body));
    case 'writeFamily':
      return writeFamily(task);
    case 'saidElsewhere':
      return saidElsewhere(database, task.familyId, task.sentences);
    case 'detail':
      return asJson(database.transaction(() => familyDetail(database, task.familyId)));
  }
}

async function readListTask({ order, port }: Extract<FileTask, { do: 'readList' }>): Promise<ListFound> {
  const read = await readListFile(database, order, (done, total) => port.postMessage({ done, total }));
  return writeFound(order.path, read);
}

async function readSheetFile(task: Extract<FileTask, { do: 'readSheet' }>): Promise<SheetFound> {
  const { familyId, path, fileName, make, port } = task;
  const table = await readTable(fileSource(path, fileName));
  const tell = (done: number, total: number) => port.postMessage({ done, total });
  // One picture of the data for the whole sheet.
  return database.transaction(() => readInto(database, readCatalogue(database), familyId, table, { make, tell }));
}

const asJson = (data: unknown): Uint8Array => new TextEncoder().encode(JSON.stringify(data));

async function writeFamily({ familyId, kind }: Extract<FileTask, { do: 'writeFamily' }>): Promise<Uint8Array> {
  const { family, stock, stockAt, registry } = database.transaction(() => ({
    family: loadFamily(database, familyId),
    stock: loadStock(database, familyId),
    stockAt: loadStockAt(database, familyId),
    registry: readCatalogue(database).registry,
  }));
  if (kind === 'json') return asJson(familyFile(family, stock, stockAt));
  const { headers, rows } = familyRows(registry, family, stock);
  return kind === 'csv' ? new TextEncoder().encode(writeCsv(headers, rows)) : writeXlsx('Children', headers, rows);
}

/** A family with its pieces, and the currency of its prices. */
function labelsOf(familyId: string): LabelsOf {
  const { currency } = readCatalogue(database).seller;
  return { family: loadFamily(database, familyId), stock: loadStock(database, familyId), currency };
}
