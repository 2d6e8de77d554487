import type { Plant } from './schema';

/** Where an old id leads, over every id that was given up since; undefined where it leads round in a circle. */
export function followRenamed(
  renamed: ReadonlyMap<string, string>,
  id: string,
): string | undefined {
  const seen = new Set([id]);
  for (let at = renamed.get(id) ?? id; ; at = renamed.get(at) ?? at) {
    if (!renamed.has(at)) return at;
    if (seen.has(at)) return undefined;
    seen.add(at);
  }
}

const known = new WeakMap<Plant, ReadonlyMap<string, string>>();

/** What each old id of a plant is called today. */
export function listRenamed(plant: Plant): ReadonlyMap<string, string> {
  const before = known.get(plant);
  if (before) return before;
  const steps = new Map((plant.renamed ?? []).map(({ id, now }) => [id, now]));
  const renamed = new Map([...steps.keys()].map((id) => [id, followRenamed(steps, id) ?? id]));
  known.set(plant, renamed);
  return renamed;
}
