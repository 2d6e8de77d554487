import { listConnections } from '../changes/connections';
import { checkPlan, type Finding } from '../isolation';
import { linksOf, listPlanPoints, otherEnd, type IsolationPlan, type PlantGraph } from '../plant';
import { GAUGE_FOR } from '../proving';
import { refuse, type Refusal } from '../rules/refuse';
import { listNamesOn, type StandingDefect } from '../defects/apply';
import { findDevice, isCriticalDefect, listAreasOf } from '../defects/devices';
import { DEFECTS } from '../defects/kinds';
import { nameDefect } from '../defects/record';
import { drawnNow, findRequirement, findWorkOrder, type SiteFacts } from './site';
import type { Dossier } from './state';

/** The drawing that a job stands on as if nothing were wrong. */
const soundOf = ({ sound, graph }: SiteFacts): PlantGraph => sound ?? graph;

/** A defect at a device of a job's drawing, with what the drawing calls the device. */
export interface DefectAt {
  readonly one: StandingDefect;
  readonly id: string;
}

const factsOf = ({ one, id }: DefectAt) => ({
  device: id,
  defect: DEFECTS[one.defect].label,
  name: nameDefect(one.number),
});

/** Defects at some ids of a job's drawing. */
export function listDefectsAt(ids: readonly string[], site: SiteFacts): DefectAt[] {
  const wanted = new Set(ids);
  const newest = drawnNow(site).plant;
  return (site.defects ?? []).flatMap((one) => {
    const id = listNamesOn(soundOf(site), one.device, newest).find((name) => wanted.has(name));
    return id === undefined ? [] : [{ one, id }];
  });
}

/** Refuses to find a point as drawn whose label is known to be missing or wrong. */
export const refuseLabel = (point: string, site: SiteFacts): Refusal[] =>
  listDefectsAt([point], site)
    .filter(({ one }) => one.defect === 'label')
    .map((at) => refuse('label-defect', { ...factsOf(at), point }));

/** Points of an accepted plan that cannot be walked down past, because their label is known to be missing or wrong. */
export function gateLabels({ plan }: Dossier, site: SiteFacts): Refusal[] {
  if (plan.kind !== 'accepted') return [];
  return listPlanPoints(plan.plan)
    .filter((point) => !(point in plan.labels))
    .flatMap((point) => refuseLabel(point, site));
}

/** A defect at a point of a job's plan, or of a safety-critical device where it works. */
export interface JobDefect {
  readonly name: string;
  readonly device: string;
  readonly says: string;
  readonly means: string;
  readonly at: string;
  /** What stands in for it by name, as long as it may. */
  readonly guard?: StandingDefect['guard'];
}

/** The defects that touch a job: at points of its plan, and of safety-critical devices where it works; oldest first. */
export function listJobDefects(dossier: Dossier, site: SiteFacts): JobDefect[] {
  if (dossier.kind === 'closed') return [];
  const points = dossier.plan.kind === 'none' ? [] : listPlanPoints(dossier.plan.plan);
  const at = listDefectsAt(points, site);
  const near = (site.defects ?? [])
    .filter((one) => isCriticalDefect(drawnNow(site), one) && isWorkNear(dossier, one.device, site))
    .filter((one) => !at.some((found) => found.one === one))
    .map((one) => ({ one, id: one.device }));
  return [...at, ...near]
    .sort((a, b) => a.one.number - b.one.number)
    .map(({ one, id }) => ({
      name: nameDefect(one.number),
      device: id,
      says: DEFECTS[one.defect].label,
      means: DEFECTS[one.defect].means,
      at: one.at,
      guard: one.guard,
    }));
}

interface Broken {
  readonly graph: PlantGraph;
  readonly requirement: object;
  readonly stop: Finding | undefined;
}
const broken = new WeakMap<IsolationPlan, Broken>();

/** The first finding that stops a plan and would not if nothing were wrong with any device. */
function findBroken(dossier: Dossier, plan: IsolationPlan, site: SiteFacts): Finding | undefined {
  const { graph, sound } = site;
  if (!sound || sound === graph) return undefined;
  const requirement = findRequirement(dossier, site);
  const before = broken.get(plan);
  if (before?.graph === graph && before.requirement === requirement) return before.stop;
  const stopsOn = (on: PlantGraph) =>
    checkPlan(on, findRequirement(dossier, { ...site, graph: on }), plan).findings.filter(
      ({ severity }) => severity === 'stops',
    );
  // A finding of the same kind about the same thing stood before.
  const keyOf = ({ code, subject }: Finding) => `${code} ${subject}`;
  const had = new Set(stopsOn(sound).map(keyOf));
  const stop = stopsOn(graph).find((one) => !had.has(keyOf(one)));
  broken.set(plan, { graph, requirement: findRequirement(dossier, site), stop });
  return stop;
}

