import {
  asEmptied,
  computePlantState,
  listInside,
  type PlantState,
  type Requirement,
} from '../isolation';
import type { IsolationPlan, Medium, Outlet, PlantGraph, Section } from '../plant';
import { listBleeds } from './bleeds';
import type { CalculationResult } from './define';
import { doesBoil, readGas } from './medium';
import { mapStore, parameter, SUN_C } from './store-inputs';
import { findOrThrow, letDownTo, listOneMedium, work, type StoredEnergy } from './work-out';

export type { StoredEnergy } from './work-out';

/** The energy of each store of the named sections, or of the whole plant, in the order of ids. */
export function listStored(graph: PlantGraph, sections?: ReadonlySet<string>): StoredEnergy[] {
  return graph.stores.flatMap(({ store, section }) => {
    const held = graph.sections[section];
    if (!held || (sections && !sections.has(held.id))) return [];
    const { calculation, given, assumed } = mapStore(store, held, graph.medium[section]);
    return [
      {
        subject: store.id,
        section: held.id,
        kind: store.kind,
        calculation,
        ...work(findOrThrow(calculation), given, assumed),
      },
    ];
  });
}

/** How long the liquid of a store drains through the outlet that releases it, as an upright body of its level; vented. */
function findDrain(graph: PlantGraph, outlet: Outlet): StoredEnergy | undefined {
  const held = graph.stores.find(
    ({ store }) => store.kind === 'trapped-liquid' && store.release === outlet.id,
  );
  const level = held && parameter(held.store, 'level_m');
  const volume = held && parameter(held.store, 'volume_m3');
  if (level === undefined || volume === undefined || level === 0) return undefined;
  return {
    subject: outlet.id,
    section: outlet.section,
    kind: 'drain',
    calculation: 'drain',
    ...work(findOrThrow('drain'), [
      ['shape', 'upright-cylinder'],
      ['diameter', Math.sqrt((4 * volume) / (Math.PI * level)), 'm'],
      ['length', level, 'm'],
      ['from', level, 'm'],
      ['to', 0, 'm'],
      ['over', 0, 'bar'],
      ['density', 1000, 'kg/m^3'],
      ['vent', 'open'],
      ['bore', outlet.dn_mm, 'mm'],
    ]),
  };
}

/** The volume of a body, of what is given; undefined when none is. */
function sumVolumes(body: readonly Section[]): number | undefined {
  const volumes = body.flatMap((section) => section.volume_m3 ?? []);
  return volumes.length > 0 ? volumes.reduce((sum, one) => sum + one, 0) : undefined;
}

/**
 * How long the gas behind an opened outlet takes to be let down: all of its medium that hangs together under the plan, at its
 * highest pressure and coldest. Liquid drains instead; what boils has no time. Undefined on a body that still holds a source, for an earth, and where nothing is
 * known to be let down; without the outlet's size or a volume the result names what is missing.
 */
export function findLetDown(
  graph: PlantGraph,
  plan: IsolationPlan,
  outlet: Outlet,
  state: PlantState = computePlantState(graph, plan),
): StoredEnergy | undefined {
  const at = graph.sectionAt.get(outlet.section);
  if (at === undefined || outlet.kind === 'earth' || state.live[state.body[at] ?? 0]) {
    return undefined;
  }
  const medium = graph.medium[at];
  const phase = medium?.phase;
  if (phase === 'liquid') return findDrain(graph, outlet);
  const body = listOneMedium(graph, state, at);
  const pressure = Math.max(0, ...body.map((section) => section.pressure_bar ?? 0));
  if ((phase !== 'gas' && phase !== 'vapour') || pressure === 0) return undefined;
  const about = { subject: outlet.id, section: outlet.section, kind: 'let-down' } as const;
  if (medium && doesBoil(medium)) {
    const message = `${medium.name} boils or condenses as it is let down: no time can be given, the gauge alone says when it is down`;
    return {
      ...about,
      calculation: 'let-down',
      inputs: {},
      result: { ok: false, problems: [{ field: '', message }] },
    };
  }
  // The colder the gas the heavier it is, and the longer it takes.
  const coldest = Math.min(...body.map((section) => section.temperature_c ?? 20));
  const { ratios, molar, assumed } = readGas(medium);
  const tried = ratios.map((k) =>
    work(
      findOrThrow('let-down'),
      [
        ['pressure', pressure, 'bar'],
        ['target', letDownTo(pressure), 'bar'],
        ['volume', sumVolumes(body), 'm^3'],
        ['bore', outlet.dn_mm, 'mm'],
        ['temperature', coldest, 'degC'],
        ['k', k, '1'],
        ['molar', molar, 'g/mol'],
      ],
      assumed,
    ),
  );
  const longest = tried.reduce((a, b) =>
    (findWaitSeconds(b.result) ?? 0) > (findWaitSeconds(a.result) ?? 0) ? b : a,
  );
  return { ...about, calculation: 'let-down', ...longest };
}

