import type { Aim, PlanAnswer, PlanningPhase, PlanningResult } from '../../core/isolation';
import { limitTime } from '../../core/isolation/planner/limits';
import { planIsolation } from '../../core/isolation/planner/plan';
import { openProblem, type PlanningProblem } from '../../core/isolation/problem';
import { computeSequenceMinutes, planSequence } from '../../core/sequence/sequence';

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

self.onmessage = ({ data }: MessageEvent<PlanningProblem>) => {
  const say = (word: PlannerWord) => self.postMessage(word);
  const { graph, requirement } = openProblem(data);
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
