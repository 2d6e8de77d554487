import {
  closingMinutes,
  isThrough,
  listInside,
  listSeenOpen,
  listTurningShafts,
  openingMinutes,
  RESTRAIN_MINUTES,
  searchRoutes,
  standingMinutes,
  UNREACHED,
  type PlantState,
  type Requirement,
} from '../isolation';
import {
  isOffLoad,
  STAGED_KINDS,
  wordsOfKind,
  type IsolationPlan,
  type Outlet,
  type PlantGraph,
} from '../plant';
import { listProofs } from '../proving';
import { listAfterBreakers, listSwitchedFirst } from './load-breaking';
import { placeOfLink, placeOfSection } from './places';
import type { Step } from './steps';
import type { Wait, Waits } from './waits';
import type { Place } from './walk';
import { sayFault } from '../energy/fault';

/** A step before it has its place in the walk. */
export interface Draft extends Omit<Step, 'walk_m'> {
  readonly place: Place | undefined;
}

/** Minutes for steps that are not points. Source: practice. */
const OTHER_MINUTES = {
  tell: 5,
  stop: 5,
  'see-open': 2,
  wait: 5,
  prove: 4,
  'try-start': 2,
} as const;

/**
 * How many barriers lie between each link of the plan and the work, counted along fluid alone: the supply side has the most.
 * Counting through drives and switchboards would bring every header one barrier from the work.
 */
function layersFromSupply(graph: PlantGraph, state: PlantState, requirement: Requirement) {
  const tree = searchRoutes(graph, requirement.trace.zone, (link, _section, next) =>
    graph.carrier[next] === 'fluid' && isThrough(graph, link) ? (state.barred[link] as number) : -1,
  );
  return (link: number) => {
    const reached = [graph.ends[2 * link] as number, graph.ends[2 * link + 1] as number]
      .map((end) => tree.cost[end] as number)
      .filter((cost) => cost !== UNREACHED);
    return Math.max(0, ...reached);
  };
}

/** Whether a link carries fluid: the rest are electrical and mechanical and are isolated before it. */
function carriesFluid(graph: PlantGraph, link: number): boolean {
  const ends = [graph.ends[2 * link] as number, graph.ends[2 * link + 1] as number];
  return ends.some((end) => graph.carrier[end] === 'fluid');
}

/** Said at a device that must never be worked under load. */
const NO_LOAD = '; never under load: see first that it carries no current';

export function draftLinks(
  graph: PlantGraph,
  requirement: Requirement,
  state: PlantState,
): Draft[] {
  const layer = layersFromSupply(graph, state, requirement);
  const afterBreakers = listAfterBreakers(graph, state.barriers);
  return graph.links.flatMap((link, number): Draft[] => {
    if (!state.barred[number]) return [];
    const fitted = STAGED_KINDS.has(link.kind) && link.normal !== 'closed';
    const fluid = carriesFluid(graph, number);
    const offLoad = !fluid && isOffLoad(graph, number);
    const { isolate, closed } = wordsOfKind(link.kind);
    const done =
      link.normal === 'closed' ? `stands ${closed}: lock and tag it` : `${isolate}, lock and tag`;
    return [
      {
        phase: fitted ? 'fit' : fluid ? 'isolate-flows' : 'isolate-drives',
        // What breaks the load comes first: a disconnector pulled under load burns whoever pulls it.
        layer: fluid ? -layer(number) : afterBreakers.has(number) ? 1 : 0,
        subject: link.id,
        words: `${link.id} (${link.kind}): ${done}${offLoad && link.normal !== 'closed' ? NO_LOAD : ''}`,
        minutes: closingMinutes(link),
        place: placeOfLink(graph, link),
      },
    ];
  });
}

/**
 * Valves that are opened and locked so: a relief valve's before its twin is shut, since what it guards still has its source; those on
 * the way of a let-down once the isolation holds.
 */
