import { eq } from 'drizzle-orm';
import { tables, type Db } from '../db';

const OFFSET = 'clock-offset-ms';

/** The one clock: the machine's time, plus an offset that only the demonstration and tests can move. */
export function readNow(db: Db): string {
  const row = db.select().from(tables.settings).where(eq(tables.settings.name, OFFSET)).get();
  return new Date(Date.now() + Number(row?.value ?? 0)).toISOString();
}

function saveOffset(db: Db, milliseconds: number): void {
  const row = { name: OFFSET, value: String(milliseconds) };
  db.insert(tables.settings)
    .values(row)
    .onConflictDoUpdate({ target: tables.settings.name, set: row })
    .run();
}

/** Sets the clock to an instant (ms), while a demonstration is being loaded. */
export const setClock = (db: Db, instant: number): void => saveOffset(db, instant - Date.now());

/** Moves the clock forward by hours (above 0, at most 240). */
export function moveClock(db: Db, hours: number): string {
  const now = Date.parse(readNow(db)) - Date.now();
  saveOffset(db, now + hours * 3_600_000);
  return readNow(db);
}
