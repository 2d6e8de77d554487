import { findLetDown } from '../core/bench';
import { parameter } from '../core/bench/store-inputs';
import { sectionOfOutlet } from '../core/isolation';
import { isFluid, linksOf, otherEnd, type Outlet } from '../core/plant';
import { readOff, secondsSince, type AsIs } from './as-is';

/** Share of the pressure behind a passing valve that stands before it while a bleed is open. Made up for practice. */
const LEAK_SHARE = 0.03;
/** How fast gas leaves where the drawing gives neither volume nor bore (s to 37 %). Made up for practice. */
const USUAL_LET_DOWN_S = 60;
/** Below this (bar) nothing can be seen or heard to flow. Made up for practice. */
const SEEN_TO_FLOW = 0.002;
/** Below this (m) a drain only drips. Made up for practice. */
const SEEN_TO_STAND = 0.001;

/** What a gauge and a pair of eyes find at a section of fluid. */
export interface FluidFound {
  readonly bar: number;
  readonly metres: number;
  /** Something comes out of an open vent, drain or bleed. */
  readonly flows: boolean;
  /** Whether anything ever came out of each opened one: a plugged one was never clear. */
  readonly isClear: boolean;
}

/** Whether fluid passes a link freely: within one medium, or where one stands on another, as gas over a liquid. */
function isFree({ graph }: AsIs, link: number, [a, b]: readonly [number, number]): boolean {
  const [one, other] = [graph.medium[a], graph.medium[b]];
  if (one === other) return true;
  const isSurface = graph.links[link]?.kind === 'joint';
  return (
    isSurface &&
    one !== undefined &&
    other !== undefined &&
    isFluid(one.energy) &&
    isFluid(other.energy)
  );
}

/** The sections that hang together with a section as far as what is in them goes. */
function listBody(plant: AsIs, barred: Uint8Array, from: number): Set<number> {
  const { graph } = plant;
  const body = new Set([from]);
  for (const section of body) {
    for (const link of linksOf(graph, section)) {
      const next = otherEnd(graph, link, section);
      if (!barred[link] && isFree(plant, link, [section, next])) body.add(next);
    }
  }
  return body;
}

/** The highest pressure (bar) in those of the sections that hold what a section holds. */
const highestPressure = ({ graph }: AsIs, sections: Iterable<number>, of: number) =>
  Math.max(
    0,
    ...[...sections]
      .filter((section) => graph.medium[section] === graph.medium[of])
      .map((section) => graph.sections[section]?.pressure_bar ?? 0),
  );

/** Outlets of a body that are open and clear, longest open first. */
function listOpen(plant: AsIs, body: ReadonlySet<number>): { outlet: Outlet; seconds: number }[] {
  const { graph, tight, positions } = plant;
  return tight.opened
    .filter((number) => body.has(sectionOfOutlet(graph, number)))
    .flatMap((number) => graph.outlets[number] ?? [])
    .map((outlet) => ({
      outlet,
      seconds: secondsSince(plant, positions.opened.get(outlet.id) ?? plant.now),
    }))
    .sort((a, b) => b.seconds - a.seconds);
}

/** What is left of a shut-in pressure (bar) once an outlet has been open for so long, by the let-down formulas where they apply. */
function letDown(plant: AsIs, start: number, { outlet, seconds }: ReturnType<typeof listOpen>[0]) {
  const { graph, tight } = plant;
  const at = graph.sectionAt.get(outlet.section) ?? -1;
  if (graph.medium[at]?.phase === 'liquid') return 0;
  const found = findLetDown(graph, tight.plan, outlet, tight)?.result;
  const curve = found?.ok ? found.curve : undefined;
  if (!curve) return start * Math.exp(-seconds / USUAL_LET_DOWN_S);
  const end = curve.points.at(-1);
  if (end && seconds > end[0]) return 0;
  return readOff(curve.points, seconds) / 1e5;
}

/** What stands in a drained section (m): its level falls by the drain formulas from when its drain was opened. */
function findLevel(plant: AsIs, body: ReadonlySet<number>, open: ReturnType<typeof listOpen>) {
  const { graph, tight } = plant;
  const levels = graph.stores
    .filter(({ store, section }) => store.kind === 'trapped-liquid' && body.has(section))
    .map(({ store }) => {
      const full = parameter(store, 'level_m') ?? 0;
      const drain = open.find(({ outlet }) => outlet.id === store.release);
      if (!drain) return full;
      const found = findLetDown(graph, tight.plan, drain.outlet, tight)?.result;
      const curve = found?.ok ? found.curve : undefined;
      return curve ? readOff(curve.points, drain.seconds) : 0;
    });
  const highest = Math.max(0, ...levels);
  return highest < SEEN_TO_STAND ? 0 : highest;
}

/** Reads a section of fluid: its pressure (bar gauge), what stands in it (m), and what comes out of its openings. */
export function readFluid(plant: AsIs, section: number): FluidFound {
  const { graph, tight, leaking, positions } = plant;
  const body = listBody(plant, tight.barred, section);
  const open = listOpen(plant, body);
  const wanted = [...positions.opened.keys()].filter((id) => {
    const outlet = graph.outlets[graph.outletAt.get(id) ?? -1];
    return outlet && body.has(graph.sectionAt.get(outlet.section) ?? -1);
  });
  const isClear = wanted.length > 0 && open.length === wanted.length;
  const isFed = (state: typeof tight, sections: Iterable<number>) =>
    [...sections].some((one) => graph.isSource[one] && state.live[state.body[one] ?? 0]);
  const metres = findLevel(plant, body, open);
  if (isFed(tight, body)) {
    const bar = highestPressure(plant, body, section);
    return { bar, metres, flows: open.length > 0, isClear };
  }
  const wider = listBody(plant, leaking.barred, section);
  const shutIn = highestPressure(plant, body, section);
  const left = open[0] ? letDown(plant, shutIn, open[0]) : shutIn;
  if (isFed(leaking, wider)) {
    const behind = highestPressure(plant, wider, section);
    const bar = open.length > 0 ? Math.max(left, behind * LEAK_SHARE) : behind;
    return { bar, metres, flows: open.length > 0, isClear };
  }
  return {
    bar: left,
    metres,
    flows: open.length > 0 && (left > SEEN_TO_FLOW || metres > 0),
    isClear,
  };
}
