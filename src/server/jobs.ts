import { createHash } from 'node:crypto';
import { and, asc, count, desc, eq, getTableColumns, ne, sql } from 'drizzle-orm';
import {
  commandSchema,
  decideJob,
  evolveDossier,
  findStage,
  hasLapsed,
  listHolding,
  standAt,
  timeOf,
  type Command,
  type Context,
  type Dossier,
  type DossierState,
  type OtherJobs,
  speakAs,
  type SiteFacts,
} from '../core/job';
import { explainIn, refuse, type ExplainedRefusal } from '../core/rules/book';
import { tables, writeAlone, type Db } from '../db';
import { appendEvents, readStream } from '../ledger';
import { readNow } from './clock';
import { JOB_STREAM, markOf, readSiteFor, readState, streamOf } from './job-state';
import { IS_OPEN, readOpenJobs } from './open-jobs';
import { hasPicture } from './photos';
import { project, type HoldingKind } from './projections';
import { readSite } from './registers';
import { indexEvents } from './search';
import { tagUnfit } from './unfit-kit';

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

/** Reads when it is first asked for, and answers the same from then on. */
function readOnce<T>(read: () => T): () => T {
  let known: { readonly value: T } | undefined;
  return () => (known ??= { value: read() }).value;
}

/** What other jobs than this one hold, said in the names of its own drawing. Each kind is read when it is first asked for: few steps ask for any. */
export function readOthers(db: Db, jobId: string, site: SiteFacts): OtherJobs {
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
    hasPicture: (digest) => hasPicture(db, digest),
    workOrder: (number) => {
      const order = db
        .select({ job: workOrders.job })
        .from(workOrders)
        .where(eq(workOrders.number, number))
        .get();
      return order && { job: order.job ?? undefined };
    },
    open: readOnce(() =>
      speakAs(
        readOpenJobs(db).filter(({ id }) => id !== jobId),
        site,
      ),
    ),
  };
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
      others: readOthers(tx, jobId, site),
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
    project(tx, jobId, state, after);
    indexEvents(tx, jobId, after, marked, site);
    for (const event of events) tagUnfit(tx, event, request.actor);
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
    holding: listHolding(dossier, {
      site,
      now,
      jobId,
      others: readOthers(db, jobId, site).open(),
    }).map(explainIn(site.values.zone)),
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
