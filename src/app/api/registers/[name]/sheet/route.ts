import { z } from 'zod';
import { readRegisterSheet } from '../../../../../core/registers/sheet';
import { sharedDatabase } from '../../../../../server/database';
import { guarded } from '../../../../../server/guarded';
import { respondChange } from '../../../../../server/people-requests';
import { changeRegister } from '../../../../../server/register-change';
import { findRegisterKeeper, findRegisterName } from '../../../../../server/register-requests';
import { readRegisters } from '../../../../../server/registers';
import { readBody, respondError } from '../../../../../server/respond';
import { refuseSignatures } from '../../../../../server/sign';
import { readValues } from '../../../../../server/site-rules';

const schema = z.strictObject({
  text: z.string().max(4_000_000),
  /** Saved as it stands, drawn from this version, with a fresh PIN; without it only what it would change is answered. */
  save: z.strictObject({ expected: z.int().min(0), pin: z.string().min(1).max(20) }).optional(),
});

/** Reads a sheet of a register: answers every error by row and column, or what it would change; saves it when that is asked for. Rows that it does not name stay. */
export const POST = guarded(
  async (
    request: Request,
    { params }: { readonly params: Promise<{ name: string }> },
  ): Promise<Response> => {
    const who = await findRegisterKeeper();
    if (!who.ok) return who.response;
    const name = findRegisterName((await params).name);
    if (!name) return respondError(404, 'There is no such register.');
    const body = await readBody(request, schema, 5_000_000);
    if (!body.ok) return body.response;
    const { text, save } = body.value;
    const db = sharedDatabase();
    const read = readRegisterSheet(name, text, readValues(db).values.zone);
    if (!read.ok) {
      return respondError(
        422,
        'Nothing was taken in: some rows do not fit.',
        read.problems.map(({ row, field, says }) => `row ${row}, ${field}: ${says}`),
      );
    }
    const { registers, version } = readRegisters(db);
    const known = new Map(registers[name].map((row) => [row.id, JSON.stringify(row)]));
    const put = read.rows.filter((row) => known.get(row.id) !== JSON.stringify(row));
    const differences = put.map((row) => ({
      id: row.id,
      became: known.has(row.id) ? 'changed' : 'new',
      words: Object.entries(row)
        .filter(([field]) => field !== 'id')
        .map(
          ([field, value]) =>
            `${field} ${typeof value === 'object' ? JSON.stringify(value) : value}`,
        ),
    }));
    if (!save) return Response.json({ ok: true, differences, expected: version });
    const actor = who.person.id;
    const refused = await refuseSignatures(db, [{ person: actor, pin: save.pin }]);
    if (refused) return refused;
    return respondChange(
      changeRegister(db, { name, put, remove: [], expected: save.expected, actor }),
    );
  },
);
