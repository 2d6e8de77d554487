import type { Command } from '../../core/job';
import type { ExplainedRefusal } from '../../core/rules/book';
import { dropFromDevice, sendPicture } from '../photos/kept-pictures';

/** What the server answered, or that it could not be reached. */
export interface Sent {
  readonly ok: boolean;
  readonly kind?: 'refused' | 'changed-meanwhile' | 'error' | 'unreached';
  /** The HTTP status of the answer. */
  readonly status?: number;
  readonly jobId?: string;
  readonly sequence?: number;
  readonly error?: string;
  readonly problems?: readonly string[];
  readonly refusals?: readonly ExplainedRefusal[];
  readonly changes?: readonly { type: string; actor: string; at: string }[];
}

/** The job that commands are given on, as it was last seen. */
export interface JobHandle {
  readonly jobId: string;
  readonly sequence: number;
  readonly me: string;
  readonly names: Readonly<Record<string, string>>;
}

/** A command on its way: on which version of the job it was given, under which key, and when it was entered if that was before. */
export interface Sending {
  readonly jobId: string;
  readonly command: Command;
  readonly expected: number;
  readonly key: string;
  readonly signatures?: readonly { readonly person: string; readonly pin: string }[];
  readonly enteredAt?: string;
}

const UNREACHED: Sent = {
  ok: false,
  kind: 'unreached',
  error: 'The server could not be reached. Nothing was saved: try again.',
};

/** Sends a command; `unreached` when there was no answer at all, and then nothing was saved. */
export async function send({ jobId, signatures = [], ...rest }: Sending): Promise<Sent> {
  try {
    const { command } = rest;
    // The picture goes before the word that names it.
    if (command.kind === 'add-photo' && !(await sendPicture(command.digest))) return UNREACHED;
    const answer = await fetch(`/api/jobs/${jobId || 'new'}/commands`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...rest, signatures }),
    });
    const sent = { ...((await answer.json()) as Sent), status: answer.status };
    if (sent.ok && command.kind === 'add-photo') await dropFromDevice(command.digest);
    return sent;
  } catch {
    return UNREACHED;
  }
}
