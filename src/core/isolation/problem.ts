import { buildGraph } from '../plant/graph';
import type { Grade, LinkKind, Plant, PlantGraph, Scope, Strength } from '../plant';
import type { GradePolicy } from './policy';
import { computeRequirement, type Requirement } from './requirement';

/** What has to be known to plan a job elsewhere, in plain data. */
export interface PlanningProblem {
  readonly plant: Plant;
  readonly scope: Scope;
  readonly grades: Readonly<Record<string, Grade>>;
  readonly policy: GradePolicy;
  /** What each kind counts for at this site. */
  readonly strengths: Readonly<Record<LinkKind, Strength>>;
  /** Relief valves that are allowed by name to be out of service. */
  readonly reliefAccepted: readonly string[];
}

/** The graph and the requirement of a problem. */
export function openProblem({
  plant,
  strengths,
  scope,
  grades,
  policy,
  reliefAccepted,
}: PlanningProblem): { readonly graph: PlantGraph; readonly requirement: Requirement } {
  const graph = buildGraph(plant, strengths);
  const requirement = computeRequirement(graph, scope, grades, policy, reliefAccepted);
  return { graph, requirement };
}
