import { computeShutInRise } from '../../energy/liquids';
import { compareIds, type Link, type Outlet, type PlantGraph } from '../../plant';
import { sectionOfOutlet, type PlantState } from '../bodies';
import { listLostSections } from '../cost';
import { makeFinding, type Finding } from '../findings';
import { DRIVEN, ENDS_HERE, ITSELF, searchModes, stateOf } from '../modes';
import type { Requirement } from '../requirement';
import { UNREACHED } from '../routes';
import { listTurningShafts } from '../turning';
import { isInService, listProtectors, stateAsItStands } from './relief';

/** How much a shut-in line may warm in sun or shade while work goes on (K). Source: practice. */
export const BLOCKED_IN_WARMING_K = 20;

/** Temperature taken for a line whose own is not given (°C). Source: practice. */
const USUAL_LINE_C = 15;

const bodyOf = (state: PlantState, section: number) => state.body[section] as number;

/** Why a link that is closed is no barrier. */
function sayPowerless({ kind, passing, seized, operated, lockable }: Link): string {
  if (passing === true) return 'it is known to pass';
  if (seized === true) return 'it is known to be stuck';
  if (operated === 'remote') return 'it is worked from afar and nothing physical holds it';
  return lockable === false ? 'it cannot be locked' : `a ${kind} never isolates`;
}

function cautionPowerless(graph: PlantGraph, state: PlantState): Finding[] {
  return state.powerless.map((number) => {
    const link = graph.links[number] as Link;
    const words = `${link.id} counts for nothing: ${sayPowerless(link)}`;
    return makeFinding('not-a-barrier', link.id, words, {
      mends: [{ action: 'drop', id: link.id, words: `take ${link.id} out of the plan` }],
    });
  });
}

/** Outlets of the plan that do nothing: what they were opened for has to come about in another way. */
const cautionPlugged = (graph: PlantGraph, state: PlantState): Finding[] =>
  state.opened
    .map((number) => graph.outlets[number] as Outlet)
    .filter(({ plugged }) => plugged === true)
    .map(({ id, kind, section }) => {
      const does = kind === 'earth' ? 'it earths nothing' : 'it lets nothing down';
      return makeFinding(
        'outlet-plugged',
        id,
        `${id} on ${section} is known to be blocked or unfit: ${does}`,
        {
          mends: [{ action: 'drop', id, words: `take ${id} out of the plan` }],
        },
      );
    });

function cautionUnfit(graph: PlantGraph, state: PlantState): Finding[] {
  const shut = new Set(state.plan.close);
  return state.unfitToStand.flatMap((number) => {
    const { id, kind } = graph.links[number] as Link;
    if (shut.has(id)) return [];
    const words = `${id} (${kind}) cannot be locked open by hand: nothing that is let down may rely on it`;
    const mends = [{ action: 'drop' as const, id, words: `take ${id} out of the plan` }];
    return [makeFinding('cannot-stand-open', id, words, { mends })];
  });
}

function cautionNoSource(requirement: Requirement): Finding[] {
  if (requirement.demands.length > 0) return [];
  return [
    makeFinding(
      'no-source-found',
      'work',
      'no source reaches the work on this drawing: doubt the drawing and look at the plant before going on',
    ),
  ];
}

function cautionNoOutlet(
  graph: PlantGraph,
  state: PlantState,
  requirement: Requirement,
): Finding[] {
  const fluid = requirement.trace.zone.filter((section) => graph.carrier[section] === 'fluid');
  const without = new Set(fluid.map((section) => bodyOf(state, section)));
  graph.outlets.forEach((outlet, number) => {
    if (outlet.kind !== 'earth' && outlet.plugged !== true)
      without.delete(bodyOf(state, sectionOfOutlet(graph, number)));
  });
  return fluid
    .filter((section) => without.has(bodyOf(state, section)))
    .map((section) => {
      const id = graph.sections[section]?.id ?? '';
      return makeFinding(
        'no-outlet',
        id,
        `${id} has no vent, drain or bleed at all to be let down by`,
      );
    });
}

