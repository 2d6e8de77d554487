import { checkPlan, computeCost, type CheckResult, type PlanCost } from '../isolation';
import type { Grade, IsolationPlan } from '../plant';
import type { ProofDemand } from '../proving';
import { explainRefusal, type ExplainedRefusal } from '../rules/book';
import type { RestoreStep, Step } from '../sequence';
import { findStage, isLapsed, isStepDone, listHolding, listStanding, type Stage } from './gates';
import { computeLamps, type Lamp } from './lamps';
import { findRequirement, findWorkOrder, type SiteFacts } from './site';
import type { Dossier } from './state';

export interface SourceView {
  readonly id: string;
  readonly name: string;
  readonly medium: string;
  readonly grade: Grade;
  readonly reasons: readonly string[];
  readonly route: readonly string[];
}

/** Everything that the screens show of one job, worked out from the dossier. */
export interface DossierView {
  readonly dossier: Dossier;
  readonly stage: Stage;
  readonly holding: readonly ExplainedRefusal[];
  readonly lamps: readonly Lamp[];
  readonly sources: readonly SourceView[];
  readonly plan:
    (IsolationPlan & { readonly check: CheckResult; readonly cost: PlanCost }) | undefined;
  readonly steps: readonly (Step & { readonly done: boolean })[];
  readonly proofs: readonly ProofDemand[];
  readonly restore: readonly (RestoreStep & { readonly done: boolean })[];
  readonly lineup: readonly {
    readonly point: string;
    readonly normal: 'open' | 'closed';
    readonly done: boolean;
  }[];
  readonly lapsed: boolean;
}

function viewPlan(dossier: Dossier, site: SiteFacts): DossierView['plan'] {
  if (dossier.plan.kind === 'none') return undefined;
  const { plan } = dossier.plan;
  const requirement = findRequirement(dossier, site);
  return {
    ...plan,
    check: checkPlan(site.graph, requirement, plan),
    cost: computeCost(site.graph, plan),
  };
}

/** Builds the view of a job at `now`. */
export function viewDossier(dossier: Dossier, site: SiteFacts, now: string): DossierView {
  const { graph } = site;
  const requirement = findRequirement(dossier, site);
  const order = findWorkOrder(dossier, site);
  const standing = new Set(order ? listStanding(dossier, order) : []);
  const points = order ? [...order.plan.close, ...order.plan.open] : [];
  return {
    dossier,
    stage: findStage(dossier, site),
    holding: listHolding(dossier, { site, now }).map(explainRefusal),
    lamps: computeLamps(dossier, site),
    sources: requirement.demands.map(({ id, source, grade, reasons }) => {
      const traced = requirement.trace.sources.find((one) => one.id === id);
      const medium = graph.medium[source]?.name ?? '';
      return { id, name: traced?.name ?? id, medium, grade, reasons, route: traced?.route ?? [] };
    }),
    plan: viewPlan(dossier, site),
    steps: (order?.steps ?? []).map((step) => ({
      ...step,
      done: isStepDone(dossier.isolation, step),
    })),
    proofs: order?.proofs ?? [],
    restore: (order?.restore ?? []).map((step) => ({ ...step, done: !standing.has(step.subject) })),
    lineup: points.map((point) => ({
      point,
      normal: order?.plan.close.includes(point)
        ? (graph.links[graph.linkAt.get(point) ?? -1]?.normal ?? 'open')
        : 'closed',
      done: point in dossier.isolation.walked,
    })),
    lapsed: isLapsed(dossier, now),
  };
}
