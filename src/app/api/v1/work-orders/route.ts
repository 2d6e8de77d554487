import { decodeText } from '../../../../core/text';
import { readOrderSheet, workOrdersSchema } from '../../../../core/work-orders';
import { findCaller } from '../../../../server/caller';
import { sharedDatabase } from '../../../../server/database';
import { readBody, readBytes, respondError } from '../../../../server/respond';
import { respondRows } from '../../../../server/respond-change';
import { listOrders, receiveOrders } from '../../../../server/work-orders';
import { guarded } from '../../../../server/guarded';

/** The largest sheet or list that is taken in (bytes). */
const LARGEST = 1_000_000;

/** The orders of a request, as JSON or as CSV by its content type; or the response that refuses them. */
async function readDocuments(
  request: Request,
): Promise<{ ok: true; documents: readonly unknown[] } | { ok: false; response: Response }> {
  if (!(request.headers.get('content-type') ?? '').startsWith('text/csv')) {
    const body = await readBody(request, workOrdersSchema, LARGEST);
    return body.ok ? { ok: true, documents: body.value } : body;
  }
  const bytes = await readBytes(request, LARGEST);
  if (!bytes) {
    return { ok: false, response: respondError(413, `the sheet is longer than ${LARGEST} bytes`) };
  }
  const text = decodeText(bytes);
  if (text === undefined) {
    return { ok: false, response: respondError(400, 'the sheet is not text in UTF-8') };
  }
  const read = readOrderSheet(text);
  return read.ok ? read : { ok: false, response: respondRows(read.problems) };
}

/** Takes work orders in, all or none. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const db = sharedDatabase();
  const caller = await findCaller(db, request, 'work-orders', ['coordinator']);
  if (!caller.ok) return caller.response;
  const read = await readDocuments(request);
  if (!read.ok) return read.response;
  const answer = receiveOrders(db, read.documents, caller);
  return answer.ok ? Response.json(answer) : respondRows(answer.problems);
});

/** Every work order with the job that was raised from it. */
export const GET = guarded(async (request: Request): Promise<Response> => {
  const db = sharedDatabase();
  const caller = await findCaller(db, request, 'read');
  return caller.ok ? Response.json(listOrders(db)) : caller.response;
});
