import { writeBadge } from '../../../../core/people/badge';
import { hasLeft } from '../../../../core/people/people';
import { readNow } from '../../../../server/clock';
import { sharedDatabase } from '../../../../server/database';
import { guarded } from '../../../../server/guarded';
import { printLabels } from '../../../../server/print/labels';
import { listPeople } from '../../../../server/registers';
import { findSiteManager } from '../../../../server/session';

/** Badges of everybody who is at the site, or of one (`person`), as a PDF: each says who in a QR field. */
export const GET = guarded(async (request: Request): Promise<Response> => {
  const who = await findSiteManager('Only a site manager may print badges.');
  if (!who.ok) return who.response;
  const db = sharedDatabase();
  const now = readNow(db);
  const only = new URL(request.url).searchParams.get('person');
  const labels = listPeople(db)
    .filter((person) => !hasLeft(person, now) && (only === null || person.id === only))
    .map(({ id, name, employer }) => ({ number: writeBadge(id), says: `${name}, ${employer}` }));
  return new Response(new Uint8Array(await printLabels(labels, 'Badges')), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': 'inline; filename="badges.pdf"',
    },
  });
});
