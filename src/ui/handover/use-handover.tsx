'use client';

import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { toast } from 'sonner';
import { listHandoverSigners } from '../../core/handover/record';
import type { HandoverCommand } from '../../core/handover/commands';
import type { ExplainedRefusal } from '../../core/rules/book';
import { RefusedBand } from '../command/refused-band';
import { post, type Posted } from '../command/post';
import { SignDialog } from '../command/sign-dialog';

interface Answer extends Posted {
  readonly kind?: 'refused' | 'changed-meanwhile' | 'error';
  readonly refusals?: readonly ExplainedRefusal[];
}

/** Gives commands about handovers, each signed; answers how to give one, and what shows on the screen meanwhile. */
export function useHandover({
  me,
  version,
  digest,
  names,
}: {
  readonly me: string;
  readonly version: number;
  readonly digest: string;
  readonly names: Readonly<Record<string, string>>;
}): {
  readonly give: (command: HandoverCommand, onDone?: () => void) => void;
  readonly shown: ReactNode;
} {
  const router = useRouter();
  const [pending, setPending] = useState<{ command: HandoverCommand; onDone?: () => void }>();
  const [refused, setRefused] = useState<readonly ExplainedRefusal[]>([]);
  const [error, setError] = useState('');
  const sign = async (signatures: { person: string; pin: string }[]) => {
    if (!pending) return;
    const { command, onDone } = pending;
    const answer: Answer = await post<Answer>('/api/handover', {
      command,
      expected: version,
      digest,
      signatures,
    });
    if (!answer.ok && answer.kind === 'error') {
      setError(answer.error ?? 'That did not work.');
      return;
    }
    setPending(undefined);
    if (answer.kind === 'refused') setRefused(answer.refusals ?? []);
    if (answer.kind === 'changed-meanwhile')
      toast.error('Something changed meanwhile. Nothing was signed: read the report again.');
    if (answer.ok) onDone?.();
    router.refresh();
  };
  const shown = (
    <>
      {refused.length > 0 && <RefusedBand refused={refused} onSeen={() => setRefused([])} />}
      {pending && (
        <SignDialog
          signers={listHandoverSigners(pending.command, me)}
          names={names}
          error={error}
          onSign={(signatures) => void sign(signatures)}
          onCancel={() => setPending(undefined)}
        />
      )}
    </>
  );
  const give = (command: HandoverCommand, onDone?: () => void) => {
    setError('');
    setRefused([]);
    setPending({ command, ...(onDone ? { onDone } : {}) });
  };
  return { give, shown };
}
