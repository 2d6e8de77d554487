/** What a parser answers: the value, or every problem that was found (never an empty list). */
export type Result<Value, Problem> =
  | { readonly ok: true; readonly value: Value }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** A fault of the program or corrupt data: the one thing that is thrown. */
export class ProgrammerFault extends Error {
  override readonly name = 'ProgrammerFault';
}

/** Gives back `value`, or throws when it is absent where the caller has already shown that it cannot be. */
export function presentOrThrow<T>(value: T | undefined | null, what: string): T {
  if (value === undefined || value === null) throw new ProgrammerFault(`missing: ${what}`);
  return value;
}
