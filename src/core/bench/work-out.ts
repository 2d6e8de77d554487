import type { PlantState } from '../isolation';
import { linksOf, otherEnd, type PlantGraph, type Section } from '../plant';
import { presentOrThrow } from '../result';
import type { Calculation, CalculationResult, Typed, TypedInputs } from './define';
import type { Given } from './given';
import { findCalculation } from './list';

/** What is known, computed, of one store, of what is shut in, or of one opened outlet. */
export interface StoredEnergy {
  /** Id of the store or outlet. */
  readonly subject: string;
  readonly section: string;
  readonly kind: string;
  readonly calculation: string;
  /** What the plant file gives, ready for the Bench. */
  readonly inputs: TypedInputs;
  readonly result: CalculationResult;
}

export const findOrThrow = (id: string): Calculation => presentOrThrow(findCalculation(id), id);

/**
 * Site-wide figures that the plant file does not give (atmosphere, k, coefficients) are taken as the calculation opens with
 * them; what belongs to the thing itself is never made up: it is missing, and the result says so.
 */
const ASSUMED = new Set([
  'ambient',
  'k',
  'coefficient',
  'modulus',
  'within',
  'to',
  'target',
  'back',
  'temperature',
  'molar',
]);

export function work(
  calculation: Calculation,
  given: readonly Given[],
  assumed: readonly string[] = [],
) {
  const inputs: Record<string, Typed> = {};
  for (const [name, field] of Object.entries(calculation.fields)) {
    if (!ASSUMED.has(name)) continue;
    if (field.kind === 'number' && field.start !== undefined)
      inputs[name] = { value: field.start, unit: field.unit };
  }
  for (const [name, value, unit = ''] of given) {
    if (value === undefined) continue;
    inputs[name] = typeof value === 'string' ? value : { value, unit };
  }
  const result = calculation.run(inputs);
  // What was taken for want of anything better is said beside the figures.
  return {
    inputs,
    result: result.ok ? { ...result, notes: [...result.notes, ...assumed] } : result,
  };
}

/** The sections of one medium that hang together with a section under a plan. */
export function listOneMedium(graph: PlantGraph, state: PlantState, from: number): Section[] {
  const seen = new Set([from]);
  for (const section of seen) {
    for (const link of linksOf(graph, section)) {
      const next = otherEnd(graph, link, section);
      if (!state.barred[link] && graph.medium[next] === graph.medium[from]) seen.add(next);
    }
  }
  return [...seen].map((section) => presentOrThrow(graph.sections[section], 'section'));
}

/** The small overpressure (bar gauge) at which the clock stops: 0.05, or a tenth of a lower pressure. The gauge alone proves. */
export const letDownTo = (bar: number): number => Math.min(0.05, bar / 10);
