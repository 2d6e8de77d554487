import { asEmptied, computePlantState, type Requirement } from '../isolation';
import type { IsolationPlan, PlantGraph } from '../plant';
import {
  draftHolds,
  draftLinks,
  draftOutlets,
  draftRest,
  draftSeenOpen,
  draftStanding,
  draftStores,
  type Draft,
} from './drafts';
import { heedInterlocks } from './interlocks';
import { PHASES, type Phase, type Step } from './steps';
import { listWaits, type NotedWait } from './waits';
import { computeWalkMetres, orderWalk, WALKING_PACE, type Place } from './walk';

/**
 * Orders the work of a plan: phases as in PHASES; flows closed on the supply side first; within that, points in the order of a
 * short walk. `valved` is the first stage under which positive barriers are fitted; its points are done with those of the plan.
 * `noted` are times that a person worked out for outlets and stores: the longer stands, unless a shorter one was signed for.
 * Restoring runs the other way (see planRestore).
 */
export function planSequence(
  drawn: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
  valved?: IsolationPlan,
  noted: ReadonlyMap<string, NotedWait> = new Map(),
): Step[] {
  const graph = asEmptied(drawn, requirement);
  const whole: IsolationPlan = {
    close: [...new Set([...plan.close, ...(valved?.close ?? [])])],
    open: [...new Set([...plan.open, ...(valved?.open ?? [])])],
    restrain: [...new Set([...plan.restrain, ...(valved?.restrain ?? [])])],
    stand: [...new Set([...(plan.stand ?? []), ...(valved?.stand ?? [])])],
  };
  const state = computePlantState(graph, whole);
  const waits = listWaits(graph, whole, state, noted);
  const drafts = [
    ...draftRest(graph, requirement, plan, state),
    ...draftStanding(graph, state),
    ...draftSeenOpen(drawn, requirement, whole),
    ...draftLinks(graph, requirement, state),
    ...draftOutlets(graph, state, waits),
    ...draftStores(graph, requirement, state, waits),
    ...draftHolds(graph, requirement, state),
  ];
  return walkThrough(heedInterlocks(graph, state, drafts));
}

function walkThrough(drafts: readonly Draft[]): Step[] {
  const steps: Step[] = [];
  let here: Place | undefined;
  for (const phase of PHASES) {
    const ofPhase = drafts.filter((draft) => draft.phase === phase);
    const layers = [...new Set(ofPhase.map((draft) => draft.layer))].sort((a, b) => a - b);
    for (const layer of layers) {
      const stops = ofPhase.filter((draft) => draft.layer === layer);
      for (const { place, ...draft } of orderWalk(stops, (stop) => stop.place, here)) {
        const walk = here && place ? computeWalkMetres(here, place) : 0;
        steps.push({ ...draft, walk_m: Math.round(walk) });
        here = place ?? here;
      }
    }
  }
  return steps;
}

/** Minutes of a sequence: the steps and the walk between them. */
export function computeSequenceMinutes(steps: readonly Step[]): number {
  return steps.reduce((sum, step) => sum + step.minutes + step.walk_m / WALKING_PACE, 0);
}

export interface RestoreStep {
  readonly kind: 'earth-off' | 'blind-out' | 'free-store' | 'close-outlet' | 'unlock';
  readonly subject: string;
  /** Steps of a lower group come first; within a group the order is the short walk back. */
  readonly group: number;
}

/**
 * The order of restoring: earths off in reverse, blinds out while the valves are still locked, restraints off, outlets shut,
 * then the locks off from the work towards the supply, electrical ones last.
 */
export function planRestore(steps: readonly Step[]): RestoreStep[] {
  const back = (group: number, phase: Phase, kind: RestoreStep['kind']): RestoreStep[] =>
    steps
      .filter((step) => step.phase === phase)
      .reverse()
      .map((step) => ({ kind, subject: step.subject, group }));
  return [
    ...back(0, 'earth', 'earth-off'),
    ...back(1, 'fit', 'blind-out'),
    ...back(2, 'restrain', 'free-store'),
    ...back(3, 'let-down', 'close-outlet'),
    ...back(4, 'open-way', 'unlock'),
    ...back(5, 'isolate-flows', 'unlock'),
    ...back(6, 'isolate-drives', 'unlock'),
    ...back(7, 'bring-in', 'unlock'),
  ];
}
