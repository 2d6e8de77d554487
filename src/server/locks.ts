import { surveyLocks, type LockSurvey } from '../core/locks/survey';
import type { Db } from '../db';
import { listJobs, readJob } from './jobs';
import { readSite } from './registers';

/** What hangs where over all jobs that are not closed. */
export function viewLocks(
  db: Db,
): LockSurvey & { readonly names: Readonly<Record<string, string>> } {
  const { locks, boxes, people } = readSite(db);
  const jobs = listJobs(db)
    .filter(({ stage }) => stage !== 'closed')
    .flatMap(({ id }) => {
      const { state } = readJob(db, id);
      return state ? [{ id, dossier: state }] : [];
    });
  return {
    ...surveyLocks(locks.values(), boxes.values(), jobs),
    names: Object.fromEntries([...people.values()].map(({ id, name }) => [id, name])),
  };
}
