import { eq } from 'drizzle-orm';
import { onceFor, tables, writeAlone, type Db } from '../db';
import { appendEvents, CLOCK_STREAM, readLast } from '../ledger';

const OFFSET = 'clock-offset-ms';

const askOffset = onceFor((db) =>
  db.select().from(tables.settings).where(eq(tables.settings.name, OFFSET)).prepare(),
);

/** The one clock: the machine's time, plus an offset that only the demonstration and tests can move. */
export function readNow(db: Db): string {
  const row = askOffset(db).get();
  return new Date(Date.now() + Number(row?.value ?? 0)).toISOString();
}

/** Who moved the clock, and how far it is ahead of the machine's from then on (ms). */
export interface ClockMoved {
  readonly kind: 'clock-moved';
  readonly offset_ms: number;
}

/** The offset as a row of the settings. */
export const rowOfOffset = (offset_ms: number) => ({ name: OFFSET, value: String(offset_ms) });

/** Moves the clock, and says so in the ledger at the time that it was until then. */
function saveOffset(db: Db, offset_ms: number, actor: string): void {
  writeAlone(db, (tx) => {
    const row = rowOfOffset(offset_ms);
    const moved: ClockMoved = { kind: 'clock-moved', offset_ms };
    const at = readNow(tx);
    appendEvents(tx, CLOCK_STREAM, readLast(tx, CLOCK_STREAM)?.sequence ?? 0, [moved], {
      actor,
      at,
      policy: 'none',
    });
    tx.insert(tables.settings)
      .values(row)
      .onConflictDoUpdate({ target: tables.settings.name, set: row })
      .run();
  });
}

/** Sets the clock to an instant (ms), while a demonstration is being loaded. */
export const setClock = (db: Db, instant: number): void =>
  saveOffset(db, Math.round(instant - Date.now()), 'site set-up');

/** Moves the clock forward by hours (above 0, at most 240). */
export function moveClock(db: Db, hours: number, actor = 'site set-up'): string {
  const now = Date.parse(readNow(db)) - Date.now();
  saveOffset(db, Math.round(now + hours * 3_600_000), actor);
  return readNow(db);
}
