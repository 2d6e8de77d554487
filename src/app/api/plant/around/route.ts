import { z } from 'zod';
import { sharedDatabase } from '../../../../server/database';
import { drawAround } from '../../../../server/diagram';
import { guarded } from '../../../../server/guarded';
import { readGraph } from '../../../../server/plant';
import { readBody, respondError } from '../../../../server/respond';
import { findMe } from '../../../../server/session';
import { ids } from '../../jobs/plan-body';

const schema = z.strictObject({
  section: z.string().min(1).max(80),
  opened: ids.default([]),
  links: ids.default([]),
});

/** The diagram round a section of the newest plant, with what was opened on it. Changes nothing. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const me = await findMe();
  if (!me) return respondError(401, 'Sign in first.');
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const { section, opened, links } = body.value;
  const db = sharedDatabase();
  const graph = readGraph(db);
  if (!graph.sectionAt.has(section)) {
    return respondError(404, `The plant has no section ${section.slice(0, 40)}.`);
  }
  return Response.json(await drawAround(db, graph, { work: [section], opened, links }, me.id));
});
