import { sharedDatabase } from '../../../../server/database';
import { drawArea } from '../../../../server/diagram';
import { guarded } from '../../../../server/guarded';
import { readGraph } from '../../../../server/plant';
import { respondError } from '../../../../server/respond';
import { findMe } from '../../../../server/session';

/** The diagram of an area of the newest plant. Changes nothing. */
export const GET = guarded(async (request: Request): Promise<Response> => {
  const me = await findMe();
  if (!me) return respondError(401, 'Sign in first.');
  const area = new URL(request.url).searchParams.get('area') ?? '';
  const db = sharedDatabase();
  const graph = readGraph(db);
  if (!graph.plant.areas.some(({ id }) => id === area)) {
    return respondError(404, `The plant has no area "${area.slice(0, 40)}".`);
  }
  return Response.json(await drawArea(db, graph, area, me.id));
});
