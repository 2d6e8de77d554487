import type { ExplainedRefusal } from '../core/rules/book';
import type { SheetProblem } from '../core/sheet';
import { respondError } from './respond';

/** What became of a change that was drawn from a version: saved, refused with reasons, or overtaken by somebody else. Nothing is half saved. */
export type Changed =
  | { readonly ok: true; readonly version: number }
  | { readonly ok: false; readonly kind: 'refused'; readonly refusals: readonly ExplainedRefusal[] }
  | { readonly ok: false; readonly kind: 'changed-meanwhile'; readonly version: number };

/** The answer to a change. */
export function respondChange(done: Changed): Response {
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

/** The answer to a sheet of which some rows do not fit, by row and column. */
export const respondRows = (problems: readonly SheetProblem[]): Response =>
  respondError(
    422,
    'Nothing was taken in: some rows do not fit.',
    problems.map(({ row, field, says }) => `row ${row}, ${field}: ${says}`),
  );