export const draftStanding = (graph: PlantGraph, state: PlantState): Draft[] =>
  graph.links.flatMap((link, number): Draft[] => {
    if (!state.standing[number]) return [];
    const isLive = state.live[state.body[graph.ends[2 * number] as number] as number] === 1;
    const { open } = wordsOfKind(link.kind);
    const why = isLive
      ? 'brought into service before its twin is shut'
      : 'the let-down relies on it';
    return [
      {
        phase: isLive ? 'bring-in' : 'open-way',
        layer: 0,
        subject: link.id,
        words: `${link.id} (${link.kind}): ${link.normal === 'closed' ? 'open it' : `stands ${open}`}, lock it ${open} and tag it: ${why}`,
        minutes: standingMinutes(link),
        place: placeOfLink(graph, link),
      },
    ];
  });

/** Valves that stand open by the drawing and on which a let-down relies: each is gone to and seen open before anything is let down. */
export const draftSeenOpen = (
  drawn: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
): Draft[] =>
  listSeenOpen(drawn, requirement, plan).flatMap((id): Draft[] => {
    const link = drawn.links[drawn.linkAt.get(id) ?? -1];
    return link
      ? [
          {
            phase: 'see-open',
            layer: 0,
            subject: id,
            words: `${id} (${link.kind}): see that it stands open, the let-down relies on it`,
            minutes: OTHER_MINUTES['see-open'],
            place: placeOfLink(drawn, link),
          },
        ]
      : [];
  });

const waitOf = (wait: Wait | undefined) => (wait ? { wait_s: wait.seconds } : {});

/** What an earth has to carry at a place, as far as the drawing says. */
function sayFaultAt(graph: PlantGraph, outlet: number): string {
  const { fault_ka, fault_s } = graph.sections[graph.outletSection[outlet] ?? -1] ?? {};
  if (fault_ka === undefined)
    return '; the drawing gives no fault current: ask what the set has to carry';
  return `; the set carries ${fault_s === undefined ? `${fault_ka} kA until it is cut off` : sayFault(fault_ka, fault_s)}`;
}

/** A liquid drained by hand is watched without a break: it has to be stopped when it goes wrong. Source: practice. */
function isWatched(graph: PlantGraph, outlet: Outlet): boolean {
  const medium = graph.medium[graph.sectionAt.get(outlet.section) ?? -1];
  return outlet.kind === 'drain' && medium?.phase === 'liquid';
}

export function draftOutlets(graph: PlantGraph, state: PlantState, waits: Waits): Draft[] {
  return state.opened.map((number) => {
    const outlet = graph.outlets[number] as Outlet;
    const earth = outlet.kind === 'earth';
    return {
      phase: earth ? 'earth' : 'let-down',
      layer: 0,
      subject: outlet.id,
      words: earth
        ? `${outlet.id} on ${outlet.section}: earth end first, then the conductors, nearest and lowest first${sayFaultAt(graph, number)}`
        : `${outlet.id} (${outlet.kind}) on ${outlet.section}: open, it leads to ${outlet.leads_to}${outlet.system ? ` (${outlet.system})` : ''}${sayWait(waits.get(outlet.id))}`,
      minutes: openingMinutes(outlet) + waitMinutes(waits.get(outlet.id)),
      place: placeOfSection(graph, outlet.section),
      ...waitOf(waits.get(outlet.id)),
      ...(isWatched(graph, outlet) ? { watched: true } : {}),
    };
  });
}

export function draftStores(
  graph: PlantGraph,
  requirement: Requirement,
  state: PlantState,
  waits: Waits,
): Draft[] {
  const inside = listInside(graph, state, requirement.trace);
  return graph.stores.flatMap(({ store, section }, number): Draft[] => {
    const place = graph.sections[section]?.at;
    const name = `${store.id} (${store.kind}) on ${graph.sections[section]?.id ?? ''}`;
    if (state.restrained.has(number)) {
      return [
        {
          phase: 'restrain',
          layer: 0,
          subject: store.id,
          words: `${name}: restrain`,
          minutes: RESTRAIN_MINUTES,
          place,
        },
      ];
    }
    if (store.release !== 'wait' || !inside.has(section)) return [];
    return [
      {
        phase: 'wait',
        layer: 0,
        subject: store.id,
        words: `${name}: ${waits.has(store.id) ? sayWait(waits.get(store.id)).slice(2) : 'wait until it has run down'}, and see that it has run down`,
        minutes: Math.max(OTHER_MINUTES.wait, waitMinutes(waits.get(store.id))),
        place,
        store: store.kind,
        ...waitOf(waits.get(store.id)),
      },
    ];
  });
}

