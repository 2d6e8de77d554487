import {
  checkPlan,
  checkValvedStage,
  computeCost,
  explainPoints,
  listFailures,
  listOrigins,
  type PlanningProblem,
} from '../core/isolation';
import {
  findPlant,
  findRequirement,
  listNumberedTags,
  strengthsOf,
  type Dossier,
} from '../core/job';
import type { IsolationPlan } from '../core/plant';
import { EMPTY_PLAN, pointsOf, type Diagram } from '../core/plant';
import type { Db } from '../db';
import { drawAround } from './diagram';
import { readJob, readSiteFor } from './job-state';

function findDossier(db: Db, jobId: string): Dossier | undefined {
  return readJob(db, jobId).state;
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

/** What a job's diagram shows besides its work. */
export interface JobDrawing {
  readonly plan: IsolationPlan;
  /** Sections whose every link is shown. */
  readonly opened: readonly string[];
  /** Sources whose ways to the work are shown. */
  readonly sources: readonly string[];
}

/** The surroundings of a job's work with every point of a plan and the ways of some sources on them. */
export function drawJob(
  db: Db,
  jobId: string,
  { plan, opened, sources }: JobDrawing,
  who?: string,
): Promise<Diagram> | undefined {
  const dossier = findDossier(db, jobId);
  if (!dossier) return undefined;
  const site = readSiteFor(db, dossier);
  const { trace } = findRequirement(dossier, site);
  const routes = listOrigins(trace)
    .filter(({ id }) => sources.includes(id))
    .flatMap(({ route }) => route);
  const work = dossier.scope.work.map(({ section }) => section);
  const links = [...plan.close, ...pointsOf(plan, 'stand'), ...routes];
  // An outlet that is opened hangs at a section that has to be there.
  const vented = site.graph.outlets.flatMap(({ id, section }) =>
    plan.open.includes(id) ? [section] : [],
  );
  return drawAround(db, site.graph, { work, links, sections: vented, opened }, who);
}

/** A job's diagram as it is printed: with its points in the order of work, and what hangs at each. */
export async function readMarkedUp(db: Db, jobId: string, who: string) {
  const dossier = findDossier(db, jobId);
  if (!dossier) return undefined;
  const site = readSiteFor(db, dossier);
  const plan = dossier.plan.kind === 'none' ? EMPTY_PLAN : dossier.plan.plan;
  const drawing = await drawJob(db, jobId, { plan, opened: [], sources: [] }, who);
  return (
    drawing && {
      title: dossier.title,
      isAccepted: dossier.plan.kind === 'accepted',
      drawing,
      tags: listNumberedTags(dossier, site, jobId),
      work: dossier.scope.work.map(({ section }) => section),
    }
  );
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
