import { sharedDatabase } from '../../../../server/database';
import { readBody, respondError } from '../../../../server/respond';
import { changeFault, faultChangeSchema } from '../../../../server/stand-ins';
import { answerInPractice } from '../in-practice';

/** Puts a fault into the stand-in plant, or takes it out. The coordinator leads the practice. */
export const POST = (request: Request): Promise<Response> =>
  answerInPractice(async (me) => {
    if (!me.authorisations.some(({ role }) => role === 'coordinator'))
      return respondError(403, 'Only a coordinator puts faults into the stand-in plant.');
    const body = await readBody(request, faultChangeSchema);
    if (!body.ok) return body.response;
    const faults = changeFault(sharedDatabase(), body.value);
    return faults
      ? Response.json({ ok: true, faults })
      : respondError(404, `The site has no ${body.value.fault.item} for a fault of this kind.`);
  });
