import type { Mark } from '../job';
import type { HandoverCommand } from './commands';
import type { HandoverReport } from './parts';
import type { Promised } from './promised';

type Of<Kind extends HandoverCommand['kind']> = Extract<HandoverCommand, { kind: Kind }>;
type Body<Kind extends HandoverCommand['kind']> = Omit<Of<Kind>, 'kind'>;

/** People whose fresh PIN a command needs. */
export function listHandoverSigners(command: HandoverCommand, actor: string): readonly string[] {
  switch (command.kind) {
    case 'hand-over-shift':
      return [...new Set([actor, command.incoming])];
    case 'read-handover':
      return [command.person];
    case 'keep-promise':
      return [actor];
  }
}

/** How far the ledger had come, to be compared with it later. */
export interface LedgerHead {
  readonly events: number;
  readonly hash: string;
}

/** What happened at handovers, in the past tense. */
export type HandoverEvent =
  | ({
      readonly kind: 'shift-handed-over';
      readonly report: HandoverReport;
      /** Who has to read it. */
      readonly readers: readonly string[];
      /** How far the ledger had come: events, and the hash of the newest. */
      readonly ledger?: LedgerHead;
    } & Body<'hand-over-shift'>)
  | ({ readonly kind: 'handover-read' } & Body<'read-handover'>)
  | ({ readonly kind: 'promise-kept' } & Body<'keep-promise'>);

/** A shift that was handed over by `by` to `incoming`. */
export interface Handover extends Mark {
  readonly number: number;
  readonly incoming: string;
  readonly notes: string;
  readonly report: HandoverReport;
  readonly readers: readonly string[];
  readonly ledger?: LedgerHead | undefined;
  /** When each read it (ISO 8601, UTC), by person. */
  readonly read: Readonly<Record<string, string>>;
}

/** Every handover, oldest first, and every promise. */
export interface HandoverRecord {
  readonly handovers: readonly Handover[];
  readonly promises: readonly Promised[];
}

export const NO_HANDOVERS: HandoverRecord = { handovers: [], promises: [] };

/** The record after an event. */
export function evolveHandovers(
  { handovers, promises }: HandoverRecord,
  event: HandoverEvent,
  mark: Mark,
): HandoverRecord {
  switch (event.kind) {
    case 'shift-handed-over': {
      const { incoming, notes, report, readers, ledger } = event;
      const number = handovers.length + 1;
      // Whoever takes over signed for having read it.
      const read = { [incoming]: mark.at };
      return {
        handovers: [
          ...handovers,
          { ...mark, number, incoming, notes, report, readers, ledger, read },
        ],
        promises: [
          ...promises,
          ...event.promises.map((promise, n) => {
            return { ...mark, ...promise, number: promises.length + n + 1 };
          }),
        ],
      };
    }
    case 'handover-read':
      return {
        promises,
        handovers: handovers.map((one) =>
          one.number === event.handover
            ? { ...one, read: { ...one.read, [event.person]: mark.at } }
            : one,
        ),
      };
    case 'promise-kept':
      return {
        handovers,
        promises: promises.map((one) =>
          one.number === event.promise ? { ...one, kept: { ...mark, done: event.done } } : one,
        ),
      };
  }
}

/** Who has not read a handover yet. */
export const listUnread = ({ readers, read }: Handover): string[] =>
  readers.filter((person) => !(person in read));
