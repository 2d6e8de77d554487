import Database from 'better-sqlite3';

/** How many rows each table of a database has. */
export function countRows(file: string): Readonly<Record<string, number>> {
  const db = new Database(file, { readonly: true });
  const tables = `select name from sqlite_master where type = 'table'`;
  const names = db.prepare<[], string>(tables).pluck().all();
  const counts = names.map((name) => {
    const count = db.prepare<[], number>(`select count(*) from "${name}"`).pluck();
    return [name, count.get() ?? 0] as const;
  });
  db.close();
  return Object.fromEntries(counts);
}

/** What malformed requests may leave: sessions lie idle, and diagrams that were asked for are kept. */
export const MAY_GROW: readonly string[] = ['session', 'layout', 'sqlite_sequence'];
