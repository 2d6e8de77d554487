import { z } from 'zod';
import { defectCommandSchema } from '../../../core/defects';
import { carryOutDefect } from '../../../server/defects';
import { signaturesSchema } from '../../../server/sign';
import { takeSigned } from '../signed-route';

/** Reports a defect, says what stands in for it, records its repair and its proof. */
export const POST = takeSigned(
  z.strictObject({ command: defectCommandSchema, signatures: signaturesSchema }),
  carryOutDefect,
);