/** Shafts that a line could turn through a pump: held, or parted from it, before anybody is at them. */
export const draftHolds = (
  graph: PlantGraph,
  requirement: Requirement,
  state: PlantState,
): Draft[] =>
  listTurningShafts(graph, state, requirement).map(({ pump, shaft, line }) => {
    const { id = '', kind = '' } = graph.links[pump] ?? {};
    return {
      phase: 'restrain',
      layer: 0,
      subject: id,
      words: `${id} (${kind}): ${line} could turn ${shaft}: part the coupling, hold the shaft, or shut a valve in the line and name it`,
      minutes: RESTRAIN_MINUTES,
      place: placeOfSection(graph, shaft),
      isHold: true,
    };
  });

const waitMinutes = (wait: Wait | undefined) =>
  wait === undefined ? 0 : Math.ceil(wait.seconds / 60);

/** "; wait 7 min, then read PG-14": whole minutes, rounded up; a time never proves anything, so the gauge is named with it. */
function sayWait(wait: Wait | undefined) {
  if (wait === undefined) return '';
  const read = wait.gauges.length > 0 ? `, then read ${wait.gauges.join(' and ')}` : '';
  return `; wait ${waitMinutes(wait)} min${read}`;
}

/** Equipment that holds a section of the zone's bodies and can be started: what is tried after proving. */
export function listStartStations(
  graph: PlantGraph,
  requirement: Requirement,
): { station: string; equipment: string }[] {
  const zone = new Set(requirement.trace.zone.map((section) => graph.sections[section]?.id));
  return graph.plant.equipment
    .filter((item) => item.sections.some((section) => zone.has(section)))
    .flatMap((item) =>
      (item.start_stations ?? []).map((station) => ({ station, equipment: item.id })),
    );
}

/** "run D2-LIQ (Digester 2 liquid, 1400 m³) empty": what is emptied by the normal way before anything is shut. */
const sayEmptied = (graph: PlantGraph, { trace }: Requirement): string[] =>
  trace.emptied.map(({ section, id, name }) => {
    const volume = graph.sections[section]?.volume_m3;
    return `run ${id} (${[name, ...(volume ? [`${volume} m³`] : [])].join(', ')}) empty`;
  });

/** "open Q0 (circuit-breaker), which takes the load off Q1": switched before anything is opened that must not break a load. */
const saySwitched = (graph: PlantGraph, state: PlantState): string[] =>
  listSwitchedFirst(graph, state.barriers).map((link) => {
    const { id = '', kind = 'isolator' } = graph.links[link] ?? {};
    return `open ${id} (${kind}) so that what is opened behind it carries no load, and leave it so until that is put back`;
  });

export function draftRest(
  graph: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
  state: PlantState,
): Draft[] {
  const proofs = listProofs(graph, requirement, plan).map((proof): Draft => {
    const at = proof.gauges.length > 0 ? ` (${proof.gauges.join(', ')})` : '';
    return {
      phase: 'prove',
      layer: 0,
      subject: proof.id,
      words: `prove ${proof.section}: read ${proof.kind}${at}; ${proof.why}`,
      minutes: OTHER_MINUTES.prove,
      place: placeOfSection(graph, proof.section),
    };
  });
  const stations = listStartStations(graph, requirement).map(({ station, equipment }): Draft => ({
    phase: 'try-start',
    layer: 0,
    subject: station,
    words: `try to start ${equipment} from ${station}, then return the control to off`,
    minutes: OTHER_MINUTES['try-start'],
    place: undefined,
  }));
  const fixed = (phase: 'tell' | 'stop', words: string): Draft => ({
    phase,
    layer: 0,
    subject: '',
    words,
    minutes: OTHER_MINUTES[phase],
    place: undefined,
  });
  return [
    fixed('tell', 'tell those affected'),
    fixed(
      'stop',
      [
        'stop by the normal controls',
        ...sayEmptied(graph, requirement),
        ...saySwitched(graph, state),
      ].join(', and '),
    ),
    ...proofs,
    ...stations,
  ];
}
