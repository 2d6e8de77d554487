import type { Command } from '../../core/job';
import type { ExplainedRefusal } from '../../core/rules/book';
import type { Sending, Sent } from '../command/send';

/** A step entered on this device that the server has not taken yet, or will not take. */
export interface Entry {
  readonly key: string;
  readonly jobId: string;
  /** Who was signed in when it was entered: it goes out in no other name. */
  readonly actor: string;
  readonly command: Command;
  readonly enteredAt: string;
  /** Why the server will not take it, once it has said so. */
  readonly refusals?: readonly ExplainedRefusal[];
  readonly error?: string;
}

/** Where entries are kept on the device. A change is made as one, whatever other tabs do meanwhile. */
export interface Keep {
  readonly read: () => Promise<readonly Entry[]>;
  readonly change: (next: (entries: readonly Entry[]) => readonly Entry[]) => Promise<void>;
}

type Send = (sending: Sending) => Promise<Sent>;

/** How a round of sending ended: everything gone, no server, or a server that would not have it now. */
export type RoundEnd =
  | { readonly kind: 'through' }
  | { readonly kind: 'unreached' }
  | { readonly kind: 'held'; readonly why: string };

export const isWaiting = ({ refusals, error }: Entry): boolean =>
  refusals === undefined && error === undefined;

/** How often an entry is sent again when the job has changed meanwhile. */
const MOST_TRIES = 8;

/**
 * Sends one entry on the job as it stands now: what is done in the field was done, whatever others did meanwhile, and the server
 * decides whether it may stand. The key sees to it that it counts once however often it is sent.
 */
async function sendEntry(entry: Entry, expected: number, send: Send): Promise<Sent> {
  const { jobId, command, key, enteredAt } = entry;
  let answer = await send({ jobId, command, key, enteredAt, expected });
  for (let tries = 1; tries < MOST_TRIES && answer.kind === 'changed-meanwhile'; tries++) {
    answer = await send({ jobId, command, key, enteredAt, expected: answer.sequence ?? 0 });
  }
  return answer;
}

/** What a server says that cannot read an entry at all; anything else may pass when it is tried again. */
const NEVER_TAKEN: readonly (number | undefined)[] = [400, 413];

/**
 * Sends what `actor` entered, oldest first, until nothing is left, the server cannot be reached, or it does not take entries now.
 * What it refuses stays with its reasons and does not hold up what comes after. `onTaken` is told of each that it took.
 */
export async function sendKept(
  keep: Keep,
  actor: string,
  send: Send,
  onTaken: (entry: Entry, sequence: number) => void,
): Promise<RoundEnd> {
  const sequences = new Map<string, number>();
  for (;;) {
    const entries = await keep.read();
    const next = entries.find((entry) => entry.actor === actor && isWaiting(entry));
    if (!next) return { kind: 'through' };
    const answer = await sendEntry(next, sequences.get(next.jobId) ?? 0, send);
    if (answer.ok) {
      const sequence = answer.sequence ?? 0;
      sequences.set(next.jobId, sequence);
      await keep.change((kept) => kept.filter(({ key }) => key !== next.key));
      onTaken(next, sequence);
      continue;
    }
    if (answer.kind === 'unreached') return { kind: 'unreached' };
    const said = [answer.error, ...(answer.problems ?? [])].filter(Boolean).join(' ');
    const isFinal = answer.kind === 'refused' || NEVER_TAKEN.includes(answer.status);
    if (!isFinal) return { kind: 'held', why: said || 'The job changes all the time.' };
    const told = answer.refusals ? { refusals: answer.refusals } : { error: said };
    await keep.change((kept) =>
      kept.map((entry) => (entry.key === next.key ? { ...entry, ...told } : entry)),
    );
  }
}
