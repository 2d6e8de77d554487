import type { Refusal } from './refuse';

/** What a command about a record of the site comes to: the event that follows, or every reason against it. */
export type RecordDecision<Event> =
  | { readonly ok: true; readonly event: Event }
  | { readonly ok: false; readonly refusals: readonly Refusal[] };