/** Proofs of before it was known that a gauge of theirs is dead. */
function gateGauges(dossier: Dossier, site: SiteFacts): Refusal[] {
  const { gauges } = soundOf(site).plant;
  const dead = listDefectsAt(
    gauges.map(({ id }) => id),
    site,
  ).filter(({ one }) => one.defect === 'gauge-dead' || one.defect === 'out-of-order');
  if (dead.length === 0) return [];
  const { proved } = dossier.isolation;
  return (findWorkOrder(dossier, site)?.proofs ?? []).flatMap(({ id, kind, section, covers }) => {
    const at = proved[id]?.at;
    if (at === undefined) return [];
    const here = gauges.filter(
      (one) => one.reads === GAUGE_FOR[kind] && covers.includes(one.section),
    );
    return dead
      .filter((found) => here.some((gauge) => gauge.id === found.id))
      .filter(({ one }) => Date.parse(one.at) > Date.parse(at))
      .map((found) => refuse('dead-gauge-proof', { ...factsOf(found), gauge: found.id, section }));
  });
}

/**
 * What was reported against an accepted plan since: a device that it counts on, what it no longer holds back, readings of a dead gauge. Empty for a
 * plan that was checked and accepted with the defect known.
 */
export function gateDefects(dossier: Dossier, site: SiteFacts): Refusal[] {
  const { plan } = dossier;
  if (plan.kind !== 'accepted' || dossier.kind === 'closed') return [];
  const { defects = [] } = site;
  const ways = listConnections(site.changes ?? []);
  if (defects.length + ways.length === 0) return [];
  const isSince = ({ at }: StandingDefect) => Date.parse(at) > Date.parse(plan.acceptedAt);
  // What the plan counts on is named; where it names none of them, whatever is wrong may be why.
  const telling = defects.filter(({ defect }) => defect !== 'label');
  const at = listDefectsAt(listPlanPoints(plan.plan), site).filter(({ one }) =>
    telling.includes(one),
  );
  const named = at.filter(({ one }) => isSince(one));
  const stop = findBroken(dossier, plan.plan, site);
  const names = [
    ...(at.length > 0 ? at.map(({ one }) => one) : telling).map(({ number }) => nameDefect(number)),
    ...ways.map(({ name }) => name),
  ];
  const mend = stop?.mends.map(({ words }) => words).join('; or ') ?? '';
  return [
    ...named.map((at) => refuse('defect-since-plan', factsOf(at))),
    ...(stop
      ? [
          refuse(telling.length > 0 ? 'defect-breaks-plan' : 'change-breaks-plan', {
            names: names.join(', '),
            words: stop.words,
            mend: mend === '' ? 'no change of points alone mends it' : mend,
          }),
        ]
      : []),
    ...gateGauges(dossier, site),
  ];
}

/**
 * Which devices a plan of the job would look at first, as a question: on the way of something that can come at the work, next to what is worked on with
 * nothing between that could be shut, or an outlet or gauge of that. Devices are named as on the newest drawing.
 */
export function findAtWork(dossier: Dossier, site: SiteFacts): (device: string) => boolean {
  const { graph } = site;
  const { trace } = findRequirement(dossier, site);
  const ids = new Set(trace.sources.flatMap(({ route }) => route));
  const near = new Set(trace.zone);
  for (const section of near) {
    for (const link of linksOf(graph, section)) {
      ids.add(graph.links[link]?.id ?? '');
      if (graph.neverIsolates[link]) near.add(otherEnd(graph, link, section));
    }
  }
  // A dead gauge is not on the drawing as it is to be believed.
  const sound = soundOf(site);
  const isNear = (id: string) => {
    const found = findDevice(sound, id);
    if (found?.table !== 'outlets' && found?.table !== 'gauges') return false;
    return near.has(graph.sectionAt.get(found.row.section) ?? -1);
  };
  const newest = drawnNow(site).plant;
  return (device) => listNamesOn(sound, device, newest).some((id) => ids.has(id) || isNear(id));
}

/** Whether a job works in an area in which a device stands or guards. */
export function isWorkNear(dossier: Dossier, device: string, site: SiteFacts): boolean {
  const newest = drawnNow(site);
  const found = findDevice(newest, device);
  const areas = new Set(found ? listAreasOf(newest, found) : []);
  const { graph } = site;
  return dossier.scope.work.some(({ section }) =>
    areas.has(graph.sections[graph.sectionAt.get(section) ?? -1]?.area ?? ''),
  );
}

/** Relief valves, trips, stop buttons and gas detectors that are out of order where a job works, and for which nothing stands in by name. */
export function gateCritical(dossier: Dossier, site: SiteFacts, now: string): Refusal[] {
  return (site.defects ?? []).flatMap((one) => {
    if (!isCriticalDefect(drawnNow(site), one) || !isWorkNear(dossier, one.device, site)) return [];
    const facts = factsOf({ one, id: one.device });
    if (!one.guard) return [refuse('critical-unguarded', facts)];
    return Date.parse(now) > Date.parse(one.guard.until)
      ? [refuse('critical-guard-over', { ...facts, until: one.guard.until })]
      : [];
  });
}
