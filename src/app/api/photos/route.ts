import { LARGEST_PICTURE } from '../../../core/photos';
import { sharedDatabase } from '../../../server/database';
import { guarded } from '../../../server/guarded';
import { keepPicture } from '../../../server/photos';
import { readBytes, respondError } from '../../../server/respond';
import { findMe } from '../../../server/session';

/** Takes in the bytes of a picture. It belongs to nothing until a job names it. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const me = await findMe();
  if (!me) return respondError(401, 'Sign in first.');
  const bytes = await readBytes(request, LARGEST_PICTURE);
  if (!bytes) {
    return respondError(413, `The picture is larger than ${LARGEST_PICTURE} bytes.`);
  }
  const kept = keepPicture(sharedDatabase(), bytes, me.id);
  return kept.ok ? Response.json(kept) : respondError(400, `The picture ${kept.fault}.`);
});
