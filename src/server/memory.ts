import { and, desc, eq, ne } from 'drizzle-orm';
import {
  describeMishap,
  findAssessment,
  type DossierView,
  type EarlierJob,
  type JobEvent,
} from '../core/job';
import { compareAssessment } from '../core/permits';
import { tables, type Db } from '../db';
import { readJob } from './job-state';

/** How many earlier jobs are shown. */
const MOST_EARLIER = 3;

/** The newest jobs on the same equipment but this one: what was assessed, what has changed since, what went wrong. */
export function readEarlier(
  db: Db,
  jobId: string,
  equipment: string,
  { suggested, now }: Pick<DossierView, 'suggested' | 'now'>,
): EarlierJob[] {
  const rows = db
    .select()
    .from(tables.jobRows)
    .where(and(eq(tables.jobRows.equipment, equipment), ne(tables.jobRows.id, jobId)))
    .orderBy(desc(tables.jobRows.id))
    .limit(MOST_EARLIER)
    .all();
  return rows.map(({ id, title, raisedAt }) => {
    const { state, history } = readJob(db, id);
    const assessment = state && findAssessment(state);
    const mishaps = history.flatMap(({ payload, actor, at }) => {
      const what = describeMishap(payload as JobEvent);
      return what === undefined ? [] : [{ by: actor, at, what }];
    });
    return {
      job: id,
      title,
      raisedAt,
      mishaps,
      ...(assessment ? { assessment, drift: compareAssessment(assessment, suggested, now) } : {}),
    };
  });
}
