import type { UseFormRegister } from 'react-hook-form';
import type { Filled } from './filled';

export const FIELD = 'input input-sm w-full max-sm:h-11 max-sm:text-base';
export const LINES = 'textarea textarea-sm field-sizing-content min-h-8 w-full max-sm:text-base';
export const LIST = 'select select-sm w-full max-sm:h-11 max-sm:text-base';

export interface PartProps {
  readonly register: UseFormRegister<Filled>;
  readonly there: readonly { readonly id: string; readonly name: string }[];
}
