import { surveyLocks, type LockSurvey } from '../core/locks/survey';
import type { Db } from '../db';
import { readOpenJobs } from './open-jobs';
import { readSite } from './registers';

/** What hangs where over all jobs that are not closed. */
export function viewLocks(
  db: Db,
): LockSurvey & { readonly names: Readonly<Record<string, string>> } {
  const { locks, boxes, people } = readSite(db);
  return {
    ...surveyLocks(locks.values(), boxes.values(), readOpenJobs(db)),
    names: Object.fromEntries([...people.values()].map(({ id, name }) => [id, name])),
  };
}
