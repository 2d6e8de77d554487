import { defectCommandSchema } from '../../../core/defects';
import { carryOutDefect } from '../../../server/defects';
import { takeSigned } from '../signed-route';

/** Reports a defect, says what stands in for it, records its repair and its proof. */
export const POST = takeSigned(defectCommandSchema, carryOutDefect);
