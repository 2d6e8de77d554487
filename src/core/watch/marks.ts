import type { JobEvent } from '../job';

/** What stands on the board at a moment of a permit. */
export type BoardMarkKind =
  | 'issued'
  | 'proved'
  | 'alarm'
  | 'stopped'
  | 'checked'
  | 'air'
  | 'entry'
  | 'lifted'
  | 'extended'
  | 'revalidated'
  | 'test'
  | 'back';

/** A moment in the life of a permit, as the board shows it. */
export interface BoardMark {
  readonly at: string;
  readonly kind: BoardMarkKind;
  readonly words: string;
}

/** Someone on a permit from one moment to another; without an end while they are on. */
export interface Stay {
  readonly person: string;
  readonly since: string;
  readonly until?: string;
}

/** What the board keeps of a job beside its dossier. */
export interface BoardTrace {
  readonly marks: readonly BoardMark[];
  readonly stays: readonly Stay[];
}

export const EMPTY_TRACE: BoardTrace = { marks: [], stays: [] };

/** An event as a mark on the board; undefined when it leaves none. */
function describeMark(event: JobEvent): Omit<BoardMark, 'at'> | undefined {
  switch (event.kind) {
    case 'permit-extended':
      return { kind: 'extended', words: `extended after ${event.retested}` };
    case 'permit-revalidated':
      return { kind: 'revalidated', words: `revalidated: ${event.seen}` };
    case 'proved':
      return { kind: 'proved', words: `${event.proof} ${event.reading} ${event.unit}` };
    case 'found-live':
      return { kind: 'alarm', words: `${event.proof} ${event.reading} ${event.unit}` };
    case 'alarm-raised':
      return { kind: 'alarm', words: `${event.where}: ${event.seen}` };
    case 'work-stopped':
      return { kind: 'stopped', words: event.reason };
    case 'air-tested':
      return event.isFit
        ? { kind: 'air', words: `air fit for ${event.use}` }
        : { kind: 'alarm', words: `air not fit: ${event.findings.join('; ')}` };
    case 'air-alarmed':
      return { kind: 'alarm', words: `${event.device}: ${event.findings.join('; ')}` };
    case 'detector-failed':
      return { kind: 'alarm', words: `${event.device}, ${event.place}: ${event.words}` };
    case 'permit-audited':
      return event.grave.length > 0
        ? { kind: 'stopped', words: 'a check stopped it' }
        : { kind: 'checked', words: 'checked at the place' };
    case 'stop-lifted':
      return { kind: 'lifted', words: event.found };
    case 'test-sanctioned':
      return { kind: 'test', words: `test sanctioned: ${event.purpose}` };
    case 'space-entered':
      return { kind: 'entry', words: `${event.person} in` };
    case 'space-left':
      return { kind: 'entry', words: `${event.person} out` };
    case 'round-made':
      return event.found === 'cold'
        ? { kind: 'checked', words: `round: ${event.seen}` }
        : { kind: 'alarm', words: `${event.found}: ${event.seen}` };
    case 'permit-handed-back':
      return { kind: 'back', words: 'handed back' };
    default:
      return undefined;
  }
}

/** Ends the stay of someone who is on. */
const endStay = (stays: readonly Stay[], person: string, until: string): Stay[] =>
  stays.map((stay) =>
    stay.person === person && stay.until === undefined ? { ...stay, until } : stay,
  );

function evolveStays(stays: readonly Stay[], event: JobEvent, at: string): readonly Stay[] {
  switch (event.kind) {
    case 'signed-on':
      return [...stays, { person: event.person, since: at }];
    case 'signed-off':
      return endStay(stays, event.person, at);
    case 'absent-lock-removed':
      return endStay(stays, event.owner, at);
    default:
      return stays;
  }
}

const describeIssued = ({ number }: Extract<JobEvent, { kind: 'permit-issued' }>) =>
  ({ kind: 'issued', words: `${number} issued` }) as const;

/** The trace after an event. What was proved before the permit is out is not on the board: the lamps say it. */
export function evolveTrace(trace: BoardTrace, event: JobEvent, at: string): BoardTrace {
  if (event.kind === 'permit-issued')
    return { marks: [{ at, ...describeIssued(event) }], stays: [] };
  const mark = describeMark(event);
  const stays = evolveStays(trace.stays, event, at);
  const isShown = mark !== undefined && (trace.marks.length > 0 || mark.kind !== 'proved');
  return isShown ? { marks: [...trace.marks, { at, ...mark }], stays } : { ...trace, stays };
}
