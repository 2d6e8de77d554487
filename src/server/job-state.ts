import { eq } from 'drizzle-orm';
import {
  evolveDossier,
  findMissing,
  type DossierState,
  type JobEvent,
  type Mark,
  type SiteFacts,
} from '../core/job';
import { EMPTY_TRACE, evolveTrace, type BoardTrace } from '../core/watch';
import { perProcess, tables, type Db } from '../db';
import { readStream, type StoredEvent } from '../ledger';
import { hasPlantVersion, readGraph, readPlantVersion } from './plant';
import { readSite } from './registers';

/** What the stream of a job is called: this, and its number. */
export const JOB_STREAM = 'job/';

export const streamOf = (jobId: string) => `${JOB_STREAM}${jobId}`;

/** Whether there is such a job, open or closed. */
export const hasJob = (db: Db, id: string): boolean =>
  db
    .select({ id: tables.jobRows.id })
    .from(tables.jobRows)
    .where(eq(tables.jobRows.id, id))
    .get() !== undefined;

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
const kept = perProcess('jobs', () => new WeakMap<Db['$client'], Map<string, JobState>>());

/** A job as it was read last, however long ago. */
export const findKept = (db: Db, jobId: string): JobState | undefined =>
  kept.get(db.$client)?.get(jobId);

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
