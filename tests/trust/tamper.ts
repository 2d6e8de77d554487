import { openDatabase, closeDatabase, type Db } from '../../src/db';
import { loadDemo } from '../../src/server/demo';
import { verifyAll } from '../../src/server/verify';
import { pick, seeded } from './random';

/** Every table that the ledger speaks for. `tests/support` of verify names those that it does not. */
export const TOLD_TABLES = [
  'event',
  'job_row',
  'holding',
  'as_built',
  'permit_row',
  'audit_row',
  'search_row',
  'person',
  'register',
  'setting',
  'command_seen',
  'plant_version',
] as const;

const KINDS = ['delete', 'change', 'copy'] as const;

/** Changes one row of a table behind the ledger's back; answers what was done, or undefined where nothing could be. */
function tamper(db: Db, table: string, kind: (typeof KINDS)[number], random: () => number) {
  const rows = db.$client.prepare(`select rowid as row, * from ${table}`).all() as Record<
    string,
    string | number | null
  >[];
  const row = pick(random, rows);
  if (!row) return undefined;
  const columns = Object.keys(row).filter((name) => name !== 'row');
  const column = pick(random, columns);
  const at = `rowid = ${Number(row.row)}`;
  if (kind === 'delete') {
    db.$client.prepare(`delete from ${table} where ${at}`).run();
    return `${table}: row ${Number(row.row)} deleted`;
  }
  const value = row[column];
  const other = typeof value === 'number' ? value + 1 : `${String(value ?? '')}x`;
  if (kind === 'change') {
    db.$client.prepare(`update ${table} set ${column} = ? where ${at}`).run(other);
    return `${table}: ${column} of row ${Number(row.row)} changed`;
  }
  const names = columns.join(', ');
  const values = columns.map((name) =>
    typeof row[name] === 'number' ? Number(row[name]) + 100_000 : `${String(row[name] ?? '')}x`,
  );
  const marks = columns.map(() => '?').join(', ');
  db.$client.prepare(`insert into ${table} (${names}) values (${marks})`).run(...values);
  return `${table}: a row like ${Number(row.row)} added`;
}

/** What rounds of tampering counted: how many changes, and those that a look did not find. */
export interface TamperCount {
  readonly changes: number;
  readonly unseen: readonly string[];
}

/** Changes, deletes and adds rows of every table, one at a time, and looks whether verifying finds it. */
export async function tamperRounds(rounds: number, seed: number): Promise<TamperCount> {
  const random = seeded(seed);
  const db = openDatabase(':memory:');
  await loadDemo(db, { morning: true });
  const unseen: string[] = [];
  let changes = 0;
  for (let round = 0; round < rounds; round++) {
    for (const table of TOLD_TABLES) {
      const kind = KINDS[(round + TOLD_TABLES.indexOf(table)) % KINDS.length] ?? 'change';
      db.$client.exec('savepoint spoilt');
      let done: string | undefined;
      try {
        done = tamper(db, table, kind, random);
        if (done !== undefined) {
          changes += 1;
          if (verifyAll(db).whole) unseen.push(done);
        }
      } catch (error) {
        // The table itself refuses it, a name twice for instance: nothing was changed.
        if (!String(error).includes('constraint')) throw error;
      } finally {
        db.$client.exec('rollback to spoilt; release spoilt');
      }
    }
  }
  closeDatabase(db);
  return { changes, unseen };
}
