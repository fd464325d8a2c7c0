/** Statements that are made once for a database: making one takes many times as long as running it. */
import type { Database } from './database';

/** The statement of a database, made when it is first asked for. What changes from run to run is a placeholder in it. */
export function prepared<T>(make: (database: Database) => T): (database: Database) => T {
  const made = new WeakMap<Database, T>();
  return (database) => {
    let statement = made.get(database);
    if (!statement) made.set(database, (statement = make(database)));
    return statement;
  };
}
