'use client';

import { nanoid } from 'nanoid';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { createContext, useContext, useRef, useState, type ReactNode } from 'react';
import { toast } from 'sonner';
import type { Command } from '../../core/job';
import { listSigners } from '../../core/job/signers';
import type { ExplainedRefusal } from '../../core/rules/book';
import { computeExpected, isPressedTwice, type Given } from './given';
import { RefusedBand } from './refused-band';
import { send, type JobHandle, type Sent } from './send';

const SignDialog = dynamic(() => import('./sign-dialog').then((part) => part.SignDialog), {
  ssr: false,
});

/** A command that waits for its signatures. */
interface Pending {
  readonly command: Command;
  readonly signers: readonly string[];
  readonly settle: (done: boolean) => void;
}

type Run = (command: Command) => Promise<boolean>;
/** Who carries a command on: the desk, or what stands between. */
export const Commands = createContext<Run>(() => Promise.resolve(false));

/** Gives a command on the job at hand; asks for PINs where the command is signed. True when it was carried out. */
export const useCommand = (): Run => useContext(Commands);

/** Carries commands of the screens below it to the server and shows what it answers. */
export function CommandDesk({
  handle,
  onRaised,
  onUnsigned,
  children,
}: {
  readonly handle: JobHandle;
  readonly onRaised?: (jobId: string) => void;
  /** Takes commands that nobody has to sign, where they may be kept until the server can be reached. */
  readonly onUnsigned?: (command: Command) => Promise<boolean>;
  readonly children: ReactNode;
}) {
  const router = useRouter();
  const [pending, setPending] = useState<Pending>();
  const [refused, setRefused] = useState<readonly ExplainedRefusal[]>([]);
  const [pinError, setPinError] = useState('');
  const key = useRef(nanoid());
  const given = useRef<Given>(undefined);

  const finish = (command: Command, answer: Sent): boolean => {
    if (answer.ok) {
      setRefused([]);
      const { sequence = 0 } = answer;
      given.current = { jobId: handle.jobId, sequence, command, at: Date.now() };
      key.current = nanoid();
      if (onRaised && answer.jobId) onRaised(answer.jobId);
      router.refresh();
      return true;
    }
    if (answer.kind === 'changed-meanwhile') {
      const who = (answer.changes ?? [])
        .map(({ type, actor }) => `${handle.names[actor] ?? actor}: ${type}`)
        .join('; ');
      toast.error(
        `The job changed meanwhile (${who}). Nothing of yours was saved: look at what changed, then repeat the step.`,
      );
      router.refresh();
    } else if (answer.kind === 'refused') {
      setRefused(answer.refusals ?? []);
    } else {
      toast.error([answer.error, ...(answer.problems ?? [])].filter(Boolean).join(' '));
    }
    return false;
  };

  const sending = (command: Command) => {
    const expected = computeExpected(given.current, handle);
    return { jobId: handle.jobId, command, expected, key: key.current };
  };

  const run: Run = async (command) => {
    if (isPressedTwice(given.current, handle, command, Date.now())) return true;
    const signers = [...new Set(listSigners(command, handle.me))];
    if (signers.length === 0 && onUnsigned) return onUnsigned(command);
    if (signers.length === 0) return finish(command, await send(sending(command)));
    setPinError('');
    return new Promise((settle) => setPending({ command, signers, settle }));
  };

  const sign = async (signatures: { person: string; pin: string }[]) => {
    if (!pending) return;
    const answer = await send({ ...sending(pending.command), signatures });
    if (!answer.ok && (answer.kind === 'error' || answer.kind === 'unreached')) {
      setPinError(answer.error ?? 'That did not work.');
      return;
    }
    setPending(undefined);
    pending.settle(finish(pending.command, answer));
  };

  return (
    <Commands.Provider value={run}>
      {children}
      {refused.length > 0 && <RefusedBand refused={refused} onSeen={() => setRefused([])} />}
      {pending && (
        <SignDialog
          signers={pending.signers}
          names={handle.names}
          error={pinError}
          onSign={(signatures) => void sign(signatures)}
          onCancel={() => {
            pending.settle(false);
            setPending(undefined);
          }}
        />
      )}
    </Commands.Provider>
  );
}
