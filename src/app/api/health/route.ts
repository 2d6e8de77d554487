import { sharedDatabase } from '../../../server/database';
import { readHead } from '../../../ledger';
import { findTrouble, describeTrouble } from '../../../server/trouble';

/** Whether the server can work, for whoever watches over it: 200 when it can read and write, 503 with the reason when it cannot. Tells nothing of the site. */
export function GET(): Response {
  try {
    const db = sharedDatabase();
    readHead(db);
    const trouble = findTrouble(db);
    return trouble === undefined
      ? Response.json({ ok: true })
      : Response.json({ ok: false, error: trouble }, { status: 503 });
  } catch (error) {
    return Response.json({ ok: false, error: describeTrouble(error) }, { status: 503 });
  }
}
