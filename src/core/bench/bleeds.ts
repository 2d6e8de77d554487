import type { PlantState } from '../isolation';
import { LIQUIDS } from '../energy/liquids';
import { linksOf, otherEnd, type Medium, type Outlet, type PlantGraph } from '../plant';
import { findOrThrow, letDownTo, listOneMedium, work, type StoredEnergy } from './work-out';
import type { Given } from './given';
import { doesBoil, readGas } from './medium';

/** The heavier a liquid, the less of it a bleed carries: where nothing is known it is taken for water, which is heavier than most. */
const WATER_DENSITY = 1000;

const densityOf = ({ density_kg_m3: own, fluid }: Medium): number =>
  own ?? (fluid === undefined || fluid === 'water' ? WATER_DENSITY : LIQUIDS[fluid].density);

/** The highest pressure (bar gauge) that stands before the shut valves round a body, and whether a shut valve parts it from a dead side too. */
function findSides(graph: PlantGraph, state: PlantState, body: readonly number[]) {
  let before: number | undefined = -Infinity;
  let isBetween = false;
  for (const section of body) {
    for (const link of linksOf(graph, section)) {
      if (!state.barred[link]) continue;
      const other = otherEnd(graph, link, section);
      if (graph.medium[other] !== graph.medium[section]) continue;
      if (state.live[state.body[other] ?? 0]) {
        const pressure = graph.sections[other]?.pressure_bar;
        before =
          pressure === undefined || before === undefined ? undefined : Math.max(before, pressure);
      } else isBetween = true;
    }
  }
  return { before, isBetween };
}

function workOut(medium: Medium, outlet: Outlet, pressure: number | undefined) {
  const shared: Given[] = [
    ['upstream', pressure, 'bar'],
    ['allowed', pressure === undefined ? 0.05 : letDownTo(pressure), 'bar'],
    ['bore', outlet.dn_mm, 'mm'],
  ];
  if (medium.phase === 'liquid') {
    const given: Given[] = [
      ...shared,
      ['leak', 0, 'litre/min'],
      ['density', densityOf(medium), 'kg/m^3'],
    ];
    return { calculation: 'cavity-liquid', ...work(findOrThrow('cavity-liquid'), given) };
  }
  const { ratios, molar, assumed } = readGas(medium);
  const given: Given[] = [
    ...shared,
    ['leak', 0, 'mbar litre/s'],
    ['k', Math.min(...ratios), '1'],
    ['molar', molar, 'g/mol'],
  ];
  return { calculation: 'cavity-gas', ...work(findOrThrow('cavity-gas'), given, assumed) };
}

/**
 * The bleeds that a plan opens between two shut valves: how large a leak past the first each of them carries before the second comes under
 * pressure. What boils as it is let down is left out: no sum here speaks for it.
 */
export function listBleeds(graph: PlantGraph, state: PlantState): StoredEnergy[] {
  return state.opened.flatMap((number) => {
    const outlet = graph.outlets[number];
    const at = outlet && graph.sectionAt.get(outlet.section);
    if (!outlet || at === undefined || outlet.kind === 'earth') return [];
    const medium = graph.medium[at];
    const isFluid = medium?.phase === 'liquid' || medium?.phase === 'gas';
    if (!medium || !isFluid || doesBoil(medium) || state.live[state.body[at] ?? 0]) return [];
    const body = listOneMedium(graph, state, at).map(({ id }) => graph.sectionAt.get(id) ?? at);
    const { before, isBetween } = findSides(graph, state, body);
    if (before === -Infinity || !isBetween) return [];
    return [
      {
        subject: outlet.id,
        section: outlet.section,
        kind: 'bleed between two valves',
        ...workOut(medium, outlet, before),
      },
    ];
  });
}
