import { refuse, type Refusal } from '../rules/book';
import type { Command } from './commands';
import { findSubject } from './scan';
import type { Context } from './site';
import type { DossierState, Mark } from './state';

/** How long a device may keep an entry before it is sent (h). Source: site rule. */
const LONGEST_KEPT_HOURS = 12;
/** How far the clock of a device may be ahead (ms). Source: site rule. */
const CLOCK_AHEAD_MS = 60_000;

/**
 * When a step was done (ISO 8601, UTC): what is done at a point may be entered on a device and sent later, and counts from when it
 * was entered, never from later than now. Everything else is done when it is sent.
 */
export function timeOf(command: Command, { enteredAt, now }: Context): string {
  if (enteredAt === undefined || findSubject(command) === undefined) return now;
  return Date.parse(enteredAt) < Date.parse(now) ? enteredAt : now;
}

/** The last thing that changed what a reading or a try proves. */
function findLastChange(state: DossierState): { what: string; at: string } | undefined {
  if (!state) return undefined;
  const { locked, opened, restrained, waited, relit } = state.isolation;
  const done = [locked, opened, restrained, waited].flatMap((all: Record<string, Mark>) =>
    Object.entries(all).map(([what, { at }]) => ({ what: `${what} was done`, at })),
  );
  return [...done, ...(relit ? [{ what: 'everything was to be proved again', at: relit.at }] : [])]
    .sort((a, b) => Date.parse(b.at) - Date.parse(a.at))
    .at(0);
}

/** Refuses an entry from the future, one too old to speak for the plant as it is, and a reading that the plant has overtaken. */
export function refuseEntered(
  state: DossierState,
  command: Command,
  { enteredAt, now }: Context,
): Refusal[] {
  if (enteredAt === undefined) return [];
  const age = Date.parse(now) - Date.parse(enteredAt);
  if (age < -CLOCK_AHEAD_MS) return [refuse('entered-ahead', { at: enteredAt })];
  if (age > LONGEST_KEPT_HOURS * 3_600_000)
    return [refuse('entered-long-ago', { at: enteredAt, hours: LONGEST_KEPT_HOURS })];
  if (command.kind !== 'prove' && command.kind !== 'try-start') return [];
  const last = findLastChange(state);
  return last && Date.parse(enteredAt) < Date.parse(last.at)
    ? [refuse('reading-overtaken', { at: enteredAt, what: last.what, since: last.at })]
    : [];
}
