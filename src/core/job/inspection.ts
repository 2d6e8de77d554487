import { refuse, type Refusal } from '../rules/refuse';
import type { SiteFacts } from './site';
import type { Dossier } from './state';

/** When the isolation has to be inspected next (ISO 8601, UTC); undefined while nothing hangs. */
export function findInspectionDue(
  { isolation }: Dossier,
  { values }: SiteFacts,
): string | undefined {
  const since = [isolation.locked, isolation.tagged]
    .flatMap((all: Readonly<Record<string, { readonly at: string }>>) => Object.values(all))
    .map(({ at }) => Date.parse(at));
  if (since.length === 0) return undefined;
  const last = Math.max(
    Math.min(...since),
    isolation.inspected ? Date.parse(isolation.inspected.at) : 0,
  );
  return new Date(last + values['inspection-h'] * 3_600_000).toISOString();
}

/** Refuses work behind a long-term isolation whose inspection is overdue. */
export function gateInspection(dossier: Dossier, site: SiteFacts, now: string): Refusal[] {
  const due = findInspectionDue(dossier, site);
  return due !== undefined && Date.parse(now) > Date.parse(due)
    ? [refuse('inspection-due', { due, hours: site.values['inspection-h'] })]
    : [];
}
