import { refuse, type Refusal } from '../../rules/refuse';
import { type Context } from '../site';

/** Refuses a thing whose test has run out. */
export function requireInDate(
  { id, testedUntil }: { readonly id: string; readonly testedUntil: string },
  context: Context,
): Refusal[] {
  if (Date.parse(testedUntil) >= Date.parse(context.now)) return [];
  return [refuse('instrument-overdue', { instrument: id, until: testedUntil.slice(0, 10) })];
}
