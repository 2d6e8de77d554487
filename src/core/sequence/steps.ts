import type { Store } from '../plant';

/** Phases in working order; a step may not be done before every step of the phases above it. */
export const PHASES = [
  'tell',
  'stop',
  'bring-in',
  'isolate-drives',
  'isolate-flows',
  'open-way',
  'see-open',
  'let-down',
  'restrain',
  'wait',
  'prove',
  'try-start',
  'fit',
  'earth',
] as const;
export type Phase = (typeof PHASES)[number];

/** One step of the work order. `layer` orders within a phase: steps of a lower layer come first. */
export interface Step {
  readonly phase: Phase;
  readonly layer: number;
  /** What is acted on: a link, outlet, store, proof or start station id; empty for telling. */
  readonly subject: string;
  readonly words: string;
  readonly minutes: number;
  readonly walk_m: number;
  /** Seconds to wait before the reading that follows means anything. */
  readonly wait_s?: number;
  /** Someone stands by without a break until it has run empty. */
  readonly watched?: true;
  /** A shaft is held that a line could turn: no store, and no point of the plan. */
  readonly isHold?: true;
  /** What is run down, at a step of waiting. */
  readonly store?: Store['kind'];
}
