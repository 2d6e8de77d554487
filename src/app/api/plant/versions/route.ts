import { z } from 'zod';
import { formatPlantProblem, LARGEST_FILE_BYTES } from '../../../../core/plant';
import { sharedDatabase } from '../../../../server/database';
import { checkPin } from '../../../../server/pins';
import { savePlant } from '../../../../server/plant';
import { readBody, respondError } from '../../../../server/respond';
import { findCoordinator } from '../../../../server/session';

const schema = z.strictObject({
  document: z.unknown(),
  expected: z.int().min(1),
  note: z.string().trim().min(1, 'say what was changed and why').max(2000),
  pin: z.string().min(1).max(20),
});

/** Saves the plant as its next version, signed by the coordinator with a fresh PIN. */
export async function POST(request: Request): Promise<Response> {
  const who = await findCoordinator();
  if (!who.ok) return who.response;
  const body = await readBody(request, schema, LARGEST_FILE_BYTES);
  if (!body.ok) return body.response;
  const { document, expected, note, pin } = body.value;
  const db = sharedDatabase();
  const answer = await checkPin(db, who.person.id, pin);
  if (answer === 'too-many-tries')
    return respondError(429, 'Too many wrong PINs. Wait ten minutes.');
  if (answer === 'wrong') return respondError(403, 'The PIN is not right. Nothing was saved.');
  const saved = savePlant(db, { document, expected, note, actor: who.person.id });
  if (saved.ok) return Response.json(saved);
  if (saved.kind === 'unfit') {
    return respondError(
      422,
      'The plant does not hold together.',
      saved.problems.map(formatPlantProblem),
    );
  }
  return respondError(
    409,
    `Someone saved version ${saved.version} meanwhile. Nothing of yours was saved: load the plant again and repeat the change.`,
  );
}
