import type { PlanningProblem } from '../core/isolation';
import { strengthsOf } from '../core/job';
import type { Activity } from '../core/plant';
import { askSection, mapPlant, scopeAt, type PlantMap, type SectionAnswer } from '../core/watch';
import type { Db } from '../db';
import { readOpenJobs } from './open-jobs';
import { readSite } from './registers';

/** The plant whole, as it is drawn newest and as the open jobs stand. */
export const readPlantMap = (db: Db): PlantMap => mapPlant(readSite(db), readOpenJobs(db));

/** What can reach a section and which jobs stand on it; undefined when the newest drawing does not have it. */
export const answerSection = (
  db: Db,
  section: string,
  activity: Activity,
): SectionAnswer | undefined => askSection(readSite(db), readOpenJobs(db), section, activity);

/** The planning problem of work on one section, before any job is raised; undefined when the drawing does not have it. */
export function readSectionProblem(
  db: Db,
  section: string,
  activity: Activity,
): PlanningProblem | undefined {
  const { graph, policy, values } = readSite(db);
  if (!graph.sectionAt.has(section)) return undefined;
  return {
    plant: graph.plant,
    scope: scopeAt(section, activity),
    grades: {},
    policy,
    strengths: strengthsOf(values),
    reliefAccepted: [],
  };
}
