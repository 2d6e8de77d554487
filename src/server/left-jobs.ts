import { findMissing } from '../core/job';
import { buildGraph, type Plant } from '../core/plant';
import type { Db } from '../db';
import { surveyOpenJobs } from './open-jobs';
import type { LeftJob } from './plant';

/** Open jobs that are done at a place that a plant does not have, but for those that may be left on an earlier version. */
export function listLeftJobs(db: Db, plant: Plant, leave: readonly string[] = []): LeftJob[] {
  const graph = buildGraph(plant);
  return surveyOpenJobs(db).jobs.flatMap(({ id, dossier: { title, scope } }) => {
    const section = leave.includes(id) ? undefined : findMissing(scope, graph);
    return section === undefined ? [] : [{ job: id, title, section }];
  });
}
