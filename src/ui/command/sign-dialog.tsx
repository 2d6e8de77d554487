'use client';

import type { FormEvent } from 'react';
import { Dialog } from '../kit/dialog';
import { PinInput } from '../kit/pin-input';

/** Asks each signer for their PIN. */
export function SignDialog({
  signers,
  names,
  onSign,
  onCancel,
  error,
}: {
  readonly signers: readonly string[];
  readonly names: Readonly<Record<string, string>>;
  readonly onSign: (signatures: { person: string; pin: string }[]) => void;
  readonly onCancel: () => void;
  readonly error: string;
}) {
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    onSign(signers.map((person) => ({ person, pin: (form.get(person) as string | null) ?? '' })));
  };
  return (
    <Dialog title="Sign" leave="Do not sign" onClose={onCancel}>
      <form className="flex flex-col gap-3" onSubmit={submit}>
        <p>A signature is a fresh PIN, given by the person themselves.</p>
        {signers.map((person, index) => (
          <PinInput
            key={person}
            label={`PIN of ${names[person] ?? person}`}
            name={person}
            autoFocus={index === 0}
          />
        ))}
        {error !== '' && (
          <p role="alert" className="font-bold text-error">
            {error}
          </p>
        )}
        <button className="btn btn-primary self-end">Sign</button>
      </form>
    </Dialog>
  );
}
