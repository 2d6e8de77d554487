import { EMPTY_PLAN } from '../core/plant';
import { findStored, type StoredEnergy, type TypedInputs } from '../core/bench';
import { findRequirement, listDecidingSums, type Dossier, type SiteFacts } from '../core/job';
import type { Db } from '../db';
import { readJob, readSiteFor } from './job-state';
import { listJobs } from './jobs';

/** What of a job's plant holds energy, worked out from the plant file under the plan as it stands. */
function listOf(dossier: Dossier, site: SiteFacts): StoredEnergy[] {
  const plan = dossier.plan.kind === 'none' ? EMPTY_PLAN : dossier.plan.plan;
  return findStored(site.graph, findRequirement(dossier, site), plan);
}

/** Open jobs with what figures may be about: stores and outlets that matter to each, then its places of work. */
export function listJobChoices(db: Db) {
  return listJobs(db)
    .filter(({ stage }) => stage !== 'closed')
    .flatMap(({ id, title }) => {
      const { state, sequence } = readJob(db, id);
      if (!state) return [];
      const subjects = [
        ...listOf(state, readSiteFor(db, state)).map(({ subject, kind, section }) => ({
          id: subject,
          label: `${subject} (${kind} in ${section})`,
        })),
        ...state.scope.work.map(({ section }) => ({ id: section, label: `${section} (work)` })),
      ];
      const once = subjects.filter(
        ({ id: one }, at) => subjects.findIndex((other) => other.id === one) === at,
      );
      return [{ id, title, sequence, subjects: once }];
    });
}

/** What the plant file gives for a calculation about something of a job; undefined when it knows nothing of it. */
export function findGiven(
  db: Db,
  jobId: string,
  subject: string,
  calculation: string,
): TypedInputs | undefined {
  const { state } = readJob(db, jobId);
  if (!state) return undefined;
  const site = readSiteFor(db, state);
  return [...listOf(state, site), ...listDecidingSums(state, site)].find(
    (one) => one.subject === subject && one.calculation === calculation,
  )?.inputs;
}
