import { and, asc, desc, eq, gt, max } from 'drizzle-orm';
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

/** Reads a stream from its beginning, or what came after a sequence number. */
export function readStream(db: Db, stream: string, after = 0): StoredEvent[] {
  return db
    .select()
    .from(tables.events)
    .where(and(eq(tables.events.stream, stream), gt(tables.events.sequence, after)))
    .orderBy(asc(tables.events.sequence))
    .all()
    .map((row) => ({ ...row, payload: JSON.parse(row.payload) as unknown }));
}

/** Every event of the ledger, oldest first, read as they are asked for. */
export function* iterateEvents(db: Db): Generator<StoredEvent> {
  const MOST = 1000;
  for (let after = 0; ;) {
    const rows = db
      .select()
      .from(tables.events)
      .where(gt(tables.events.id, after))
      .orderBy(asc(tables.events.id))
      .limit(MOST)
      .all();
    for (const row of rows) yield { ...row, payload: JSON.parse(row.payload) as unknown };
    if (rows.length < MOST) return;
    after = rows.at(-1)?.id ?? after;
  }
}

/** The number of the newest event of the whole ledger; 0 before the first. */
export const readHead = (db: Db): number =>
  db
    .select({ head: max(tables.events.id) })
    .from(tables.events)
    .get()?.head ?? 0;

/** The streams that grew after an event, by its number in the whole ledger. */
export const listGrown = (db: Db, after: number): string[] =>
  db
    .selectDistinct({ stream: tables.events.stream })
    .from(tables.events)
    .where(gt(tables.events.id, after))
    .all()
    .map(({ stream }) => stream);

/** The newest event of a stream, or undefined. */
export function readLast(db: Db, stream: string): StoredEvent | undefined {
  const row = db
    .select()
    .from(tables.events)
    .where(eq(tables.events.stream, stream))
    .orderBy(desc(tables.events.sequence))
    .limit(1)
    .get();
  return row && { ...row, payload: JSON.parse(row.payload) as unknown };
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
