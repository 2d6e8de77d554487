import type { Plant } from './schema';

const known = new WeakMap<Plant, ReadonlyMap<string, string>>();

/** What each old id of a plant is called today. */
export function listRenamed(plant: Plant): ReadonlyMap<string, string> {
  const before = known.get(plant);
  if (before) return before;
  const renamed = new Map((plant.renamed ?? []).map(({ id, now }) => [id, now]));
  known.set(plant, renamed);
  return renamed;
}
