import { z } from 'zod';
import { comparePeople, readPeopleSheet, writePeopleSheet } from '../../../../core/people/sheet';
import { sharedDatabase } from '../../../../server/database';
import { guarded } from '../../../../server/guarded';
import { changePeople, readPeopleVersion } from '../../../../server/people';
import { respondChange, respondRows } from '../../../../server/respond-change';
import { listPeople } from '../../../../server/registers';
import { readBody } from '../../../../server/respond';
import { findSiteManager } from '../../../../server/session';
import { refuseSignatures } from '../../../../server/sign';
import { readValues } from '../../../../server/site-rules';
import { pinSchema } from '../../../../server/pins';

const WORDS = 'Only a site manager may read or change the sheet of people.';

/** Everybody as a sheet (CSV). */
export const GET = guarded(async (): Promise<Response> => {
  const who = await findSiteManager(WORDS);
  if (!who.ok) return who.response;
  return new Response(writePeopleSheet(listPeople(sharedDatabase())), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="people.csv"',
    },
  });
});

const schema = z.strictObject({
  text: z.string().max(4_000_000),
  /** Saved as it stands, drawn from this version, with a fresh PIN; without it only what it would change is answered. */
  save: z.strictObject({ expected: z.int().min(0), pin: pinSchema }).optional(),
});

/** Reads a sheet of people: answers every error by row and column, or what it would change; saves it when that is asked for. */
export const POST = guarded(async (request: Request): Promise<Response> => {
  const who = await findSiteManager(WORDS);
  if (!who.ok) return who.response;
  const body = await readBody(request, schema, 5_000_000);
  if (!body.ok) return body.response;
  const { text, save } = body.value;
  const db = sharedDatabase();
  const read = readPeopleSheet(text, readValues(db).values.zone);
  if (!read.ok) return respondRows(read.problems);
  const known = new Map(listPeople(db).map((one) => [one.id, one]));
  const differences = comparePeople(read.people, known);
  if (!save) return Response.json({ ok: true, differences, expected: readPeopleVersion(db) });
  const actor = who.person.id;
  const refused = await refuseSignatures(db, [{ person: actor, pin: save.pin }]);
  if (refused) return refused;
  const changed = new Set(differences.map(({ id }) => id));
  const people = read.people.filter(({ id }) => changed.has(id));
  return respondChange(changePeople(db, { people, expected: save.expected, actor }));
});
