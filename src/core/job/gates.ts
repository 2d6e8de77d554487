import {
  checkPlan,
  checkValvedStage,
  listSeenOpen,
  type Finding,
  type Requirement,
} from '../isolation';
import { listPlanPoints, type IsolationPlan } from '../plant';
import { DEAD_LIMITS, UNATTENDED_MINUTES } from '../proving';
import { refuse, type Refusal } from '../rules/refuse';
import type { Step } from '../sequence';
import { gateBypasses } from './bypasses';
import { gateCritical, gateDefects } from './defects';
import { gateInspection } from './inspection';
import { renameDossier, scopeOn } from './names';
import {
  findMissing,
  findRequirement,
  findWorkOrder,
  type SiteFacts,
  type WorkOrder,
} from './site';
import type { Dossier, IsolationRecord } from './state';

/** Whether a step of the work order has been done. */
export function isStepDone(
  isolation: IsolationRecord,
  step: Pick<Step, 'phase' | 'subject'>,
): boolean {
  switch (step.phase) {
    case 'tell':
      return isolation.told !== undefined;
    case 'stop':
      return isolation.stopped !== undefined;
    case 'bring-in':
    case 'open-way':
    case 'isolate-drives':
    case 'isolate-flows':
    case 'fit':
      return step.subject in isolation.locked || step.subject in isolation.tagged;
    case 'see-open':
      return step.subject in isolation.seenOpen;
    case 'let-down':
      return step.subject in isolation.opened && !(step.subject in isolation.watched);
    case 'earth':
      return step.subject in isolation.opened;
    case 'restrain':
      return step.subject in isolation.restrained;
    case 'wait':
      return step.subject in isolation.waited;
    case 'prove':
      return step.subject in isolation.proved;
    case 'try-start':
      return step.subject in isolation.tried;
  }
}

/** Points that stand isolated for a job, whatever its plan says by now. */
const listHeldPoints = ({ locked, tagged, opened, restrained }: IsolationRecord): string[] => [
  ...[locked, tagged, opened].flatMap((held) => Object.keys(held)),
  ...Object.entries(restrained).flatMap(([id, { isHold }]) => (isHold ? [] : [id])),
];

/** The place of work is no longer on the newest drawing: nothing may be planned on an older one. */
export function gateScope(dossier: Dossier, { newest, plantVersion }: SiteFacts): Refusal[] {
  const gone = newest && findMissing(scopeOn(dossier, newest.graph), newest.graph);
  return gone === undefined
    ? []
    : [refuse('scope-gone', { section: gone, version: newest?.version ?? 0, on: plantVersion })];
}

/** What would mend a finding, in words. */
const mendOf = (finding: Finding): string =>
  finding.mends.map((mend) => mend.words).join('; or ') || 'No change of points mends this.';

/** Where the site wants the valves on the way of a let-down locked open, those that the plan leaves to be seen. */
function gateWays(site: SiteFacts, requirement: Requirement, plan: IsolationPlan): Refusal[] {
  if (site.values['let-down-valves'] !== 'locked') return [];
  const seen = listSeenOpen(site.graph, requirement, plan);
  return seen.length > 0 ? [refuse('way-not-locked', { links: seen.join(', ') })] : [];
}

