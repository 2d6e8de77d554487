import { computeShutInRise } from '../energy/liquids';
import { compareIds, isFluid, labelParts, type Link, type PlantGraph } from '../plant';
import { leadsToSafety, sectionOfOutlet, type PlantState } from './bodies';
import { listLostSections } from './cost';
import { makeFinding, type Finding } from './findings';
import type { Requirement } from './requirement';

/** How much a shut-in line may warm in sun or shade while work goes on (K). Source: practice. */
export const BLOCKED_IN_WARMING_K = 20;

/** Temperature taken for a line whose own is not given (°C). Source: practice. */
const USUAL_LINE_C = 15;

const bodyOf = (state: PlantState, section: number) => state.body[section] as number;

function cautionPowerless(graph: PlantGraph, state: PlantState): Finding[] {
  return state.powerless.map((number) => {
    const link = graph.links[number] as Link;
    const why =
      link.passing === true
        ? 'it is known to pass'
        : link.operated === 'remote'
          ? 'it is worked from afar and nothing physical holds it'
          : link.lockable === false
            ? 'it cannot be locked'
            : `a ${link.kind} never isolates`;
    return makeFinding('not-a-barrier', link.id, `${link.id} counts for nothing: ${why}`, {
      mends: [{ action: 'drop', id: link.id, words: `take ${link.id} out of the plan` }],
    });
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
  const fluid = requirement.trace.zone.filter((section) =>
    isFluid(graph.medium[section]?.energy ?? 'electrical'),
  );
  const without = new Set(fluid.map((section) => bodyOf(state, section)));
  graph.outlets.forEach((outlet, number) => {
    if (outlet.kind !== 'earth') without.delete(bodyOf(state, sectionOfOutlet(graph, number)));
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

/** Whether heat or a running pump can still act on a body. */
function isDriven(graph: PlantGraph, state: PlantState, body: number): boolean {
  const has = (kind: Link['kind']) =>
    (graph.linksByKind.get(kind) ?? []).some(
      (number) => bodyOf(state, graph.ends[2 * number] as number) === body,
    );
  const live = graph.sections.flatMap((section, number) =>
    section.source && bodyOf(state, number) === body ? [graph.medium[number]?.energy] : [],
  );
  const hotBody = graph.stores.some(
    ({ store, section }) => store.kind === 'hot-body' && bodyOf(state, section) === body,
  );
  return (
    hotBody ||
    live.includes('thermal') ||
    (live.length > 0 && has('exchanger')) ||
    (has('pump') && (live.includes('electrical') || live.includes('mechanical')))
  );
}

function cautionRelief(graph: PlantGraph, state: PlantState): Finding[] {
  return (graph.linksByKind.get('relief-valve') ?? []).flatMap((number) => {
    const link = graph.links[number] as Link;
    const own = bodyOf(state, graph.ends[2 * number] as number);
    return (link.protects ?? []).flatMap((id) => {
      const body = bodyOf(state, graph.sectionAt.get(id) ?? -1);
      if (body === own || !isDriven(graph, state, body)) return [];
      const words = `${link.id} is cut off from ${id}, which it protects, while heat or a pump still acts on it`;
      return [makeFinding('relief-cut-off', link.id, words)];
    });
  });
}

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
    if (entry && graph.outlets[outlet]?.kind !== 'earth') entry.canRelieve = true;
  }
  return survey;
}

function cautionBlockedIn(graph: PlantGraph, state: PlantState): Finding[] {
  return [...surveyBodies(graph, state).values()].flatMap(({ sections, barriers, canRelieve }) => {
    const fluid = sections.filter((section) => isFluid(graph.medium[section]?.energy ?? 'gravity'));
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

/** A bled body that is only one because a link that stands closed in normal running is taken as open. */
function cautionBledThrough(graph: PlantGraph, state: PlantState): Finding[] {
  const suspects: number[] = [];
  graph.isNormallyClosed.forEach((isClosed, number) => {
    if (!isClosed || state.barred[number]) return;
    if (state.bled[bodyOf(state, graph.ends[2 * number] as number)]) suspects.push(number);
  });
  if (suspects.length === 0) return [];
  const asItStands = labelParts(
    graph,
    (link) => !state.barred[link] && !graph.isNormallyClosed[link],
  );
  const opened = new Set(
    state.opened
      .filter((outlet) => graph.outlets[outlet]?.kind !== 'earth')
      .map((outlet) => asItStands[sectionOfOutlet(graph, outlet)]),
  );
  return suspects.flatMap((number) => {
    const { id } = graph.links[number] as Link;
    const ends = [graph.ends[2 * number] as number, graph.ends[2 * number + 1] as number];
    const shut = ends.filter((end) => !opened.has(asItStands[end]));
    if (shut.length === 0) return [];
    const names = shut.map((end) => graph.sections[end]?.id ?? '').join(' and ');
    const words = `${names} counts as bled through ${id}, which stands closed in normal running: open ${id}, or bleed ${names} as well`;
    const mends = graph.outlets
      .filter(
        (outlet, at) => shut.includes(sectionOfOutlet(graph, at)) && leadsToSafety(graph, outlet),
      )
      .map((outlet) => ({
        action: 'open' as const,
        id: outlet.id,
        words: `open ${outlet.id}`,
      }));
    return [makeFinding('bled-through-closed-link', id, words, { mends })];
  });
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
    ...cautionNoSource(requirement),
    ...cautionNoOutlet(graph, state, requirement),
    ...cautionRelief(graph, state),
    ...cautionBlockedIn(graph, state),
    ...cautionSharedSystem(graph, state),
    ...cautionBledThrough(graph, state),
    ...cautionFailingOpen(graph, state, lost),
    ...cautionLostSupply(graph, requirement, lost),
  ];
}
