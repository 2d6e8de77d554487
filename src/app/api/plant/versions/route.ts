import { z } from 'zod';
import { formatPlantProblem, LARGEST_FILE_BYTES } from '../../../../core/plant';
import { logFault } from '../../../../db';
import { sharedDatabase } from '../../../../server/database';
import { drawAhead } from '../../../../server/diagram';
import { followNames, listTouchedJobs, sayTouched } from '../../../../server/touched-jobs';
import { savePlant } from '../../../../server/plant';
import { doFor } from '../../../../server/beside/queue';
import { readBody, respondError } from '../../../../server/respond';
import { findCoordinator } from '../../../../server/session';
import { refuseSignatures } from '../../../../server/sign';
import { guarded } from '../../../../server/guarded';
import { pinSchema } from '../../../../server/pins';

const schema = z.strictObject({
  document: z.unknown(),
  expected: z.int().min(1),
  note: z.string().trim().min(1, 'say what was changed and why').max(2000),
  pin: pinSchema,
  /** What becomes of each open job that names what this one does not have. */
  become: z.record(z.string().min(1).max(80), z.enum(['follow', 'keep'])).default({}),
});

/** Saves the plant as its next version, signed by the coordinator with a fresh PIN. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const who = await findCoordinator();
  if (!who.ok) return who.response;
  const body = await readBody(request, schema, LARGEST_FILE_BYTES);
  if (!body.ok) return body.response;
  const { document, expected, note, pin, become } = body.value;
  const db = sharedDatabase();
  const refused = await refuseSignatures(db, [{ person: who.person.id, pin }]);
  if (refused) return refused;
  // Read beside the server first: what is wrong with it may take long to list.
  const bytes = new TextEncoder().encode(JSON.stringify(document));
  const read = await doFor(who.person.id, { kind: 'read-plant', bytes });
  if (!read.ok) return respondError(422, 'The plant does not hold together.', read.problems);
  const saved = savePlant(db, {
    document,
    expected,
    note,
    actor: who.person.id,
    findTouched: (tx, plant) => listTouchedJobs(tx, plant, become),
    follow: (tx) => followNames(tx, become, who.person.id),
  });
  if (saved.ok) {
    void drawAhead(db).catch((error: unknown) => logFault('the plant was not drawn ahead', error));
    return Response.json(saved);
  }
  if (saved.kind === 'unfit') {
    return respondError(
      422,
      'The plant does not hold together.',
      saved.problems.map(formatPlantProblem),
    );
  }
  if (saved.kind === 'touches-jobs') {
    const { kind, touched } = saved;
    const problems = touched.map(sayTouched);
    const error =
      'Open jobs name what is not on this plant. Say what becomes of each. Nothing was saved.';
    return Response.json({ ok: false, kind, error, problems, touched }, { status: 409 });
  }
  return respondError(
    409,
    `Someone saved version ${saved.version} meanwhile. Nothing of yours was saved: load the plant again and repeat the change.`,
  );
});
