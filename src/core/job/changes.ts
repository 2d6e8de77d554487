import {
  findChangeEnd,
  isChangeOver,
  isPending,
  isToBeDrawn,
  nameChange,
  sayChange,
  type Change,
} from '../changes/record';
import { kindOf } from '../changes/kinds';
import { listNamesOn } from '../defects/apply';
import { linksOf, listPlanPoints } from '../plant';
import { refuse, type Refusal } from '../rules/refuse';
import { drawnNow, findRequirement, type SiteFacts } from './site';
import type { Dossier } from './state';

/** What of the plant a job takes out of service, by ids of its drawing: its equipment, where it works, what is let down with it, its points and what they hang on. */
function listOut(dossier: Dossier, site: SiteFacts): ReadonlySet<string> {
  const { graph } = site;
  const { zone } = findRequirement(dossier, site).trace;
  const points = dossier.plan.kind === 'none' ? [] : listPlanPoints(dossier.plan.plan);
  const around = [...zone].flatMap((section) => [
    graph.sections[section]?.id ?? '',
    ...Array.from(linksOf(graph, section), (link) => graph.links[link]?.id ?? ''),
  ]);
  const { outlets, gauges } = graph.plant;
  const inside = new Set(around);
  const fitted = [...outlets, ...gauges].filter(({ section }) => inside.has(section));
  return new Set([
    dossier.equipment,
    ...dossier.scope.work.map(({ section }) => section),
    ...around,
    ...points,
    ...fitted.map(({ id }) => id),
  ]);
}

/** The changes that are not settled and touch a job: made for it, or at what it takes out of service. */
export function listJobChanges(dossier: Dossier, site: SiteFacts, jobId?: string): Change[] {
  const pending = (site.changes ?? []).filter(isPending);
  if (pending.length === 0 || dossier.kind === 'closed') return [];
  const out = listOut(dossier, site);
  const newest = drawnNow(site).plant;
  const drawing = site.sound ?? site.graph;
  const isHere = (place: string) =>
    out.has(place) || listNamesOn(drawing, place, newest).some((id) => out.has(id));
  return pending.filter(
    ({ job, places, isEverywhere }) =>
      isEverywhere === true || (job !== undefined && job === jobId) || places.some(isHere),
  );
}

/** Plant is not taken back into service with a change that nobody has reviewed, whose time is over, that nobody was told of, or that the drawing does not show. */
export function gateChanges(
  dossier: Dossier,
  site: SiteFacts,
  now: string,
  jobId?: string,
): Refusal[] {
  return listJobChanges(dossier, site, jobId).flatMap((one) => {
    const facts = { name: nameChange(one.number), says: sayChange(one) };
    const { review } = one;
    if (review.kind === 'turned-down') return [refuse('change-turned-down', facts)];
    if (review.kind !== 'allowed') return [refuse('change-unreviewed', facts)];
    if (isChangeOver(one, now))
      return [refuse('change-time-over', { ...facts, until: findChangeEnd(one) ?? '' })];
    const isUndrawn = isToBeDrawn(one) && one.drawn === undefined;
    return [
      ...(one.told.length === 0 ? [refuse('change-untold', facts)] : []),
      ...(isUndrawn ? [refuse('change-not-drawn', facts)] : []),
    ];
  });
}

/** A change as the page of a job shows it. */
export interface JobChange {
  readonly name: string;
  readonly says: string;
  readonly isAllowed: boolean;
  readonly until?: string | undefined;
  /** Whether something can flow through it that the drawing does not show. */
  readonly isWay: boolean;
}

export const viewJobChanges = (dossier: Dossier, site: SiteFacts, jobId?: string): JobChange[] =>
  listJobChanges(dossier, site, jobId).map((one) => ({
    name: nameChange(one.number),
    says: sayChange(one),
    isAllowed: one.review.kind === 'allowed',
    until: findChangeEnd(one),
    isWay: kindOf(one.change).connects !== undefined && one.drawn === undefined,
  }));
