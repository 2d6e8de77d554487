import type { GasDetector } from '../gas/instrument';

/** What a person is authorised to do. One person may hold several roles. */
export const ROLES = [
  'coordinator',
  'area-operator',
  'isolating-electrical',
  'isolating-mechanical',
  'isolating-process',
  'issuing-authority',
  'performing-authority',
  'worker',
  'gas-tester',
  'fire-watch',
  'attendant',
  'entrant',
  'auditor',
  'site-manager',
] as const;
export type Role = (typeof ROLES)[number];

/** An authorisation with the last instant (ISO 8601, UTC) at which it is valid. */
export interface Authorisation {
  readonly role: Role;
  /** The first instant at which it counts; from when it was granted where it names none. */
  readonly from?: string | undefined;
  readonly until: string;
  /** The areas in which it counts, by id; everywhere where it names none. */
  readonly areas?: readonly string[] | undefined;
  /** On what it was granted (course, drill, assessment), and who granted it. */
  readonly evidence?: string | undefined;
  readonly by?: string | undefined;
  /** Of an electrical one: the highest voltage (V) that it covers; that of the site's rule when it names none. */
  readonly up_to_v?: number | undefined;
}

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly employer: string;
  readonly authorisations: readonly Authorisation[];
  /** When they left the site; they are never deleted. */
  readonly leftAt?: string | undefined;
}

export interface Lock {
  readonly id: string;
  readonly set: string;
  readonly use: 'point' | 'control' | 'crew' | 'personal';
  /** The one owner of a personal lock. */
  readonly owner?: string;
}

export interface LockBox {
  readonly id: string;
  readonly name: string;
}

export interface Instrument {
  readonly id: string;
  readonly name: string;
  readonly reads: 'voltage' | 'pressure' | 'level' | 'motion' | 'temperature' | 'gas';
  /** How a voltage tester touches, and what it is rated for (V). */
  readonly contact?: 'two-pole' | 'non-contact' | 'plug-in';
  readonly rated_v?: number;
  /** Bare tip of its probes (mm), whether they are guarded, and its leads fused or current-limited. */
  readonly tip_mm?: number;
  readonly guarded?: boolean;
  readonly fused?: boolean;
  /** The last instant at which its test is in date. */
  readonly testedUntil: string;
  /** What a gas detector measures, and what its pump draws. */
  readonly detector?: GasDetector | undefined;
}

/** A portable set of earthing leads. */
export interface EarthingSet {
  readonly id: string;
  readonly name: string;
  /** The fault current that it carries (kA), and for how long (s). */
  readonly rated_ka?: number | undefined;
  readonly rated_s?: number | undefined;
  /** The last instant at which its test is in date. */
  readonly testedUntil: string;
}

export const ROLE_NAMES: Readonly<Record<Role, string>> = {
  coordinator: 'isolation coordinator',
  'area-operator': 'area operator',
  'isolating-electrical': 'isolating authority (electrical)',
  'isolating-mechanical': 'isolating authority (mechanical)',
  'isolating-process': 'isolating authority (process)',
  'issuing-authority': 'issuing authority',
  'performing-authority': 'performing authority',
  worker: 'worker',
  'gas-tester': 'authorised gas tester',
  'fire-watch': 'fire watch',
  attendant: 'attendant',
  entrant: 'entrant',
  auditor: 'safety auditor',
  'site-manager': 'site manager',
};

/** Whether a person has left the site. */
export const hasLeft = ({ leftAt }: Pick<Person, 'leftAt'>, now: string): boolean =>
  leftAt !== undefined && Date.parse(leftAt) <= Date.parse(now);

/** Areas that something is about: an authorisation has to count in every one of them, or in one. */
export interface Whereabouts {
  readonly areas: readonly string[];
  readonly needs: 'every' | 'one';
}

const countsAt = ({ areas: own }: Authorisation, where: Whereabouts | undefined): boolean => {
  if (own === undefined || own.length === 0 || where === undefined) return true;
  const isIn = (area: string) => own.includes(area);
  return where.needs === 'every' ? where.areas.every(isIn) : where.areas.some(isIn);
};

/** Whether a person holds a role now, and there where it is asked for; `lapsed` when they held it once, `elsewhere` when it does not count there. */
export function findAuthorisation(
  person: Person | undefined,
  role: Role,
  now: string,
  where?: Whereabouts,
): 'held' | 'lapsed' | 'elsewhere' | 'none' {
  const at = Date.parse(now);
  const begun = ({ from }: Authorisation) => from === undefined || Date.parse(from) <= at;
  const all = person?.authorisations.filter((one) => one.role === role && begun(one)) ?? [];
  if (all.length === 0) return 'none';
  // Who has left is authorised to nothing.
  if (person && hasLeft(person, now)) return 'lapsed';
  const inForce = all.filter((one) => Date.parse(one.until) >= at);
  if (inForce.length === 0) return 'lapsed';
  return inForce.some((one) => countsAt(one, where)) ? 'held' : 'elsewhere';
}
