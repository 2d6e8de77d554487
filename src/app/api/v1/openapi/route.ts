import { describeInterface } from '../../../../server/openapi';
import { guarded } from '../../../../server/guarded';

/** The description of the interface from outside; it names no plant and no person, so anyone may read it. */
export const GET = guarded((): Response => Response.json(describeInterface()));
