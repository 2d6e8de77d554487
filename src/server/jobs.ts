import { createHash } from 'node:crypto';
import { asc, eq } from 'drizzle-orm';
import {
  commandSchema,
  decideJob,
  evolveDossier,
  findStage,
  listHanging,
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
import { explainRefusal, refuse, type ExplainedRefusal } from '../core/rules/book';
import { tables, writeAlone, type Db } from '../db';
import { appendEvents, readStream, type StoredEvent } from '../ledger';
import { readNow } from './clock';
import { readSite } from './registers';

/** A command as it arrives: what, on which version of the job, under which key, and whose PINs were checked. */
export interface Request {
  readonly jobId: string;
  readonly command: Command;
  readonly expected: number;
  readonly key: string;
  readonly actor: string;
  readonly signed: readonly string[];
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

const streamOf = (jobId: string) => `job/${jobId}`;

/** A job as its events tell it. */
export interface JobRecord {
  readonly state: DossierState;
  readonly sequence: number;
  readonly history: readonly StoredEvent[];
}

/** Who did it and when: what was entered on a device and sent later counts from when it was entered. */
function markOf({ actor, at, payload }: Pick<StoredEvent, 'actor' | 'at' | 'payload'>): Mark {
  const { enteredAt = at } = payload as { readonly enteredAt?: string };
  return { by: actor, at: enteredAt };
}

function replay(history: readonly StoredEvent[]): DossierState {
  return history.reduce<DossierState>(
    (state, event) => evolveDossier(state, event.payload as JobEvent, markOf(event)),
    undefined,
  );
}

export function readJob(db: Db, jobId: string): JobRecord {
  const history = readStream(db, streamOf(jobId));
  return { state: replay(history), sequence: history.length, history };
}

/** The site as it counts for a job: an accepted plan is tied to the drawing that it was made on. */
export function readSiteFor(db: Db, state: DossierState): SiteFacts {
  return readSite(db, state?.plan.kind === 'accepted' ? state.plan.plantVersion : undefined);
}

/** What other jobs than this one hold. */
export function readOthers(db: Db, jobId: string): OtherJobs {
  const rows = db
    .select()
    .from(tables.holdings)
    .all()
    .filter((row) => row.job !== jobId);
  const of = (kind: HoldingKind) =>
    new Map(rows.filter((row) => row.kind === kind).map((row) => [row.item, row.job]));
  return {
    lockAt: of('lock'),
    boxAt: of('box'),
    personOn: of('person'),
    unfit: of('unfit'),
    open: () => readOpenJobs(db).filter(({ id }) => id !== jobId),
    untold: new Map(
      rows
        .filter(({ kind }) => kind === 'untold')
        .map(({ item, job }) => [item.split('\n')[0] ?? item, job]),
    ),
  };
}

/** Every job that is not closed. */
export function readOpenJobs(db: Db): { id: string; dossier: Dossier }[] {
  return listJobs(db)
    .filter(({ stage }) => stage !== 'closed')
    .flatMap(({ id }) => {
      const { state } = readJob(db, id);
      return state ? [{ id, dossier: state }] : [];
    });
}

type HoldingKind = (typeof tables.holdings.$inferSelect)['kind'];

function listHoldings(jobId: string, dossier: Dossier) {
  const { isolation, permit } = dossier;
  const on = permit.kind === 'issued' ? Object.keys(permit.people) : [];
  const hold = (kind: HoldingKind, item: string) => ({ kind, item, job: jobId });
  const untold = Object.entries(dossier.absent).filter(([, { told }]) => !told);
  return [
    ...listHanging(dossier).map(({ lock }) => hold('lock', lock)),
    ...(isolation.box ? [hold('box', isolation.box.box)] : []),
    ...on.map((person) => hold('person', person)),
    ...Object.keys(isolation.unfit).map((lock) => hold('unfit', lock)),
    // One person may have to be told on several jobs.
    ...untold.map(([person]) => hold('untold', `${person}\n${jobId}`)),
  ];
}

/** Rewrites what lists show of one job. */
function project(tx: Db, jobId: string, dossier: Dossier, site: SiteFacts): void {
  const { permit } = dossier;
  const row = {
    id: jobId,
    title: dossier.title,
    equipment: dossier.equipment,
    stage: findStage(dossier, site),
    raisedAt: dossier.raised.at,
    until: permit.kind === 'issued' ? permit.until : null,
  };
  tx.insert(tables.jobRows)
    .values(row)
    .onConflictDoUpdate({ target: tables.jobRows.id, set: row })
    .run();
  tx.delete(tables.holdings).where(eq(tables.holdings.job, jobId)).run();
  if (dossier.plan.kind === 'accepted') {
    for (const [point, { by, at }] of Object.entries(dossier.plan.labels)) {
      const seen = { point, job: jobId, actor: by, at };
      tx.insert(tables.asBuilt)
        .values(seen)
        .onConflictDoUpdate({ target: tables.asBuilt.point, set: seen })
        .run();
    }
  }
  const held = listHoldings(jobId, dossier);
  if (held.length > 0) tx.insert(tables.holdings).values(held).run();
}

function nextJobId(tx: Db): string {
  return `J-${String(tx.select().from(tables.jobRows).all().length + 1).padStart(4, '0')}`;
}

const fingerprint = (request: Request) =>
  createHash('sha256')
    .update(JSON.stringify([request.command, request.actor]))
    .digest('hex');

/**
 * Carries out a command: load, decide and append in one transaction. The same key again gives the same answer and changes
 * nothing. When someone else acted meanwhile, says what they did and changes nothing.
 */
export function carryOut(db: Db, request: Request): Answer {
  return writeAlone(db, (tx) => {
    const seen = tx
      .select()
      .from(tables.commandsSeen)
      .where(eq(tables.commandsSeen.key, request.key))
      .get();
    if (seen !== undefined && seen.fingerprint !== fingerprint(request)) {
      return { ok: false, kind: 'refused', refusals: [explainRefusal(refuse('key-reused'))] };
    }
    if (seen !== undefined) {
      return { ok: true, jobId: seen.stream.slice('job/'.length), sequence: seen.sequence };
    }
    const jobId = request.command.kind === 'raise-job' ? nextJobId(tx) : request.jobId;
    const { state, sequence, history } = readJob(tx, jobId);
    if (sequence !== request.expected) {
      const changes = history
        .slice(request.expected)
        .map(({ type, actor, at }) => ({ type, actor, at }));
      return { ok: false, kind: 'changed-meanwhile', sequence, changes };
    }
    const site = readSiteFor(tx, state);
    const now = readNow(tx);
    const context: Context = {
      jobId,
      now,
      enteredAt: request.enteredAt,
      actor: request.actor,
      signed: new Set(request.signed),
      site,
      others: readOthers(tx, jobId),
    };
    const decision = decideJob(state, request.command, context);
    if (!decision.ok) {
      return { ok: false, kind: 'refused', refusals: decision.refusals.map(explainRefusal) };
    }
    const enteredAt = timeOf(request.command, context);
    const events = decision.events.map((event) =>
      enteredAt === now ? event : { ...event, enteredAt },
    );
    appendEvents(tx, streamOf(jobId), sequence, events, {
      actor: request.actor,
      at: now,
      policy: site.policy.version,
    });
    const after = events.reduce<DossierState>(
      (before, event) =>
        evolveDossier(before, event, markOf({ actor: request.actor, at: now, payload: event })),
      state,
    ) as Dossier;
    project(tx, jobId, after, site);
    const reached = sequence + events.length;
    tx.insert(tables.commandsSeen)
      .values({
        key: request.key,
        stream: streamOf(jobId),
        fingerprint: fingerprint(request),
        sequence: reached,
      })
      .run();
    return { ok: true, jobId, sequence: reached };
  });
}

/** Rows of all jobs, oldest first. */
export function listJobs(db: Db) {
  return db.select().from(tables.jobRows).orderBy(asc(tables.jobRows.id)).all();
}

/** Rebuilds each job's list row and holdings from the ledger in memory and names the jobs whose stored ones differ. */
export function compareProjections(db: Db): string[] {
  return listJobs(db).flatMap((row) => {
    const { state } = readJob(db, row.id);
    const site = readSiteFor(db, state);
    const held = db.select().from(tables.holdings).where(eq(tables.holdings.job, row.id)).all();
    const text = (rows: readonly { kind: string; item: string }[]) =>
      rows
        .map(({ kind, item }) => `${kind} ${item}`)
        .sort()
        .join('|');
    const same =
      state !== undefined &&
      findStage(state, site) === row.stage &&
      state.title === row.title &&
      text(listHoldings(row.id, state)) === text(held);
    return same ? [] : [row.id];
  });
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
