import { and, asc, desc, eq, gt, like, max, sql } from 'drizzle-orm';
import { liftEvent, versionOfKind } from '../core/event-versions';
import { logFault, onceFor, onceKept, tables, type Db } from '../db';
import { FIRST_HASH, hashEvent, type ChainedEvent } from './hash';
import { appendHead, type Head } from './heads';
import { signerOf, type Signer } from './signer';

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

const { events: eventRows } = tables;

const askStream = onceFor((db) =>
  db
    .select()
    .from(eventRows)
    .where(
      and(
        eq(eventRows.stream, sql.placeholder('stream')),
        gt(eventRows.sequence, sql.placeholder('after')),
      ),
    )
    .orderBy(asc(eventRows.sequence))
    .prepare(),
);
const askHead = onceFor((db) =>
  db
    .select({ head: max(eventRows.id) })
    .from(eventRows)
    .prepare(),
);
const askLast = onceFor((db) =>
  db
    .select()
    .from(eventRows)
    .where(eq(eventRows.stream, sql.placeholder('stream')))
    .orderBy(desc(eventRows.sequence))
    .limit(1)
    .prepare(),
);

type Row = typeof tables.events.$inferSelect;

/** An event as the application of today knows it, however long ago it was written. */
const readRow = (row: Row): StoredEvent => ({
  ...row,
  payload: liftEvent(JSON.parse(row.payload)),
});

/** An event as it is written: with the version of its kind, so that a later application can lift it. */
const writePayload = (payload: { readonly kind: string }): string =>
  JSON.stringify({ ...payload, v: versionOfKind(payload.kind) });

/** Reads a stream from its beginning, or what came after a sequence number. */
export function readStream(db: Db, stream: string, after = 0): StoredEvent[] {
  return askStream(db).all({ stream, after }).map(readRow);
}

/** Every event of the ledger, oldest first, read as they are asked for. */
export function* iterateEvents(db: Db): Generator<StoredEvent> {
  for (const row of iterateRows(db)) yield readRow(row);
}

/** The number of the newest event of the whole ledger; 0 before the first. */
export const readHead = (db: Db): number => askHead(db).get()?.head ?? 0;

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
  const row = askLast(db).get({ stream });
  return row && readRow(row);
}

/** The stream that says what became of the clock. */
export const CLOCK_STREAM = 'site/clock';

/** How events are marked: by whom, when (ISO 8601, UTC), under which version of the rules. */
interface EventMark {
  readonly actor: string;
  readonly at: string;
  readonly policy: string;
}

const nextSequence = (tx: Db, stream: string): number => (readLast(tx, stream)?.sequence ?? 0) + 1;

/** How far the ledger has come; the hash before the first event when it is empty. */
export function findHead(db: Db): Head {
  const { id, hash } = tables.events;
  const last = db.select({ id, hash }).from(tables.events).orderBy(desc(id)).limit(1).get();
  return { events: last?.id ?? 0, hash: last?.hash ?? FIRST_HASH };
}

/** Writes one event at the end of the chain; answers the head after it. */
function chain(
  tx: Db,
  { events, hash: previousHash }: Head,
  given: Omit<ChainedEvent, 'id' | 'previousHash'>,
): Head {
  const event = { ...given, id: events + 1, previousHash };
  const hash = hashEvent(event);
  tx.insert(tables.events)
    .values({ ...event, hash })
    .run();
  return { events: event.id, hash };
}

/** When the clock has gone back since the newest event, that is said before anything else. */
function sayTimeWentBack(tx: Db, head: Head, { at }: EventMark): Head {
  const { id } = tables.events;
  const last = tx.select().from(tables.events).where(eq(id, head.events)).get();
  if (!last || Date.parse(at) >= Date.parse(last.at)) return head;
  const wentBack = { kind: 'time-went-back', from: last.at, to: at };
  return chain(tx, head, {
    stream: CLOCK_STREAM,
    sequence: nextSequence(tx, CLOCK_STREAM),
    type: 'time-went-back',
    payload: writePayload(wentBack),
    actor: 'the clock',
    at,
    policy: 'none',
  });
}

/**
 * Appends events to a stream, chained to the newest of the whole ledger; the last is signed, and once it is kept the head is added to the
 * file beside the database. Call it inside the transaction that decided them.
 */
