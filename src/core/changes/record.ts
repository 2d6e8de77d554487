import { nameFew, numbered } from '../text';
import type { Mark } from '../job/mark';
import type { ChangeCommand } from './commands';
import { CHANGES, kindOf, type ChangeKindName } from './kinds';

type Of<Kind extends ChangeCommand['kind']> = Extract<ChangeCommand, { kind: Kind }>;
type Body<Kind extends ChangeCommand['kind']> = Omit<Of<Kind>, 'kind'>;

/** What is changed where, and why. */
interface Proposed extends Omit<Body<'propose-change'>, 'change'> {
  readonly change: ChangeKindName;
  /** The drawing that counted when it was proposed. */
  readonly plantVersion: number;
  /** Whether it touches more of the drawing than is kept with it: then it counts everywhere. */
  readonly isEverywhere?: boolean | undefined;
}

/** What happened to changes, in the past tense. */
export type ChangeEvent =
  | ({ readonly kind: 'change-proposed' } & Proposed)
  | ({ readonly kind: 'change-assessed' } & Body<'assess-change'>)
  | ({ readonly kind: 'change-allowed' } & Body<'allow-change'>)
  | ({ readonly kind: 'change-turned-down' } & Body<'turn-down-change'>)
  | ({ readonly kind: 'change-told' } & Body<'tell-change'>)
  | ({ readonly kind: 'change-drawn' } & Body<'draw-change'>)
  | ({ readonly kind: 'change-undone' } & Body<'undo-change'>)
  | ({ readonly kind: 'change-looked-for' } & Body<'see-undone'>);

/** People whose fresh PIN a command needs: whoever lets the plant run with a change, or says that it is gone. */
export const listChangeSigners = ({ kind }: ChangeCommand, actor: string): readonly string[] =>
  ['assess-change', 'allow-change', 'turn-down-change', 'see-undone'].includes(kind) ? [actor] : [];

interface Looked extends Mark {
  readonly how: string;
}

/** How far the review of a change has come. */
export type Review =
  | { readonly kind: 'proposed' }
  | ({ readonly kind: 'assessed' } & Assessed)
  | ({ readonly kind: 'allowed'; readonly assessed: Assessed; readonly until?: string } & Mark)
  | ({ readonly kind: 'turned-down'; readonly why: string } & Mark);

type Assessed = Mark & { readonly hazards: string; readonly measures: string };

/** A change as it stands. */
export interface Change extends Proposed, Mark {
  readonly number: number;
  readonly review: Review;
  /** Who was told, by whom and how; oldest first. */
  readonly told: readonly (Mark & { readonly people: readonly string[]; readonly how: string })[];
  /** The version of the drawing that shows it. */
  readonly drawn?: (Mark & { readonly version: number }) | undefined;
  readonly undone?: Looked | undefined;
  /** Looked for after it was undone, and found to be still there. */
  readonly stillThere: readonly Looked[];
  /** Somebody else saw that it is gone. */
  readonly gone?: Looked | undefined;
}

/** Every change that was ever proposed, by its number less one. */
export type ChangeRecord = readonly Change[];

export const NO_CHANGES: ChangeRecord = [];

/** The record after an event; one about a change that nobody proposed changes nothing. */
export function evolveChanges(record: ChangeRecord, event: ChangeEvent, mark: Mark): ChangeRecord {
  if (event.kind === 'change-proposed') {
    const review = { kind: 'proposed' } as const;
    const number = record.length + 1;
    const { change, places, what, why, job, until, plantVersion, isEverywhere } = event;
    const proposed = { change, places, what, why, job, until, plantVersion, isEverywhere };
    return [...record, { ...mark, ...proposed, number, review, told: [], stillThere: [] }];
  }
  return record.map((one) => (one.number === event.number ? evolveOne(one, event, mark) : one));
}

function evolveOne(
  one: Change,
  event: Exclude<ChangeEvent, { kind: 'change-proposed' }>,
  mark: Mark,
): Change {
  switch (event.kind) {
    case 'change-assessed': {
      const { hazards, measures } = event;
      return { ...one, review: { kind: 'assessed', ...mark, hazards, measures } };
    }
    case 'change-allowed': {
      const { review } = one;
      const assessed = review.kind === 'allowed' ? review.assessed : review;
      if (!('hazards' in assessed)) return one;
      const end = event.until === undefined ? {} : { until: event.until };
      return { ...one, review: { kind: 'allowed', ...mark, ...end, assessed } };
    }
    case 'change-turned-down':
      return { ...one, review: { kind: 'turned-down', ...mark, why: event.why } };
    case 'change-told': {
      const { people, how } = event;
      return { ...one, told: [...one.told, { ...mark, people, how }] };
    }
    case 'change-drawn':
      return { ...one, drawn: { ...mark, version: event.version } };
    case 'change-undone':
      return { ...one, undone: { ...mark, how: event.how } };
    case 'change-looked-for': {
      const looked = { ...mark, how: event.how };
      return event.found === 'gone'
        ? { ...one, gone: looked }
        : { ...one, undone: undefined, stillThere: [...one.stillThere, looked] };
    }
  }
}

/** Whether the drawing has to show a change: what stays is drawn, what ends on a day may be. */
export const isToBeDrawn = ({ change }: Change): boolean => change === 'modification';

/** Whether nothing is left to be done about a change that stays: it is allowed, told, and on the drawing. */
const isSettled = (one: Change): boolean =>
  !kindOf(one.change).isTemporary &&
  one.review.kind === 'allowed' &&
  one.told.length > 0 &&
  (one.drawn !== undefined || !isToBeDrawn(one));

/** Whether a change still asks for something: until it is gone, or is part of the plant with everything that belongs to it. */
export const isPending = (one: Change): boolean => one.gone === undefined && !isSettled(one);

/** Until when a change may stand, as it was allowed, else as it was proposed. */
export const findChangeEnd = ({ review, until }: Change): string | undefined =>
  review.kind === 'allowed' ? (review.until ?? until) : until;

/** Whether a change stands for longer than it was allowed to, or was said to stand. */
export function isChangeOver(one: Change, now: string): boolean {
  const end = findChangeEnd(one);
  return isPending(one) && end !== undefined && Date.parse(end) < Date.parse(now);
}

/** "MC-0003": a change by its number, as it is spoken of and printed. */
export const nameChange = (number: number): string => numbered('MC', number);

/** "temporary hose or line at CAS-1, DR-2: flushing water": what is changed where. */
export function sayChange({ change, places, what, isEverywhere }: Change): string {
  const where = isEverywhere ? 'many places' : nameFew(places);
  return `${CHANGES[change].label} at ${where}: ${what}`;
}
