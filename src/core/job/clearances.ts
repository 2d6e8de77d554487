import { refuse, type Refusal } from '../rules/refuse';
import type { Clearance } from './outside-records';
import type { SiteFacts } from './site';
import type { Dossier } from './state';

/** Points of a plan that only somebody else operates, by who that is. */
export function listForeign(
  { plan }: Dossier,
  { graph }: SiteFacts,
): ReadonlyMap<string, string[]> {
  const found = new Map<string, string[]>();
  if (plan.kind === 'none') return found;
  for (const id of plan.plan.close) {
    const operator = graph.links[graph.linkAt.get(id) ?? -1]?.operated_by;
    if (operator !== undefined) found.set(operator, [...(found.get(operator) ?? []), id]);
  }
  return found;
}

/** Why the word of one operator does not count now; nothing when it does. */
function refuseClearance(
  operator: string,
  { clearances }: Dossier,
  points: readonly string[],
  now: string,
): Refusal[] {
  const { given, returned } = clearances[operator] ?? {};
  const facts = { operator, points: points.join(', ') };
  if (!given || returned) return [refuse('clearance-missing', facts)];
  return Date.parse(given.until) < Date.parse(now)
    ? [refuse('clearance-over', { ...facts, number: given.number, until: given.until })]
    : [];
}

/** No work without the clearance of whoever operates points of the plan, and none after its end. */
export const gateClearances = (dossier: Dossier, site: SiteFacts, now: string): Refusal[] =>
  [...listForeign(dossier, site)].flatMap(([operator, points]) =>
    refuseClearance(operator, dossier, points, now),
  );

/** Refuses to go to a point that only somebody else operates before they have said that it is isolated. */
export const requireCleared = (
  dossier: Dossier,
  point: string,
  site: SiteFacts,
  now: string,
): Refusal[] =>
  [...listForeign(dossier, site)]
    .filter(([, points]) => points.includes(point))
    .flatMap(([operator, points]) => refuseClearance(operator, dossier, points, now));

/** What keeps plant from being started that somebody else feeds: they switch once they have their clearance back. */
export const gateReturned = ({ clearances }: Dossier): Refusal[] =>
  Object.entries(clearances).flatMap(([operator, { given, returned }]) =>
    given && !returned
      ? [refuse('clearance-not-returned', { operator, number: given.number, person: given.person })]
      : [],
  );

/** When the first clearance ends that a job works under (ISO 8601, UTC); undefined where it needs none. */
export function findClearanceEnd(dossier: Dossier, site: SiteFacts): string | undefined {
  const ends = [...listForeign(dossier, site).keys()].flatMap(
    (operator) => dossier.clearances[operator]?.given?.until ?? [],
  );
  return ends.sort((a, b) => Date.parse(a) - Date.parse(b))[0];
}

/** Refuses a permit that would outlast a clearance. */
export function requireWithinClearance(
  dossier: Dossier,
  until: string,
  site: SiteFacts,
): Refusal[] {
  const end = findClearanceEnd(dossier, site);
  return end !== undefined && Date.parse(until) > Date.parse(end)
    ? [refuse('clearance-shorter', { until: end })]
    : [];
}

/** A clearance as the page of a job shows it. */
export interface ClearanceView extends Clearance {
  readonly operator: string;
  readonly points: readonly string[];
  /** Given, and not handed back. */
  readonly isHeld: boolean;
  /** Held for longer than it was given for. */
  readonly isOver: boolean;
}

export const viewClearances = (dossier: Dossier, site: SiteFacts, now: string): ClearanceView[] =>
  [...listForeign(dossier, site)].map(([operator, points]) => {
    const codes = refuseClearance(operator, dossier, points, now).map(({ code }) => code);
    return {
      operator,
      points,
      ...dossier.clearances[operator],
      isHeld: !codes.includes('clearance-missing'),
      isOver: codes.includes('clearance-over'),
    };
  });
