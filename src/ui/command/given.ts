import type { Command } from '../../core/job';
import type { JobHandle } from './send';

/** The command that was carried out last from a desk, on which job as shown there, and how far it brought that job. */
export interface Given {
  readonly jobId: string;
  readonly sequence: number;
  readonly command: Command;
  /** When (ms). */
  readonly at: number;
}

/** Within this a second press follows the first by accident (ms). */
const PRESS_MS = 3000;

type Shown = Pick<JobHandle, 'jobId' | 'sequence'>;

/** Whether the command given last was given just now, the screen has yet to show it, and this is that one again: a second press. */
export const isPressedTwice = (
  given: Given | undefined,
  shown: Shown,
  command: Command,
  now: number,
): boolean =>
  given?.jobId === shown.jobId &&
  shown.sequence < given.sequence &&
  now - given.at < PRESS_MS &&
  JSON.stringify(given.command) === JSON.stringify(command);

/**
 * The version of the job that a command is given on: what the screen shows, and what this desk did itself since. Whoever gave the
 * command before this one knows of it, even where the screen has yet to show it. A job that is being raised has no version.
 */
export function computeExpected(given: Given | undefined, { jobId, sequence }: Shown): number {
  const isOwn = jobId !== '' && given?.jobId === jobId;
  return isOwn ? Math.max(sequence, given.sequence) : sequence;
}
