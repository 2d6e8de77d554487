import { sql } from 'drizzle-orm';
import { closeDatabase, openDatabase, tables, type Db } from '../db';
import { loadDemo } from './demo';
import { verifyAll } from './verify';
import { rebuildRows } from './rebuild';
import { findAnything } from './search';

let db: Db;
beforeEach(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db, { morning: true });
});
afterEach(() => closeDatabase(db));

const KEPT = ['jobRows', 'holdings', 'asBuilt', 'permitRows', 'auditRows', 'workOrders'] as const;
const sorted = (rows: readonly object[]) => rows.map((row) => JSON.stringify(row)).sort();
const readKept = () => ({
  ...Object.fromEntries(KEPT.map((name) => [name, sorted(db.select().from(tables[name]).all())])),
  search: sorted(db.all<object>(sql`select rowid, ids, equipment, title, words from search_row`)),
});

describe('what is kept of jobs', () => {
  it('is written anew from the ledger as it was, whatever became of it', () => {
    const before = readKept();
    expect(before.search.length).toBeGreaterThan(10);
    db.delete(tables.holdings).run();
    db.update(tables.jobRows).set({ stage: 'closed', title: 'forged' }).run();
    db.update(tables.permitRows).set({ state: 'closed' }).run();
    db.update(tables.asBuilt).set({ actor: 'nobody' }).run();
    db.run(sql`update search_row set words = 'lost'`);
    expect(verifyAll(db).problems.length).toBeGreaterThan(0);
    expect(findAnything(db, 'stirrer').jobs).toHaveLength(1);
    expect(findAnything(db, 'packing').jobs).toEqual([]);

    expect(rebuildRows(db)).toBe(before.search.length);
    expect(readKept()).toEqual(before);
    expect(verifyAll(db).problems).toEqual([]);
    expect(findAnything(db, 'packing').jobs).toHaveLength(1);
  });

  it('is the same when it is written anew twice', () => {
    rebuildRows(db);
    const once = readKept();
    rebuildRows(db);
    expect(readKept()).toEqual(once);
  });
});
