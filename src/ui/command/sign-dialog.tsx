'use client';

import type { FormEvent } from 'react';
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
