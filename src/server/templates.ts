import { listOrigins } from '../core/isolation';
import { findChanges, findRequirement, type Dossier, type Template } from '../core/job';
import { mapPlan, pointsOf, type PlanPart, type PlantGraph } from '../core/plant';
import { newestOf } from '../core/procedures/record';
import type { Db } from '../db';
import { readJob, readSiteFor } from './job-state';
import { listJobs } from './jobs';
import { readGraph, readPlantVersion } from './plant';
import { listProcedures } from './procedures';

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
  const routes = listOrigins(findRequirement(dossier, site).trace).flatMap(({ route }) => route);
  const work = dossier.scope.work.map(({ section }) => section);
  const keep = (part: PlanPart) => pointsOf(plan, part).filter((id) => isIn(now, part, id));
  return {
    job,
    title: dossier.title,
    version: plantVersion,
    newest,
    plan: mapPlan(plan, (_, part) => keep(part)),
    gone: (['close', 'open', 'restrain'] as const).flatMap((part) =>
      plan[part].filter((id) => !isIn(now, part, id)),
    ),
    changes: findChanges(site.sound ?? site.graph, now, { plan, work, routes }),
  };
}

/** The written procedures of a machine as plans that may be taken over. */
const listWritten = (db: Db, equipment: string): Template[] =>
  listProcedures(db, equipment).map((line) => {
    const { check, procedure, name, version, isOverdue, due } = line;
    const { number, task } = procedure;
    return {
      job: newestOf(procedure).job,
      title: task,
      version: check.text.plantVersion,
      newest: check.newest,
      plan: mapPlan(check.text.plan, (ids) => ids.filter((id) => !check.gone.includes(id))),
      gone: check.gone,
      changes: check.changes,
      procedure: {
        number,
        name,
        version,
        stops: check.stops,
        ...(isOverdue ? { overdue: due } : {}),
      },
    };
  });

/** Written procedures of the same equipment, then accepted plans of other jobs on it, newest first; undefined when there is no such job. */
export function listTemplates(db: Db, jobId: string): Template[] | undefined {
  const own = readJob(db, jobId).state;
  if (!own) return undefined;
  const newest = readPlantVersion(db);
  const earlier = listJobs(db)
    .filter(({ id, equipment }) => id !== jobId && equipment === own.equipment)
    .reverse()
    .flatMap(({ id }) => {
      const { state } = readJob(db, id);
      return (state && toTemplate(db, id, state, newest)) ?? [];
    });
  return [...listWritten(db, own.equipment), ...earlier];
}
