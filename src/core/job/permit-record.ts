import type { ROUND_FINDINGS, TailPolicy } from '../hotwork';
import type { PaperKind, TaskAssessment } from '../permits';
import type { COPY_ENDS } from './commands-audit';
import type { Mark } from './mark';

export interface Assessment extends Mark, TaskAssessment {}

interface Approved {
  readonly assessment: Assessment;
  readonly approved: Mark;
}

/** A numbered copy of the permit and who has it; one that stands for another says which. */
export interface Copy extends Mark {
  readonly number: number;
  readonly holder: string;
  readonly instead?: number | undefined;
  /** When it came back, or was found to be lost. */
  readonly end?: Mark & { readonly end: (typeof COPY_ENDS)[number]; readonly note: string };
}

/** Validity that was prolonged by an issuing authority after a retest. */
export interface Extension extends Mark {
  readonly until: string;
  readonly retested: string;
}

interface Issued extends Approved {
  readonly number: string;
  readonly issuer: string;
  readonly issuedAt: string;
  readonly until: string;
  readonly papers: readonly PaperKind[];
  readonly copies: readonly Copy[];
  readonly extensions: readonly Extension[];
  /** The newest time an issuing authority saw that it still fits: at issue, when extended, at a shift's start. */
  readonly validated: Mark;
}

/** Someone signed on: their locks, by the box or point that each hangs on, and the crew whose lead answers for them. */
export interface SignedOn {
  readonly locks: Readonly<Record<string, string>>;
  readonly crew?: string;
  readonly since: string;
  /** Whether they make flame, sparks or heat. */
  readonly sparks?: boolean | undefined;
}

/** Who leads a crew, with the crew lock that hangs for them and what they saw of the isolation before. */
export interface CrewLead {
  readonly lead: string;
  readonly lock: string;
  readonly verified: string;
  readonly since: string;
}

/** A crew on the job; while it changes leads, the incoming lead's lock hangs beside the outgoing one's. */
export interface Crew extends CrewLead {
  readonly incoming?: CrewLead;
}

/** People and crews on a permit. */
interface Manned {
  readonly people: Readonly<Record<string, SignedOn>>;
  /** Whether anyone was ever signed on, or led a crew on. */
  readonly worked: boolean;
  readonly crews: Readonly<Record<string, Crew>>;
}

interface HandedBack extends Issued {
  readonly handedBack: Mark;
  /** Whether the work is done, or goes on under another number. */
  readonly finished: boolean;
}

/** A round of the watch for fire: who went (`by`), and what was found. */
export interface WatchRound extends Mark {
  readonly found: (typeof ROUND_FINDINGS)[number];
  readonly seen: string;
}

/**
 * The states of a permit; each holds only what exists in it. An issued one lapses by the clock and not by a job that may fail to
 * run: see `standAt`. A stopped one is suspended until an issuing authority lifts the stop.
 */
export type PermitRecord =
  | { readonly kind: 'draft' }
  | { readonly kind: 'assessed'; readonly assessment: Assessment }
  | ({ readonly kind: 'approved' } & Approved)
  | ({ readonly kind: 'issued' } & Issued & Manned)
  | ({ readonly kind: 'suspended'; readonly suspended: Mark } & Issued & Manned)
  | ({ readonly kind: 'lapsed' } & Issued & Manned)
  | ({ readonly kind: 'handed-back' } & HandedBack)
  | ({
      readonly kind: 'watched';
      /** Who watches for fire, and until when (ISO 8601, UTC). */
      readonly watcher: string;
      readonly watchedUntil: string;
      readonly tail: TailPolicy;
      readonly rounds: readonly WatchRound[];
      /** The unbroken watch is over, and operations have the checks. */
      readonly watchEnded?: Mark & { readonly told: string; readonly operator: string };
      /** The last look, after the tail. */
      readonly looked?: Mark & { readonly seen: string };
    } & HandedBack)
  | ({ readonly kind: 'closed'; readonly closed: Mark; readonly inspected: string } & HandedBack)
  | { readonly kind: 'cancelled'; readonly cancelled: Mark; readonly reason: string };

export type PermitOf<Kind extends PermitRecord['kind']> = Extract<PermitRecord, { kind: Kind }>;
/** A permit that has been issued and not handed back: there may be people on it. */
export type HeldPermit = PermitOf<'issued' | 'suspended' | 'lapsed'>;
/** A permit that was issued once and bears a number. */
export type NumberedPermit = HeldPermit | PermitOf<'handed-back' | 'watched' | 'closed'>;
/** A permit that the job is done with, kept beside the one at hand. */
export type PastPermit = PermitOf<'closed'>;

export const isHeld = (permit: PermitRecord): permit is HeldPermit =>
  permit.kind === 'issued' || permit.kind === 'suspended' || permit.kind === 'lapsed';

export const isNumbered = (permit: PermitRecord): permit is NumberedPermit =>
  isHeld(permit) ||
  permit.kind === 'handed-back' ||
  permit.kind === 'watched' ||
  permit.kind === 'closed';

/** Whether the points may be put back: the work is finished and inspected, or is given up. */
export const isFreed = (permit: PermitRecord): boolean =>
  permit.kind === 'closed' || permit.kind === 'cancelled';

/** People on a permit, by id; nobody unless it is held. */
export const listOn = (permit: PermitRecord): HeldPermit['people'] =>
  isHeld(permit) ? permit.people : {};

/** Whether a permit's time is over; its last instant belongs to it. */
export const hasLapsed = (until: string, now: string): boolean =>
  Date.parse(now) > Date.parse(until);

/** The permit as it stands at `now`: one that was issued and is past its end has lapsed, whoever looks. */
export function permitAt(permit: PermitRecord, now: string): PermitRecord {
  if (permit.kind !== 'issued' && permit.kind !== 'suspended') return permit;
  return hasLapsed(permit.until, now) ? { ...permit, kind: 'lapsed' } : permit;
}
