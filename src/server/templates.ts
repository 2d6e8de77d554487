import { listOrigins } from '../core/isolation';
import { findRequirement, type Dossier, type Template } from '../core/job';
import {
  describeChange,
  diffPlants,
  listPlanPoints,
  mapPlan,
  pointsOf,
  type IsolationPlan,
  type PlanPart,
  type PlantGraph,
} from '../core/plant';
import type { Db } from '../db';
import { readJob, readSiteFor } from './job-state';
import { listJobs } from './jobs';
import { readGraph, readPlantVersion } from './plant';

/** Ids on the plan, on the work and on the routes by which sources reach it. */
function listTouched(
  graph: PlantGraph,
  dossier: Dossier,
  plan: IsolationPlan,
  routes: readonly string[][],
) {
  const links = new Set([...plan.close, ...routes.flat()]);
  const ends = [...links].flatMap((id) => graph.links[graph.linkAt.get(id) ?? -1]?.between ?? []);
  return new Set([
    ...links,
    ...ends,
    ...listPlanPoints(plan),
    ...dossier.scope.work.map(({ section }) => section),
  ]);
}

function isIn(graph: PlantGraph, part: PlanPart, id: string): boolean {
  const table = {
    close: graph.linkAt,
    open: graph.outletAt,
    restrain: graph.storeAt,
    stand: graph.linkAt,
  }[part];
  return table.has(id);
}

function toTemplate(db: Db, job: string, dossier: Dossier, newest: number): Template | undefined {
  if (dossier.plan.kind !== 'accepted') return undefined;
  const { plan, plantVersion } = dossier.plan;
  const site = readSiteFor(db, dossier);
  const now = readGraph(db, newest);
  const routes = listOrigins(findRequirement(dossier, site).trace).map(({ route }) => [...route]);
  const touched = listTouched(site.graph, dossier, plan, routes);
  const keep = (part: PlanPart) => pointsOf(plan, part).filter((id) => isIn(now, part, id));
  const changes = diffPlants(site.graph.plant, now.plant).map((change) => {
    const row = now.links[now.linkAt.get(change.id) ?? -1];
    const touches = touched.has(change.id) || (row?.between ?? []).some((end) => touched.has(end));
    return { words: describeChange(change), touches };
  });
  return {
    job,
    title: dossier.title,
    version: plantVersion,
    newest,
    plan: mapPlan(plan, (_, part) => keep(part)),
    gone: (['close', 'open', 'restrain'] as const).flatMap((part) =>
      plan[part].filter((id) => !isIn(now, part, id)),
    ),
    changes: changes.sort((a, b) => Number(b.touches) - Number(a.touches)),
  };
}

/** Accepted plans of other jobs on the same equipment, newest first; undefined when there is no such job. */
export function listTemplates(db: Db, jobId: string): Template[] | undefined {
  const own = readJob(db, jobId).state;
  if (!own) return undefined;
  const newest = readPlantVersion(db);
  return listJobs(db)
    .filter(({ id, equipment }) => id !== jobId && equipment === own.equipment)
    .reverse()
    .flatMap(({ id }) => {
      const { state } = readJob(db, id);
      return (state && toTemplate(db, id, state, newest)) ?? [];
    });
}
