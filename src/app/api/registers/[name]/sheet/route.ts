import { z } from 'zod';
import { compareRegister, readRegisterSheet } from '../../../../../core/registers/sheet';
import { sharedDatabase } from '../../../../../server/database';
import { guarded } from '../../../../../server/guarded';
import { respondChange, respondRows } from '../../../../../server/respond-change';
import { changeRegister } from '../../../../../server/register-change';
import { findKept, type OfRegister } from '../../../../../server/register-requests';
import { readRegisters } from '../../../../../server/registers';
import { readBody } from '../../../../../server/respond';
import { refuseSignatures } from '../../../../../server/sign';
import { readValues } from '../../../../../server/site-rules';
import { pinSchema } from '../../../../../server/pins';

const schema = z.strictObject({
  text: z.string().max(4_000_000),
  /** Saved as it stands, drawn from this version, with a fresh PIN; without it only what it would change is answered. */
  save: z.strictObject({ expected: z.int().min(0), pin: pinSchema }).optional(),
});

/** Reads a sheet of a register: answers every error by row and column, or what it would change; saves it when that is asked for. Rows that it does not name stay. */
export const POST = guarded(async (request: Request, of: OfRegister): Promise<Response> => {
  const kept = await findKept(of);
  if (!kept.ok) return kept.response;
  const { name, actor } = kept;
  const body = await readBody(request, schema, 5_000_000);
  if (!body.ok) return body.response;
  const { text, save } = body.value;
  const db = sharedDatabase();
  const read = readRegisterSheet(name, text, readValues(db).values.zone);
  if (!read.ok) return respondRows(read.problems);
  const { registers, version } = readRegisters(db);
  const { put, differences } = compareRegister(read.rows, registers[name]);
  if (!save) return Response.json({ ok: true, differences, expected: version });
  const { expected, pin } = save;
  const refused = await refuseSignatures(db, [{ person: actor, pin }]);
  return refused ?? respondChange(changeRegister(db, { name, put, remove: [], expected, actor }));
});
