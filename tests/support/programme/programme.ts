/** One row of an integer programme over 0-1 variables: the sum of coefficient times variable is at least `atLeast`. */
export interface Clause {
  readonly terms: ReadonlyMap<string, number>;
  readonly atLeast: number;
}

/** Minimise `objective` over 0-1 variables under `clauses`. Variables are named by short words without blanks. */
export interface IntegerProgramme {
  readonly objective: ReadonlyMap<string, number>;
  readonly clauses: readonly Clause[];
}

export type ProgrammeOutcome =
  | { readonly kind: 'solved'; readonly value: number; readonly chosen: ReadonlySet<string> }
  | { readonly kind: 'infeasible' };

/** A general solver for integer programmes, exact. Core does not know which one it is given. */
export type ProgrammeSolver = (programme: IntegerProgramme) => ProgrammeOutcome;

function writeTerms(terms: Iterable<readonly [string, number]>): string {
  const words = [...terms].map(
    ([name, factor]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`,
  );
  const lines: string[] = [];
  for (let at = 0; at < words.length; at += 8) lines.push(words.slice(at, at + 8).join(' '));
  return lines.join('\n   ');
}

/** Writes a programme in the CPLEX LP text format, which most solvers read. */
export function writeLp(programme: IntegerProgramme): string {
  const names = new Set<string>(programme.objective.keys());
  for (const clause of programme.clauses) for (const name of clause.terms.keys()) names.add(name);
  const rows = programme.clauses.map(
    (clause, index) => ` r${index}: ${writeTerms(clause.terms)} >= ${clause.atLeast}`,
  );
  return [
    'Minimize',
    ` cost: ${programme.objective.size > 0 ? writeTerms(programme.objective) : `+ 0 ${[...names][0] ?? 'none'}`}`,
    'Subject To',
    ...rows,
    'Binary',
    ...[...names].map((name) => ` ${name}`),
    'End',
    '',
  ].join('\n');
}
