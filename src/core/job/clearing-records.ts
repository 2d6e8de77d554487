import type { ClearingPlan } from '../clearing/profile';
import type { CommandOf } from './commands';
import type { PIG_SIDES } from './commands-clearing';
import type { Mark } from './mark';

/** A pig in the line: where it was seen last, first of all where it was launched, and whether it stands. */
export interface PigRun {
  readonly seen: { readonly at_m: number; readonly at: string };
  readonly stuck?: (Mark & { readonly seen: string }) | undefined;
}

/** A line that is cleared with gas: how it was planned and worked out, and how far it is. */
export interface ClearingRecord {
  readonly plan: Mark & Omit<CommandOf<'plan-clearing'>, 'kind'>;
  readonly worked: ClearingPlan;
  readonly walked?: (Mark & { readonly seen: string }) | undefined;
  /** How many sections are cleared. */
  readonly cleared: number;
  readonly run?: PigRun | undefined;
  /** Gas was let in since it was last planned. */
  readonly isCharged: boolean;
  /** What the gauges read since the pig last moved (bar), by side. */
  readonly readings: Readonly<
    Partial<
      Record<
        (typeof PIG_SIDES)[number],
        Mark & { readonly bar: number; readonly instrument: string }
      >
    >
  >;
}

/** A message between two people who do not see each other: by whom it was sent and when, and when it was read back. */
export interface CriticalMessage extends Mark {
  readonly number: number;
  readonly to: string;
  readonly said: string;
  readonly back?: Mark & { readonly right: boolean; readonly heard: string };
}
