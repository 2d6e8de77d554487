import type { ChangeStep } from './decide';
import { kindOf } from './kinds';
import { findChangeEnd, isChangeOver, isToBeDrawn, type Change } from './record';

/** What has to be done next about a change that is pending. */
export type NextForChange = 'assess' | 'allow' | 'tell' | 'draw' | 'undo' | 'see-undone' | 'stands';

/** The next step of a change: what is put back is looked for first; what nobody may keep is put back; then review, telling and drawing. */
export function findNextForChange(one: Change, now: string): NextForChange {
  if (one.undone) return 'see-undone';
  switch (one.review.kind) {
    case 'turned-down':
      return 'undo';
    case 'proposed':
      return 'assess';
    case 'assessed':
      return 'allow';
    case 'allowed':
      if (isChangeOver(one, now)) return 'undo';
      if (one.told.length === 0) return 'tell';
      if (isToBeDrawn(one) && one.drawn === undefined) return 'draw';
      return 'stands';
  }
}

/** What the next step of a change is, as it is said in a queue. */
export const NEXT_FOR_CHANGE: Readonly<Record<NextForChange, string>> = {
  assess: 'look at its hazards',
  allow: 'allow it, or turn it down',
  tell: 'tell those who run the plant',
  draw: 'bring the drawing up to date',
  undo: 'put it back',
  'see-undone': 'see whether it is gone',
  stands: 'put it back by then',
};

/** How a change stands, in a few words. */
export function sayReview(one: Change, now: string): string {
  const { review, gone, undone } = one;
  if (gone) return 'gone';
  if (undone) return 'put back, to be looked at';
  if (isChangeOver(one, now)) return 'ITS TIME IS OVER';
  switch (review.kind) {
    case 'proposed':
      return 'reviewed by nobody';
    case 'assessed':
      return 'hazards looked at, allowed by nobody';
    case 'turned-down':
      return 'turned down: it has to go';
    case 'allowed':
      return kindOf(one.change).isTemporary && findChangeEnd(one) !== undefined
        ? 'allowed for a time'
        : 'allowed';
  }
}

/** A change as a screen lists it. */
export interface ChangeLine {
  readonly change: Change;
  readonly name: string;
  readonly says: string;
  readonly review: string;
  /** Whether anything is left to be done about it. */
  readonly isPending: boolean;
  readonly next: NextForChange;
  /** By which step that is done, and who takes it. */
  readonly step: ChangeStep;
  readonly who: string;
  readonly isOver: boolean;
  /** Until when it may stand (ISO 8601, UTC). */
  readonly until?: string | undefined;
  /** Open jobs whose plant is not taken back while it stands so, by id. */
  readonly jobs: readonly string[];
  /** What whoever looks at the page may do about it now. */
  readonly may: readonly ChangeStep[];
}

const rank = ({ isOver, change: { review } }: ChangeLine): number => {
  if (isOver || review.kind === 'turned-down') return 0;
  return review.kind === 'allowed' ? 2 : 1;
};

/** What has to go at once first, then what nobody has reviewed; the oldest first among equals. */
export const sortChanges = (lines: readonly ChangeLine[]): ChangeLine[] =>
  [...lines].sort((a, b) => rank(a) - rank(b) || a.change.number - b.change.number);
