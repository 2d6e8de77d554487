import type { z } from 'zod';
import { decodeText, readJsonText } from '../core/text';

/** A plain error with a status: what is wrong, field by field. */
export function respondError(
  status: number,
  error: string,
  problems: readonly string[] = [],
): Response {
  return Response.json({ ok: false, kind: 'error', error, problems }, { status });
}

/** The largest request body that is read (bytes). */
const LARGEST_BODY = 200_000;

/**
 * Reads a body of at most `largest` bytes; undefined when it is longer, and then no more of it is taken in.
 */
export async function readBytes(
  request: Request,
  largest: number,
): Promise<Uint8Array<ArrayBuffer> | undefined> {
  if (!request.body) return new Uint8Array();
  const reader = request.body.getReader();
  const parts: Uint8Array[] = [];
  let size = 0;
  for (let next = await reader.read(); !next.done; next = await reader.read()) {
    size += next.value.length;
    if (size > largest) {
      await reader.cancel();
      return undefined;
    }
    parts.push(next.value);
  }
  const whole = new Uint8Array(size);
  parts.reduce((at, part) => {
    whole.set(part, at);
    return at + part.length;
  }, 0);
  return whole;
}

/** Reads and checks a JSON body; answers the value or the response that refuses it. */
export async function readBody<Schema extends z.ZodType>(
  request: Request,
  schema: Schema,
  largest = LARGEST_BODY,
): Promise<{ ok: true; value: z.infer<Schema> } | { ok: false; response: Response }> {
  const bytes = await readBytes(request, largest);
  if (!bytes) {
    return {
      ok: false,
      response: respondError(413, `the request is longer than ${largest} bytes`),
    };
  }
  const text = decodeText(bytes);
  if (text === undefined) {
    return { ok: false, response: respondError(400, 'the request is not text in UTF-8') };
  }
  const json = readJsonText(text);
  if (!json.ok) return { ok: false, response: respondError(400, `the request ${json.says}`) };
  const read = schema.safeParse(json.document);
  if (read.success) return { ok: true, value: read.data };
  const problems = read.error.issues.map(
    (issue) => `${issue.path.join('.') || '(body)'}: ${issue.message}`,
  );
  return { ok: false, response: respondError(400, 'the request does not fit', problems) };
}
