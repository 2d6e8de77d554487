import { z } from 'zod';
import { sharedDatabase } from '../../../../../server/database';
import { readPapers } from '../../../../../server/papers';
import { respondError } from '../../../../../server/respond';
import { findMe } from '../../../../../server/session';
import { guarded } from '../../../../../server/guarded';

const copySchema = z.coerce.number<string>().int().min(1).max(999).optional();

/** Hands out the permit, its certificates, the assessment and the isolation as one PDF; `copy` names a numbered copy. */
export const GET = guarded(
  async (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    if (!(await findMe())) return respondError(401, 'Sign in first.');
    const { id } = await params;
    const copy = copySchema.safeParse(new URL(request.url).searchParams.get('copy') ?? undefined);
    if (!copy.success) return respondError(400, 'copy: the number of a copy, from 1 to 999');
    const pdf = await readPapers(sharedDatabase(), id, copy.data);
    if (!pdf) return respondError(404, `There is no job ${id.slice(0, 40)}.`);
    return new Response(new Uint8Array(pdf), {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': `inline; filename="permit-${id}.pdf"`,
      },
    });
  },
);