/** Whether heat, or something that turns, can still act on a section. */
function isActedOn(graph: PlantGraph, state: PlantState, section: number): boolean {
  const from = [stateOf(section, DRIVEN), stateOf(section, ENDS_HERE)];
  const tree = searchModes(graph, from, { weigh: (link) => (state.barred[link] ? -1 : 0) });
  const acts = (one: number) => tree.cost[stateOf(one, ITSELF)] !== UNREACHED;
  const hasHotBody = graph.stores.some(
    ({ store, section: at }) =>
      store.kind === 'hot-body' && (state.body[at] === state.body[section] || acts(at)),
  );
  return hasHotBody || graph.sections.some(({ source }, one) => source !== undefined && acts(one));
}

function cautionRelief(graph: PlantGraph, state: PlantState): Finding[] {
  const asItStands = stateAsItStands(graph);
  return [...listProtectors(graph)].flatMap(([section, reliefs]) => {
    if (state.live[bodyOf(state, section)]) return [];
    const before = reliefs.filter((one) => isInService(graph, asItStands, one, section));
    const isLeft = reliefs.some((one) => isInService(graph, state, one, section));
    const [first] = before;
    if (first === undefined || isLeft || !isActedOn(graph, state, section)) return [];
    const relief = graph.links[first]?.id ?? '';
    const id = graph.sections[section]?.id ?? '';
    const words = `${relief} is cut off from ${id}, which it protects, while heat or a pump still acts on it`;
    return [makeFinding('relief-cut-off', relief, words)];
  });
}

/** Shafts of the work that what stands in a line could turn through a pump: each is a step of the order. */
const cautionTurning = (
  graph: PlantGraph,
  state: PlantState,
  requirement: Requirement,
): Finding[] =>
  listTurningShafts(graph, state, requirement).map(({ pump, shaft, line }) => {
    const { id } = graph.links[pump] as Link;
    const words = `what stands in ${line} may turn ${shaft} through ${id}: part the coupling, hold the shaft, or shut and name a valve in the line`;
    return makeFinding('shaft-may-turn', id, words);
  });

interface BodySurvey {
  readonly sections: number[];
  readonly barriers: string[];
  canRelieve: boolean;
}

/** The bodies without source that barriers shut in, with what lies in each. */
function surveyBodies(graph: PlantGraph, state: PlantState): Map<number, BodySurvey> {
  const survey = new Map<number, BodySurvey>();
  const endsOf = (number: number) => [
    bodyOf(state, graph.ends[2 * number] as number),
    bodyOf(state, graph.ends[2 * number + 1] as number),
  ];
  for (const number of state.barriers) {
    for (const body of new Set(endsOf(number))) {
      if (state.live[body]) continue;
      const entry = survey.get(body) ?? { sections: [], barriers: [], canRelieve: false };
      entry.barriers.push(graph.links[number]?.id ?? '');
      survey.set(body, entry);
    }
  }
  if (survey.size === 0) return survey;
  state.body.forEach((body, section) => survey.get(body)?.sections.push(section));
  for (const number of graph.linksByKind.get('relief-valve') ?? []) {
    if (state.barred[number]) continue;
    for (const body of endsOf(number)) {
      const entry = survey.get(body);
      if (entry) entry.canRelieve = true;
    }
  }
  for (const outlet of state.opened) {
    const entry = survey.get(bodyOf(state, sectionOfOutlet(graph, outlet)));
    const { kind, plugged } = graph.outlets[outlet] as Outlet;
    if (entry && kind !== 'earth' && plugged !== true) entry.canRelieve = true;
  }
  return survey;
}

