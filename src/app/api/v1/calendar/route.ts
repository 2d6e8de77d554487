import { writeCalendar } from '../../../../server/calendar';
import { findCaller } from '../../../../server/caller';
import { sharedDatabase } from '../../../../server/database';
import { guarded } from '../../../../server/guarded';

/** Windows and lapses as a calendar feed; a calendar that can send no header gives its token in the address. */
export const GET = guarded(async (request: Request): Promise<Response> => {
  const db = sharedDatabase();
  const caller = await findCaller(db, request, 'calendar');
  if (!caller.ok) return caller.response;
  return new Response(writeCalendar(db), {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': 'attachment; filename="permits.ics"',
    },
  });
});
