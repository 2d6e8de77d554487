import { asc, desc, eq } from 'drizzle-orm';
import { tables, type Db } from '../db';
import { FIRST_HASH, hashEvent } from './hash';

export interface StoredEvent {
  readonly id: number;
  readonly stream: string;
  readonly sequence: number;
  readonly type: string;
  readonly payload: unknown;
  readonly actor: string;
  readonly at: string;
  readonly policy: string;
  readonly hash: string;
}

/** Reads a stream from its beginning. */
export function readStream(db: Db, stream: string): StoredEvent[] {
  return db
    .select()
    .from(tables.events)
    .where(eq(tables.events.stream, stream))
    .orderBy(asc(tables.events.sequence))
    .all()
    .map((row) => ({ ...row, payload: JSON.parse(row.payload) as unknown }));
}

/** Appends events to a stream, chained to the newest of the whole ledger. Call it inside the transaction that decided them. */
export function appendEvents(
  tx: Db,
  stream: string,
  after: number,
  payloads: readonly { readonly kind: string }[],
  mark: { readonly actor: string; readonly at: string; readonly policy: string },
): void {
  const last = tx
    .select({ id: tables.events.id, hash: tables.events.hash })
    .from(tables.events)
    .orderBy(desc(tables.events.id))
    .limit(1)
    .get();
  let previousHash = last?.hash ?? FIRST_HASH;
  let id = last?.id ?? 0;
  payloads.forEach((payload, index) => {
    id += 1;
    const event = {
      id,
      stream,
      sequence: after + index + 1,
      type: payload.kind,
      payload: JSON.stringify(payload),
      ...mark,
      previousHash,
    };
    const hash = hashEvent(event);
    tx.insert(tables.events)
      .values({ ...event, hash })
      .run();
    previousHash = hash;
  });
}

export type LedgerReport =
  | { readonly whole: true; readonly events: number; readonly head: string }
  | { readonly whole: false; readonly at: number; readonly says: string };

/** Walks the whole chain. Finds the first event that was changed, taken out or put in. */
export function verifyLedger(db: Db): LedgerReport {
  let previousHash = FIRST_HASH;
  let expected = 1;
  const sequences = new Map<string, number>();
  const rows = db.select().from(tables.events).orderBy(asc(tables.events.id)).all();
  for (const row of rows) {
    const broken = (says: string): LedgerReport => ({ whole: false, at: row.id, says });
    if (row.id !== expected) return broken(`event ${expected} is missing`);
    if (row.previousHash !== previousHash)
      return broken(`event ${row.id} does not follow the one before it`);
    if (hashEvent(row) !== row.hash)
      return broken(`event ${row.id} was changed after it was written`);
    if (row.sequence !== (sequences.get(row.stream) ?? 0) + 1) {
      return broken(`event ${row.id} is out of order in ${row.stream}`);
    }
    sequences.set(row.stream, row.sequence);
    previousHash = row.hash;
    expected += 1;
  }
  return { whole: true, events: rows.length, head: previousHash };
}
