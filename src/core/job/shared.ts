import { checkPlan, type Finding } from '../isolation';
import {
  emptyOut,
  listEmptied,
  listPlanPoints,
  mapPlan,
  pointsOf,
  type IsolationPlan,
  type PlantGraph,
} from '../plant';
import { refuse, type Refusal } from '../rules/refuse';
import { findRequirement, siteOf, type OpenJob, type SiteFacts } from './site';
import type { Dossier } from './state';

/** The other job that holds a point as it stands: locked or tagged shut, opened, or restrained; undefined when none does. */
export function findHolder(point: string, others: readonly OpenJob[]): string | undefined {
  return others.find(({ dossier: { isolation } }) =>
    [isolation.locked, isolation.tagged, isolation.opened, isolation.restrained].some(
      (all) => point in all,
    ),
  )?.id;
}

/** Points of a plan that other jobs hold, with the job that does. */
export function listShared(
  plan: IsolationPlan,
  others: readonly OpenJob[],
): Readonly<Record<string, string>> {
  return Object.fromEntries(
    listPlanPoints(plan).flatMap((point) => {
      const job = findHolder(point, others);
      return job === undefined ? [] : [[point, job] as const];
    }),
  );
}

const joinPlans = (a: IsolationPlan, b: IsolationPlan): IsolationPlan =>
  mapPlan(a, (ids, part) => [...new Set([...ids, ...pointsOf(b, part)])]);

const keyOf = ({ code, subject, words }: Finding) => `${code} ${subject} ${words}`;

/** The points of a plan that a drawing has: a job that is read on another one may name others. */
function onDrawing(plan: IsolationPlan, graph: PlantGraph): IsolationPlan {
  const { linkAt, outletAt, storeAt } = graph;
  const tables = { close: linkAt, open: outletAt, restrain: storeAt, stand: linkAt };
  return mapPlan(plan, (ids, part) => ids.filter((id) => tables[part].has(id)));
}

/** A job with the plan that it would be isolated by. */
type Planned = Pick<Dossier, 'scope' | 'grades' | 'bypasses'> & { readonly points: IsolationPlan };

/**
 * What stops a job's plan once another is carried out as well, with what that one runs empty, and does not stop it alone. Its own
 * demands stay: a source that it counts on being shut off is shut off, empty or not.
 */
function listNewStops(own: Planned, other: Planned, site: SiteFacts): Finding[] {
  const requirement = findRequirement(own, site);
  const stopsOn = (plant: PlantGraph, points: IsolationPlan) =>
    checkPlan(plant, requirement, points).findings.filter(({ severity }) => severity === 'stops');
  const alone = new Set(stopsOn(site.graph, own.points).map(keyOf));
  const beside = emptyOut(site.graph, listEmptied(site.graph, other.scope));
  return stopsOn(beside, joinPlans(own.points, onDrawing(other.points, site.graph))).filter(
    (finding) => !alone.has(keyOf(finding)),
  );
}

/**
 * Refuses a plan that cannot stand together with the accepted plan of another open job: each is checked with both carried out. A
 * valve that one closes may cut the other off from the drain that lets its line down.
 */
export function requireTogether(
  dossier: Dossier,
  site: SiteFacts,
  others: readonly OpenJob[],
): Refusal[] {
  if (dossier.plan.kind === 'none') return [];
  const own = { ...dossier, points: dossier.plan.plan };
  return others.flatMap((other) => {
    if (other.dossier.plan.kind !== 'accepted' || other.dossier.restoring) return [];
    const theirs = { ...other.dossier, points: other.dossier.plan.plan };
    const mine = listNewStops(own, theirs, site);
    const yours = listNewStops(theirs, own, siteOf(other, site));
    return [
      ...mine.map(({ words }) =>
        refuse('plans-contradict', { job: other.id, of: 'this job', words }),
      ),
      ...yours.map(({ words }) =>
        refuse('plans-contradict', { job: other.id, of: other.id, words }),
      ),
    ];
  });
}
