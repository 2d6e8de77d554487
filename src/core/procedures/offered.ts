import type { Scope } from '../plant';

/** A written procedure as it is offered to whoever raises or plans a job. */
export interface OfferedProcedure {
  readonly number: number;
  readonly name: string;
  readonly task: string;
  readonly version: number;
  readonly equipment: string;
  readonly scope: Scope;
  readonly isOverdue: boolean;
  readonly isHolding: boolean;
}

/** Procedures of the machine of a job: the one that its plan was written down as, and all that count. */
export interface JobProcedures {
  readonly mine?: OfferedProcedure;
  readonly all: readonly OfferedProcedure[];
}
