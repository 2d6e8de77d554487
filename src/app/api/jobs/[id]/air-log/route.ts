import { z } from 'zod';
import { readAirLog } from '../../../../../server/air-log';
import { sharedDatabase } from '../../../../../server/database';
import { respondError } from '../../../../../server/respond';
import { findMe } from '../../../../../server/session';
import { guarded } from '../../../../../server/guarded';

/** How far back is looked (min). */
const minutesSchema = z.coerce.number().gt(0).max(1440).default(60);

/** What the detectors at a job have read. */
export const GET = guarded(
  async (request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    if (!(await findMe())) return respondError(401, 'Sign in first.');
    const asked = new URL(request.url).searchParams.get('minutes') ?? undefined;
    const minutes = minutesSchema.safeParse(asked);
    if (!minutes.success) return respondError(422, 'minutes is above 0 and at most 1440');
    const { id } = await params;
    const log = readAirLog(sharedDatabase(), id, minutes.data);
    return log ? Response.json(log) : respondError(404, `There is no job ${id.slice(0, 40)}.`);
  },
);
