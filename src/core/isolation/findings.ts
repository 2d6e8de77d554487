/** Rule codes of the check. The first group stops a plan, the second cautions. */
export const STOPPING_CODES = [
  'unknown-id',
  'source-reaches-work',
  'double-not-met',
  'double-bled-not-met',
  'positive-not-met',
  'work-not-bled',
  'shut-in-not-bled',
  'store-not-released',
  'earth-missing',
  'relief-lost',
  'outlet-on-live-body',
  'outlet-into-pressure',
  'cannot-be-both',
  'interlock-bars',
] as const;

export const CAUTION_CODES = [
  'not-a-barrier',
  'no-source-found',
  'no-outlet',
  'relief-accepted',
  'relief-cut-off',
  'blocked-in-liquid',
  'outlets-share-system',
  'outlet-plugged',
  'shut-in-no-outlet',
  'shaft-may-turn',
  'cannot-stand-open',
  'barrier-fails-open',
  'equipment-loses-supply',
] as const;

export type FindingCode = (typeof STOPPING_CODES)[number] | (typeof CAUTION_CODES)[number];

/** One change to the plan that would mend a finding; to accept is for a person to do by name. */
export interface Mend {
  readonly action: 'close' | 'open' | 'restrain' | 'drop' | 'accept';
  readonly id: string;
  readonly words: string;
}

/** What the check found: the rule, what it is about, the route that breaks it (source first), and what mends it. */
export interface Finding {
  readonly code: FindingCode;
  readonly severity: 'stops' | 'caution';
  readonly subject: string;
  readonly route: readonly string[];
  readonly words: string;
  readonly mends: readonly Mend[];
}

const STOPPING: ReadonlySet<string> = new Set(STOPPING_CODES);

/** Makes a finding; its severity follows from its code. */
export function makeFinding(
  code: FindingCode,
  subject: string,
  words: string,
  more: { readonly route?: readonly string[]; readonly mends?: readonly Mend[] } = {},
): Finding {
  return {
    code,
    severity: STOPPING.has(code) ? 'stops' : 'caution',
    subject,
    route: more.route ?? [],
    words,
    mends: more.mends ?? [],
  };
}
