import { refuse, type Refusal } from '../rules/book';
import type { Dossier } from './state';

/** An isolation that stands longer than this (h) is inspected, and again after each such interval. Source: practice; site rule. */
export const INSPECTION_HOURS = 7 * 24;

/** When the isolation has to be inspected next (ISO 8601, UTC); undefined while nothing hangs. */
export function findInspectionDue({ isolation }: Dossier): string | undefined {
  const since = [isolation.locked, isolation.tagged]
    .flatMap((all: Readonly<Record<string, { readonly at: string }>>) => Object.values(all))
    .map(({ at }) => Date.parse(at));
  if (since.length === 0) return undefined;
  const last = Math.max(
    Math.min(...since),
    isolation.inspected ? Date.parse(isolation.inspected.at) : 0,
  );
  return new Date(last + INSPECTION_HOURS * 3_600_000).toISOString();
}

/** Refuses work behind a long-term isolation whose inspection is overdue. */
export function gateInspection(dossier: Dossier, now: string): Refusal[] {
  const due = findInspectionDue(dossier);
  return due !== undefined && Date.parse(now) > Date.parse(due)
    ? [refuse('inspection-due', { due, hours: INSPECTION_HOURS })]
    : [];
}
