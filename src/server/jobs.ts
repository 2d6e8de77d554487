import { createHash } from 'node:crypto';
import { and, asc, count, desc, eq, getTableColumns, ne, sql } from 'drizzle-orm';
import {
  commandSchema,
  decideJob,
  evolveDossier,
  findMissing,
  findStage,
  hasLapsed,
  listHolding,
  standAt,
  timeOf,
  type Command,
  type Context,
  type Dossier,
  type DossierState,
  type JobEvent,
  type Mark,
  type OtherJobs,
  type SiteFacts,
} from '../core/job';
import { explainIn, refuse, type ExplainedRefusal } from '../core/rules/book';
import { EMPTY_TRACE, evolveTrace, type BoardTrace, type UnreadableJob } from '../core/watch';
import { tables, writeAlone, type Db } from '../db';
import { appendEvents, readStream, type StoredEvent } from '../ledger';
import { readNow } from './clock';
import { project, type HoldingKind } from './projections';
import { hasPlantVersion, readGraph, readPlantVersion } from './plant';
import { readSite } from './registers';
import { readEach } from './unreadable';
import { indexEvents } from './search';

/** A command as it arrives: what, on which version of the job, under which key, and whose PINs were checked. */
export interface Request {
  readonly jobId: string;
  readonly command: Command;
  readonly expected: number;
  readonly key: string;
  readonly actor: string;
  readonly signed: readonly string[];
  /** The device that gives it, where one does: then it is also the actor. */
  readonly device?: string;
  /** When it was entered (ISO 8601, UTC), where that was before it could be sent. */
  readonly enteredAt?: string;
}

export type Answer =
  | { readonly ok: true; readonly jobId: string; readonly sequence: number }
  | { readonly ok: false; readonly kind: 'refused'; readonly refusals: readonly ExplainedRefusal[] }
  | {
      readonly ok: false;
      readonly kind: 'changed-meanwhile';
      readonly sequence: number;
      readonly changes: readonly {
        readonly type: string;
        readonly actor: string;
        readonly at: string;
      }[];
    };

export { commandSchema };

/** What the stream of a job is called: this, and its number. */
export const JOB_STREAM = 'job/';

const streamOf = (jobId: string) => `${JOB_STREAM}${jobId}`;

/** A job as its events tell it. */
export interface JobRecord {
  readonly state: DossierState;
  readonly sequence: number;
  readonly history: readonly StoredEvent[];
}

/** Who did it and when: what was entered on a device and sent later counts from when it was entered. */
export function markOf({
  actor,
  at,
  payload,
}: Pick<StoredEvent, 'actor' | 'at' | 'payload'>): Mark {
  const { enteredAt = at } = payload as { readonly enteredAt?: string };
  return { by: actor, at: enteredAt };
}

/** A job as far as its events have been read, with what the board keeps of it. */
export interface JobState {
  readonly state: DossierState;
  readonly sequence: number;
  readonly trace: BoardTrace;
}

const UNREAD: JobState = { state: undefined, sequence: 0, trace: EMPTY_TRACE };

const follow = (known: JobState, event: StoredEvent): JobState => {
  const payload = event.payload as JobEvent;
  const mark = markOf(event);
  return {
    state: evolveDossier(known.state, payload, mark),
    sequence: event.sequence,
    trace: evolveTrace(known.trace, payload, mark.at),
  };
};

/** How many jobs are kept as read. */
const MOST_KEPT = 2000;
const kept = new WeakMap<Db['$client'], Map<string, JobState>>();

/** Forgets the job that was read longest ago once there are too many. */
function keep(all: Map<string, JobState>, jobId: string, state: JobState): void {
  all.delete(jobId);
  all.set(jobId, state);
  const [oldest] = all.keys();
  if (all.size > MOST_KEPT && oldest !== undefined) all.delete(oldest);
}

/**
 * A job as it stands by its events. What was read before is kept: an event is never changed, so only newer ones are read. Within a
 * transaction it is called before anything is appended, so that nothing is kept that may be rolled back.
 */
export function readState(db: Db, jobId: string): JobState {
  const all = kept.get(db.$client) ?? new Map<string, JobState>();
  kept.set(db.$client, all);
  const known = all.get(jobId) ?? UNREAD;
  const state = readStream(db, streamOf(jobId), known.sequence).reduce(follow, known);
  keep(all, jobId, state);
  return state;
}

/** A job with everything that happened to it. */
export function readJob(db: Db, jobId: string): JobRecord {
  const history = readStream(db, streamOf(jobId));
  return { state: history.reduce(follow, UNREAD).state, sequence: history.length, history };
}

/** What happened to a job, and its title as lists keep it, whether anyone can make a job of it or not. */
export function readHistory(db: Db, jobId: string) {
  const { title = jobId } =
    db
      .select({ title: tables.jobRows.title })
      .from(tables.jobRows)
      .where(eq(tables.jobRows.id, jobId))
      .get() ?? {};
  return { title, history: readStream(db, streamOf(jobId)) };
}

