import { asc, eq, sql } from 'drizzle-orm';
import { findMissing, type Dossier, type SiteFacts } from '../core/job';
import type { BoardTrace, UnreadableJob } from '../core/watch';
import { tables, type Db } from '../db';
import { findKept, readSiteFor, readState } from './job-state';
import { readGraph } from './plant';
import { readEach } from './unreadable';

/** Written out, so that the index of the open jobs is used. */
export const IS_OPEN = sql`stage <> 'closed'`;

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
    const known = findKept(db, id);
    const { state, trace } = known?.sequence === last ? known : readState(db, id);
    if (!state) return [];
    const isDrawn = !newest || findMissing(state.scope, newest) === undefined;
    return [{ id, dossier: state, trace, ...(isDrawn ? {} : { site: readSiteFor(db, state) }) }];
  });
  return { jobs: read.flat(), unreadable };
}
