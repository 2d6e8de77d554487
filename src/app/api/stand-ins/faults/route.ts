import { sharedDatabase } from '../../../../server/database';
import { readBody, respondError } from '../../../../server/respond';
import { findCoordinator } from '../../../../server/session';
import { changeFault, faultChangeSchema } from '../../../../server/stand-ins';
import { answerInPractice } from '../in-practice';
import { guarded } from '../../../../server/guarded';

/** Puts a fault into the stand-in plant, or takes it out. The coordinator leads the practice. */
export const POST = guarded((request: Request): Promise<Response> =>
  answerInPractice(async () => {
    const who = await findCoordinator('Only a coordinator puts faults into the stand-in plant.');
    if (!who.ok) return who.response;
    const body = await readBody(request, faultChangeSchema);
    if (!body.ok) return body.response;
    const faults = changeFault(sharedDatabase(), body.value, who.person.id);
    return faults
      ? Response.json({ ok: true, faults })
      : respondError(404, `The site has no ${body.value.fault.item} for a fault of this kind.`);
  }),
);
