import { z } from 'zod';
import { procedureCommandSchema } from '../../../core/procedures';
import { carryOutProcedure } from '../../../server/procedures';
import { signaturesSchema } from '../../../server/sign';
import { takeSigned } from '../signed-route';

/** Writes a procedure down from a job that was carried out, renews it, records its inspection, withdraws it. */
export const POST = takeSigned(
  z.strictObject({ command: procedureCommandSchema, signatures: signaturesSchema }),
  carryOutProcedure,
);
