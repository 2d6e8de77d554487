import { z } from 'zod';
import { readNow } from '../../../../server/clock';
import { sharedDatabase } from '../../../../server/database';
import { nextNumber, receiveReadings } from '../../../../server/readings';
import { readSite } from '../../../../server/registers';
import { readBody, respondError } from '../../../../server/respond';
import { AIR_SCENES, playDetector } from '../../../../sim';
import { answerInPractice } from '../in-practice';
import { guarded } from '../../../../server/guarded';

const schema = z.strictObject({
  device: z.string().min(1).max(80),
  scene: z.enum(AIR_SCENES),
  /** How long it has been reading (s). */
  seconds: z.number().gt(0).max(3600).default(120),
});

/** Has a stand-in detector send what it would have read until now. */
export const POST = guarded((request: Request): Promise<Response> =>
  answerInPractice(async () => {
    const body = await readBody(request, schema);
    if (!body.ok) return body.response;
    const { device, scene, seconds } = body.value;
    const db = sharedDatabase();
    const detector = readSite(db).instruments.get(device)?.detector;
    if (!detector) return respondError(404, `${device} is no gas detector of this site.`);
    const until = readNow(db);
    const from = nextNumber(db, device);
    const batch = playDetector(device, detector, { scene, until, seconds, every_s: 10, from });
    const answer = receiveReadings(db, device, batch);
    return answer.ok
      ? Response.json(answer)
      : respondError(
          422,
          'Nothing was taken in.',
          answer.refusals.map(({ says }) => says),
        );
  }),
);
