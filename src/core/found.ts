/** A job that was found, with its permits. */
export interface FoundJob {
  readonly job: string;
  readonly title: string;
  readonly equipment: string;
  readonly stage: string;
  readonly raisedAt: string;
  readonly permits: readonly string[];
}

/** Something of the site that was found: a point, a line, a lock, a person. */
export interface FoundThing {
  readonly kind: 'plant' | 'lock' | 'person';
  readonly id: string;
  readonly name: string;
  /** The job that holds it now. */
  readonly job?: string;
}

/** What a question found. */
export interface Found {
  readonly jobs: readonly FoundJob[];
  readonly things: readonly FoundThing[];
}
