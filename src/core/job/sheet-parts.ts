import { momentsIn } from '../moments';
import { type SiteFacts } from './site';
import { type Dossier } from './state';

/** A part of a printed sheet. An undefined value is a line to be filled in with a pen. */
export type Block =
  | {
      readonly kind: 'facts';
      readonly title?: string;
      readonly rows: readonly (readonly [label: string, value: string | undefined])[];
    }
  | { readonly kind: 'list'; readonly title: string; readonly items: readonly string[] }
  | {
      readonly kind: 'table';
      readonly title: string;
      readonly head: readonly string[];
      /** Shares of the width, one a column. */
      readonly widths: readonly number[];
      readonly rows: readonly (readonly string[])[];
    };

/** One sheet of the set that goes with a permit; each begins on a new page. */
export interface Sheet {
  readonly title: string;
  /** In large letters above all: valid until when, or why it is no permit. */
  readonly banner: string;
  readonly blocks: readonly Block[];
}

/** What is printed and for whom. */
export interface SheetFacts {
  readonly job: string;
  readonly site: SiteFacts;
  readonly now: string;
  /** The copy that this is; without one it is a print for reading only. */
  readonly copy?: number | undefined;
}

/** How an instant is printed at a site. */
export const clockOf = ({ values }: SiteFacts) => momentsIn(values.zone).instant;

/** Names of people, by id. */
export const namer =
  ({ people }: SiteFacts) =>
  (id: string): string =>
    people.get(id)?.name ?? id;

/** Whether what is printed may be worked under, in words. */
export function describeState({ permit }: Dossier, site: SiteFacts): string {
  const clock = clockOf(site);
  switch (permit.kind) {
    case 'issued':
      return `VALID UNTIL ${clock(permit.until)}`;
    case 'suspended':
      return 'NOT VALID: the work is stopped';
    case 'lapsed':
      return `NOT VALID: lapsed at ${clock(permit.until)}`;
    case 'handed-back':
    case 'watched':
    case 'closed':
      return 'NOT VALID: handed back';
    case 'cancelled':
      return 'NOT A PERMIT: cancelled';
    default:
      return 'NOT A PERMIT: not issued';
  }
}
