import type { z } from 'zod';

/** A plain error with a status: what is wrong, field by field. */
export function respondError(
  status: number,
  error: string,
  problems: readonly string[] = [],
): Response {
  return Response.json({ ok: false, kind: 'error', error, problems }, { status });
}

/** The largest request body that is read (characters). */
const LARGEST_BODY = 200_000;

/** Reads and checks a JSON body; answers the value or the response that refuses it. */
export async function readBody<Schema extends z.ZodType>(
  request: Request,
  schema: Schema,
): Promise<{ ok: true; value: z.infer<Schema> } | { ok: false; response: Response }> {
  const text = await request.text();
  if (text.length > LARGEST_BODY) {
    return {
      ok: false,
      response: respondError(413, `the request is longer than ${LARGEST_BODY} characters`),
    };
  }
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch {
    return { ok: false, response: respondError(400, 'the request is not JSON') };
  }
  const read = schema.safeParse(document);
  if (read.success) return { ok: true, value: read.data };
  const problems = read.error.issues.map(
    (issue) => `${issue.path.join('.') || '(body)'}: ${issue.message}`,
  );
  return { ok: false, response: respondError(400, 'the request does not fit', problems) };
}
