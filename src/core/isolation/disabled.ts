import type { IsolationPlan, PlantGraph } from '../plant';
import { computePlantState } from './bodies';
import { stateAsItStands } from './check/relief';
import { listLostSections } from './cost';
import { listInside } from './inside';

/** A device that keeps people or plant safe and no longer can. */
export interface Disabled {
  /** Id of the relief valve, gas gauge, trip contact or stop button. */
  readonly device: string;
  readonly kind: 'relief' | 'detector' | 'trip';
  readonly words: string;
}

const TRIPS = ['interlock-contact', 'stop-button'] as const;

/**
 * Lists what a plan, carried out, puts out of action although something is left for it to guard, by id: a relief valve cut off
 * from what it protects while that is not open to a safe place; a gas gauge cut off, outside the work, from what it samples; a
 * trip contact or stop button, not wholly inside the isolation, whose wire loses its supply. Unknown ids of the plan count for
 * nothing; empty when nothing is disabled. `inside` are the numbers of the sections of the work.
 */
export function listDisabled(
  graph: PlantGraph,
  plan: IsolationPlan,
  inside: readonly number[] = [],
): Disabled[] {
  const state = computePlantState(graph, plan);
  const bodyOf = (section: number) => state.body[section] ?? -1;
  const own = listInside(graph, state, { zone: inside });
  const lost = new Set(listLostSections(graph, plan.close));
  const reliefs = (graph.linksByKind.get('relief-valve') ?? []).flatMap((number): Disabled[] => {
    const link = graph.links[number];
    const at = bodyOf(graph.ends[2 * number] ?? -1);
    const cutOff = (link?.protects ?? []).filter((id) => {
      const body = bodyOf(graph.sectionAt.get(id) ?? -1);
      const section = graph.sectionAt.get(id) ?? -1;
      return body !== at && state.bled[state.part[section] ?? -1] !== 1;
    });
    if (!link || cutOff.length === 0) return [];
    const words = `${link.id} no longer relieves ${cutOff.join(', ')}`;
    return [{ device: link.id, kind: 'relief', words }];
  });
  const whole = stateAsItStands(graph);
  const detectors = graph.plant.gauges.flatMap(({ id, section, reads }): Disabled[] => {
    const number = graph.sectionAt.get(section) ?? -1;
    const body = bodyOf(number);
    const wasFed = whole.live[whole.body[number] ?? -1] === 1;
    if (reads !== 'gas' || !wasFed || state.live[body] === 1 || own.has(number)) return [];
    return [
      { device: id, kind: 'detector', words: `${id} no longer samples what feeds ${section}` },
    ];
  });
  const trips = TRIPS.flatMap((kind) => graph.linksByKind.get(kind) ?? []).flatMap(
    (number): Disabled[] => {
      const ends = [graph.ends[2 * number] ?? -1, graph.ends[2 * number + 1] ?? -1];
      const id = graph.links[number]?.id ?? '';
      const isInside = ends.every((end) => own.has(end));
      if (isInside || !ends.some((end) => lost.has(end))) return [];
      return [{ device: id, kind: 'trip', words: `${id} has lost its supply and trips nothing` }];
    },
  );
  return [...reliefs, ...detectors, ...trips].sort((a, b) => (a.device < b.device ? -1 : 1));
}
