import { z } from 'zod';
import { REGISTER_ROWS, type RegisterRow } from '../../../../core/registers/schema';
import { writeRegisterSheet } from '../../../../core/registers/sheet';
import { sharedDatabase } from '../../../../server/database';
import { guarded } from '../../../../server/guarded';
import { respondChange } from '../../../../server/people-requests';
import { changeRegister } from '../../../../server/register-change';
import { findRegisterName, findRegisterKeeper } from '../../../../server/register-requests';
import { readRegisters } from '../../../../server/registers';
import { readBody, respondError } from '../../../../server/respond';
import { findMe } from '../../../../server/session';
import { refuseSignatures } from '../../../../server/sign';

type Given = { readonly params: Promise<{ name: string }> };

/** A register as a sheet (CSV). */
export const GET = guarded(async (_: Request, { params }: Given): Promise<Response> => {
  if (!(await findMe())) return respondError(401, 'Sign in first.');
  const name = findRegisterName((await params).name);
  if (!name) return respondError(404, 'There is no such register.');
  const { registers } = readRegisters(sharedDatabase());
  return new Response(writeRegisterSheet(name, registers[name]), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${name}.csv"`,
    },
  });
});

/** Puts rows into a register and takes rows out, all or none, signed with a fresh PIN. */
export const POST = guarded(async (request: Request, { params }: Given): Promise<Response> => {
  const who = await findRegisterKeeper();
  if (!who.ok) return who.response;
  const name = findRegisterName((await params).name);
  if (!name) return respondError(404, 'There is no such register.');
  const row: z.ZodType<RegisterRow> = REGISTER_ROWS[name];
  const schema = z.strictObject({
    put: z.array(row).max(1000),
    remove: z.array(z.string().min(1).max(40)).max(1000),
    expected: z.int().min(0),
    pin: z.string().min(1).max(20),
  });
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const { pin, ...change } = body.value;
  const db = sharedDatabase();
  const actor = who.person.id;
  const refused = await refuseSignatures(db, [{ person: actor, pin }]);
  return refused ?? respondChange(changeRegister(db, { ...change, name, actor }));
});
