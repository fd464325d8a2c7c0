/** Reading families as all of them are at one moment, while people go on changing them. */
import { rmSync } from 'node:fs';
import { readDatabase, type Database } from '../store/database';

/** So many families are read in one transaction. */
const FEW = 200;

/**
 * Does something with the data as they are now. As long as a transaction reads, nothing that is written meanwhile can leave the log of the
 * database: where much is read, that is done from a copy beside the file that is written.
 * @param ids the families; null for all
 */
export async function atOneMoment(
  database: Database,
  { ids, path }: { ids: readonly string[] | null; path: string },
  work: (frozen: Database) => Promise<void>,
): Promise<void> {
  if (ids !== null && ids.length <= FEW) return inReading(database, work);
  // Named after the file, it goes with its job where the process ends before this does.
  const copy = `${path}.copy`;
  rmSync(copy, { force: true });
  try {
    database.$client.prepare('VACUUM INTO ?').run(copy);
    const frozen = readDatabase(copy);
    try {
      await work(frozen);
    } finally {
      frozen.$client.close();
    }
  } finally {
    rmSync(copy, { force: true });
  }
}

async function inReading(database: Database, work: (frozen: Database) => Promise<void>): Promise<void> {
  database.$client.exec('BEGIN');
  try {
    await work(database);
  } finally {
    database.$client.exec('COMMIT');
  }
}
