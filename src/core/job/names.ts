import { listPlanPoints, listRenamed, mapPlan, type Plant, type PlantGraph } from '../plant';
import { findMissing, type OpenJob, type SiteFacts } from './site';
import type { Dossier, IsolationRecord } from './state';

/** What ids are to be called, by what they are called now. */
type Names = ReadonlyMap<string, string>;

/** An id, or the kind of a proof with the id that it is of. */
function sayAs(text: string, names: Names): string {
  const whole = names.get(text);
  if (whole !== undefined) return whole;
  const at = text.indexOf(':') + 1;
  const of = at === 0 ? undefined : names.get(text.slice(at));
  return of === undefined ? text : text.slice(0, at) + of;
}

const sayKeysAs = <Row>(
  rows: Readonly<Record<string, Row>>,
  names: Names,
): Readonly<Record<string, Row>> =>
  Object.fromEntries(Object.entries(rows).map(([id, row]) => [sayAs(id, names), row]));

/** What an isolation keeps by ids of the drawing. Locks, boxes, people and start stations have names of their own, which may read the same. */
function sayIsolationAs(isolation: IsolationRecord, names: Names): IsolationRecord {
  const { locked, opened, seenOpen, foundShut, watched, earths, restrained, waited } = isolation;
  const { proved, foundLive, tagged, hasps, walked, differs, leakTests, test } = isolation;
  const to = <Row>(rows: Readonly<Record<string, Row>>) => sayKeysAs(rows, names);
  const all = (ids: readonly string[]) => ids.map((id) => sayAs(id, names));
  return {
    ...isolation,
    locked: to(locked),
    opened: to(opened),
    seenOpen: to(seenOpen),
    foundShut: to(foundShut),
    watched: to(watched),
    earths: to(earths),
    restrained: to(restrained),
    waited: to(waited),
    proved: to(proved),
    foundLive: to(foundLive),
    tagged: to(tagged),
    hasps: to(hasps),
    walked: to(walked),
    differs: to(differs),
    leakTests: to(leakTests),
    ...(test ? { test: { ...test, points: all(test.points), lifted: all(test.lifted) } } : {}),
  };
}

const sayPlanAs = (plan: Dossier['plan'], names: Names): Dossier['plan'] => {
  if (plan.kind === 'none') return plan;
  const said = {
    ...plan,
    plan: mapPlan(plan.plan, (ids) => ids.map((id) => sayAs(id, names))),
  };
  return said.kind === 'accepted' ? { ...said, labels: sayKeysAs(said.labels, names) } : said;
};

/** Sums by what they are about, which begins their key. */
const sayNotedAs = (noted: Dossier['noted'], names: Names): Dossier['noted'] =>
  Object.fromEntries(
    Object.entries(noted).map(([key, one]) => {
      const subject = sayAs(one.subject, names);
      return [subject + key.slice(one.subject.length), { ...one, subject }];
    }),
  );

/** Every job as it was said once: what is worked out of a scope is kept by the scope. */
const said = new WeakMap<Names, WeakMap<Dossier, Dossier>>();

/** A job with everything that it names of the drawing under other ids. */
export function applyNames(job: Dossier, names: Names): Dossier {
  if (names.size === 0) return job;
  const known = said.get(names) ?? new WeakMap<Dossier, Dossier>();
  said.set(names, known);
  const before = known.get(job);
  if (before) return before;
  const { scope } = job;
  const after: Dossier = {
    ...job,
    equipment: sayAs(job.equipment, names),
    scope: {
      ...scope,
      work: scope.work.map((one) => ({ ...one, section: sayAs(one.section, names) })),
      ...(scope.emptied ? { emptied: scope.emptied.map((id) => sayAs(id, names)) } : {}),
    },
    grades: sayKeysAs(job.grades, names),
    noted: sayNotedAs(job.noted, names),
    plan: sayPlanAs(job.plan, names),
    isolation: sayIsolationAs(job.isolation, names),
    bypasses: sayKeysAs(job.bypasses, names),
  };
  known.set(job, after);
  return after;
}

/** A job as it would be called on a drawing. */
export const renameDossier = (job: Dossier, { plant }: PlantGraph): Dossier =>
  applyNames(job, listRenamed(plant));

/** Why a job keeps the names that it has, in words; undefined where it may take over others. */
export function whyTied({ plan, isolation, bypasses }: Dossier): string | undefined {
  if (plan.kind === 'accepted') return 'its plan is accepted';
  const { locked, tagged, opened, restrained, proved, seenOpen } = isolation;
  const stands = [locked, tagged, opened, restrained, proved, seenOpen].some(
    (held) => Object.keys(held).length > 0,
  );
  if (stands) return 'part of its isolation stands';
  return Object.keys(bypasses).length > 0 ? 'it has a bypass' : undefined;
}