/** The time (s) that a result says to wait, when its main figure is a time. */
export function findWaitSeconds(result: CalculationResult): number | undefined {
  if (!result.ok) return undefined;
  const main = result.figures.find(({ isMain }) => isMain);
  return main?.quantity === 'time' ? main.value : undefined;
}

/** Above this (°C) water under pressure boils when it is let go. Source: boiling point at one atmosphere. */
const BOILS_C = 100;

/** Liquefied gases of the drawing by the one of the Bench that has the most energy. */
const LIQUEFIED_AS: Readonly<Partial<Record<string, string>>> = {
  lpg: 'propane',
  ammonia: 'ammonia',
};

type Trapped = Pick<StoredEnergy, 'kind' | 'calculation' | 'inputs' | 'result'>;

/** Gas under pressure that is shut in, as the burst that it would make; undefined where nothing presses. */
function describeGas(medium: Medium | undefined, body: readonly Section[]): Trapped | undefined {
  const pressure = Math.max(0, ...body.map((section) => section.pressure_bar ?? 0));
  if (pressure === 0) return undefined;
  const { ratios, assumed } = readGas(medium);
  return {
    kind: 'shut-in gas',
    calculation: 'gas-energy',
    ...work(
      findOrThrow('gas-energy'),
      [
        ['pressure', pressure, 'bar'],
        ['volume', sumVolumes(body), 'm^3'],
        ['k', Math.min(...ratios), '1'],
        ['scaled', 'glass-breakage'],
      ],
      assumed,
    ),
  };
}

/** A liquid shut in above its boiling point, as the burst that it would make; undefined where it does not boil when it is let go. */
function describeHotLiquid(
  medium: Medium | undefined,
  body: readonly Section[],
): Trapped | undefined {
  const hottest = Math.max(...body.map((section) => section.temperature_c ?? SUN_C));
  const liquefied = LIQUEFIED_AS[medium?.fluid ?? ''];
  if (liquefied === undefined && hottest <= BOILS_C) return undefined;
  const isKnown = liquefied !== undefined || medium?.fluid === 'water';
  return {
    kind: 'hot liquid shut in',
    calculation: 'flashing-burst',
    ...work(
      findOrThrow('flashing-burst'),
      [
        ['fluid', liquefied ?? 'water'],
        ['content', 'liquid'],
        ['temperature', hottest, 'degC'],
        ['volume', sumVolumes(body), 'm^3'],
        ['scaled', 'glass-breakage'],
      ],
      isKnown ? [] : [`The drawing does not say what ${medium?.name ?? 'it'} is: taken as water.`],
    ),
  };
}

/** Gas and hot liquid shut in between barriers of a plan, each body once, under the id of its first section. */
function listTrapped(graph: PlantGraph, state: PlantState): StoredEnergy[] {
  const seen = new Set<string>();
  const ends = graph.links.flatMap((_, link) =>
    state.barred[link] ? [graph.ends[2 * link] as number, graph.ends[2 * link + 1] as number] : [],
  );
  return [...new Set(ends)]
    .sort((a, b) => a - b)
    .flatMap((end) => {
      const medium = graph.medium[end];
      if (state.live[state.body[end] ?? 0] || graph.carrier[end] !== 'fluid') return [];
      const body = listOneMedium(graph, state, end);
      const [first] = [...body].sort((a, b) => (a.id < b.id ? -1 : 1));
      if (!first || seen.has(first.id)) return [];
      seen.add(first.id);
      const describe = medium?.phase === 'liquid' ? describeHotLiquid : describeGas;
      const found = medium?.phase === 'solid' ? undefined : describe(medium, body);
      return found ? [{ subject: first.id, section: first.id, ...found }] : [];
    });
}

/**
 * The stored energy that a job has to reckon with under a plan: stores that reach the work with nothing in between or that the
 * plan releases, gas shut in by its barriers, and how long its outlets take to let down or drain.
 */
export function findStored(
  drawn: PlantGraph,
  requirement: Requirement,
  plan: IsolationPlan,
): StoredEnergy[] {
  const graph = asEmptied(drawn, requirement);
  const state = computePlantState(graph, plan);
  const inside = listInside(graph, state, requirement.trace);
  const stores = new Set(
    graph.stores
      .filter(
        ({ store, section }) =>
          (plan.close.length > 0 && inside.has(section)) ||
          plan.restrain.includes(store.id) ||
          plan.open.includes(store.release) ||
          requirement.trace.stores.some(({ id, separable }) => id === store.id && !separable),
      )
      .map(({ store }) => store.id),
  );
  const outlets = state.opened.flatMap((number) => {
    const outlet = graph.outlets[number];
    return (outlet && findLetDown(graph, plan, outlet, state)) ?? [];
  });
  return [
    ...listStored(graph).filter(({ subject }) => stores.has(subject)),
    ...listTrapped(graph, state),
    ...listBleeds(graph, state),
    ...outlets,
  ];
}
