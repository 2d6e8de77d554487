import {
  findPlaceOf,
  isHeld,
  isNumbered,
  listLit,
  listOn,
  type BoardClash,
  type Dossier,
  type Lamp,
  type PermitRecord,
  type SiteFacts,
  type Stage,
} from '../job';
import type { PaperKind } from '../permits';
import type { BoardTrace } from './marks';
import type { NextUp } from './queue';

/** One row of the board: a permit that is out, or was and is still watched or open. */
export interface BoardRow {
  readonly job: string;
  readonly number: string;
  readonly title: string;
  readonly equipment: string;
  readonly areas: readonly string[];
  readonly contractor: string;
  readonly papers: readonly PaperKind[];
  readonly state: PermitRecord['kind'];
  readonly stage: Stage;
  /** From issue to lapse (ISO 8601, UTC). */
  readonly from: string;
  readonly until: string;
  /** When it was handed back, and until when it is watched for fire. */
  readonly backAt?: string;
  readonly watchedUntil?: string;
  readonly on: readonly string[];
  readonly lamps: Readonly<Record<Lamp['state'], number>>;
  /** What the lamps that are lit stand for. */
  readonly lit: readonly string[];
  readonly trace: BoardTrace;
}

const countLamps = (lamps: readonly Lamp[]): BoardRow['lamps'] => ({
  lit: lamps.filter(({ state }) => state === 'lit').length,
  shuttered: lamps.filter(({ state }) => state === 'shuttered').length,
  dark: lamps.filter(({ state }) => state === 'dark').length,
});

/** Whether a job has a row on the board: its permit is out, handed back or watched. */
export const hasRow = ({ permit }: Dossier): boolean =>
  isNumbered(permit) && permit.kind !== 'closed';

/** The row of a job whose permit is out, handed back or watched; undefined for any other. */
export function viewRow(
  job: string,
  dossier: Dossier,
  facts: {
    readonly stage: Stage;
    readonly lamps: readonly Lamp[];
    readonly trace: BoardTrace;
    readonly site: SiteFacts;
  },
): BoardRow | undefined {
  const { permit, title, equipment } = dossier;
  if (!isNumbered(permit) || permit.kind === 'closed') return undefined;
  const { number, papers, issuedAt, until } = permit;
  const { site, stage, lamps, trace } = facts;
  return {
    job,
    number,
    title,
    equipment,
    areas: findPlaceOf(dossier, site).areas,
    contractor: site.people.get(dossier.performer)?.employer ?? '',
    papers,
    state: permit.kind,
    stage,
    from: issuedAt,
    until,
    ...(isHeld(permit) ? {} : { backAt: permit.handedBack.at }),
    ...(permit.kind === 'watched' ? { watchedUntil: permit.watchedUntil } : {}),
    on: Object.keys(listOn(permit)),
    lamps: countLamps(lamps),
    lit: listLit(lamps),
    trace,
  };
}

/** What is kept of a job that cannot be read or drawn, so that it stands in every list all the same. */
export interface UnreadableJob {
  readonly id: string;
  readonly title: string;
  /** Why it cannot be read. */
  readonly why: string;
  /** Its newest permit as it was last kept. */
  readonly permit?: { readonly number: string; readonly state: string; readonly until: string };
  /** Who is signed on, by id. */
  readonly people: readonly string[];
}

/** The live board: every permit that is out, what needs someone next, who is in whose way, counts that must balance. */
export interface Board {
  readonly now: string;
  /** The newest event that it is made from. */
  readonly head: number;
  readonly rows: readonly BoardRow[];
  /** Jobs that cannot be read: each may be live. */
  readonly unreadable: readonly UnreadableJob[];
  readonly queue: readonly NextUp[];
  readonly clashes: readonly BoardClash[];
  readonly names: Readonly<Record<string, string>>;
  readonly areas: readonly { readonly id: string; readonly name: string }[];
  /** The newest handover, who has not read it, and since when one is due (ISO 8601, UTC). */
  readonly handover: {
    readonly number?: number;
    readonly at?: string;
    readonly unread: readonly string[];
    readonly due?: string;
  };
  readonly counts: {
    readonly live: number;
    readonly suspended: number;
    readonly lapsed: number;
    readonly on: number;
    readonly locks: number;
    /** Locks and keys that do not balance. */
    readonly unbalanced: number;
  };
}
