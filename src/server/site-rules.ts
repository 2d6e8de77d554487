import { DEFAULT_VALUES, siteValuesSchema, type SiteValues } from '../core/rules/values';
import { writeAlone, type Db } from '../db';
import { appendEvents, readLast, readStream } from '../ledger';
import { readNow } from './clock';

export const RULES_STREAM = 'site/rules';

/** The values of the rules as they count, and their version; version 0 are the defaults. */
export interface CountingValues {
  readonly version: number;
  readonly values: SiteValues;
}

/** A version of the values once it was saved: by whom, when and why. */
export interface SavedValues extends CountingValues {
  readonly actor: string;
  readonly at: string;
  readonly note: string;
}

interface Saved {
  readonly values: Partial<SiteValues>;
  readonly note: string;
}

/** Values of a version; a value that came in after it was saved counts with its default. */
const complete = (values: Partial<SiteValues>): SiteValues => ({ ...DEFAULT_VALUES, ...values });

export function readValues(db: Db): CountingValues {
  const last = readLast(db, RULES_STREAM);
  return last
    ? { version: last.sequence, values: complete((last.payload as Saved).values) }
    : { version: 0, values: DEFAULT_VALUES };
}

/** Every saved version, newest first. */
export const listSavedValues = (db: Db): SavedValues[] =>
  readStream(db, RULES_STREAM)
    .map(({ sequence, actor, at, payload }) => {
      const { values, note } = payload as Saved;
      return { version: sequence, values: complete(values), actor, at, note };
    })
    .reverse();

export type ValuesSaved =
  | { readonly ok: true; readonly version: number }
  | { readonly ok: false; readonly kind: 'unfit'; readonly problems: readonly string[] }
  | { readonly ok: false; readonly kind: 'changed-meanwhile'; readonly version: number };

/** Checks values field by field; answers what is wrong with each. */
export function checkValues(
  document: unknown,
): { readonly ok: true; readonly values: SiteValues } | { readonly ok: false; problems: string[] } {
  const read = siteValuesSchema.safeParse(document);
  if (read.success) return { ok: true, values: read.data };
  return {
    ok: false,
    problems: read.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`),
  };
}

/** Saves values as the next version, drawn from version `expected`. */
export function saveValues(
  db: Db,
  given: {
    readonly document: unknown;
    readonly expected: number;
    readonly note: string;
    readonly actor: string;
  },
): ValuesSaved {
  const checked = checkValues(given.document);
  if (!checked.ok) return { ok: false, kind: 'unfit', problems: checked.problems };
  return writeAlone(db, (tx) => {
    const { version } = readValues(tx);
    if (version !== given.expected) return { ok: false, kind: 'changed-meanwhile', version };
    const { note, actor } = given;
    const event = { kind: 'rules-saved', values: checked.values, note };
    appendEvents(tx, RULES_STREAM, version, [event], { actor, at: readNow(tx), policy: 'none' });
    return { ok: true, version: version + 1 };
  });
}
