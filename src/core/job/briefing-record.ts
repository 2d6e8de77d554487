import type { BriefedPoint, Briefing } from '../briefing/briefing';
import type { Mark } from './mark';

/** A briefing that was held (`by` whoever recorded it), what the weather made it say, and who has heard it by now. */
export interface BriefingRecord extends Mark, Briefing {
  readonly told: readonly string[];
  /** By person: those who were there, and who was briefed later, with the question that they were asked. */
  readonly heard: Readonly<Record<string, Mark & { readonly asked?: Omit<BriefedPoint, 'of'> }>>;
}

/** A repair of something under pressure, allowed in writing. */
export interface PressureRepair extends Mark {
  readonly what: string;
  readonly bar: number;
  /** Why it is not let down. */
  readonly why: string;
  /** What may be done and no more, where everybody stands, and how the pressure is let down at once. */
  readonly limits: string;
  /** ISO 8601, UTC. */
  readonly until: string;
}
