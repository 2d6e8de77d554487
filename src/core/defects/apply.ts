import { buildGraph, listRenamed, type Plant, type PlantGraph } from '../plant';
import type { DefectKind } from './kinds';

/** A defect that is not yet proved to be mended: its number, the device by its id on the newest drawing, what is wrong. */
export interface StandingDefect {
  readonly number: number;
  readonly device: string;
  readonly defect: DefectKind;
  /** When it was reported (ISO 8601, UTC). */
  readonly at: string;
  /** Who says that it may be so until when, and what stands in. */
  readonly guard?: { readonly until: string; readonly standsIn: string } | undefined;
}

/**
 * What a device is called on a drawing, by its id of the newest: its own, the one that this drawing gave it later, or an earlier one.
 * Several where the drawing has several of them; none where it has none.
 */
export function listNamesOn({ plant }: PlantGraph, device: string, newest: Plant): string[] {
  const now = listRenamed(newest).get(device) ?? device;
  const before = [...listRenamed(newest)].flatMap(([old, is]) => (is === now ? [old] : []));
  return [...new Set([device, listRenamed(plant).get(device) ?? device, now, ...before])];
}

const mark = <Row extends { readonly id: string }>(
  rows: readonly Row[],
  ids: ReadonlySet<string>,
  change: Partial<Row>,
): Row[] => rows.map((row) => (ids.has(row.id) ? { ...row, ...change } : row));

/** A plant as it is to be believed while defects stand. */
function markPlant(plant: Plant, idsOf: (...kinds: DefectKind[]) => ReadonlySet<string>): Plant {
  const shut = mark(plant.links, idsOf('passes', 'blade-stayed'), { passing: true });
  const stuck = mark(shut, idsOf('seized', 'out-of-order'), { seized: true });
  const dead = idsOf('gauge-dead', 'out-of-order');
  return {
    ...plant,
    links: mark(stuck, idsOf('no-lock-place'), { lockable: false }),
    outlets: mark(plant.outlets, idsOf('plugged'), { plugged: true }),
    gauges: plant.gauges.filter(({ id }) => !dead.has(id)),
  };
}

const known = new WeakMap<PlantGraph, Map<string, PlantGraph>>();
const MOST_KNOWN = 4;

/**
 * A drawing as it is to be believed while defects stand: what passes, is stuck or takes no lock is no barrier; what is blocked lets nothing down; a
 * dead gauge is not there. The same graph where none of them changes anything, and for the same defects; the newest answers are kept. `byKind` is what each kind counts for.
 */
export function applyDefects(
  sound: PlantGraph,
  defects: readonly StandingDefect[],
  newest: Plant,
  byKind: Parameters<typeof buildGraph>[1],
): PlantGraph {
  const telling = defects.filter(({ defect }) => defect !== 'label');
  if (telling.length === 0) return sound;
  const key = JSON.stringify(telling.map(({ device, defect }) => [device, defect]));
  const of = known.get(sound) ?? new Map<string, PlantGraph>();
  known.set(sound, of);
  const before = of.get(key);
  if (before) return before;
  const idsOf = (...kinds: DefectKind[]) =>
    new Set(
      telling
        .filter(({ defect }) => kinds.includes(defect))
        .flatMap(({ device }) => listNamesOn(sound, device, newest)),
    );
  const graph = buildGraph(markPlant(sound.plant, idsOf), byKind);
  if (of.size >= MOST_KNOWN) of.clear();
  of.set(key, graph);
  return graph;
}
