import { policyOf, strengthsOf } from '../core/job/grading';
import type { FileProblem } from '../core/plant';
import { listSchemaProblems } from '../core/plant/problems';
import type { Result } from '../core/result';
import { DEFAULT_VALUES, siteValuesSchema, type SiteValues } from '../core/rules/values';

/** Reads the values that a site sets for its rules, by code; what is not in the file is as it comes. */
export function parseSiteRules(document: unknown): Result<SiteValues, FileProblem> {
  if (typeof document !== 'object' || document === null || Array.isArray(document)) {
    const message = 'must be an object of values by their code';
    return { ok: false, problems: [{ path: '(file)', message }] };
  }
  const read = siteValuesSchema.safeParse({ ...DEFAULT_VALUES, ...document });
  if (read.success) return { ok: true, value: read.data };
  return { ok: false, problems: listSchemaProblems(document, read.error.issues) };
}

/** What the rules of a site make of grades, and of what each kind of link counts for. */
export const applySiteRules = (values: SiteValues) => ({
  policy: policyOf(values),
  strengths: strengthsOf(values),
});
