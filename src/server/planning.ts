import { checkPlan, computeCost, planIsolation, type PlanningResult } from '../core/isolation';
import { findRequirement, type Dossier } from '../core/job';
import type { IsolationPlan } from '../core/plant';
import type { Db } from '../db';
import { readJob } from './jobs';
import { readSite } from './registers';
import { loadSolver } from './solver';

function findDossier(db: Db, jobId: string): Dossier | undefined {
  return readJob(db, jobId).state;
}

/** Computes the three answers for a job as it stands; undefined when there is no such job. */
export async function computeAnswers(db: Db, jobId: string): Promise<PlanningResult | undefined> {
  const dossier = findDossier(db, jobId);
  if (!dossier) return undefined;
  const site = readSite(db);
  return planIsolation(site.graph, findRequirement(dossier, site), await loadSolver());
}

/** Checks a plan that someone is editing, without keeping it. */
export function tryPlan(db: Db, jobId: string, plan: IsolationPlan) {
  const dossier = findDossier(db, jobId);
  if (!dossier) return undefined;
  const site = readSite(db);
  const check = checkPlan(site.graph, findRequirement(dossier, site), plan);
  return { ...check, cost: computeCost(site.graph, plan) };
}
