import type { SiteFacts } from '../core/job';
import { listEmptiable } from '../core/plant';

/** The sections where work can be, in the order of ids: a source only where it can be run empty first. */
export function listOffered({ graph }: SiteFacts) {
  const emptiable = new Set(listEmptiable(graph.plant));
  return graph.sections
    .filter(({ id, source }) => !source || emptiable.has(id))
    .map(({ id, name, source }) => ({ id, name, isSource: source !== undefined }));
}
