/** A worker thread for files: it reads the database beside the server and never writes it, so that no request waits for a large file. */
import { readFile } from 'node:fs/promises';
import type { MessagePort } from 'node:worker_threads';
import { workerData } from 'piscina';
import type { SaidElsewhere } from '@loom-kin/contract';
import { familyRows } from '@loom-kin/core';
import { readCatalogue } from '../catalogue/readCatalogue';
import { familyDetail } from '../families/detail';
import { loadFamily } from '../families/load';
import { saidElsewhere } from '../families/saidElsewhere';
import { loadStock, loadStockAt } from '../stock/ledger';
import { readDatabase } from '../store/database';
import { telling, type Told } from '../threads/told';
import { writeCsv } from './csv';
import { familyFile, readFamilyFile, type FamilyFound } from './familyFile';
import type { FamilyFileKind } from './kinds';
import { readInto, type SheetFound } from './readInto';
import { readTable } from './readTable';
import { writeXlsx } from './xlsx';

export interface FileWorkerSettings {
  databaseFile: string;
}

export type FileTask =
  | { do: 'readSheet'; familyId: string; path: string; fileName: string; make: boolean; port: MessagePort }
  | { do: 'readTable'; path: string; fileName: string }
  | { do: 'readFamily'; body: unknown }
  | { do: 'writeFamily'; familyId: string; kind: FamilyFileKind }
  | { do: 'detail'; familyId: string }
  | { do: 'saidElsewhere'; familyId: string; sentences: readonly string[] };

type FileDone = SheetFound | FamilyFound | Uint8Array | string[][] | SaidElsewhere;

const database = readDatabase((workerData as FileWorkerSettings).databaseFile);

export default function work(task: FileTask): Promise<Told<FileDone>> {
  return telling(() => workOn(task));
}

async function workOn(task: FileTask): Promise<FileDone> {
  switch (task.do) {
    case 'readSheet':
      return readSheetFile(task);
    case 'readTable':
      return readTable(await readFile(task.path), task.fileName);
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

async function readSheetFile(task: Extract<FileTask, { do: 'readSheet' }>): Promise<SheetFound> {
  const { familyId, path, fileName, make, port } = task;
  const table = await readTable(await readFile(path), fileName);
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
