import { listPlanPoints, listRenamed, mapPlan, type PlantGraph } from '../plant';
import { findMissing, type OpenJob, type SiteFacts } from './site';
import type { Dossier } from './state';

type Names = ReadonlyMap<string, string> | Readonly<Record<string, string>>;
type Named = Pick<Dossier, 'scope' | 'equipment' | 'plan' | 'grades' | 'noted'>;

const nameIn = (names: Names, id: string): string =>
  (names instanceof Map
    ? (names.get(id) as string | undefined)
    : (names as Readonly<Record<string, string>>)[id]) ?? id;

const renameKeys = <T>(rows: Readonly<Record<string, T>>, names: Names) =>
  Object.fromEntries(Object.entries(rows).map(([id, row]) => [nameIn(names, id), row]));

/** A job with what has another id now under that one. */
export function applyNames<Job extends Named>(job: Job, names: Names): Job {
  const to = (id: string) => nameIn(names, id);
  const { scope, plan } = job;
  return {
    ...job,
    equipment: to(job.equipment),
    scope: {
      ...scope,
      work: scope.work.map((one) => ({ ...one, section: to(one.section) })),
      ...(scope.emptied ? { emptied: scope.emptied.map(to) } : {}),
    },
    grades: renameKeys(job.grades, names),
    noted: renameKeys(job.noted, names),
    plan: plan.kind === 'none' ? plan : { ...plan, plan: mapPlan(plan.plan, (ids) => ids.map(to)) },
  };
}

/** A job as it would be called on a drawing. */
export function renameDossier<Job extends Named>(job: Job, { plant }: PlantGraph): Job {
  const names = listRenamed(plant);
  return names.size === 0 ? job : applyNames(job, names);
}

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

/** What of a job a drawing has no more, and what it has under another id. */
export interface JobNames {
  readonly gone: readonly string[];
  readonly renamed: readonly { readonly from: string; readonly to: string }[];
}

/** Looks for everything that a job names on a drawing: its place of work, what is run empty, its equipment, the points of its plan. */
export function findNames({ scope, equipment, plan }: Dossier, graph: PlantGraph): JobNames {
  const { sectionAt, linkAt, outletAt, storeAt, plant } = graph;
  const items = new Set(plant.equipment.map(({ id }) => id));
  const names = listRenamed(plant);
  const isThere = (id: string) =>
    sectionAt.has(id) || linkAt.has(id) || outletAt.has(id) || storeAt.has(id) || items.has(id);
  const all = [
    equipment,
    ...scope.work.map(({ section }) => section),
    ...(scope.emptied ?? []),
    ...(plan.kind === 'none' ? [] : listPlanPoints(plan.plan)),
  ];
  const missing = [...new Set(all)].filter((id) => !isThere(id));
  return {
    gone: missing.filter((id) => !names.has(id)),
    renamed: missing.flatMap((from) => {
      const to = names.get(from);
      return to === undefined ? [] : [{ from, to }];
    }),
  };
}

const hasId = ({ sectionAt, linkAt, outletAt, storeAt, plant }: PlantGraph, id: string): boolean =>
  sectionAt.has(id) ||
  linkAt.has(id) ||
  outletAt.has(id) ||
  storeAt.has(id) ||
  plant.equipment.some((one) => one.id === id) ||
  plant.gauges.some((one) => one.id === id);

/** What every id that a thing ever had is called on the drawing of a job, by the newest drawing's list of old ids. */
function namesAtHand({ graph, newest }: SiteFacts): ReadonlyMap<string, string> {
  const renamed = listRenamed((newest?.graph ?? graph).plant);
  const families = new Map<string, string[]>();
  for (const [old, now] of renamed) families.set(now, [...(families.get(now) ?? [now]), old]);
  return new Map(
    [...families.values()].flatMap((family) => {
      const here = family.find((id) => hasId(graph, id));
      if (here === undefined) return [];
      return family.flatMap((id) => (id === here ? [] : [[id, here] as const]));
    }),
  );
}

/** A name, or the kind of a proof with the name that it is of. */
function sayAs(text: string, names: ReadonlyMap<string, string>): string {
  const whole = names.get(text);
  if (whole !== undefined) return whole;
  const at = text.indexOf(':');
  const of = at < 0 ? undefined : names.get(text.slice(at + 1));
  return of === undefined ? text : `${text.slice(0, at + 1)}${of}`;
}

function renameAll<T>(value: T, names: ReadonlyMap<string, string>): T {
  if (typeof value === 'string') return sayAs(value, names) as T;
  if (Array.isArray(value)) return value.map((one: unknown) => renameAll(one, names)) as T;
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, one]) => [
      sayAs(key, names),
      renameAll(one as unknown, names),
    ]),
  ) as T;
}

/**
 * Other open jobs as they would speak on the drawing of the job at hand: a valve that one of them has locked under an old id is the same valve. A job whose
 * place of work is there by that name is looked at there.
 */
export function speakAs(others: readonly OpenJob[], site: SiteFacts): readonly OpenJob[] {
  const names = namesAtHand(site);
  if (names.size === 0) return others;
  return others.map((other) => {
    const text = JSON.stringify(other.dossier);
    if (![...names.keys()].some((id) => text.includes(id))) return other;
    const dossier = renameAll(other.dossier, names);
    const { site: own, ...rest } = other;
    const isHere = findMissing(dossier.scope, site.graph) === undefined;
    return { ...rest, dossier, ...(own && !isHere ? { site: own } : {}) };
  });
}
