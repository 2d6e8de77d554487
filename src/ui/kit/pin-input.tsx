'use client';

import { useState } from 'react';
import type { UseFormRegisterReturn } from 'react-hook-form';

/** Where a person gives their PIN or passphrase: never shown, never kept by the browser. On a phone it begins with the keys for digits. */
export function PinInput({
  label,
  name = 'pin',
  autoFocus = false,
  isSmall = false,
  field,
}: {
  readonly label: string;
  readonly name?: string;
  readonly autoFocus?: boolean;
  /** Among the fields of a small form. */
  readonly isSmall?: boolean;
  /** Of a form that is watched field by field. */
  readonly field?: UseFormRegisterReturn;
}) {
  const [hasLetters, setLetters] = useState(false);
  return (
    <span className="flex items-end gap-1">
      <label className={isSmall ? 'flex flex-col text-sm' : 'flex grow flex-col gap-1'}>
        {label}
        <input
          name={name}
          type="password"
          inputMode={hasLetters ? 'text' : 'numeric'}
          autoComplete="off"
          required
          autoFocus={autoFocus}
          maxLength={100}
          className={`input font-mono ${isSmall ? 'input-sm w-28' : 'w-full'}`}
          {...field}
        />
      </label>
      <button
        type="button"
        aria-pressed={hasLetters}
        className={`btn hidden pointer-coarse:inline-flex ${isSmall ? 'btn-sm' : ''}`}
        onClick={() => setLetters(!hasLetters)}
      >
        {hasLetters ? 'Digits' : 'Letters'}
      </button>
    </span>
  );
}
