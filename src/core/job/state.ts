import type { Photo } from './photo-kinds';
import type { Figure } from '../bench';
import type { AirUse } from '../gas';
import type { Grade, IsolationPlan, Scope } from '../plant';
import type { CylinderCheck } from '../kit/cylinders';
import type { BriefingRecord, PressureRepair } from './briefing-record';
import type { ClearingRecord, CriticalMessage } from './clearing-records';
import type { WINDOW_CALLS } from './commands-run-up';
import type { DUTY_KINDS, LOCK_FINDINGS, LOCKOUT_WAYS, TEST_KINDS } from './commands';
import type { End } from './lineup-ends';
import type { Mark } from './mark';
import type { RunUpStep } from '../run-up/run-up';
import type { Clearance, FirmRound } from './outside-records';
import type { Answers, PaperKind, ProposedPaper } from '../permits';
import type { ElectricalRound, ProofDemand, Seen } from '../proving';
import type { PastPermit, PermitRecord } from './permit-record';
import type { AirTest, Audit, DetectorFault, EntryRecord, HotWorkRecord } from './work-records';

export type { Mark } from './mark';
export * from './permit-record';
export * from './work-records';

export interface GradeSet extends Mark {
  readonly grade: Grade;
  readonly reason: string;
  /** What is done instead of the barrier that is missing, each accepted by whoever set the grade. */
  readonly measures: readonly string[];
}

interface Drafted {
  readonly plan: IsolationPlan;
  readonly origin: 'effort' | 'outage' | 'points' | 'own' | 'template';
  readonly author: string;
  /** The version of the plant file that it was drawn up on. */
  readonly plantVersion: number;
  /** By which trace it was drawn up. */
  readonly trace: number;
  /** The written procedure that it was taken over from. */
  readonly procedure?: { readonly number: number; readonly version: number };
  /** What the last reviewer wrote when the plan was sent back. */
  readonly returned?: string;
}

/** A plan is drafted, put up for review and accepted; only an accepted one is carried out. */
export type PlanRecord =
  | { readonly kind: 'none' }
  | ({ readonly kind: 'drafted' } & Drafted)
  | ({ readonly kind: 'submitted' } & Drafted)
  | ({
      readonly kind: 'accepted';
      readonly reviewer: string;
      /** ISO 8601, UTC. */
      readonly acceptedAt: string;
      readonly note: string;
      /** Points found in the field as they are drawn, by id. */
      readonly labels: Readonly<Record<string, Mark>>;
    } & Drafted);

/** A calculation of the Bench that someone put into the job. */
export interface NotedCalculation extends Mark {
  /** The store, outlet or section that it is about. */
  readonly subject: string;
  readonly calculation: string;
  readonly title: string;
  readonly figures: readonly Figure[];
  readonly notes: readonly string[];
  /** The time to wait (s), when that is what it worked out. */
  readonly seconds?: number;
  /** Why it counts though it is shorter than the plant's own; whoever noted it (`by`) signed for that. */
  readonly shorten?: string;
}

export interface HungLock extends Mark {
  readonly lock: string;
  readonly tag: string;
}

export interface Proof extends Mark {
  readonly reading: number;
  readonly unit: ProofDemand['unit'];
  readonly instrument: string;
  readonly seen?: readonly Seen[];
  readonly second?: string;
  /** The round with the voltage tester, when voltage was proved. */
  readonly round?: ElectricalRound;
}

/** A lock that someone has hung (`by`). */
export interface OwnLock extends Mark {
  readonly lock: string;
}

/** A shut box. Its control lock belongs to whoever hung it; at a change of shift the incoming one hangs beside it. */
export interface LockedBox extends OwnLock {
  readonly box: string;
  readonly incoming?: OwnLock;
  /** Numbers of the locks whose keys lie in the box. */
  readonly keys: readonly string[];
}

/** What makes proofs of before worthless. */
export type RelitWhy =
  | 'left-unattended'
  | 'shift-changed'
  | 'after-alarm'
  | 'after-test'
  | 'after-unfit-lock'
  | 'scope-changed'
  | 'after-defect';

/** A point held by a tag alone, because no lock can be fitted. */
export interface TagAlone extends Mark {
  readonly tag: string;
  readonly reason: string;
  readonly measure: string;
  readonly accepter: string;
}

/** A lock whose key is lost or that is damaged: it is never hung again before it is made good. */
export interface UnfitLock extends Mark {
  readonly finding: (typeof LOCK_FINDINGS)[number];
  readonly seen: string;
}

/** A sanction to test: which points are lifted for it, and which of them are by now. */
export interface TestRun extends Mark {
  readonly what: (typeof TEST_KINDS)[number];
  readonly purpose: string;
  readonly points: readonly string[];
  readonly performer: string;
  readonly lifted: readonly string[];
}

/** How a point of the line-up was found. */
export interface Walked extends Mark {
  readonly found: 'open' | 'closed';
  readonly end?: End;
  readonly note?: string;
}