/** The scope of a job as it counts on a newer drawing: one that keeps its names is looked for under the new ones. */
export const scopeOn = (dossier: Dossier, graph: PlantGraph): Dossier['scope'] =>
  whyTied(dossier) === undefined ? dossier.scope : renameDossier(dossier, graph).scope;

/** Ids of what is no section, link, outlet or store. */
const others = new WeakMap<Plant, ReadonlySet<string>>();

function hasId({ sectionAt, linkAt, outletAt, storeAt, plant }: PlantGraph, id: string): boolean {
  if ([sectionAt, linkAt, outletAt, storeAt].some((at) => at.has(id))) return true;
  const further =
    others.get(plant) ?? new Set([...plant.equipment, ...plant.gauges].map((one) => one.id));
  others.set(plant, further);
  return further.has(id);
}

/** What of a job a drawing has no more, and what it has under another id. */
export interface JobNames {
  readonly gone: readonly string[];
  readonly renamed: readonly { readonly from: string; readonly to: string }[];
}

/** Looks for everything that a job names on a drawing: its place of work, what is run empty, its equipment, the points of its plan. */
export function findNames({ scope, equipment, plan }: Dossier, graph: PlantGraph): JobNames {
  const names = listRenamed(graph.plant);
  const all = [
    equipment,
    ...scope.work.map(({ section }) => section),
    ...(scope.emptied ?? []),
    ...(plan.kind === 'none' ? [] : listPlanPoints(plan.plan)),
  ];
  const missing = [...new Set(all)].filter((id) => !hasId(graph, id));
  return {
    gone: missing.filter((id) => !names.has(id)),
    renamed: missing.flatMap((from) => {
      const to = names.get(from);
      return to === undefined ? [] : [{ from, to }];
    }),
  };
}

/** What a new drawing asks about a job, and whether it may go on under the new ids; otherwise it can only keep those that it has. */
export interface Touch extends JobNames {
  readonly mayFollow: boolean;
}

export function findTouch(dossier: Dossier, graph: PlantGraph): Touch {
  const names = findNames(dossier, graph);
  const isFree = whyTied(dossier) === undefined;
  return { ...names, mayFollow: isFree && names.gone.length === 0 && names.renamed.length > 0 };
}

/**
 * Whether it has to be said what becomes of a job on a new drawing: it names what is gone, or may take other ids over, and the drawing before did not ask the same.
 * Who is tied to an earlier drawing and only has old ids is not asked about: the new ones are known for the old there.
 */
export function isAsked(
  { gone, renamed, mayFollow }: Touch,
  dossier: Dossier,
  before: PlantGraph | undefined,
): boolean {
  const known = before ? findNames(dossier, before) : { gone: [], renamed: [] };
  const isGone = gone.some((id) => !known.gone.includes(id));
  const isRenamed = renamed.some(({ from }) => !known.renamed.some((one) => one.from === from));
  return isGone || (mayFollow && isRenamed);
}

const atHand = new WeakMap<PlantGraph, WeakMap<PlantGraph, Names>>();

/** What every id that a thing ever had is called on the drawing of a job, by the newest drawing's list of old ids. */
function namesAtHand(site: SiteFacts): Names {
  const { graph } = site;
  const newest = site.newest?.graph ?? graph;
  const known = atHand.get(graph) ?? new WeakMap<PlantGraph, Names>();
  atHand.set(graph, known);
  const before = known.get(newest);
  if (before) return before;
  const families = new Map<string, string[]>();
  for (const [old, now] of listRenamed(newest.plant)) {
    families.set(now, [...(families.get(now) ?? [now]), old]);
  }
  const names = new Map(
    [...families.values()].flatMap((family) => {
      const here = family.find((id) => hasId(graph, id));
      if (here === undefined) return [];
      return family.flatMap((id) => (id === here ? [] : [[id, here] as const]));
    }),
  );
  known.set(newest, names);
  return names;
}

/**
 * Other open jobs as they would speak on the drawing of the job at hand: a valve that one of them has locked under an old id is the same valve. A job whose
 * place of work is there by that name is looked at there.
 */
export function speakAs(jobs: readonly OpenJob[], site: SiteFacts): readonly OpenJob[] {
  const names = namesAtHand(site);
  if (names.size === 0) return jobs;
  return jobs.map(({ site: own, ...job }) => {
    const dossier = applyNames(job.dossier, names);
    const isHere = findMissing(dossier.scope, site.graph) === undefined;
    return { ...job, dossier, ...(own && !isHere ? { site: own } : {}) };
  });
}
