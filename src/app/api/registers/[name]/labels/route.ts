import { sharedDatabase } from '../../../../../server/database';
import { guarded } from '../../../../../server/guarded';
import { printLabels } from '../../../../../server/print/labels';
import { findKept, type OfRegister } from '../../../../../server/register-requests';
import { readRegisters } from '../../../../../server/registers';
import { respondError } from '../../../../../server/respond';

/** The most labels that are printed at once. */
const MOST = 2000;

/** Labels of a register as a PDF, each with its number as a QR field; `from` and `to` name the first and the last number. */
export const GET = guarded(async (request: Request, of: OfRegister): Promise<Response> => {
  const kept = await findKept(of);
  if (!kept.ok) return kept.response;
  const { name } = kept;
  const { searchParams } = new URL(request.url);
  const rows = readRegisters(sharedDatabase()).registers[name];
  const at = (id: string | null, otherwise: number) =>
    id === null || id === '' ? otherwise : rows.findIndex((row) => row.id === id);
  const [from, to] = [at(searchParams.get('from'), 0), at(searchParams.get('to'), rows.length - 1)];
  if (from < 0 || to < from)
    return respondError(404, 'No rows of this register lie between these numbers.');
  if (to - from >= MOST)
    return respondError(
      422,
      `At most ${MOST} labels are printed at once: name the first and the last.`,
    );
  const labels = rows.slice(from, to + 1).map((row) => ({
    number: row.id,
    says: 'set' in row ? row.set : row.name,
  }));
  return new Response(new Uint8Array(await printLabels(labels, `Labels: ${name}`)), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="labels-${name}.pdf"`,
    },
  });
});
