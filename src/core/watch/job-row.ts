import type { NextUp } from './queue';

/** One job in the list of jobs. */
export interface JobRow {
  readonly id: string;
  readonly title: string;
  readonly equipment: string;
  /** The area of its equipment, and whose people do the work, by name. */
  readonly area: string;
  readonly employer: string;
  /** What it is at, in words. */
  readonly stands: string;
  /** When its permit ends (ISO 8601, UTC). */
  readonly until?: string;
  /** What is to be done next, and who it waits for. */
  readonly next?: Pick<NextUp, 'what' | 'who' | 'urgency' | 'at'>;
  /** Whether it waits for whoever looks, or is theirs to perform. */
  readonly isMine: boolean;
  readonly isClosed: boolean;
  /** Whether it is for the issuing authority: from proved to the permit closed. */
  readonly isAtHatch: boolean;
}

const STAGE_WORDS: Readonly<Record<string, string>> = {
  plan: 'to be planned',
  review: 'waits for review',
  'walk-down': 'to be walked down',
  isolate: 'being isolated',
  permit: 'waits for its permit',
  work: 'under permit',
  restore: 'being restored',
  closed: 'closed',
};

/** What a job under permit is at. */
const PERMIT_WORDS: Readonly<Record<string, string>> = {
  issued: 'permit live',
  suspended: 'STOPPED',
  lapsed: 'permit lapsed',
  'handed-back': 'handed back, to be closed',
  watched: 'watched for fire',
};

/** What a job is at, by its stage and the state of its newest permit. */
export const sayStage = (stage: string, permit: string | null): string =>
  (stage === 'work' && PERMIT_WORDS[permit ?? '']) || (STAGE_WORDS[stage] ?? stage);

/** Where the stages stand in the list of jobs: what has people at it comes first. */
const ORDER = ['work', 'restore', 'permit', 'isolate', 'walk-down', 'review', 'plan', 'closed'];

export const rankStage = (stage: string): number => ORDER.indexOf(stage);

const RANK = { now: 0, waiting: 1, timed: 2 } as const;

/** What is to be done next at a job: what cannot wait, then what waits for somebody, then what has its moment. */
export const pickNext = (queue: readonly NextUp[]): NextUp | undefined =>
  queue.reduce<NextUp | undefined>(
    (best, one) => (best && RANK[best.urgency] <= RANK[one.urgency] ? best : one),
    undefined,
  );
