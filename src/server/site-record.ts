import type { Mark } from '../core/job';
import { explainIn, type ExplainedRefusal } from '../core/rules/book';
import type { RecordDecision } from '../core/rules/decision';
import { perProcess, writeAlone, type Db } from '../db';
import { appendEvents, readStream } from '../ledger';
import { readNow } from './clock';
import { readValues } from './site-rules';

/** A record of the site that is told by one stream of events. */
export interface SiteRecord<Kept, Event> {
  readonly stream: string;
  readonly none: Kept;
  readonly evolve: (record: Kept, event: Event, mark: Mark) => Kept;
}

/** A record as far as it has been read: its version, and what it says. */
export interface RecordRead<Kept> {
  readonly version: number;
  readonly record: Kept;
}

const kept = perProcess(
  'site-records',
  () => new WeakMap<Db['$client'], Map<string, RecordRead<unknown>>>(),
);

/** Reads a record. What was read before is kept: events never change, so only newer ones are read; what a transaction has written is not kept, for it may be rolled back. */
export function readRecord<Kept, Event>(
  db: Db,
  { stream, none, evolve }: SiteRecord<Kept, Event>,
): RecordRead<Kept> {
  const all = kept.get(db.$client) ?? new Map<string, RecordRead<unknown>>();
  kept.set(db.$client, all);
  const known = (all.get(stream) as RecordRead<Kept> | undefined) ?? { version: 0, record: none };
  const read = readStream(db, stream, known.version).reduce<RecordRead<Kept>>(
    ({ record }, { sequence, actor, at, payload }) => ({
      version: sequence,
      record: evolve(record, payload as Event, { by: actor, at }),
    }),
    known,
  );
  if (!db.$client.inTransaction) all.set(stream, read);
  return read;
}

/** What became of a command about a record of the site. */
export type RecordAnswer =
  | { readonly ok: true; readonly version: number }
  | { readonly ok: false; readonly kind: 'refused'; readonly refusals: readonly ExplainedRefusal[] }
  | { readonly ok: false; readonly kind: 'changed-meanwhile'; readonly version: number };

/**
 * Decides about a record and appends what follows, in one transaction. `decide` answers undefined where its sender has not seen how things stand
 * now; then nothing is kept. `after` does what follows from the event elsewhere, in the same transaction.
 */
export function writeRecord<Kept, Event extends { readonly kind: string }>(
  db: Db,
  of: SiteRecord<Kept, Event>,
  actor: string,
  given: {
    readonly decide: (
      tx: Db,
      read: RecordRead<Kept>,
      now: string,
    ) => RecordDecision<Event> | undefined;
    readonly after?: (tx: Db, before: Kept, event: Event) => void;
  },
): RecordAnswer {
  return writeAlone(db, (tx): RecordAnswer => {
    const read = readRecord(tx, of);
    const now = readNow(tx);
    const { version: rules, values } = readValues(tx);
    const decision = given.decide(tx, read, now);
    if (!decision) return { ok: false, kind: 'changed-meanwhile', version: read.version };
    if (!decision.ok) {
      const refusals = decision.refusals.map(explainIn(values.zone));
      return { ok: false, kind: 'refused', refusals };
    }
    const mark = { actor, at: now, policy: `rules ${rules}` };
    appendEvents(tx, of.stream, read.version, [decision.event], mark);
    given.after?.(tx, read.record, decision.event);
    return { ok: true, version: read.version + 1 };
  });
}
