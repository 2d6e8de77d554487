import { findStored, type StoredEnergy } from '../bench';
import {
  checkPlan,
  computeCost,
  TRACE_VERSION,
  type CheckResult,
  type PlanCost,
  type Requirement,
} from '../isolation';
import {
  EMPTY_PLAN,
  listPlanPoints,
  type Grade,
  type IsolationPlan,
  type PlantGraph,
} from '../plant';
import {
  findLatestEnd,
  findLatestExtension,
  findRevalidationDue,
  type PaperKind,
  type ProposedPaper,
  type SuggestedHazard,
} from '../permits';
import { isByTwo, type ProofDemand } from '../proving';
import { explainIn, type ExplainedRefusal } from '../rules/book';
import type { SiteValues } from '../rules/values';
import { describePoint, type RestoreStep, type Step } from '../sequence';
import { viewAir, type AirView } from './air';
import { listTestPlaces } from './air-places';
import { findEndOfProofs, standAt } from './attendance';
import { viewHotWork, type HotWorkView } from './hot-work';
import { listOfferedSums, type OfferedSum } from './offered';
import { viewEntry, type EntryView } from './entry';
import { isStepDone } from './gates';
import { listStanding } from './gates-back';
import { findStage, listHolding, type Stage } from './stage';
import { listBypasses, type Bypass } from './bypasses';
import { listJobCautions, type JobCaution } from './cautions';
import { listGasTests, type GasTest } from './sums';
import { canBeCleared, viewClearing, type ClearingView } from './clearing';
import { viewClearances, type ClearanceView } from './clearances';
import { needsBarriers } from './barriers';
import { sayBounds, viewFirms, type FirmView } from './firms';
import { viewJobChanges, type JobChange } from './changes';
import { listJobDefects, type JobDefect } from './defects';
import { listClashes, type JobClash } from './clashes';
import { listPapers, listProposed, listSuggested } from './papers';
import { findInspectionDue } from './inspection';
import { viewBriefing, type BriefingView } from './briefing';
import { isRepairedUnderPressure, viewKit, type KitView } from './kit';
import { computeLamps, type Lamp } from './lamps';
import { listLeakTests, type LeakTestDemand } from './leak-test';
import { listLineup, type LinePoint } from './lineup';
import { findNames } from './names';
import { findTarget, type ScanTarget } from './scan';
import { viewRunUp, type RunUpView } from './run-up';
import { listShared } from './shared';
import {
  findPlant,
  findRequirement,
  findWorkOrder,
  type OpenJob,
  type SiteFacts,
  type WorkOrder,
} from './site';
import { isHeld, type Dossier, type LeakTest, type Mark } from './state';

export interface SourceView {
  readonly id: string;
  readonly name: string;
  readonly medium: string;
  readonly grade: Grade;
  readonly reasons: readonly string[];
  /** What the score says where it is stricter than the table. */
  readonly score?: string;
  readonly route: readonly string[];
}

