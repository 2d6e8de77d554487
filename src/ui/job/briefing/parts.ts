import type { UseFormRegister } from 'react-hook-form';
import type { Filled } from './filled';

/** A question may be longer than a line. */
export const LINES = 'textarea textarea-sm field-sizing-content min-h-8 w-full max-sm:text-base';

/** What a part of the form is handed: its register, and who can be named in it. */
export interface PartProps {
  readonly register: UseFormRegister<Filled>;
  readonly there: readonly { readonly id: string; readonly name: string }[];
}