/**
 * The site as it counts for a job: an accepted plan is tied to the drawing that it was made on. Where the place of work is not on the
 * drawing that would count, the newest one that has it does.
 */
export function readSiteFor(db: Db, state: DossierState): SiteFacts {
  if (!state) return readSite(db);
  const newest = readPlantVersion(db);
  const tied = state.plan.kind === 'accepted' ? state.plan.plantVersion : newest;
  const earlier = Array.from({ length: newest }, (_, n) => newest - n);
  const found = [tied, ...earlier].find(
    (version) =>
      hasPlantVersion(db, version) &&
      findMissing(state.scope, readGraph(db, version)) === undefined,
  );
  return readSite(db, found ?? tied);
}

/** Reads when it is first asked for, and answers the same from then on. */
function readOnce<T>(read: () => T): () => T {
  let known: { readonly value: T } | undefined;
  return () => (known ??= { value: read() }).value;
}

/** What other jobs than this one hold. Each kind is read when it is first asked for: few steps ask for any. */
export function readOthers(db: Db, jobId: string): OtherJobs {
  const { holdings, workOrders } = tables;
  const held = (kind: HoldingKind) =>
    readOnce(
      () =>
        new Map(
          db
            .select({ item: holdings.item, job: holdings.job })
            .from(holdings)
            .where(and(eq(holdings.kind, kind), ne(holdings.job, jobId)))
            .all()
            // One person may have to be told on several jobs: the job stands behind the name.
            .map(({ item, job }) => [item.split('\n')[0] ?? item, job]),
        ),
    );
  const [lock, box, person, unfit, untold] = [
    held('lock'),
    held('box'),
    held('person'),
    held('unfit'),
    held('untold'),
  ];
  return {
    get lockAt() {
      return lock();
    },
    get boxAt() {
      return box();
    },
    get personOn() {
      return person();
    },
    get unfit() {
      return unfit();
    },
    get untold() {
      return untold();
    },
    workOrder: (number) => {
      const order = db
        .select({ job: workOrders.job })
        .from(workOrders)
        .where(eq(workOrders.number, number))
        .get();
      return order && { job: order.job ?? undefined };
    },
    open: readOnce(() => readOpenJobs(db).filter(({ id }) => id !== jobId)),
  };
}

/** Written out, so that the index of the open jobs is used. */
const IS_OPEN = sql`stage <> 'closed'`;

/** A job that is open, as its events tell it. */
export interface OpenJobRead {
  readonly id: string;
  readonly dossier: Dossier;
  readonly trace: BoardTrace;
  /** Its own facts, where its place of work is not on the newest drawing. */
  readonly site?: SiteFacts;
}

/** Every job that is not closed, and those of them whose events cannot be read: no job takes the others with it. */
export interface OpenJobs {
  readonly jobs: readonly OpenJobRead[];
  readonly unreadable: readonly UnreadableJob[];
}

/** Every job that is not closed and can be read. */
export const readOpenJobs = (db: Db): readonly OpenJobRead[] => surveyOpenJobs(db).jobs;

/** Reads every job that is not closed; one that cannot be read stands apart with what is kept of it. */
export function surveyOpenJobs(db: Db): OpenJobs {
  const { sequence, stream } = tables.events;
  const own = eq(stream, sql`'job/' || ${tables.jobRows.id}`);
  const rows = db
    .select({
      id: tables.jobRows.id,
      last: sql<number>`(select max(${sequence}) from ${tables.events} where ${own})`,
    })
    .from(tables.jobRows)
    .where(IS_OPEN)
    .orderBy(asc(tables.jobRows.id))
    .all();
  const newest = rows.length > 0 ? readGraph(db) : undefined;
  const { read, unreadable } = readEach(db, rows, ({ id, last }): OpenJobRead[] => {
    const known = kept.get(db.$client)?.get(id);
    const { state, trace } = known?.sequence === last ? known : readState(db, id);
    if (!state) return [];
    const isDrawn = !newest || findMissing(state.scope, newest) === undefined;
    return [{ id, dossier: state, trace, ...(isDrawn ? {} : { site: readSiteFor(db, state) }) }];
  });
  return { jobs: read.flat(), unreadable };
}

function nextJobId(tx: Db): string {
  return `J-${String((tx.select({ jobs: count() }).from(tables.jobRows).get()?.jobs ?? 0) + 1).padStart(4, '0')}`;
}

/** What makes a command the same as one that was sent before: what, on which job, entered when, by whom. */
const fingerprint = ({ command, jobId, enteredAt = '', actor }: Request) =>
  createHash('sha256')
    .update(JSON.stringify([command, jobId, enteredAt, actor]))
    .digest('hex');

/** Keys of devices and of people never meet, and nobody uses up another's. */
const keyOf = ({ key, actor, device }: Request) =>
  device === undefined ? `person ${actor} ${key}` : `device ${device} ${key}`;