/** Everything that the screens show of one job, worked out from the dossier. */
export interface DossierView {
  readonly dossier: Dossier;
  readonly stage: Stage;
  readonly holding: readonly ExplainedRefusal[];
  /** The version of the plant that it stands on, the newest where that is another, and what it names that has another id there. */
  readonly drawing: {
    readonly version: number;
    readonly newest?: number;
    readonly renamed: readonly { readonly from: string; readonly to: string }[];
  };
  readonly lamps: readonly Lamp[];
  readonly sources: readonly SourceView[];
  /** Sources that are run empty before, with the way on which they would reach the work. */
  readonly emptied: readonly Omit<SourceView, 'grade' | 'reasons' | 'score'>[];
  readonly plan:
    (IsolationPlan & { readonly check: CheckResult; readonly cost: PlanCost }) | undefined;
  /** The plan was drawn up by an earlier trace: what arrives is told more sharply now. */
  readonly isOldTrace: boolean;
  readonly steps: readonly (Step & { readonly done: boolean })[];
  readonly proofs: readonly ProofDemand[];
  /** Proofs that are done by two. */
  readonly twoPersons: readonly string[];
  readonly restore: readonly (RestoreStep & { readonly done: boolean })[];
  readonly lineup: readonly (LinePoint & { readonly done: boolean })[];
  /** Lines that are tested for leaks before their locks come off, with the newest test of each. */
  readonly leakTests: readonly (LeakTestDemand & { readonly test: LeakTest | undefined })[];
  /** The other job that holds a point as it stands, by point. */
  readonly shared: Readonly<Record<string, string>>;
  /** Devices that this job puts out of action. */
  readonly bypasses: readonly Bypass[];
  /** What is reported of devices that its plan counts on. */
  readonly defects: readonly JobDefect[];
  readonly changes: readonly JobChange[];
  /** Firms whose lead goes round the points before its people sign on, while a permit is out. */
  readonly firms: readonly FirmView[];
  /** Clearances of others who operate points of the plan. */
  readonly clearances: readonly ClearanceView[];
  /** Pressure tests with gas that were worked out for it. */
  readonly gasTests: readonly GasTest[];
  /** What is done before the hour of the stop, counted back from it. */
  readonly runUp: RunUpView | undefined;
  /** A line that is cleared with gas, and whether there is one that could be. */
  readonly clearing: ClearingView | undefined;
  readonly canBeCleared: boolean;
  /** What the briefing goes into, and whether it was held. */
  readonly briefing: BriefingView;
  /** Whether something is repaired under pressure. */
  readonly isRepairedUnderPressure: boolean;
  /** What it needs of kit, and what was looked at for it. */
  readonly kit: KitView;
  /** Whether barriers and notices are recorded before the permit is issued. */
  readonly needsBarriers: boolean;
  /** Between which points a crew may work, in words. */
  readonly bounds: string;
  /** What is to be known about the kinds of equipment that it works on or isolates. */
  readonly cautions: readonly JobCaution[];
  /** When the isolation has to be inspected. */
  readonly inspectionDue: string | undefined;
  /** Papers that the work and the plan ask for before any question is answered, and those that count. */
  readonly papers: {
    readonly proposed: readonly ProposedPaper[];
    readonly kinds: readonly PaperKind[];
  };
  /** The air at the work, for each use that the papers name. */
  readonly air: readonly (AirView & { readonly places: readonly string[] })[];
  /** The surroundings of hot work, where the papers name it. */
  readonly hotWork: HotWorkView | undefined;
  /** The entry into a confined space, where the papers name it. */
  readonly entry: EntryView | undefined;
  /** Hazards that the job brings up. */
  readonly suggested: readonly SuggestedHazard[];
  /** Other jobs that this one is in the way of, or that are in its way. */
  readonly clashes: readonly JobClash[];
  /** Until when a permit issued or extended now may be valid (ISO 8601, UTC). */
  readonly latestEnd: string;
  /** When the permit at hand has to be revalidated by (ISO 8601, UTC), when it runs over a change of shift. */
  readonly revalidationDue: string | undefined;
  /** Where each step, restoring step and point of the line-up is done, by its subject. */
  readonly targets: Readonly<Record<string, ScanTarget>>;
  readonly now: string;
  /** The values that the site has set for its rules. */
  readonly values: SiteValues;
  /** Until when the proofs count when nobody comes. */
  readonly proofsEnd: string | undefined;
  /** What holds energy under the plan, and how long letting down takes. */
  readonly stored: readonly StoredEnergy[];
  /** Sums that decide something in this job and have not been noted for it. */
  readonly offered: readonly OfferedSum[];
  /** The points to walk down, and who found each as drawn. */
  readonly walkDown: readonly {
    readonly point: string;
    readonly part: keyof IsolationPlan;
    readonly what: string;
    readonly where: string;
    readonly seen: Mark | undefined;
  }[];
}

function viewWalkDown({ plan }: Dossier, graph: PlantGraph): DossierView['walkDown'] {
  if (plan.kind !== 'accepted') return [];
  return (['close', 'open', 'restrain'] as const).flatMap((part) =>
    plan.plan[part].map((point) => ({
      point,
      part,
      ...(describePoint(graph, point) ?? { what: '', where: '' }),
      seen: plan.labels[point],
    })),
  );
}

function viewPlan(dossier: Dossier, site: SiteFacts): DossierView['plan'] {
  if (dossier.plan.kind === 'none') return undefined;
  const { plan } = dossier.plan;
  const requirement = findRequirement(dossier, site);
  return {
    ...plan,
    check: checkPlan(site.graph, requirement, plan),
    cost: computeCost(findPlant(dossier, site), plan),
  };
}

function viewTargets(
  dossier: Dossier,
  site: SiteFacts,
  order: WorkOrder | undefined,
): DossierView['targets'] {
  if (!order) return {};
  const { graph } = site;
  const subjects = [
    ...order.steps.map(({ subject }) => subject),
    ...listPlanPoints(order.plan),
    ...listLineup(graph, order).map(({ point }) => point),
    ...listLeakTests(dossier, site).map(({ section }) => section),
  ];
  return Object.fromEntries(
    subjects
      .filter((subject) => subject !== '')
      .map((subject) => [subject, findTarget(graph, order, subject)]),
  );
}

const viewEnd = ({ permit }: Dossier, { values }: SiteFacts, now: string): string =>
  isHeld(permit) ? findLatestExtension(permit.issuedAt, now, values) : findLatestEnd(now, values);

/** What holds energy under each plan, as it was worked out once: letting down is followed in small steps. */
const stored = new WeakMap<Requirement, WeakMap<IsolationPlan, readonly StoredEnergy[]>>();

