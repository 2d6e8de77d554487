import type { ReactNode } from 'react';
import { PinInput } from './pin-input';

/** A line is large enough for a gloved finger on a phone. */
export const LINE_CLASS = 'input input-sm w-full max-sm:h-11 max-sm:text-base';

/** A labelled text field of a small form. */
export function TextField({
  label,
  name,
  value,
  type = 'text',
  required = true,
}: {
  readonly label: string;
  readonly name: string;
  readonly value?: string;
  readonly type?: 'text' | 'number';
  readonly required?: boolean;
}) {
  return (
    <label className="flex grow flex-col text-sm">
      {label}
      <input
        name={name}
        type={type}
        step="any"
        defaultValue={value}
        required={required}
        className={LINE_CLASS}
      />
    </label>
  );
}

/** The PIN of whoever signs the form at hand. */
export const PinField = () => <PinInput label="Your PIN" isSmall />;

/** Lists and fields are large enough for a gloved finger on a phone. */
export const LIST_CLASS = 'select select-sm w-full max-sm:h-11 max-sm:text-base';

/** A labelled choice among a few fixed words. Of many things, or of what has a number or a name, one is picked in a combobox. */
export function ChoiceField({
  label,
  name,
  options,
  value,
  required = true,
  onPick,
}: {
  readonly label: string;
  readonly name: string;
  readonly options: readonly { readonly id: string; readonly label: string }[];
  readonly value?: string | undefined;
  readonly required?: boolean;
  /** Told what is chosen, where another field follows it. */
  readonly onPick?: (id: string) => void;
}) {
  return (
    <label className="flex grow flex-col text-sm">
      {label}
      <select
        name={name}
        defaultValue={value}
        required={required}
        className={LIST_CLASS}
        onChange={onPick && (({ target }) => onPick(target.value))}
      >
        {options.map((option) => (
          <option key={option.id} value={option.id}>
            {option.label}
          </option>
        ))}
      </select>
    </label>
  );
}

/** A box to tick, read as 'on' when it is. */
export function CheckField({ name, label }: { readonly name: string; readonly label: string }) {
  return (
    <label className="flex w-full items-center gap-2 text-sm max-sm:min-h-11 max-sm:text-base">
      <input type="checkbox" name={name} className="checkbox checkbox-sm max-sm:size-7" /> {label}
    </label>
  );
}

/** A form that hands its fields over as text. */
export function SmallForm({
  onSend,
  button,
  spot,
  children,
}: {
  readonly onSend: (read: (name: string) => string) => void;
  readonly button: string;
  /** What is cleared here, by name: whoever is told what holds a job up is led to it. */
  readonly spot?: string;
  readonly children: ReactNode;
}) {
  return (
    <form
      data-spot={spot}
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        onSend((name) => (form.get(name) as string | null) ?? '');
      }}
    >
      {children}
      <button className="btn btn-primary btn-sm max-sm:h-11">{button}</button>
    </form>
  );
}
