import { LARGEST_FILE_BYTES } from '../../../../core/plant';
import { sharedDatabase } from '../../../../server/database';
import { previewPlant } from '../../../../server/plant';
import { readBytes, respondError } from '../../../../server/respond';
import { findCoordinator } from '../../../../server/session';
import { guarded } from '../../../../server/guarded';

/** Reads a plant file (JSON, or a zip of CSV sheets) and says what it would change, or everything wrong with it. Keeps nothing. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const who = await findCoordinator();
  if (!who.ok) return who.response;
  const bytes = await readBytes(request, LARGEST_FILE_BYTES);
  if (!bytes) {
    return respondError(413, `The file is larger than ${LARGEST_FILE_BYTES / 1048576} MB.`);
  }
  const preview = await previewPlant(sharedDatabase(), bytes, who.person.id);
  return Response.json(preview, { status: preview.ok ? 200 : 422 });
});
