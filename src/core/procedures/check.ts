import { checkPlan, computeRequirement, listOrigins } from '../isolation';
import { findChanges, type PlantChangeNear } from '../job/template';
import type { SiteFacts } from '../job/site';
import { listPlanPoints, listRenamed, mapPlan, type PlantGraph } from '../plant';
import type { ProcedureText } from './record';

/** How a procedure stands on the newest drawing, as that is to be believed today. */
export interface ProcedureCheck {
  readonly newest: number;
  /** Points and places of work that the plant no longer has. */
  readonly gone: readonly string[];
  /** What would stop its plan. */
  readonly stops: readonly string[];
  /** What has changed in the plant since its version; `touches` when it lies on the plan, the work or a way to it. */
  readonly changes: readonly PlantChangeNear[];
  /** The same procedure under the ids of today. */
  readonly text: ProcedureText;
}

const isThere = ({ linkAt, outletAt, storeAt, sectionAt }: PlantGraph, id: string): boolean =>
  [linkAt, outletAt, storeAt, sectionAt].some((known) => known.has(id));

/** A procedure under the ids that a drawing has for what it names. */
function speakOn(text: ProcedureText, { plant }: PlantGraph): ProcedureText {
  const renamed = listRenamed(plant);
  const now = (id: string) => renamed.get(id) ?? id;
  const { scope, plan, grades, steps, restore, proofs } = text;
  return {
    ...text,
    equipment: now(text.equipment),
    plan: mapPlan(plan, (ids) => ids.map(now)),
    scope: {
      ...scope,
      work: scope.work.map((one) => ({ ...one, section: now(one.section) })),
      ...(scope.emptied ? { emptied: scope.emptied.map(now) } : {}),
    },
    grades: Object.fromEntries(Object.entries(grades).map(([id, grade]) => [now(id), grade])),
    steps: steps.map((one) => ({ ...one, subject: now(one.subject) })),
    restore: restore.map((one) => ({ ...one, subject: now(one.subject) })),
    tags: text.tags.map((one) => ({ ...one, point: now(one.point) })),
    proofs: proofs.map((one) => ({ ...one, section: now(one.section) })),
  };
}

/** Sets a procedure against the newest drawing, with the defects of today. `then` is the drawing that it stands on, where that can still be read. */
export function checkProcedure(
  given: ProcedureText,
  { graph, policy, plantVersion }: Pick<SiteFacts, 'graph' | 'policy' | 'plantVersion'>,
  then: PlantGraph | undefined,
): ProcedureCheck {
  const text = speakOn(given, graph);
  const { scope, plan, grades } = text;
  const places = [...scope.work.map(({ section }) => section), ...(scope.emptied ?? [])];
  const gone = [...listPlanPoints(plan), ...places].filter((id) => !isThere(graph, id));
  const isPlaced = places.every((id) => graph.sectionAt.has(id));
  const requirement = isPlaced ? computeRequirement(graph, scope, grades, policy) : undefined;
  const stops = requirement
    ? checkPlan(graph, requirement, plan).findings.filter(({ severity }) => severity === 'stops')
    : [];
  const routes = requirement ? listOrigins(requirement.trace).flatMap(({ route }) => route) : [];
  return {
    newest: plantVersion,
    gone: [...new Set(gone)],
    stops: stops.map(({ words }) => words),
    changes: then ? findChanges(then, graph, { plan: given.plan, work: places, routes }) : [],
    text,
  };
}

/** Whether a procedure still holds as it is written. */
export const isHolding = ({ gone, stops }: ProcedureCheck): boolean =>
  gone.length === 0 && stops.length === 0;
