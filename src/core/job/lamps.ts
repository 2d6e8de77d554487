import {
  checkPlan,
  listArrivalLamps,
  type FindingCode,
  type LampKind,
  type Requirement,
} from '../isolation';
import type { PlantGraph } from '../plant';
import { explainIn } from '../rules/book';
import { listCarriedOut } from './carried-out';
import { gateNewest, gateProvedAgain, isStepDone } from './gates';
import { findRequirement, findWorkOrder, type SiteFacts, type WorkOrder } from './site';
import type { Dossier } from './state';

/** Lit: energy can reach. Shuttered: blocked and locked. Dark: proved dead. */
export type LampState = 'lit' | 'shuttered' | 'dark';

/** One source behind a lamp, with its own state. */
export interface LampSource {
  readonly id: string;
  readonly name: string;
  readonly state: LampState;
  readonly why: string;
  readonly route: readonly string[];
}

/** One arrival at the work as people see it: a medium, a machine or heater, or a store. */
export interface Lamp {
  readonly id: string;
  readonly kind: LampKind;
  /** What arrives and from where, in a sentence. */
  readonly name: string;
  readonly state: LampState;
  readonly why: string;
  readonly route: readonly string[];
  /** The sources behind it, the nearest first; none behind a store. */
  readonly sources: readonly LampSource[];
}

const ABOUT_SOURCES: readonly FindingCode[] = [
  'source-reaches-work',
  'double-not-met',
  'double-bled-not-met',
  'positive-not-met',
];

const ABOUT_LETTING_DOWN: readonly FindingCode[] = ['work-not-bled', 'shut-in-not-bled'];

/** The worse of two states is the one that counts. */
const WORST: readonly LampState[] = ['lit', 'shuttered', 'dark'];

/** The sources that reach the work and those run empty for it, each with its state, by id. */
function listSources(
  dossier: Dossier,
  site: SiteFacts,
  requirement: Requirement,
  proved: boolean,
): Map<string, LampSource> {
  const { findings } = checkPlan(site.graph, requirement, listCarriedOut(dossier));
  const stops = findings.filter((finding) => finding.severity === 'stops');
  const order = findWorkOrder(dossier, site);
  const found =
    findLiveWords(dossier, order) ??
    findAlarmWords(dossier) ??
    findOutgrownWords(dossier, site) ??
    findRelitWords(dossier, site, order);
  const unbled = stops.find(({ code }) => ABOUT_LETTING_DOWN.includes(code));
  const about = (id: string) =>
    stops.find(({ subject, code }) => subject === id && ABOUT_SOURCES.includes(code));
  const { trace } = requirement;
  const sources = requirement.demands.map((demand): LampSource => {
    const broken = about(demand.id) ?? (demand.bled ? unbled : undefined);
    const traced = trace.sources.find(({ id }) => id === demand.id);
    const state = broken || found ? 'lit' : proved ? 'dark' : 'shuttered';
    const why =
      broken?.words ??
      found ??
      (proved ? 'blocked, let down and proved dead' : 'blocked and locked, not yet proved');
    return {
      id: demand.id,
      name: traced?.name ?? demand.id,
      state,
      why,
      route: traced?.route ?? [],
    };
  });
  const emptied = trace.emptied.map(({ id, name, route }): LampSource => {
    const isEmpty = proved && found === undefined;
    const why = found ?? (isEmpty ? 'run empty, and proved so' : 'run empty first, and prove it');
    return { id, name, state: isEmpty ? 'dark' : 'lit', why, route };
  });
  const far = trace.far.flatMap(({ id }): LampSource[] => {
    const broken = about(id);
    return broken ? [{ id, name: id, state: 'lit', why: broken.words, route: broken.route }] : [];
  });
  return new Map([...sources, ...emptied, ...far].map((source) => [source.id, source]));
}

/** A lamp over some sources: as bad as the worst of them, and for its reason. */
function lampOver(lamp: Pick<Lamp, 'id' | 'kind' | 'name'>, sources: readonly LampSource[]): Lamp {
  const worst = [...sources].sort((a, b) => WORST.indexOf(a.state) - WORST.indexOf(b.state))[0];
  const { state = 'lit', why = '', route = [] } = worst ?? {};
  return { ...lamp, state, why, route, sources };
}

/**
 * One lamp for each arrival at the work: a medium that can come in, a machine or heater that can act on it, a store that the isolation
 * leaves with it; worked out on the plant graph from what has been locked, opened, restrained and proved so far.
 */