/** How a held pressure went. */
export interface HeldPressure {
  readonly from_bar: number;
  readonly to_bar: number;
  readonly minutes: number;
  /** The smallest change that the gauge shows (bar). */
  readonly resolution_bar: number;
  /** Something was seen, heard or soaped to come out. */
  readonly weeps: boolean;
}

/** A pressure that was held on a line, and whether it held. */
export interface LeakTest extends Mark, HeldPressure {
  readonly fluid: 'liquid' | 'gas';
  readonly tight: boolean;
  readonly seen: string;
  readonly missed?: number;
}

/** A device that may be out of action: who allows it (`by`), until when (ISO 8601, UTC), and what guards instead. */
export interface AllowedBypass extends Mark {
  readonly until: string;
  readonly standsIn: string;
  readonly reason: string;
}

/** What has been done in the field, by id of link, outlet, store, proof and start station. */
export interface IsolationRecord {
  readonly told?: Mark & { readonly who: string };
  readonly stopped?: Mark & { readonly how: string };
  readonly locked: Readonly<Record<string, HungLock>>;
  readonly opened: Readonly<Record<string, Mark & { readonly tag: string }>>;
  /** Valves on which a let-down relies, seen open at the plant. */
  readonly seenOpen: Readonly<Record<string, Mark>>;
  /** Those among them that were found shut and could not be opened, until they are. */
  readonly foundShut: Readonly<Record<string, Mark & { readonly note: string }>>;
  /** Who stands by while a liquid drains, by outlet, until it has run empty or was stopped. */
  readonly watched: Readonly<Record<string, Mark & { readonly watcher: string }>>;
  /** Earths put on, with the set each was put on with, until they are counted off. */
  readonly earths: Readonly<Record<string, string>>;
  /** Stores that are held, and shafts (by their pump) that a line could turn. */
  readonly restrained: Readonly<
    Record<string, Mark & { readonly how: string; readonly isHold?: boolean }>
  >;
  readonly waited: Readonly<Record<string, Mark & { readonly seen: string }>>;
  readonly proved: Readonly<Record<string, Proof>>;
  readonly tried: Readonly<Record<string, Mark>>;
  /** Readings that were not dead, by proof, until a later one is. */
  readonly foundLive: Readonly<Record<string, Proof>>;
  /** Start stations from which something moved, until it does not. */
  readonly foundMoving: Readonly<Record<string, Mark>>;
  /** When someone was last at the plant for it (ISO 8601, UTC). */
  readonly attended?: string;
  /** Why what had been proved no longer counts, and since when (ISO 8601, UTC). */
  readonly relit?: { readonly why: RelitWhy; readonly at: string };
  /** When a point was last put back on the way to running (ISO 8601, UTC). */
  readonly putBack?: string;
  /** Points held by a tag alone. */
  readonly tagged: Readonly<Record<string, TagAlone>>;
  /** A reading or noise that is not accounted for, until its cause is found. */
  readonly alarm?: Mark & { readonly where: string; readonly seen: string };
  readonly unfit: Readonly<Record<string, UnfitLock>>;
  /** The test that is sanctioned and has not been run. */
  readonly test?: TestRun;
  readonly lockout: (typeof LOCKOUT_WAYS)[number];
  readonly box?: LockedBox;
  /** Hasps put on beyond what is there: by box or point. */
  readonly hasps: Readonly<Record<string, number>>;
  readonly walked: Readonly<Record<string, Walked>>;
  /** Points found otherwise than in their line-up, until they are found in it. */
  readonly differs: Readonly<Record<string, Walked & { readonly normal: 'open' | 'closed' }>>;
  /** The newest leak test of each line that was opened. */
  readonly leakTests: Readonly<Record<string, LeakTest>>;
  /** The start after the work. */
  readonly started?: Mark & {
    readonly told: string;
    readonly ran: boolean;
    readonly seen: string;
  };
  /** When an isolation that stands for long was last looked over. */
  readonly inspected?: Mark & { readonly seen: string };
  readonly takenBack?: Mark & { readonly told: string };
}

/** A lock that was taken off for an owner who was not there, and when they were told of it. */
export interface AbsentRemoval extends Mark {
  readonly lock: string;
  /** The point or box that it hung on. */
  readonly where: string;
  readonly offSite: string;
  readonly tried: string;
  readonly manager: string;
  readonly told?: Mark & { readonly words: string };
}

/** Which papers a job has: what the tool proposed, what a person decided, and why something proposed was left out. */
export interface PapersDecided extends Mark {
  readonly answers: Answers;
  readonly proposed: readonly ProposedPaper[];
  readonly kinds: readonly PaperKind[];
  readonly left: Readonly<Record<string, string>>;
}

/** When the job is to be done (ISO 8601, UTC), agreed with an operator. */
export interface JobWindow extends Mark {
  readonly from: string;
  readonly until: string;
  readonly operator: string;
}

