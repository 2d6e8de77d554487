import { describeInterface } from '../../../../server/openapi';

/** The description of the interface from outside; it names no plant and no person, so anyone may read it. */
export const GET = (): Response => Response.json(describeInterface());
