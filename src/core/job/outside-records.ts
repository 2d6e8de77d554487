import type { Mark } from './mark';

/** What the lead of another firm has seen of the isolation, and whether they were shown between which points their people may work. */
export interface FirmRound {
  /** Points that the lead tried and saw, by id. */
  readonly seen: Readonly<Record<string, Mark & { readonly how: string }>>;
  readonly bounds?: (Mark & { readonly lead: string; readonly words: string }) | undefined;
}

/** What somebody else who operates points of the plan was asked, has given, and got back. */
export interface Clearance {
  readonly asked?: (Mark & { readonly whom: string; readonly what: string }) | undefined;
  readonly given?:
    | (Mark & {
        /** The number of the clearance, and who gave it, as they said them. */
        readonly number: string;
        readonly person: string;
        readonly isolates: string;
        readonly earths: string;
        /** When it ends (ISO 8601, UTC). */
        readonly until: string;
      })
    | undefined;
  readonly returned?: (Mark & { readonly person: string; readonly seen: string }) | undefined;
}