function viewStored(
  graph: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
): readonly StoredEnergy[] {
  const of = stored.get(requirement) ?? new WeakMap<IsolationPlan, readonly StoredEnergy[]>();
  stored.set(requirement, of);
  const found = of.get(plan) ?? findStored(graph, requirement, plan);
  of.set(plan, found);
  return found;
}

/** Builds the view of a job at `now`, beside the other open jobs. */
export function viewDossier(
  known: Dossier,
  site: SiteFacts,
  now: string,
  others: readonly OpenJob[] = [],
  jobId = '',
): DossierView {
  const dossier = standAt(known, now);
  const { graph } = site;
  const requirement = findRequirement(dossier, site);
  const order = findWorkOrder(dossier, site);
  const standing = new Set(order ? listStanding(dossier, order) : []);
  return {
    dossier,
    stage: findStage(dossier, site),
    holding: listHolding(dossier, { site, now, others, jobId }).map(explainIn(site.values.zone)),
    drawing: {
      version: site.plantVersion,
      ...(site.newest ? { newest: site.newest.version } : {}),
      renamed: findNames(dossier, site.newest?.graph ?? graph).renamed,
    },
    lamps: computeLamps(dossier, site),
    sources: requirement.demands.map(({ id, source, grade, reasons, score }) => {
      const traced = requirement.trace.sources.find((one) => one.id === id);
      const medium = graph.medium[source]?.name ?? '';
      return {
        id,
        name: traced?.name ?? id,
        medium,
        grade,
        reasons,
        ...(score ? { score: score.words } : {}),
        route: traced?.route ?? [],
      };
    }),
    emptied: requirement.trace.emptied.map(({ id, section, name, route }) => {
      return { id, name, medium: graph.medium[section]?.name ?? '', route };
    }),
    plan: viewPlan(dossier, site),
    isOldTrace: dossier.plan.kind !== 'none' && dossier.plan.trace < TRACE_VERSION,
    steps: (order?.steps ?? []).map((step) => ({
      ...step,
      done: isStepDone(dossier.isolation, step),
    })),
    proofs: order?.proofs ?? [],
    twoPersons: (order?.proofs ?? []).filter((proof) => isByTwo(proof, graph)).map(({ id }) => id),
    restore: (order?.restore ?? []).map((step) => ({ ...step, done: !standing.has(step.subject) })),
    lineup: (order ? listLineup(graph, order, others) : []).map((point) => ({
      ...point,
      done: point.point in dossier.isolation.walked,
    })),
    leakTests: listLeakTests(dossier, site).map((demand) => ({
      ...demand,
      test: dossier.isolation.leakTests[demand.section],
    })),
    shared: order ? listShared(order.plan, others) : {},
    bypasses: listBypasses(dossier, site),
    defects: listJobDefects(dossier, site),
    changes: viewJobChanges(dossier, site, jobId),
    firms: viewFirms(dossier, site),
    clearances: viewClearances(dossier, site, now),
    gasTests: listGasTests(dossier),
    runUp: viewRunUp(dossier, site, now),
    clearing: viewClearing(dossier, site, now),
    canBeCleared: canBeCleared(dossier, site),
    briefing: viewBriefing(dossier, site, now, others, jobId),
    isRepairedUnderPressure: isRepairedUnderPressure(dossier),
    kit: viewKit(dossier, site, now),
    needsBarriers: needsBarriers(dossier, site),
    bounds: sayBounds(dossier),
    cautions: listJobCautions(dossier, site),
    inspectionDue: findInspectionDue(dossier, site),
    papers: { proposed: listProposed(dossier, site, {}), kinds: listPapers(dossier, site) },
    air: viewAir(dossier, site).map((air) => {
      return { ...air, places: listTestPlaces(dossier, site, air.use) };
    }),
    hotWork: viewHotWork(dossier, site),
    entry: viewEntry(dossier, site),
    suggested: listSuggested(dossier, site),
    clashes:
      dossier.kind === 'closed' ? [] : listClashes({ id: jobId, dossier }, site, others, now),
    latestEnd: viewEnd(dossier, site, now),
    revalidationDue: isHeld(dossier.permit)
      ? findRevalidationDue(dossier.permit.validated.at, now, site.values)
      : undefined,
    targets: viewTargets(dossier, site, order),
    now,
    values: site.values,
    proofsEnd: findEndOfProofs(dossier),
    offered: dossier.kind === 'closed' ? [] : listOfferedSums(dossier, site),
    stored: viewStored(
      graph,
      requirement,
      dossier.plan.kind === 'none' ? EMPTY_PLAN : dossier.plan.plan,
    ),
    walkDown: viewWalkDown(dossier, graph),
  };
}
