import type { PlantGraph } from '../plant';
import { refuse, type Refusal } from '../rules/refuse';
import {
  findClashes,
  findFirstFree,
  findPlace,
  isCause,
  type Clash,
  type Doing,
  type Place,
  type Span,
} from '../schedule';
import { findClearDistance } from './clearing';
import { keyOfClash } from './evolve/papers';
import { valuesFor } from './sums';
import { listPapers } from './papers';
import { siteOf, type OpenJob, type SiteFacts } from './site';
import { isHeld, isNumbered, type AcceptedClash, type Dossier } from './state';

const HOUR = 3_600_000;

/** A job that has no hour yet, and at which nobody has begun: it is in nobody's way, and is looked at once it gets one. */
const NEVER: Span = { from: Infinity, until: Infinity };

const isUnderWay = ({ permit, isolation }: Dossier) =>
  permit.kind === 'approved' || isolation.told !== undefined || isolation.attended !== undefined;

/** When a job is done: while its permit is out as long as that; else as agreed; else, once it is under way, from now on. */
function findSpan(dossier: Dossier, now: string): Span {
  const { permit, window, scope } = dossier;
  if (permit.kind === 'watched')
    return { from: Date.parse(permit.issuedAt), until: Date.parse(permit.watchedUntil) };
  if (isHeld(permit)) {
    // People may still be there, and the plant open, after it lapsed.
    const until = Math.max(Date.parse(permit.until), Date.parse(now) + 1);
    return { from: Date.parse(permit.issuedAt), until };
  }
  if (window) return { from: Date.parse(window.from), until: Date.parse(window.until) };
  const from = Date.parse(now);
  return isUnderWay(dossier) ? { from, until: from + scope.hours * HOUR } : NEVER;
}

/** The job at hand is looked at as if it began now, when it has no hour. */
function findOwnSpan(dossier: Dossier, now: string): Span {
  const span = findSpan(dossier, now);
  const from = Date.parse(now);
  return span === NEVER ? { from, until: from + dossier.scope.hours * HOUR } : span;
}

/** Whether a job is past its work: what it made is no longer there. It may still start its machine. */
const isOver = ({ permit }: Dossier) => permit.kind === 'closed' || permit.kind === 'handed-back';

/** Where each scope is done on a drawing, as it was found once. */
const places = new WeakMap<
  Dossier['scope'],
  { readonly graph: PlantGraph; readonly place: Place }
>();

/** Where a job is done: its sections, by points or areas. */
export function findPlaceOf({ scope }: Dossier, { graph }: SiteFacts): Place {
  const known = places.get(scope);
  if (known?.graph === graph) return known.place;
  const place = findPlace(
    graph,
    scope.work.map(({ section }) => section),
  );
  places.set(scope, { graph, place });
  return place;
}

/** What a job does, as far as it can be in another's way. */
export function describeDoing(
  job: OpenJob,
  siteNow: SiteFacts,
  now: string,
  span = findSpan(job.dossier, now),
): Doing {
  const { id, dossier } = job;
  const site = siteOf(job, siteNow);
  const { scope, plan, isolation, permit, title } = dossier;
  const papers = isNumbered(permit) ? permit.papers : listPapers(dossier, site);
  const { 'tail-min': watch, 'tail-checks-min': checks } = site.values;
  const tail = papers.includes('hot-work') ? (watch + checks) * 60_000 : 0;
  return {
    job: id,
    title,
    span: permit.kind === 'watched' ? span : { from: span.from, until: span.until + tail },
    scope,
    place: findPlaceOf(dossier, site),
    papers: isOver(dossier) ? [] : papers,
    plan: plan.kind === 'none' ? undefined : plan.plan,
    lifted: isolation.test?.points ?? [],
    starts: permit.kind === 'closed' && isolation.started === undefined,
    clears_m: isOver(dossier) ? undefined : findClearDistance(dossier, site),
    values: valuesFor(dossier, site),
  };
}

/** A clash of this job with another, whether it was accepted, and the first time at which the job meets none. */
export interface JobClash extends Clash {
  readonly other: string;
  readonly accepted?: AcceptedClash | undefined;
  /** When the job could be done instead (ISO 8601, UTC). */
  readonly free: { readonly from: string; readonly until: string };
}

