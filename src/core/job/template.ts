import {
  describeChange,
  diffPlants,
  listPlanPoints,
  type IsolationPlan,
  type PlantGraph,
} from '../plant';

/** A change of the plant in words; `touches` when it lies on a plan, its work or a route to it. */
export interface PlantChangeNear {
  readonly words: string;
  readonly touches: boolean;
}

/** A plan used before, as it may be taken over, and what the plant has become since. */
export interface Template {
  readonly job: string;
  readonly title: string;
  /** The version of the plant that it was made on, and the one in force. */
  readonly version: number;
  readonly newest: number;
  /** Its points, without those that are no longer in the plant. */
  readonly plan: IsolationPlan;
  /** Points of it that are no longer in the plant. */
  readonly gone: readonly string[];
  readonly changes: readonly PlantChangeNear[];
  /** The written procedure that it is, where it is one. */
  readonly procedure?: {
    readonly number: number;
    readonly name: string;
    readonly version: number;
    /** What would stop it today. */
    readonly stops: readonly string[];
    /** By when it had to be inspected (ISO 8601, UTC), where that is over. */
    readonly overdue?: string;
  };
}

/** Ids on a plan, on its work and on the routes by which sources reach it. */
function listTouched(
  graph: PlantGraph,
  { plan, work, routes }: Parameters<typeof findChanges>[2],
): ReadonlySet<string> {
  const links = new Set([...plan.close, ...routes]);
  const ends = [...links].flatMap((id) => graph.links[graph.linkAt.get(id) ?? -1]?.between ?? []);
  return new Set([...links, ...ends, ...listPlanPoints(plan), ...work]);
}

/** What has changed between two drawings, what lies near a plan first. */
export function findChanges(
  before: PlantGraph,
  now: PlantGraph,
  about: {
    readonly plan: IsolationPlan;
    /** The sections that are worked on. */
    readonly work: readonly string[];
    /** Links on the ways of what can come there. */
    readonly routes: readonly string[];
  },
): PlantChangeNear[] {
  const touched = listTouched(before, about);
  return diffPlants(before.plant, now.plant)
    .map((change) => {
      const ends = now.links[now.linkAt.get(change.id) ?? -1]?.between ?? [];
      const touches = touched.has(change.id) || ends.some((end) => touched.has(end));
      return { words: describeChange(change), touches };
    })
    .sort((a, b) => Number(b.touches) - Number(a.touches));
}
