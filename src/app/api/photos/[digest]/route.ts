import { sharedDatabase } from '../../../../server/database';
import { guarded } from '../../../../server/guarded';
import { readPicture } from '../../../../server/photos';
import { respondError } from '../../../../server/respond';
import { findMe } from '../../../../server/session';

/** The picture of that digest, to whoever is signed in. */
export const GET = guarded(
  async (
    _request: Request,
    { params }: { params: Promise<{ digest: string }> },
  ): Promise<Response> => {
    if (!(await findMe())) return respondError(401, 'Sign in first.');
    const { digest } = await params;
    const bytes = readPicture(sharedDatabase(), digest);
    if (!bytes) return respondError(404, 'There is no picture of that number.');
    return new Response(new Uint8Array(bytes), {
      headers: {
        'content-type': 'image/jpeg',
        // What a digest names never changes.
        'cache-control': 'private, max-age=31536000, immutable',
      },
    });
  },
);
