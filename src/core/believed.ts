import { applyConnections, listConnections } from './changes/connections';
import type { Change } from './changes/record';
import { applyDefects, type StandingDefect } from './defects/apply';
import type { buildGraph, Plant, PlantGraph } from './plant';

/**
 * A drawing as it is to be believed: what is wrong with devices counts against them, and what a change has joined is joined, drawn or not. The same graph
 * where neither changes anything. `newest` is the drawing whose ids defects and changes name; `byKind` is what each kind of link counts for.
 */
export const believe = (
  sound: PlantGraph,
  {
    defects,
    changes,
  }: { readonly defects: readonly StandingDefect[]; readonly changes: readonly Change[] },
  newest: Plant,
  byKind: Parameters<typeof buildGraph>[1],
): PlantGraph =>
  applyConnections(
    applyDefects(sound, defects, newest, byKind),
    listConnections(changes),
    newest,
    byKind,
  );