export type WindowCall = (typeof WINDOW_CALLS)[number];

/** A clash with another job that an issuing authority accepts, and what is done about it. */
export interface AcceptedClash extends Mark {
  readonly other: string;
  readonly how: 'barrier' | 'accept';
  readonly measure: string;
}

/** Someone who stands by in one duty and does nothing else. */
export interface OnDuty extends Mark {
  readonly duty: (typeof DUTY_KINDS)[number];
}

/** Everything known of one job. */
export interface Dossier {
  readonly kind: 'raised' | 'closed';
  readonly title: string;
  readonly equipment: string;
  readonly scope: Scope;
  readonly performer: string;
  /** The work order from outside that it was raised from. */
  readonly workOrder?: string;
  readonly raised: Mark;
  readonly grades: Readonly<Record<string, GradeSet>>;
  readonly plan: PlanRecord;
  /** Calculations noted for this job: a wait by what it is about, for one counts; anything else by that and its calculation. */
  readonly noted: Readonly<Record<string, NotedCalculation>>;
  readonly isolation: IsolationRecord;
  /** True once the control lock came off again and the points are being restored. */
  readonly restoring: boolean;
  /** The permit at hand. */
  readonly permit: PermitRecord;
  /** Permits of this job that were closed with work left to do, oldest first. */
  readonly pastPermits: readonly PastPermit[];
  readonly papers?: PapersDecided;
  /** Who is named for the work; empty while nobody is. */
  readonly team: readonly string[];
  readonly window?: JobWindow;
  /** What was looked at before use, by id of the register, the newest look of each. */
  readonly kitChecks: Readonly<Record<string, Mark & { readonly seen: string }>>;
  /** Hose joints, all of them lashed. */
  readonly joints?: (Mark & { readonly joints: number; readonly fixed: string }) | undefined;
  /** The briefing under the permit at hand. */
  readonly briefing?: BriefingRecord | undefined;
  /** Gas cylinders at the work, as somebody found them. */
  readonly cylinders?: (Mark & CylinderCheck) | undefined;
  /** Something that is repaired under pressure, allowed in writing. */
  readonly pressureRepair?: PressureRepair | undefined;
  /** A line that is cleared with gas. */
  readonly clearing?: ClearingRecord | undefined;
  /** Messages between people who do not see each other, oldest first. */
  readonly messages: readonly CriticalMessage[];
  /** What is done before the hour of the stop, as it was planned. */
  readonly runUp: readonly RunUpStep[];
  /** The call that the plant is ready, and the one that it is handed back. */
  readonly calls: Readonly<
    Partial<Record<WindowCall, Mark & { readonly whom: string; readonly said: string }>>
  >;
  /** Someone stopped the job (`by`), until an issuing authority lifts it. */
  readonly halt?: Mark & { readonly reason: string };
  /** Clashes accepted by name, by rule and other job. */
  readonly clashes: Readonly<Record<string, AcceptedClash>>;
  /** Who stands by as fire watch or attendant, by person. */
  readonly duties: Readonly<Record<string, OnDuty>>;
  /** One fire watch for several who make sparks was allowed (`by`). */
  readonly sharedWatch?: Mark & { readonly reason: string };
  /** Locks taken off for absent owners, the newest of each owner. */
  readonly absent: Readonly<Record<string, AbsentRemoval>>;
  /** Tests of the air at the work, oldest first. */
  readonly airTests: readonly AirTest[];
  /** Detectors that stand at the work and send what they read, by device. */
  readonly detectors: Readonly<
    Record<string, Mark & { readonly use: AirUse; readonly place: string }>
  >;
  /** The newest alarm of a detector, by what the air has to be fit for. */
  readonly airAlarms: Readonly<
    Partial<Record<AirUse, Mark & { readonly findings: readonly string[] }>>
  >;
  /** What is wrong with detectors, by device, until they can be believed again. */
  readonly faults: Readonly<Record<string, DetectorFault>>;
  readonly hotWork: HotWorkRecord;
  readonly entry: EntryRecord;
  /** Short checks at work, oldest first. */
  readonly audits: readonly Audit[];
  /** Photographs, oldest first. */
  readonly photos: readonly Photo[];
  /** Clearances of others who operate points of the plan, by who they are. */
  readonly clearances: Readonly<Record<string, Clearance>>;
  /** Who allowed a pressure test with gas, and why water will not do. */
  readonly gasTest?: (Mark & { readonly why: string; readonly stands: string }) | undefined;
  /** Where barriers and notices stand round the work. */
  readonly barriers?: (Mark & { readonly where: string; readonly notices: string }) | undefined;
  /** Rounds of visiting firms, by firm. */
  readonly rounds: Readonly<Record<string, FirmRound>>;
  /** Devices that this job may put out of action, by id. */
  readonly bypasses: Readonly<Record<string, AllowedBypass>>;
}

/** A job before it is raised is nothing. */
export type DossierState = Dossier | undefined;
