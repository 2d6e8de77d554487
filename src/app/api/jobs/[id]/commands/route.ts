import { z } from 'zod';
import { listSigners } from '../../../../../core/job';
import { sharedDatabase } from '../../../../../server/database';
import { carryOut, commandSchema } from '../../../../../server/jobs';
import { readBody, respondError } from '../../../../../server/respond';
import { findMe } from '../../../../../server/session';
import { jobSignaturesSchema, pickSignatures, refuseSignatures } from '../../../../../server/sign';
import { guarded } from '../../../../../server/guarded';

const schema = z.strictObject({
  command: commandSchema,
  expected: z.int().min(0),
  key: z.string().min(8).max(64),
  /** When it was entered on a device that could not reach the server then. */
  enteredAt: z.iso.datetime().optional(),
  signatures: jobSignaturesSchema,
});

/** Carries out one command on a job. Each signature is a fresh PIN, checked before anything is decided. */
export const POST = guarded(
  async (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const me = await findMe();
    if (!me) return respondError(401, 'Sign in first.');
    const body = await readBody(request, schema);
    if (!body.ok) return body.response;
    const { signatures: given, ...rest } = body.value;
    const signatures = pickSignatures(given, listSigners(rest.command, me.id));
    const db = sharedDatabase();
    const refused = await refuseSignatures(db, signatures);
    if (refused) return refused;
    const answer = carryOut(db, {
      ...rest,
      jobId: (await params).id,
      actor: me.id,
      signed: signatures.map(({ person }) => person),
    });
    return Response.json(answer, { status: answer.ok ? 200 : 409 });
  },
);
