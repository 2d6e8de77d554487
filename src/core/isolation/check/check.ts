import type { IsolationPlan, PlantGraph } from '../../plant';
import { computePlantState, type PlantState } from '../bodies';
import { makeFinding, type Finding } from '../findings';
import { asEmptied, type Requirement, type SourceDemand } from '../requirement';
import { listCautions } from './cautions';
import { findUnearthed } from './earthing';
import {
  findBackPressed,
  findLiveOutlets,
  findShutIn,
  findUnbled,
  findUnreleased,
} from './letting-down';
import { findBarred } from './interlocks';
import { findDoubleBroken, findReaching, findUnstruck } from './reaching';
import { findUnprotected } from './relief';

export interface CheckResult {
  /** True when nothing stops the plan; cautions may remain. */
  readonly passes: boolean;
  readonly findings: readonly Finding[];
}

const findUnknown = ({ unknown }: PlantState): Finding[] =>
  unknown.map(({ id, table }) =>
    makeFinding('unknown-id', id, `${id} is not in the plant's ${table}`, {
      mends: [{ action: 'drop', id, words: `take ${id} out of the plan` }],
    }),
  );

/** Links that a plan wants closed and open at once. */
function findContradictions({ plan }: PlantState): Finding[] {
  const close = new Set(plan.close);
  return (plan.stand ?? [])
    .filter((id) => close.has(id))
    .map((id) =>
      makeFinding('cannot-be-both', id, `${id} cannot be locked shut and locked open at once`),
    );
}

/**
 * Checks a plan against what the sources demand, without regard to how the plan was made. Collects every finding:
 * unknown ids, sources that reach the work in whatever mode, grades not met, parts not let down, stores not released, earths
 * missing, relief lost, outlets opened on live plant or into pressure, then the cautions. A source that reaches the work is
 * named once, by that alone.
 */
export function checkPlan(
  drawn: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
): CheckResult {
  const graph = asEmptied(drawn, requirement);
  const state = computePlantState(graph, plan);
  const reaching = findReaching(graph, state, requirement);
  const held = requirement.demands.filter((demand) => !reaching.has(demand.source));
  const graded = (grade: SourceDemand['grade']) => held.filter((demand) => demand.grade === grade);
  const findings = [
    ...findUnknown(state),
    ...findContradictions(state),
    ...findBarred(graph, state),
    ...reaching.values(),
    ...findDoubleBroken(graph, state, requirement, graded('double')),
    ...findUnstruck(graph, state, requirement, graded('double-bled'), 'double-bled-not-met'),
    ...findUnstruck(graph, state, requirement, graded('positive'), 'positive-not-met'),
    ...findUnbled(graph, state, requirement),
    ...findShutIn(graph, state, requirement),
    ...findUnreleased(graph, state, requirement),
    ...requirement.earths.flatMap((demand) => findUnearthed(graph, state, demand)),
    ...findUnprotected(graph, state, requirement),
    ...findLiveOutlets(graph, state),
    ...findBackPressed(graph, state),
    ...listCautions(graph, state, requirement),
  ];
  return { passes: !findings.some((finding) => finding.severity === 'stops'), findings };
}
