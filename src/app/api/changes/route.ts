import { z } from 'zod';
import { changeCommandSchema } from '../../../core/changes';
import { carryOutChange } from '../../../server/changes';
import { signaturesSchema } from '../../../server/sign';
import { takeSigned } from '../signed-route';

/** Proposes a change of the plant, reviews it, records who was told, which drawing shows it, and that it is gone. */
export const POST = takeSigned(
  z.strictObject({ command: changeCommandSchema, signatures: signaturesSchema }),
  carryOutChange,
);
