/** Facts that a rule's words are made of. */
export type Facts = Readonly<Record<string, string | number>>;

/** Where in a job's dossier a refusal is cleared. */
export type Place =
  | 'raise'
  | 'plan'
  | 'review'
  | 'walk-down'
  | 'isolate'
  | 'prove'
  | 'permit'
  | 'work'
  | 'restore'
  | 'site';

export interface Rule {
  /** What is wrong, in one sentence. */
  readonly says: (facts: Facts) => string;
  /** Law, standard, practice or site rule that it rests on. */
  readonly basis: string;
  /** What to do so that it no longer stands. */
  readonly clear: (facts: Facts) => string;
  readonly where: Place;
}

export const DUTIES = 'separation of duties (practice; HSG250, from memory)';
export const LOCKOUT = '29 CFR 1910.147';
export const fixed = (text: string) => () => text;

export function rule(
  where: Place,
  says: (facts: Facts) => string,
  basis: string,
  clear: string | ((facts: Facts) => string),
): Rule {
  return { where, says, basis, clear: typeof clear === 'string' ? fixed(clear) : clear };
}
