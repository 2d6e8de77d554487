import type { JobEvent } from '../events';
import type { Audit, Dossier, Mark } from '../state';
import { isNumbered } from '../state';

/** The checks of a job after an event. */
export function evolveAudits(
  { audits, permit }: Dossier,
  event: JobEvent,
  mark: Mark,
): readonly Audit[] {
  switch (event.kind) {
    case 'permit-audited': {
      const { counted, signedOn, answers } = event;
      const number = isNumbered(permit) ? permit.number : '';
      return [...audits, { ...mark, permit: number, counted, signedOn, answers, done: {} }];
    }
    case 'follow-up-finished': {
      const { audit, code, done } = event;
      return audits.map((one, n) =>
        n === audit ? { ...one, done: { ...one.done, [code]: { ...mark, words: done } } } : one,
      );
    }
    default:
      return audits;
  }
}