/** What stops a plan from being put up for review. */
export function gatePlan(dossier: Dossier, site: SiteFacts): Refusal[] {
  const gone = gateScope(dossier, site);
  if (dossier.plan.kind === 'none') return [...gone, refuse('plan-missing')];
  const { plan } = dossier.plan;
  const requirement = findRequirement(dossier, site);
  const stops = (findings: readonly Finding[]) =>
    findings.filter((finding) => finding.severity === 'stops');
  const valved = checkValvedStage(site.graph, requirement, plan);
  const { plantVersion } = dossier.plan;
  const dropped = listHeldPoints(dossier.isolation).filter(
    (id) => !listPlanPoints(plan).includes(id),
  );
  return [
    ...gone,
    ...(dropped.length > 0 ? [refuse('plan-drops-standing', { points: dropped.join(', ') })] : []),
    ...(plantVersion === site.plantVersion
      ? []
      : [refuse('plant-changed', { from: plantVersion, to: site.plantVersion })]),
    ...gateWays(site, requirement, plan),
    ...stops(checkPlan(site.graph, requirement, plan).findings).map((finding) =>
      refuse('plan-stops', { words: finding.words, mend: mendOf(finding) }),
    ),
    ...stops(valved?.findings ?? []).map((finding) =>
      refuse('fitting-not-covered', {
        fits: valved?.fits.join(', ') ?? '',
        words: finding.words,
        mend: mendOf(finding),
      }),
    ),
  ];
}

/** What was found live or moving and has not been found dead since. */
function gateFound(isolation: IsolationRecord, order: WorkOrder): Refusal[] {
  return [
    ...Object.entries(isolation.foundLive).flatMap(([id, { reading, unit }]) => {
      const demand = order.proofs.find((proof) => proof.id === id);
      if (!demand) return [];
      const { least, most } = DEAD_LIMITS[demand.kind];
      return [refuse('reading-not-dead', { reading, unit, section: demand.section, least, most })];
    }),
    ...Object.keys(isolation.foundMoving).map((station) => refuse('it-moved', { station })),
  ];
}

/** An alarm that stands, a test that is not over, a lock on a point that does not hold as it should. */
function gateAmiss({ alarm, test, locked, unfit }: IsolationRecord): Refusal[] {
  return [
    ...(alarm ? [refuse('alarm-standing', { place: alarm.where, seen: alarm.seen })] : []),
    ...(test ? [refuse('test-open', { purpose: test.purpose })] : []),
    ...Object.entries(locked)
      .filter(([, { lock }]) => lock in unfit)
      .map(([link, { lock }]) => refuse('unfit-on-point', { lock, link })),
  ];
}

/** What was proved before the isolation was left for too long or handed over, and has not been proved again since. */
export function gateProvedAgain(isolation: IsolationRecord, order: WorkOrder): Refusal[] {
  const isAgain = order.steps
    .filter(({ phase }) => phase === 'prove' || phase === 'try-start')
    .every((step) => isStepDone(isolation, step));
  if (isolation.relit === undefined || isAgain) return [];
  const { why, at } = isolation.relit;
  return [refuse(why, { since: at, minutes: UNATTENDED_MINUTES })];
}

const subjects = (steps: readonly Step[]) => steps.map((step) => step.subject).join(', ');

/** "P201-CAS (pressure), P201-CBL (voltage)": what is read where; a proof is kept under what it reads and where. */
const sayProofs = (steps: readonly Step[]): string =>
  steps
    .map(({ subject }) => {
      const [kind = '', ...section] = subject.split(':');
      return section.length === 0 ? subject : `${section.join(':')} (${kind})`;
    })
    .join(', ');

/** What is missing until the isolation holds: told, stopped, locked, let down, proved, tried, keys in the box. */
export function gateHolding(dossier: Dossier, order: WorkOrder): Refusal[] {
  const { isolation } = dossier;
  const open = order.steps.filter((step) => !isStepDone(isolation, step));
  const of = (...phases: Step['phase'][]) => open.filter((step) => phases.includes(step.phase));
  const points = of('bring-in', 'isolate-drives', 'isolate-flows', 'open-way', 'fit');
  const ways = of('see-open');
  const stores = of('let-down', 'restrain', 'wait', 'earth');
  const proofs = of('prove');
  const stations = of('try-start');
  return [
    ...gateFound(isolation, order),
    ...gateAmiss(isolation),
    ...gateProvedAgain(isolation, order),
    ...(isolation.told ? [] : [refuse('not-told')]),
    ...(isolation.stopped ? [] : [refuse('not-stopped')]),
    ...(points.length > 0 ? [refuse('locks-missing', { points: subjects(points) })] : []),
    ...Object.keys(isolation.foundShut)
      .filter((link) => ways.some(({ subject }) => subject === link))
      .map((link) => refuse('way-stays-shut', { link })),
    ...(ways.length > 0 ? [refuse('way-not-seen', { links: subjects(ways) })] : []),
    ...(stores.length > 0 ? [refuse('not-let-down', { subjects: subjects(stores) })] : []),
    ...(proofs.length > 0 ? [refuse('not-proved', { proofs: sayProofs(proofs) })] : []),
    ...(stations.length > 0 ? [refuse('not-tried', { stations: subjects(stations) })] : []),
    ...(isolation.box || isolation.lockout === 'each-point' ? [] : [refuse('box-not-locked')]),
  ];
}

