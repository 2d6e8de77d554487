import type { Role } from '../people/people';
import { describePoint } from '../sequence';
import { writeCode } from './scan';
import { findWorkOrder, type SiteFacts } from './site';
import { isHeld, type Dossier, type Mark } from './state';

/** Who prints tags: whoever hangs them, and the coordinator. */
export const TAG_PRINTERS: readonly Role[] = [
  'coordinator',
  'isolating-electrical',
  'isolating-mechanical',
  'isolating-process',
];

/** How a point is held while its tag hangs there. */
export type Held = 'closed' | 'open' | 'earthed' | 'restrained';

/** What a tag says: which point it hangs at, how that is held, for what job, since when, by whom, and how long. */
export interface Tag {
  readonly code: string;
  readonly point: string;
  readonly held: Held;
  readonly what: string;
  readonly where: string;
  readonly job: string;
  readonly title: string;
  /** Who leads the work. */
  readonly performer: string;
  /** The lock beside it, once it hangs. */
  readonly lock?: string;
  readonly hung?: Mark;
  /** The number of the earthing set, once one is on. */
  readonly earth?: string;
  /** Until when the permit counts (ISO 8601, UTC), once it is issued. */
  readonly until?: string;
}

/** The tags of a job, one for each point of its plan in the plan's order; empty without a plan. */
export function listTags(dossier: Dossier, { graph, people }: SiteFacts, job: string): Tag[] {
  if (dossier.plan.kind === 'none') return [];
  const { isolation, permit } = dossier;
  const { close, open, restrain, stand = [] } = dossier.plan.plan;
  const heldOpen = (id: string): Held =>
    graph.outlets[graph.outletAt.get(id) ?? -1]?.kind === 'earth' ? 'earthed' : 'open';
  const points = [
    ...close.map((point) => ({ point, held: 'closed' as Held })),
    ...open.map((point) => ({ point, held: heldOpen(point) })),
    ...restrain.map((point) => ({ point, held: 'restrained' as Held })),
    ...stand.map((point) => ({ point, held: 'open' as Held })),
  ];
  return points.map(({ point, held }) => {
    const { what = '', where = '' } = describePoint(graph, point) ?? {};
    const locked = isolation.locked[point];
    return {
      code: writeCode(job, point),
      point,
      held,
      what,
      where,
      job,
      title: dossier.title,
      performer: people.get(dossier.performer)?.name ?? dossier.performer,
      lock: locked?.lock,
      earth: isolation.earths[point],
      hung: locked ?? isolation.opened[point] ?? isolation.restrained[point],
      until: isHeld(permit) ? permit.until : undefined,
    };
  });
}

/** A point of a plan with its number in the order of work. */
export interface NumberedTag extends Tag {
  readonly number: number;
}

/** The points of a job's plan in the order in which they are worked, numbered from 1; empty without a plan. */
export function listNumberedTags(dossier: Dossier, site: SiteFacts, job: string): NumberedTag[] {
  const { steps = [] } = findWorkOrder(dossier, site) ?? {};
  const at = new Map<string, number>();
  // A drive that is stopped is turned off there and locked later: its number is that of the lock.
  steps.forEach(({ subject, phase }, n) => {
    if (phase !== 'stop' && !at.has(subject)) at.set(subject, n);
  });
  const placeOf = ({ point }: Tag) => at.get(point) ?? steps.length;
  return listTags(dossier, site, job)
    .sort((a, b) => placeOf(a) - placeOf(b))
    .map((tag, n) => ({ ...tag, number: n + 1 }));
}
