import {
  buildGraph,
  parsePlant,
  type Plant,
  type PlantGraph,
  type Scope,
} from '../../src/core/plant';
import { computeRequirement, type Requirement } from '../../src/core/isolation';
import type { Grade, IsolationPlan } from '../../src/core/plant';

/** A line of water: header SRC, valve V1, space MID with a bleed, valve V2, work W with drain DR, blind SB to a dead end. */
export function smallPlant(
  change: {
    sections?: Record<string, object>;
    links?: Record<string, object>;
    outlets?: Record<string, object>;
    medium?: Partial<Plant['media'][number]>;
  } = {},
): Plant {
  const water = {
    id: 'WATER',
    name: 'water',
    energy: 'process',
    phase: 'liquid',
    hazards: [],
    ...change.medium,
  };
  const section = (id: string, more: object = {}) => ({
    id,
    name: id,
    medium: 'WATER',
    area: 'A',
    pressure_bar: 2,
    temperature_c: 15,
    ...more,
    ...change.sections?.[id],
  });
  const link = (id: string, kind: string, a: string, b: string) => ({
    id,
    kind,
    between: [a, b],
    ...change.links?.[id],
  });
  const outlet = (id: string, where: string, kind: string, leads: string) => ({
    id,
    section: where,
    kind,
    leads_to: leads,
    ...change.outlets?.[id],
  });
  return {
    format: 'heavy-lantern/plant',
    version: 1,
    name: 'small plant',
    areas: [{ id: 'A', name: 'area', outline: [], zone: 'none' }],
    media: [
      water,
      { id: 'POWER', name: 'power', energy: 'electrical', phase: 'none', hazards: [] },
    ],
    sections: [
      section('SRC', { source: { name: 'header' } }),
      section('MID'),
      section('W'),
      section('END'),
      section('BUS', { medium: 'POWER', source: { name: 'bus' }, voltage_v: 400 }),
      section('CBL', { medium: 'POWER', voltage_v: 400 }),
    ],
    links: [
      link('V1', 'gate-valve', 'SRC', 'MID'),
      link('V2', 'gate-valve', 'MID', 'W'),
      link('SB', 'spectacle-blind', 'W', 'END'),
      link('CB', 'circuit-breaker', 'BUS', 'CBL'),
      link('M', 'motor', 'CBL', 'W'),
    ],
    outlets: [
      outlet('BL', 'MID', 'bleed', 'safe'),
      outlet('DR', 'W', 'drain', 'safe'),
      outlet('EA', 'CBL', 'earth', 'earth'),
    ],
    gauges: [{ id: 'PG', section: 'W', reads: 'pressure' }],
    equipment: [],
  } as unknown as Plant;
}

/** Builds graph and requirement of a job, `open` on W for 8 h when nothing else is said. */
export function jobOn(
  plant: Plant,
  scope: Scope = { work: [{ section: 'W', activity: 'open' }], hours: 8 },
  grades: Record<string, Grade> = {},
): { graph: PlantGraph; requirement: Requirement } {
  const parsed = parsePlant(plant);
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems));
  const graph = buildGraph(parsed.value);
  return { graph, requirement: computeRequirement(graph, scope, grades) };
}

export const planOf = (
  close: string[],
  open: string[] = [],
  restrain: string[] = [],
): IsolationPlan => ({ close, open, restrain });