/** What stops an accepted plan on its own drawing: rules that came after it. */
export function gateAcceptedPlan(dossier: Dossier, site: SiteFacts): Refusal[] {
  const { plan } = dossier;
  if (
    plan.kind !== 'accepted' ||
    dossier.kind === 'closed' ||
    gateScope(dossier, site).length > 0
  ) {
    return [];
  }
  const { findings } = checkPlan(site.graph, findRequirement(dossier, site), plan.plan);
  const stop = findings.find(({ severity }) => severity === 'stops');
  return stop ? [refuse('plan-stops', { words: stop.words, mend: mendOf(stop) })] : [];
}

/** What is not yet walked down of an accepted plan. */
export function gateWalkDown(dossier: Dossier): Refusal[] {
  const { plan } = dossier;
  if (plan.kind !== 'accepted') return [refuse('plan-not-reviewed')];
  const left = listPlanPoints(plan.plan).filter((point) => !(point in plan.labels));
  return left.length > 0 ? [refuse('not-walked-down', { points: left.join(', ') })] : [];
}

/** An accepted plan stays tied to its drawing; it is refused once it no longer passes on the newest one. */
export function gateNewest(dossier: Dossier, site: SiteFacts): Refusal[] {
  const { plan } = dossier;
  if (plan.kind === 'none' || !site.newest) return [];
  const { version, graph } = site.newest;
  const outgrown = (words: string) => [
    refuse('plant-outgrew-plan', { from: plan.plantVersion, to: version, words }),
  ];
  // What only has another id now is still the same.
  const on = renameDossier(dossier, graph);
  const gone = findMissing(on.scope, graph);
  if (gone !== undefined) return outgrown(`${gone} is no longer in the plant`);
  if (on.plan.kind === 'none') return [];
  const requirement = findRequirement(on, { ...site, graph });
  const stop = checkPlan(graph, requirement, on.plan.plan).findings.find(
    ({ severity }) => severity === 'stops',
  );
  return stop ? outgrown(stop.words) : [];
}

/** What keeps the plan from being carried out or relied on. */
export function gateIsolation(dossier: Dossier, site: SiteFacts): Refusal[] {
  const gone = gateScope(dossier, site);
  if (dossier.plan.kind === 'none') return [...gone, refuse('plan-missing')];
  if (dossier.plan.kind !== 'accepted') return [...gone, refuse('plan-not-reviewed')];
  const order = findWorkOrder(dossier, site);
  return [
    ...gateWalkDown(dossier),
    ...gateNewest(dossier, site),
    ...gateDefects(dossier, site),
    ...(order ? gateHolding(dossier, order) : [refuse('plan-missing')]),
  ];
}

/** What an isolation that stands has outrun: a bypass that was allowed for less long, its inspection. */
export const gateStanding = (dossier: Dossier, site: SiteFacts, now: string): Refusal[] => [
  ...gateBypasses(dossier, site, now),
  ...gateCritical(dossier, site, now),
  ...gateInspection(dossier, site, now),
];
