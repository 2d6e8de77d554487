import type { KitRow, PressureRow } from '../kit/kit';
import type { Change } from '../changes/record';
import type { StandingDefect } from '../defects/apply';
import type { GradePolicy } from '../isolation';
import { asEmptied, computeRequirement, type Requirement } from '../isolation';
import type { Grade, IsolationPlan, PlantGraph } from '../plant';
import type { SiteValues } from '../rules/values';
import type { Employer } from '../people/employers';
import type { EarthingSet, Instrument, Lock, LockBox, Person, Whereabouts } from '../people/people';
import { listProofs, type ProofDemand } from '../proving';
import {
  listStartStations,
  planRestore,
  planSequence,
  type RestoreStep,
  type Step,
} from '../sequence';
import type { Dossier } from './state';

/** What the site is made of, as far as a decision needs it. */
export interface SiteFacts {
  /** The drawing that counts for the job: the one its accepted plan was drawn up on, else the newest; as it is to be believed while defects stand. */
  readonly graph: PlantGraph;
  /** The same drawing as if nothing were wrong, where defects change it. */
  readonly sound?: PlantGraph;
  /** Changes of the plant and of its drawing, from the first to the newest. */
  readonly changes?: readonly Change[];
  /** What is wrong with devices and not yet proved to be mended. */
  readonly defects?: readonly StandingDefect[];
  readonly plantVersion: number;
  /** The newest drawing, when that is another one. */
  readonly newest?: {
    readonly version: number;
    readonly graph: PlantGraph;
    readonly sound?: PlantGraph;
  };
  readonly policy: GradePolicy;
  /** The values that the site set for its rules, and the version that counts. */
  readonly values: SiteValues;
  readonly valuesVersion: number;
  readonly people: ReadonlyMap<string, Person>;
  readonly locks: ReadonlyMap<string, Lock>;
  readonly boxes: ReadonlyMap<string, LockBox>;
  readonly instruments: ReadonlyMap<string, Instrument>;
  /** Portable earthing sets. */
  readonly earths: ReadonlyMap<string, EarthingSet>;
  /** What people work with and wear, as far as it is registered. */
  readonly kit?: readonly KitRow[];
  /** Pressure equipment that is registered. */
  readonly pressure?: readonly PressureRow[];
  /** Firms whose people work here; none where the site keeps no such register. */
  readonly employers?: readonly Employer[];
  /** Written procedures, as far as a job may take them over. */
  readonly procedures?: readonly {
    readonly number: number;
    readonly version: number;
    readonly equipment: string;
    /** By when it has to be inspected (ISO 8601, UTC). */
    readonly due: string;
    readonly withdrawn?: string | undefined;
  }[];
  /** How the coordinator is reached, as it is printed on tags. */
  readonly reach?: string;
}

/** The newest drawing as if nothing were wrong with it: the one that people report on. */
export const drawnNow = ({ sound, newest, graph }: SiteFacts): PlantGraph =>
  newest?.sound ?? newest?.graph ?? sound ?? graph;

/** What other jobs hold at this moment. */
export interface OtherJobs {
  /** Where a lock hangs: a job id, by lock. */
  readonly lockAt: ReadonlyMap<string, string>;
  readonly boxAt: ReadonlyMap<string, string>;
  /** The job a person is signed on to. */
  readonly personOn: ReadonlyMap<string, string>;
  /** The job whose lock was taken off for a person who has not been told yet. */
  readonly untold: ReadonlyMap<string, string>;
  /** The job on which a lock was found unfit, by lock, until it is made good. */
  readonly unfit: ReadonlyMap<string, string>;
  /** A work order from outside, with the job that was raised from it. */
  readonly workOrder: (number: string) => { readonly job?: string | undefined } | undefined;
  /** Whether the bytes of a picture (by their SHA-256) have been received. */
  readonly hasPicture: (digest: string) => boolean;
  /** The jobs that are not closed, read when they are asked for. */
  readonly open: () => readonly OpenJob[];
}

/** Another job that is not closed. */
export interface OpenJob {
  readonly id: string;
  readonly dossier: Dossier;
  /** The facts that count for it, where it is read on another drawing than the newest: its place of work is not on that one. */
  readonly site?: SiteFacts | undefined;
}

