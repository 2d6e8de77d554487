import { sharedDatabase } from '../../../../server/database';
import { readBody, respondError } from '../../../../server/respond';
import { askStandIns } from '../../../../server/stand-ins';
import { askSchema } from '../../../../sim';
import { answerInPractice } from '../in-practice';
import { guarded } from '../../../../server/guarded';

/** Reads a stand-in: the plant at a proof, a start station, the key cabinet. Changes nothing. */
export const POST = guarded(
  (request: Request, { params }: { params: Promise<{ job: string }> }): Promise<Response> =>
    answerInPractice(async () => {
      const body = await readBody(request, askSchema);
      if (!body.ok) return body.response;
      const { job } = await params;
      const answer = askStandIns(sharedDatabase(), job, body.value);
      if (!answer) return respondError(404, `There is no job ${job.slice(0, 40)}.`);
      if (answer.kind === 'unknown') return respondError(404, `${job} has no ${answer.what}.`);
      return Response.json({ ok: true, ...answer });
    }),
);