export function appendEvents(
  tx: Db,
  stream: string,
  after: number,
  payloads: readonly { readonly kind: string }[],
  mark: EventMark,
): void {
  if (payloads.length === 0) return;
  const before = sayTimeWentBack(tx, findHead(tx), mark);
  // What is said of the clock may have come before in this very stream.
  const from = stream === CLOCK_STREAM ? nextSequence(tx, CLOCK_STREAM) : after + 1;
  const head = payloads.reduce<Head>(
    (reached, payload, index) =>
      chain(tx, reached, {
        stream,
        sequence: from + index,
        type: payload.kind,
        payload: writePayload(payload),
        ...mark,
      }),
    before,
  );
  tx.update(tables.events)
    .set({ signature: signerOf(tx).sign(head.hash) })
    .where(eq(tables.events.id, head.events))
    .run();
  onceKept(tx, 'head', () => {
    try {
      appendHead(tx, { ...head, at: mark.at });
    } catch (error) {
      // The events are kept and signed; the next head says what this one would have said.
      logFault('the head of the ledger could not be added to its file', error);
    }
  });
}

export type LedgerReport =
  | { readonly whole: true; readonly events: number; readonly head: string }
  | { readonly whole: false; readonly at: number; readonly says: string };

/** Rows of the ledger, oldest first, as they are asked for. */
export function* iterateRows(db: Db): Generator<Row> {
  const MOST = 1000;
  for (let after = 0; ;) {
    const { id } = tables.events;
    const rows = db
      .select()
      .from(tables.events)
      .where(gt(id, after))
      .orderBy(asc(id))
      .limit(MOST)
      .all();
    yield* rows;
    if (rows.length < MOST) return;
    after = rows.at(-1)?.id ?? after;
  }
}

/** What is wrong with an event in its place; undefined when nothing is. */
function findBreak(
  row: Row,
  before: { readonly row: Row | undefined; readonly sequence: number; readonly isSigned: boolean },
  signer: Signer,
): string | undefined {
  const expected = (before.row?.id ?? 0) + 1;
  if (row.id !== expected) return `event ${expected} is missing`;
  if (row.previousHash !== (before.row?.hash ?? FIRST_HASH))
    return `event ${row.id} does not follow the one before it`;
  if (hashEvent(row) !== row.hash) return `event ${row.id} was changed after it was written`;
  if (row.sequence !== before.sequence + 1)
    return `event ${row.id} is out of order in ${row.stream}`;
  if (row.signature !== null && !signer.isSigned(row.hash, row.signature))
    return `event ${row.id} is not signed with the key of this ledger`;
  const wentBack = before.row && Date.parse(row.at) < Date.parse(before.row.at);
  // What is from before there were signatures is not judged by its times.
  if (wentBack && before.isSigned && row.type !== 'time-went-back')
    return `the time of event ${row.id} is before that of the one before it, and nothing says why`;
  return undefined;
}

/**
 * Walks the whole chain. Finds the first event that was changed, taken out or put in, whose time runs back, or that was not signed with the
 * key: what is added at the end without it is a forgery. `signer` is that of the database unless another is named.
 */
export function verifyLedger(db: Db, signer = signerOf(db)): LedgerReport {
  const sequences = new Map<string, number>();
  let last: Row | undefined;
  let isSigned = false;
  for (const row of iterateRows(db)) {
    const before = { row: last, sequence: sequences.get(row.stream) ?? 0, isSigned };
    const says = findBreak(row, before, signer);
    if (says !== undefined) return { whole: false, at: row.id, says };
    sequences.set(row.stream, row.sequence);
    isSigned ||= row.signature !== null;
    last = row;
  }
  if (last && isSigned && last.signature === null) {
    return { whole: false, at: last.id, says: `event ${last.id} at the end is not signed` };
  }
  return { whole: true, events: last?.id ?? 0, head: last?.hash ?? FIRST_HASH };
}

/** The hash of an event by its number; undefined when there is none. */
export const findHash = (db: Db, event: number): string | undefined =>
  db
    .select({ hash: tables.events.hash })
    .from(tables.events)
    .where(eq(tables.events.id, event))
    .get()?.hash;

/** Whether an event with a hash (or one that begins so, 8 characters at least) stands in the ledger. */
export function hasHash(db: Db, begins: string): boolean {
  const text = begins.toLowerCase();
  if (!/^[0-9a-f]{8,64}$/.test(text)) return false;
  const { hash } = tables.events;
  return (
    db
      .select({ hash })
      .from(tables.events)
      .where(like(hash, `${text}%`))
      .limit(1)
      .get() !== undefined
  );
}
