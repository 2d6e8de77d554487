import type { ConcentrationUnit } from './concentration';
import type { SubstanceCode } from './substances';
import type { Point, Trend } from './trend';
import type { AirUse } from './verdict';

/** One sensor's readings over the shown time: the worst of each stretch (ms since the epoch), its limits, how it goes. */
export interface AirSeries {
  readonly device: string;
  readonly place: string;
  readonly use: AirUse;
  readonly gas: SubstanceCode;
  readonly unit: ConcentrationUnit;
  readonly limits: readonly number[];
  readonly points: readonly Point[];
  readonly trend?: Trend | undefined;
}

/** What happened to the air meanwhile. */
export interface AirEvent {
  readonly at: string;
  readonly words: string;
  readonly isBad: boolean;
}

/** What is wrong with a detector that stands there, and since when it has not been heard (ISO 8601, UTC). */
export interface AirFault {
  readonly device: string;
  readonly place: string;
  readonly why: 'silent' | 'refused';
  readonly words: string;
  readonly since: string;
}

/** The log of the air at a job, as of `now` (ISO 8601, UTC). */
export interface AirLog {
  readonly now: string;
  readonly series: readonly AirSeries[];
  readonly events: readonly AirEvent[];
  readonly faults: readonly AirFault[];
}
