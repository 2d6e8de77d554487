/** Where a person gives their PIN: never shown, never kept by the browser. */
export function PinInput({
  label,
  name = 'pin',
  autoFocus = false,
  isSmall = false,
}: {
  readonly label: string;
  readonly name?: string;
  readonly autoFocus?: boolean;
  /** Among the fields of a small form. */
  readonly isSmall?: boolean;
}) {
  return (
    <label className={isSmall ? 'flex flex-col text-sm' : 'flex flex-col gap-1'}>
      {label}
      <input
        name={name}
        type="password"
        inputMode="numeric"
        autoComplete="off"
        required
        autoFocus={autoFocus}
        className={`input font-mono ${isSmall ? 'input-sm w-28' : 'w-full'}`}
      />
    </label>
  );
}
