import type { z } from 'zod';

/** One thing wrong in a file: where (JSON path), what was found, and what is allowed there. */
export interface FileProblem {
  readonly path: string;
  readonly message: string;
}

/** A problem in one line, path first. */
export const formatPlantProblem = ({ path, message }: FileProblem): string => `${path} ${message}`;

type Step = PropertyKey;

/** Writes a path as `sections[3].pressure_bar`, `(file)` for the document itself. */
export function formatPath(steps: readonly Step[]): string {
  if (steps.length === 0) return '(file)';
  return steps
    .map((step, index) => {
      if (typeof step === 'number') return `[${step}]`;
      return index === 0 ? String(step) : `.${String(step)}`;
    })
    .join('');
}

/** Shows a found value in at most 60 characters, so that rubbish does not fill the screen. */
export function showValue(value: unknown): string {
  const text = value === undefined ? 'nothing' : (JSON.stringify(value) ?? typeof value);
  return text.length > 60 ? `${text.slice(0, 57)}...` : text;
}

/** Finds the value that a path leads to, or undefined. */
function findAt(document: unknown, steps: readonly Step[]): unknown {
  return steps.reduce<unknown>(
    (value, step) =>
      typeof value === 'object' && value !== null
        ? (value as Record<PropertyKey, unknown>)[step]
        : undefined,
    document,
  );
}

type Issue = z.core.$ZodIssue;

function describeIssue(issue: Issue, found: string): string {
  switch (issue.code) {
    case 'unrecognized_keys':
      return `unknown field ${issue.keys.map((key) => `"${key}"`).join(', ')}: the format has no such field here`;
    case 'invalid_type':
      return `must be ${issue.expected}, found ${found}`;
    case 'too_small':
      return `must be ${issue.inclusive ? 'at least' : 'above'} ${issue.minimum}${issue.origin === 'array' ? ' entries' : ''}, found ${found}`;
    case 'too_big':
      return `must be ${issue.inclusive ? 'at most' : 'below'} ${issue.maximum}, found ${found}`;
    case 'invalid_value':
      return `must be one of ${issue.values.map((value) => JSON.stringify(value)).join(', ')}, found ${found}`;
    case 'custom':
    case 'invalid_element':
    case 'invalid_format':
    case 'invalid_key':
    case 'invalid_union':
    case 'not_multiple_of':
      return `${issue.message}, found ${found}`;
  }
}

/** Turns what Zod found into problems with path, value found and range allowed. */
export function listSchemaProblems(document: unknown, issues: readonly Issue[]): FileProblem[] {
  return issues.map((issue) => ({
    path: formatPath(issue.path),
    message: describeIssue(issue, showValue(findAt(document, issue.path))),
  }));
}
