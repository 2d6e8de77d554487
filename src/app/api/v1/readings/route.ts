import { z } from 'zod';
import { reportFault } from '../../../../server/air-alarms';
import { findDevice } from '../../../../server/caller';
import { readNow } from '../../../../server/clock';
import { sharedDatabase } from '../../../../server/database';
import { nextNumber, receiveReadings } from '../../../../server/readings';
import { readBody, respondError } from '../../../../server/respond';
import { guarded } from '../../../../server/guarded';

/** The longest batch that is taken in (bytes). */
const LARGEST = 1_000_000;

/** Takes in what a detector sends, all or nothing. The token is the device's own: it speaks for no other. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const db = sharedDatabase();
  const caller = findDevice(db, request);
  if (!caller.ok) return caller.response;
  // Read without a form: bad news is heard whatever else is wrong with what is sent.
  const body = await readBody(request, z.unknown(), LARGEST);
  if (!body.ok) {
    reportFault(db, caller.device, { why: 'refused', words: 'What it sent cannot be read.' });
    return body.response;
  }
  const answer = receiveReadings(db, caller.device, body.value);
  if (answer.ok) return Response.json(answer);
  const [status, error] = {
    malformed: [400, 'the request does not fit'] as const,
    foreign: [403, `The token is that of ${caller.device}.`] as const,
    refused: [422, 'Nothing was taken in.'] as const,
  }[answer.kind];
  return respondError(
    status,
    error,
    answer.refusals.map(({ code, says, clear }) => `${code}: ${says} ${clear}`),
  );
});

/** The site's time, by which a device sets its clock, and the number that its next reading may have. */
export const GET = guarded((request: Request): Response => {
  const db = sharedDatabase();
  const caller = findDevice(db, request);
  if (!caller.ok) return caller.response;
  return Response.json({ ok: true, now: readNow(db), next: nextNumber(db, caller.device) });
});
