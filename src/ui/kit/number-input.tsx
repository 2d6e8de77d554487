import type { InputHTMLAttributes } from 'react';

/** A labelled number from 0 on, in a form of react-hook-form: what registers it is handed in. */
export const NumberInput = ({
  label,
  ...registered
}: InputHTMLAttributes<HTMLInputElement> & { readonly label: string }) => (
  <label className="flex w-36 flex-col text-sm">
    {label}
    <input
      {...registered}
      type="number"
      step="any"
      min={0}
      required
      className="input input-sm w-full font-mono"
    />
  </label>
);
