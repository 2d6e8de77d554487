'use client';

import { nanoid } from 'nanoid';
import { useRouter } from 'next/navigation';
import { createContext, useContext, useRef, useState, type FormEvent, type ReactNode } from 'react';
import { toast } from 'sonner';
import { listSigners, type Command } from '../../core/job';
import type { ExplainedRefusal } from '../../core/rules/book';

interface Sent {
  readonly ok: boolean;
  readonly kind?: 'refused' | 'changed-meanwhile' | 'error';
  readonly jobId?: string;
  readonly error?: string;
  readonly problems?: readonly string[];
  readonly refusals?: readonly ExplainedRefusal[];
  readonly changes?: readonly { type: string; actor: string; at: string }[];
}

interface JobHandle {
  readonly jobId: string;
  readonly sequence: number;
  readonly me: string;
  readonly names: Readonly<Record<string, string>>;
}

interface Pending {
  readonly command: Command;
  readonly signers: readonly string[];
  readonly settle: (done: boolean) => void;
}

type Run = (command: Command) => Promise<boolean>;
const Commands = createContext<Run>(() => Promise.resolve(false));

/** Gives a command on the job at hand; asks for PINs where the command is signed. True when it was carried out. */
export const useCommand = (): Run => useContext(Commands);

async function send(
  handle: JobHandle,
  command: Command,
  signatures: { person: string; pin: string }[],
  key: string,
): Promise<Sent> {
  try {
    const answer = await fetch(`/api/jobs/${handle.jobId || 'new'}/commands`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ command, expected: handle.sequence, key, signatures }),
    });
    return (await answer.json()) as Sent;
  } catch {
    return {
      ok: false,
      kind: 'error',
      error: 'The server could not be reached. Nothing was saved: try again.',
    };
  }
}

/** The list of reasons against a step, with basis and the way to clear each. */
export function Reasons({ refusals }: { readonly refusals: readonly ExplainedRefusal[] }) {
  return (
    <ul className="flex flex-col gap-2">
      {refusals.map((refusal, index) => (
        <li
          key={`${refusal.code}-${index}`}
          data-code={refusal.code}
          className="border-l-4 border-error pl-2"
        >
          <p className="font-bold">{refusal.says}</p>
          <p>To clear it: {refusal.clear}</p>
          <p className="text-xs">Basis: {refusal.basis}</p>
        </li>
      ))}
    </ul>
  );
}

function SignDialog({
  pending,
  names,
  onSign,
  onCancel,
  error,
}: {
  readonly pending: Pending;
  readonly names: Readonly<Record<string, string>>;
  readonly onSign: (signatures: { person: string; pin: string }[]) => void;
  readonly onCancel: () => void;
  readonly error: string;
}) {
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    onSign(
      pending.signers.map((person) => ({ person, pin: (form.get(person) as string | null) ?? '' })),
    );
  };
  return (
    <dialog
      className="modal"
      aria-label="Sign"
      ref={(dialog) => {
        if (dialog && !dialog.open) dialog.showModal();
      }}
      onCancel={onCancel}
    >
      <form className="modal-box flex flex-col gap-3" onSubmit={submit}>
        <h2 className="text-lg font-bold">Sign</h2>
        <p>A signature is a fresh PIN, given by the person themselves.</p>
        {pending.signers.map((person, index) => (
          <label key={person} className="flex flex-col gap-1">
            PIN of {names[person] ?? person}
            <input
              name={person}
              type="password"
              inputMode="numeric"
              autoComplete="off"
              required
              autoFocus={index === 0}
              className="input w-full font-mono"
            />
          </label>
        ))}
        {error !== '' && (
          <p role="alert" className="font-bold text-error">
            {error}
          </p>
        )}
        <div className="flex justify-end gap-2">
          <button type="button" className="btn" onClick={onCancel}>
            Do not sign
          </button>
          <button className="btn btn-primary">Sign</button>
        </div>
      </form>
    </dialog>
  );
}

/** Carries commands of the screens below it to the server and shows what it answers. */
export function CommandDesk({
  handle,
  onRaised,
  children,
}: {
  readonly handle: JobHandle;
  readonly onRaised?: (jobId: string) => void;
  readonly children: ReactNode;
}) {
  const router = useRouter();
  const [pending, setPending] = useState<Pending>();
  const [refused, setRefused] = useState<readonly ExplainedRefusal[]>([]);
  const [pinError, setPinError] = useState('');
  const key = useRef(nanoid());

  const finish = (answer: Sent): boolean => {
    if (answer.ok) {
      setRefused([]);
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

  const run: Run = async (command) => {
    const signers = [...new Set(listSigners(command, handle.me))];
    if (signers.length === 0) return finish(await send(handle, command, [], key.current));
    setPinError('');
    return new Promise((settle) => setPending({ command, signers, settle }));
  };

  const sign = async (signatures: { person: string; pin: string }[]) => {
    if (!pending) return;
    const answer = await send(handle, pending.command, signatures, key.current);
    if (!answer.ok && answer.kind === 'error') {
      setPinError(answer.error ?? 'That did not work.');
      return;
    }
    setPending(undefined);
    pending.settle(finish(answer));
  };

  return (
    <Commands.Provider value={run}>
      {children}
      {refused.length > 0 && (
        <div
          role="alert"
          className="fixed inset-x-0 bottom-0 z-20 mx-auto max-h-96 max-w-3xl overflow-auto border-2 border-error bg-base-100 p-4 shadow-lg"
        >
          <div className="mb-2 flex items-center justify-between">
            <h2 className="text-lg font-bold">Not allowed</h2>
            <button className="btn btn-sm" onClick={() => setRefused([])}>
              Understood
            </button>
          </div>
          <Reasons refusals={refused} />
        </div>
      )}
      {pending && (
        <SignDialog
          pending={pending}
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
