import pino, { type Logger } from 'pino';
import { perProcess } from './per-process';

/**
 * Where what happens to the server is written: lines of JSON. The server makes it as it starts (scripts/log.mjs); a command line, a test and a helper have
 * one that says on their error output what went wrong. What is secret never goes into it: no body, no query, no cookie, no values of a statement.
 */
export const log = (): Logger =>
  perProcess('log', () => pino({ level: 'error' }, pino.destination({ fd: 2, sync: true })));

/** The library that asks the database writes the values of a statement into its errors: a hash or a digest may be one of them. */
export const withoutValues = (text: string): string => text.replace(/\nparams:[\s\S]*?(?=\n\s+at |$)/, '\nparams: not written down'); // prettier-ignore

/** Writes down that something failed, and why. */
export function logFault(what: string, error: unknown): void {
  const isError = error instanceof Error;
  const why = withoutValues(isError ? (error.stack ?? error.message) : String(error));
  log().error({ why }, what);
}
