import { respondError } from './respond';
import type { PeopleSaved } from './people';
import type { RegisterChanged } from './register-change';

/** The answer to a change of people or of a register: saved, refused with reasons, or overtaken by somebody else. */
export function respondChange(done: PeopleSaved | RegisterChanged): Response {
  if (done.ok) return Response.json(done);
  if (done.kind === 'changed-meanwhile') {
    return respondError(
      409,
      'Somebody changed this meanwhile. Nothing of yours was saved: load the page again.',
    );
  }
  return respondError(
    422,
    'Nothing was saved.',
    done.refusals.map(({ says, clear }) => `${says} ${clear}`),
  );
}
