import { z } from 'zod';
import { findCaller } from '../../../../../server/caller';
import { sharedDatabase } from '../../../../../server/database';
import { EXPORT_NAMES, EXPORT_READERS, streamExport } from '../../../../../server/exports';
import { respondError } from '../../../../../server/respond';
import { guarded } from '../../../../../server/guarded';

const schema = z.object({ what: z.enum(EXPORT_NAMES), format: z.enum(['csv', 'json']) });

/** One table of everything that is kept, as CSV or JSON. */
export const GET = guarded(
  async (
    request: Request,
    { params }: { params: Promise<{ what: string }> },
  ): Promise<Response> => {
    const db = sharedDatabase();
    const caller = await findCaller(db, request, 'read', EXPORT_READERS);
    if (!caller.ok) return caller.response;
    const [what, format = 'json'] = (await params).what.split('.');
    const read = schema.safeParse({ what, format });
    if (!read.success) {
      const tables = EXPORT_NAMES.join(', ');
      return respondError(
        404,
        `There is no such table. There are ${tables}, each as .csv or .json.`,
      );
    }
    return new Response(streamExport(db, read.data.what, read.data.format), {
      headers: {
        'content-type': format === 'csv' ? 'text/csv; charset=utf-8' : 'application/json',
        'content-disposition': `attachment; filename="${read.data.what}.${read.data.format}"`,
      },
    });
  },
);
