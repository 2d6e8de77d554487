import type { Aim } from './fields';

/** What is searched for: whether the grades can be had, what has to be lowered, the answer to an aim, or its stages. */
export type PlanningPhase = 'grades' | 'shortfall' | Aim | 'stages';

/** What the planner is at, in words. */
export const PLANNING_WORDS: Readonly<Record<PlanningPhase, string>> = {
  grades: 'Seeing whether every grade can be had',
  shortfall: 'Finding what cannot be had, and the best there is',
  effort: 'Seeking the least effort',
  outage: 'Seeking the least outage',
  points: 'Seeking the fewest points',
  stages: 'Planning the stages in which blinds are fitted',
};
