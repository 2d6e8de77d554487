import type {
  Aim,
  GradePolicy,
  PlanAnswer,
  PlanningPhase,
  PlanningResult,
} from '../../core/isolation';
import { limitTime } from '../../core/isolation/planner/limits';
import { planIsolation } from '../../core/isolation/planner/plan';
import { computeRequirement } from '../../core/isolation/requirement';
import { computeSequenceMinutes, planSequence } from '../../core/sequence/sequence';
import type { Grade, LinkKind, Plant, Scope, Strength } from '../../core/plant';
import { buildGraph } from '../../core/plant/graph';

/** What the planner is asked. */
export interface PlannerQuestion {
  readonly plant: Plant;
  readonly scope: Scope;
  readonly grades: Readonly<Record<string, Grade>>;
  readonly policy: GradePolicy;
  readonly strengths: Readonly<Record<LinkKind, Strength>>;
  readonly reliefAccepted: readonly string[];
}

/** What the planner says while it goes on, and at the end. */
export type PlannerWord =
  | { readonly kind: 'searching'; readonly what: PlanningPhase }
  | {
      readonly kind: 'answer';
      readonly aim: Aim;
      readonly answer: PlanAnswer;
      readonly trip: Trip;
    }
  | { readonly kind: 'done'; readonly result: PlanningResult };

/** What carrying an answer out takes in the field: all steps with the walk (min), and the walk (m). */
export interface Trip {
  readonly minutes: number;
  readonly metres: number;
}

/** Seconds that each search may take before it settles for the best so far. */
const SECONDS_EACH = 5;

self.onmessage = ({ data }: MessageEvent<PlannerQuestion>) => {
  const say = (word: PlannerWord) => self.postMessage(word);
  const graph = buildGraph(data.plant, data.strengths);
  const requirement = computeRequirement(
    graph,
    data.scope,
    data.grades,
    data.policy,
    data.reliefAccepted,
  );
  const tripOf = (answer: PlanAnswer): Trip => {
    const steps = planSequence(graph, requirement, answer);
    return {
      minutes: Math.ceil(computeSequenceMinutes(steps)),
      metres: steps.reduce((sum, step) => sum + step.walk_m, 0),
    };
  };
  const limits = limitTime(SECONDS_EACH, () => performance.now());
  const result = planIsolation(graph, requirement, limits, {
    onStart: (what) => {
      limits.begin();
      say({ kind: 'searching', what });
    },
    onAnswer: (aim, answer) => say({ kind: 'answer', aim, answer, trip: tripOf(answer) }),
  });
  say({ kind: 'done', result });
};
