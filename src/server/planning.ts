import {
  checkPlan,
  checkValvedStage,
  computeCost,
  explainPoints,
  listFailures,
  type GradePolicy,
} from '../core/isolation';
import { findPlant, findRequirement, strengthsOf, type Dossier } from '../core/job';
import type { Grade, IsolationPlan, Plant, Scope } from '../core/plant';
import type { Diagram } from '../core/plant';
import type { Db } from '../db';
import { drawAround } from './diagram';
import { readJob, readSiteFor } from './job-state';

function findDossier(db: Db, jobId: string): Dossier | undefined {
  return readJob(db, jobId).state;
}

/** What has to be known to plan a job elsewhere, in plain data. */
export interface PlanningProblem {
  readonly plant: Plant;
  readonly scope: Scope;
  readonly grades: Readonly<Record<string, Grade>>;
  readonly policy: GradePolicy;
  /** What each kind counts for at this site. */
  readonly strengths: ReturnType<typeof strengthsOf>;
  /** Relief valves that are allowed by name to be out of service. */
  readonly reliefAccepted: readonly string[];
}

/** The planning problem of a job as it stands; undefined when there is no such job. */
export function readProblem(db: Db, jobId: string): PlanningProblem | undefined {
  const dossier = findDossier(db, jobId);
  if (!dossier) return undefined;
  const { graph, policy, values } = readSiteFor(db, dossier);
  const grades = Object.fromEntries(
    Object.entries(dossier.grades).map(([source, { grade }]) => [source, grade]),
  );
  const reliefAccepted = Object.keys(dossier.bypasses);
  return {
    plant: graph.plant,
    scope: dossier.scope,
    grades,
    policy,
    strengths: strengthsOf(values),
    reliefAccepted,
  };
}

/** Why each point of a plan is there, and what one failure more would mean. */
export function explainPlan(db: Db, jobId: string, plan: IsolationPlan) {
  const dossier = findDossier(db, jobId);
  if (!dossier) return undefined;
  const site = readSiteFor(db, dossier);
  const requirement = findRequirement(dossier, site);
  return {
    points: explainPoints(site.graph, requirement, plan),
    failures: listFailures(site.graph, requirement, plan),
  };
}

/** The surroundings of a job's work with every point of a plan on them. */
export function drawPlan(
  db: Db,
  jobId: string,
  plan: IsolationPlan,
  who?: string,
): Promise<Diagram> | undefined {
  const dossier = findDossier(db, jobId);
  if (!dossier) return undefined;
  const { graph } = readSiteFor(db, dossier);
  const work = dossier.scope.work.map(({ section }) => section);
  return drawAround(graph, work, plan, [], who);
}

/** Checks a plan that someone is editing, without keeping it. */
export function tryPlan(db: Db, jobId: string, plan: IsolationPlan) {
  const dossier = findDossier(db, jobId);
  if (!dossier) return undefined;
  const site = readSiteFor(db, dossier);
  const requirement = findRequirement(dossier, site);
  const check = checkPlan(site.graph, requirement, plan);
  const valved = checkValvedStage(site.graph, requirement, plan);
  const fitting = (valved?.findings ?? [])
    .filter(({ severity }) => severity === 'stops')
    .map((finding) => ({
      ...finding,
      words: `while ${valved?.fits.join(', ') ?? ''} is fitted: ${finding.words}`,
    }));
  return {
    passes: check.passes && fitting.length === 0,
    findings: [...check.findings, ...fitting],
    cost: computeCost(findPlant(dossier, site), plan),
  };
}