/**
 * Carries out a command: load, decide and append in one transaction. The same key again gives the same answer and changes
 * nothing. When someone else acted meanwhile, says what they did and changes nothing.
 */
export function carryOut(db: Db, request: Request): Answer {
  return writeAlone(db, (tx) => {
    const seen = tx
      .select()
      .from(tables.commandsSeen)
      .where(eq(tables.commandsSeen.key, keyOf(request)))
      .get();
    if (seen !== undefined && seen.fingerprint !== fingerprint(request)) {
      return {
        ok: false,
        kind: 'refused',
        refusals: [explainIn(readSite(tx).values.zone)(refuse('key-reused'))],
      };
    }
    if (seen !== undefined) {
      return { ok: true, jobId: seen.stream.slice(JOB_STREAM.length), sequence: seen.sequence };
    }
    const jobId = request.command.kind === 'raise-job' ? nextJobId(tx) : request.jobId;
    const { state, sequence } = readState(tx, jobId);
    if (sequence !== request.expected) {
      const changes = readStream(tx, streamOf(jobId), request.expected).map(
        ({ type, actor, at }) => ({ type, actor, at }),
      );
      return { ok: false, kind: 'changed-meanwhile', sequence, changes };
    }
    const site = readSiteFor(tx, state);
    const now = readNow(tx);
    const context: Context = {
      jobId,
      now,
      enteredAt: request.enteredAt,
      actor: request.actor,
      device: request.device,
      signed: new Set(request.signed),
      site,
      others: readOthers(tx, jobId),
    };
    const decision = decideJob(state, request.command, context);
    if (!decision.ok) {
      const explain = explainIn(site.values.zone);
      return { ok: false, kind: 'refused', refusals: decision.refusals.map(explain) };
    }
    const enteredAt = timeOf(request.command, context);
    const sent = { key: keyOf(request), fingerprint: fingerprint(request) };
    const events = decision.events.map((event, n) => ({
      ...event,
      ...(enteredAt === now ? {} : { enteredAt }),
      // What shows that a command was carried out stands with what came of it.
      ...(n === decision.events.length - 1 ? { sent } : {}),
    }));
    appendEvents(tx, streamOf(jobId), sequence, events, {
      actor: request.actor,
      at: now,
      policy: `${site.policy.version}, rules ${site.valuesVersion}`,
    });
    const marked = events.map((event) => {
      return { event, mark: markOf({ actor: request.actor, at: now, payload: event }) };
    });
    const after = marked.reduce<DossierState>(
      (before, { event, mark }) => evolveDossier(before, event, mark),
      state,
    ) as Dossier;
    project(tx, jobId, state, after, site);
    indexEvents(tx, jobId, after, marked, site);
    const reached = sequence + events.length;
    tx.insert(tables.commandsSeen)
      .values({
        ...sent,
        stream: streamOf(jobId),
        sequence: reached,
      })
      .run();
    return { ok: true, jobId, sequence: reached };
  });
}

/** A job as it stands now: what is known of it, where it is, what is holding it up; undefined when there is none. */
export function readJobNow(db: Db, jobId: string) {
  const { state, sequence } = readState(db, jobId);
  if (!state) return undefined;
  const now = readNow(db);
  const site = readSiteFor(db, state);
  const dossier = standAt(state, now);
  return {
    job: jobId,
    sequence,
    now,
    stage: findStage(dossier, site),
    holding: listHolding(dossier, { site, now, jobId, others: readOthers(db, jobId).open() }).map(
      explainIn(site.values.zone),
    ),
    dossier,
  };
}

/** How many closed jobs are listed. */
const MOST_CLOSED = 50;

/** Rows of the jobs that are open, and of the newest that are closed, each with how its newest permit stands now; oldest first. */
export function listNewest(db: Db) {
  const { jobRows, permitRows } = tables;
  const permit = sql<string | null>`(select ${permitRows.state} from ${permitRows}
    where ${permitRows.job} = ${jobRows.id} order by ${permitRows.issuedAt} desc limit 1)`;
  const columns = { ...getTableColumns(jobRows), permit };
  const closed = db
    .select(columns)
    .from(jobRows)
    .where(eq(jobRows.stage, 'closed'))
    .orderBy(desc(jobRows.id))
    .limit(MOST_CLOSED)
    .all();
  const open = db.select(columns).from(jobRows).where(IS_OPEN).orderBy(asc(jobRows.id)).all();
  const now = readNow(db);
  return [...closed.reverse(), ...open].map((row) =>
    row.until !== null && hasLapsed(row.until, now) ? { ...row, permit: 'lapsed' } : row,
  );
}

/** Rows of all jobs, oldest first. */
export function listJobs(db: Db) {
  return db.select().from(tables.jobRows).orderBy(asc(tables.jobRows.id)).all();
}

/** Locks and boxes that are in use anywhere, and people who are signed on. */
export function listHeld(db: Db): ReadonlySet<string> {
  return new Set(
    db
      .select()
      .from(tables.holdings)
      .all()
      .map(({ item }) => item),
  );
}
