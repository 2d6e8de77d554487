'use client';

import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { toast } from 'sonner';
import type { ExplainedRefusal } from '../../core/rules/book';
import { post, type Posted } from './post';
import { RefusedBand } from './refused-band';

const SignDialog = dynamic(() => import('./sign-dialog').then((part) => part.SignDialog), {
  ssr: false,
});

interface Answered extends Posted {
  readonly kind?: 'refused' | 'changed-meanwhile' | 'error';
  readonly refusals?: readonly ExplainedRefusal[];
}

type Signatures = readonly { readonly person: string; readonly pin: string }[];

/**
 * Gives commands about a record of the site, each signed by those whose PIN it needs; answers how to give one, and what shows on the screen
 * meanwhile. `body` are the fields that go along with every command.
 */
export function useSigned<Command, Answer extends Answered = Answered>({
  url,
  names,
  body,
  signersOf,
  changed,
}: {
  readonly url: string;
  readonly names: Readonly<Record<string, string>>;
  readonly body?: Readonly<Record<string, unknown>>;
  readonly signersOf: (command: Command) => readonly string[];
  /** What is said when somebody else was quicker. */
  readonly changed: string;
}): {
  readonly give: (command: Command, onDone?: (answer: Answer) => void) => void;
  readonly shown: ReactNode;
} {
  interface Pending {
    readonly command: Command;
    readonly onDone?: ((answer: Answer) => void) | undefined;
  }
  const router = useRouter();
  const [pending, setPending] = useState<Pending>();
  const [refused, setRefused] = useState<readonly ExplainedRefusal[]>([]);
  const [error, setError] = useState('');
  const send = async ({ command, onDone }: Pending, signatures: Signatures) => {
    const answer = (await post<Answer>(url, { ...body, command, signatures })) as Answer;
    if (!answer.ok && answer.kind === 'error') {
      const said = [answer.error ?? 'That did not work.', ...(answer.problems ?? [])].join(' ');
      if (signatures.length > 0) setError(said);
      else toast.error(said);
      return;
    }
    setPending(undefined);
    if (answer.kind === 'refused') setRefused(answer.refusals ?? []);
    if (answer.kind === 'changed-meanwhile') toast.error(changed);
    if (answer.ok) onDone?.(answer);
    router.refresh();
  };
  const shown = (
    <>
      {refused.length > 0 && <RefusedBand refused={refused} onSeen={() => setRefused([])} />}
      {pending && (
        <SignDialog
          signers={signersOf(pending.command)}
          names={names}
          error={error}
          onSign={(signatures) => void send(pending, signatures)}
          onCancel={() => setPending(undefined)}
        />
      )}
    </>
  );
  const give = (command: Command, onDone?: (answer: Answer) => void) => {
    setError('');
    setRefused([]);
    if (signersOf(command).length === 0) void send({ command, onDone }, []);
    else setPending({ command, onDone });
  };
  return { give, shown };
}