export function computeLamps(dossier: Dossier, site: SiteFacts): Lamp[] {
  const requirement = findRequirement(dossier, site);
  const order = findWorkOrder(dossier, site);
  const proved =
    order !== undefined &&
    dossier.plan.kind === 'accepted' &&
    order.steps
      .filter((step) => step.phase !== 'tell' && step.phase !== 'stop')
      .every((step) => isStepDone(dossier.isolation, step));
  const sources = listSources(dossier, site, requirement, proved);
  const arrivals = listArrivalLamps(site.graph, requirement.trace)
    .filter(({ kind }) => kind !== 'store')
    .map(({ id, kind, words, sources: behind }) =>
      lampOver(
        { id, kind, name: words },
        behind.flatMap((one) => sources.get(one) ?? []),
      ),
    );
  const far = requirement.trace.far.flatMap(({ id }) => sources.get(id) ?? []);
  return [...arrivals, ...listFarLamps(site.graph, far), ...listStoreLamps(dossier, site, proved)];
}

const MACHINES: ReadonlySet<string> = new Set(['motor', 'engine', 'generator']);

/** What drives something inside the isolation from further off: one lamp for each machine that does, over what feeds it. */
function listFarLamps(graph: PlantGraph, sources: readonly LampSource[]): Lamp[] {
  const by = new Map<string, LampSource[]>();
  for (const source of sources) {
    const machine = source.route.findLast((link) =>
      MACHINES.has(graph.links[graph.linkAt.get(link) ?? -1]?.kind ?? ''),
    );
    const key = machine ?? source.id;
    by.set(key, [...(by.get(key) ?? []), source]);
  }
  return [...by].map(([machine, behind]) => {
    const name = `${machine} still drives what lies inside the isolation`;
    return lampOver({ id: `drive:${machine}`, kind: 'drive', name }, behind);
  });
}

/** Words on a newer drawing on which the plan no longer passes: what it opened may reach the work. */
function findOutgrownWords(dossier: Dossier, site: SiteFacts): string | undefined {
  const [outgrown] = gateNewest(dossier, site);
  return outgrown && explainIn(site.values.zone)(outgrown).says;
}

/** Words on an isolation that was left alone for too long or handed over: any of its barriers may have been undone since. */
function findRelitWords(
  dossier: Dossier,
  { values }: SiteFacts,
  order: WorkOrder | undefined,
): string | undefined {
  const [left] = order ? gateProvedAgain(dossier.isolation, order) : [];
  return left && explainIn(values.zone)(left).says;
}

/** Words on what was found live or moving: until that is cleared up, any source may be the one that was missed. */
function findLiveWords(dossier: Dossier, order: WorkOrder | undefined): string | undefined {
  const { foundLive, foundMoving } = dossier.isolation;
  const [live] = Object.entries(foundLive);
  if (live) {
    const section = order?.proofs.find(({ id }) => id === live[0])?.section ?? live[0];
    return `${live[1].reading} ${live[1].unit} was read at ${section}: find what still feeds it`;
  }
  const [station] = Object.keys(foundMoving);
  return station && `it moved when started from ${station}: find the energy that was missed`;
}

/** Words on an alarm that stands. */
function findAlarmWords({ isolation: { alarm } }: Dossier): string | undefined {
  return alarm && `alarm at ${alarm.where}: ${alarm.seen}`;
}

function listStoreLamps(dossier: Dossier, site: SiteFacts, proved: boolean): Lamp[] {
  const order = findWorkOrder(dossier, site);
  const wanted = new Set([
    ...(order?.steps
      .filter(({ phase }) => phase === 'restrain' || phase === 'wait')
      .map(({ subject }) => subject) ?? []),
    ...site.graph.stores
      .filter(({ store }) => order?.plan.open.includes(store.release))
      .map(({ store }) => store.id),
  ]);
  const inseparable = findRequirement(dossier, site).trace.stores.filter(
    (store) => !store.separable,
  );
  inseparable.forEach((store) => wanted.add(store.id));
  const { opened, restrained, waited } = dossier.isolation;
  return [...wanted].sort().map((id): Lamp => {
    const placed = site.graph.stores[site.graph.storeAt.get(id) ?? -1];
    const release = placed?.store.release ?? '';
    const released = release in opened || id in restrained || id in waited;
    return {
      id,
      kind: 'store',
      name: placed
        ? `${placed.store.kind} in ${site.graph.sections[placed.section]?.id ?? ''}`
        : `the shaft at ${id}, which what stands in its line could turn`,
      state: !released ? 'lit' : proved ? 'dark' : 'shuttered',
      why: released
        ? proved
          ? 'released and proved'
          : 'released, not yet proved'
        : 'not yet released',
      route: [],
      sources: [],
    };
  });
}

/** What the lamps that are lit stand for, in the order of the lamps. */
export const listLit = (lamps: readonly Lamp[]): string[] =>
  lamps.filter(({ state }) => state === 'lit').map(({ name }) => name);
