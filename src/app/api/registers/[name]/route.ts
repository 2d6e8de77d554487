import { z } from 'zod';
import { REGISTER_ROWS, type RegisterRow } from '../../../../core/registers/schema';
import { writeRegisterSheet } from '../../../../core/registers/sheet';
import { sharedDatabase } from '../../../../server/database';
import { guarded } from '../../../../server/guarded';
import { respondChange } from '../../../../server/respond-change';
import { changeRegister } from '../../../../server/register-change';
import { findKept, findRegister, type OfRegister } from '../../../../server/register-requests';
import { readRegisters } from '../../../../server/registers';
import { readBody, respondError } from '../../../../server/respond';
import { findMe } from '../../../../server/session';
import { refuseSignatures } from '../../../../server/sign';
import { pinSchema } from '../../../../server/pins';

/** A register as a sheet (CSV). */
export const GET = guarded(async (_: Request, of: OfRegister): Promise<Response> => {
  if (!(await findMe())) return respondError(401, 'Sign in first.');
  const found = await findRegister(of);
  if (!found.ok) return found.response;
  const { name } = found;
  const { registers } = readRegisters(sharedDatabase());
  return new Response(writeRegisterSheet(name, registers[name]), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${name}.csv"`,
    },
  });
});

/** Puts rows into a register and takes rows out, all or none, signed with a fresh PIN. */
export const POST = guarded(async (request: Request, of: OfRegister): Promise<Response> => {
  const kept = await findKept(of);
  if (!kept.ok) return kept.response;
  const { name, actor } = kept;
  const row: z.ZodType<RegisterRow> = REGISTER_ROWS[name];
  const schema = z.strictObject({
    put: z.array(row).max(1000),
    remove: z.array(z.string().min(1).max(40)).max(1000),
    expected: z.int().min(0),
    pin: pinSchema,
  });
  const body = await readBody(request, schema);
  if (!body.ok) return body.response;
  const { pin, ...change } = body.value;
  const db = sharedDatabase();
  const refused = await refuseSignatures(db, [{ person: actor, pin }]);
  return refused ?? respondChange(changeRegister(db, { ...change, name, actor }));
});