const iso = (instant: number) => new Date(instant).toISOString();

/**
 * Everything by which a job is in the way of others that are open, or they in its way. `span` is given where it is about to be
 * done at another time than the one that was agreed.
 */
export function listClashes(
  self: OpenJob,
  site: SiteFacts,
  others: readonly OpenJob[],
  now: string,
  span: Span = findOwnSpan(self.dossier, now),
): JobClash[] {
  const own = describeDoing(self, site, now, span);
  const beside = others.filter(({ id, dossier }) => id !== self.id && dossier.kind !== 'closed');
  const doings = beside.map((job) => describeDoing(job, site, now));
  const clashes = doings.flatMap((other) => findClashes(site.graph, own, other));
  const free = findFirstFree(own, doings, clashes, Date.parse(now));
  return clashes.map((clash) => {
    const other = clash.cause === self.id ? clash.suffers : clash.cause;
    const theirs = beside.find(({ id }) => id === other)?.dossier.clashes;
    return {
      ...clash,
      other,
      accepted:
        self.dossier.clashes[keyOfClash(clash.code, other)] ??
        theirs?.[keyOfClash(clash.code, self.id)],
      free: { from: iso(free.from), until: iso(free.until) },
    };
  });
}

/** A clash of two jobs that are both open, as the board shows it. */
export interface BoardClash extends Clash {
  readonly accepted: boolean;
}

/** What each job did when it was looked at last; the same as long as nothing of it has changed, so that pairs are compared once. */
const done = new WeakMap<Dossier, { readonly site: Facts; readonly doing: Doing }>();
type Facts = Pick<SiteFacts, 'graph' | 'values'>;

function describeOnce(job: OpenJob, site: SiteFacts, now: string): Doing {
  const known = done.get(job.dossier);
  const span = findSpan(job.dossier, now);
  const isSame =
    known !== undefined &&
    known.site.graph === site.graph &&
    known.site.values === site.values &&
    known.doing.span.from === span.from &&
    known.doing.job === job.id;
  // A permit that has lapsed lasts on from minute to minute: only its beginning is compared.
  if (isSame && isHeld(job.dossier.permit)) return known.doing;
  const doing = describeDoing(job, site, now, span);
  const { graph, values } = site;
  done.set(job.dossier, { site: { graph, values }, doing });
  return doing;
}

/** Clashes of pairs that were compared. */
const compared = new WeakMap<Doing, WeakMap<Doing, readonly Clash[]>>();

function findClashesOnce(site: SiteFacts, one: Doing, other: Doing): readonly Clash[] {
  const known = compared.get(one) ?? new WeakMap<Doing, readonly Clash[]>();
  compared.set(one, known);
  const clashes = known.get(other) ?? findClashes(site.graph, one, other);
  known.set(other, clashes);
  return clashes;
}

/** Every clash among jobs that are done at the same time, each once. */
export function listClashesOf(
  jobs: readonly OpenJob[],
  site: SiteFacts,
  now: string,
): BoardClash[] {
  const doings = jobs.map((job) => {
    const doing = describeOnce(job, site, now);
    return { ...job, doing, endangers: isCause(doing) };
  });
  return doings.flatMap((one, n) =>
    doings.slice(n + 1).flatMap((other) =>
      !one.endangers && !other.endangers
        ? []
        : findClashesOnce(site, one.doing, other.doing)
            .filter(({ together }) => together)
            .map((clash) => ({
              ...clash,
              accepted:
                keyOfClash(clash.code, other.id) in one.dossier.clashes ||
                keyOfClash(clash.code, one.id) in other.dossier.clashes,
            })),
    ),
  );
}

/** Refuses what is in the way of another job at the same time, unless that was accepted by name. */
export function gateClashes(
  self: OpenJob,
  site: SiteFacts,
  others: readonly OpenJob[],
  now: string,
  span?: Span,
): Refusal[] {
  return listClashes(self, site, others, now, span)
    .filter(({ together, accepted }) => together && !accepted)
    .map(({ code, words, other, free }) => refuse(code, { words, job: other, from: free.from }));
}