/** The first section of a scope that a drawing does not have; undefined when all of it is there. */
export const findMissing = (
  { work, emptied = [] }: Dossier['scope'],
  graph: PlantGraph,
): string | undefined =>
  [...work.map(({ section }) => section), ...emptied].find((id) => !graph.sectionAt.has(id));

/**
 * The facts that count for another job: its own where it has some, else those of the site. Beside a job that stands on an older drawing there are others
 * whose place of work is on the newest alone.
 */
export function siteOf({ site: own, dossier }: OpenJob, site: SiteFacts): SiteFacts {
  if (own) return own;
  const { newest, ...here } = site;
  if (!newest || findMissing(dossier.scope, site.graph) === undefined) return site;
  const { version: plantVersion, graph, sound } = newest;
  return { ...here, graph, plantVersion, sound: sound ?? graph };
}

/** The facts given with a command: the clock, who acts, and whose fresh PINs were checked. */
export interface Context {
  readonly jobId: string;
  readonly now: string;
  /** When it was entered on a device (ISO 8601, UTC), where that was before it could be sent. */
  readonly enteredAt?: string;
  readonly actor: string;
  /** The device that gives the command, where one does. Only the server can say so. */
  readonly device?: string | undefined;
  readonly signed: ReadonlySet<string>;
  /** The areas that the command is about: authorisations have to count there. */
  readonly where?: Whereabouts | undefined;
  readonly site: SiteFacts;
  readonly others: OtherJobs;
}

/** What each scope asked for when it was worked out last: neither a scope, a drawing nor the grades set ever change in place. */
const asked = new WeakMap<
  Dossier['scope'],
  Pick<SiteFacts, 'graph' | 'policy'> &
    Pick<Dossier, 'grades' | 'bypasses'> & { readonly needs: Requirement }
>();

export function findRequirement(
  { scope, grades: set, bypasses }: Pick<Dossier, 'scope' | 'grades' | 'bypasses'>,
  site: SiteFacts,
): Requirement {
  const { graph, policy } = site;
  const known = asked.get(scope);
  const isSame = known?.graph === graph && known.policy === policy;
  if (isSame && known.grades === set && known.bypasses === bypasses) return known.needs;
  const grades: Record<string, Grade> = {};
  for (const [source, { grade }] of Object.entries(set)) grades[source] = grade;
  const needs = computeRequirement(graph, scope, grades, policy, Object.keys(bypasses));
  asked.set(scope, { graph, policy, grades: set, bypasses, needs });
  return needs;
}

/** The plant as it is for a job: without the sources that are run empty for it. */
export const findPlant = (dossier: Dossier, site: SiteFacts): PlantGraph =>
  asEmptied(site.graph, findRequirement(dossier, site));

/** The work order of a job whose plan exists: steps, proofs, stations and the way back. */
export interface WorkOrder {
  readonly plan: IsolationPlan;
  readonly requirement: Requirement;
  readonly steps: readonly Step[];
  readonly proofs: readonly ProofDemand[];
  readonly stations: readonly string[];
  readonly restore: readonly RestoreStep[];
}

const orders = new WeakMap<IsolationPlan, { noted: Dossier['noted']; order: WorkOrder }>();

/** Derives the work order from the plan, or undefined without one. */
export function findWorkOrder(dossier: Dossier, site: SiteFacts): WorkOrder | undefined {
  if (dossier.plan.kind === 'none') return undefined;
  const { plan } = dossier.plan;
  const known = orders.get(plan);
  // The same points may be accepted again for another scope, or after a grade was set: they are proved for what is asked now.
  const requirement = findRequirement(dossier, site);
  if (known?.order.requirement === requirement && known.noted === dossier.noted) return known.order;
  const noted = new Map(
    Object.entries(dossier.noted).flatMap(([subject, { seconds, shorten }]) =>
      seconds === undefined
        ? []
        : [[subject, { seconds, shortens: shorten !== undefined }] as const],
    ),
  );
  const steps = planSequence(site.graph, requirement, plan, undefined, noted);
  const order: WorkOrder = {
    plan,
    requirement,
    steps,
    proofs: listProofs(site.graph, requirement, plan),
    stations: [
      ...new Set(listStartStations(site.graph, requirement).map(({ station }) => station)),
    ],
    restore: planRestore(steps),
  };
  // A plan that is not yet accepted may still see its grades change, so only an accepted one is remembered.
  if (dossier.plan.kind === 'accepted') {
    orders.set(plan, { noted: dossier.noted, order });
  }
  return order;
}