function cautionBlockedIn(graph: PlantGraph, state: PlantState): Finding[] {
  return [...surveyBodies(graph, state).values()].flatMap(({ sections, barriers, canRelieve }) => {
    const fluid = sections.filter((section) => graph.carrier[section] === 'fluid');
    const full =
      fluid.length > 0 && fluid.every((section) => graph.medium[section]?.phase === 'liquid');
    if (!full || canRelieve || barriers.length < 2) return [];
    const first = graph.sections[fluid[0] as number];
    const from = first?.temperature_c ?? USUAL_LINE_C;
    const said = graph.medium[fluid[0] as number] ?? {};
    const rise = computeShutInRise(said, from, from + BLOCKED_IN_WARMING_K);
    const reaches =
      rise === undefined
        ? 'its pressure cannot be computed at this temperature'
        : `${rise.as} in a rigid line it would rise by up to ${(rise.pascal / 1e5).toFixed(0)} bar if it warmed by ${BLOCKED_IN_WARMING_K} K from ${from} °C`;
    const words = `${first?.id ?? ''} is shut in full of liquid between ${barriers.join(' and ')} with nothing opened: ${reaches}`;
    return [makeFinding('blocked-in-liquid', first?.id ?? '', words)];
  });
}

function cautionSharedSystem(graph: PlantGraph, state: PlantState): Finding[] {
  const bySystem = new Map<string, { ids: string[]; media: Set<string> }>();
  for (const number of state.opened) {
    const outlet = graph.outlets[number];
    if (outlet?.system === undefined || outlet.leads_to !== 'closed-system') continue;
    const entry = bySystem.get(outlet.system) ?? { ids: [], media: new Set<string>() };
    entry.ids.push(outlet.id);
    entry.media.add(graph.medium[sectionOfOutlet(graph, number)]?.name ?? '');
    bySystem.set(outlet.system, entry);
  }
  return [...bySystem]
    .filter(([, { media }]) => media.size > 1)
    .map(([system, { ids, media }]) =>
      makeFinding(
        'outlets-share-system',
        system,
        `${ids.join(' and ')} let ${[...media].join(' and ')} into the same closed system ${system}`,
      ),
    );
}

function cautionFailingOpen(
  graph: PlantGraph,
  state: PlantState,
  lost: ReadonlySet<number>,
): Finding[] {
  return [...new Set(state.plan.close)].sort(compareIds).flatMap((id) => {
    const number = graph.linkAt.get(id) ?? -1;
    const link = graph.links[number];
    if (!link || !state.barred[number] || link.fails !== 'open') return [];
    if (link.powered_by === undefined) return [];
    const power = graph.sectionAt.get(link.powered_by) ?? -1;
    if (!lost.has(power)) return [];
    const words = `${link.id} fails open, and this plan takes away its motive power from ${link.powered_by}`;
    return [makeFinding('barrier-fails-open', link.id, words)];
  });
}

function cautionLostSupply(
  graph: PlantGraph,
  requirement: Requirement,
  lost: ReadonlySet<number>,
): Finding[] {
  const zone = new Set(requirement.trace.zone.map((section) => graph.sections[section]?.id));
  return graph.plant.equipment.flatMap((item) => {
    if (item.sections.some((section) => zone.has(section))) return [];
    const dark = item.sections.filter((section) => lost.has(graph.sectionAt.get(section) ?? -1));
    if (dark.length === 0) return [];
    const words = `${item.name} (${item.id}) loses its supply at ${dark.join(', ')}`;
    return [makeFinding('equipment-loses-supply', item.id, words)];
  });
}

/** Everything about a plan that does not stop it but that a person has to know before signing. */
export function listCautions(
  graph: PlantGraph,
  state: PlantState,
  requirement: Requirement,
): Finding[] {
  const lost = new Set(listLostSections(graph, state.plan.close));
  return [
    ...cautionPowerless(graph, state),
    ...cautionPlugged(graph, state),
    ...cautionUnfit(graph, state),
    ...cautionNoSource(requirement),
    ...cautionNoOutlet(graph, state, requirement),
    ...cautionRelief(graph, state),
    ...cautionBlockedIn(graph, state),
    ...cautionSharedSystem(graph, state),
    ...cautionTurning(graph, state, requirement),
    ...cautionFailingOpen(graph, state, lost),
    ...cautionLostSupply(graph, requirement, lost),
  ];
}
