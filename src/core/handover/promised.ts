import type { Mark } from '../job';

/** Something that one shift promised for the next. */
export interface Promised extends Mark {
  readonly number: number;
  readonly what: string;
  readonly who: string;
  readonly until: string;
  readonly kept?: Mark & { readonly done: string };
}
