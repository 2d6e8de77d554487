import { computeRequirement, listArrivalLamps, type LampKind } from '../isolation';
import { findStage, siteOf, type OpenJob, type SiteFacts, type Stage } from '../job';
import { linksOf, type Activity, type Grade, type Scope } from '../plant';

/** One source that can reach a section, and how well work there would have to be held apart from it. */
export interface ReachingSource {
  readonly id: string;
  readonly name: string;
  readonly grade: Grade | undefined;
  readonly route: readonly string[];
}

/** What can be said of a section before any job is raised there. */
export interface SectionAnswer {
  readonly id: string;
  readonly name: string;
  readonly area: string;
  readonly medium: string;
  readonly pressure_bar?: number | undefined;
  readonly temperature_c?: number | undefined;
  readonly voltage_v?: number | undefined;
  readonly equipment: readonly { readonly id: string; readonly name: string }[];
  /** What can reach it, as lamps. */
  readonly arrivals: readonly {
    readonly id: string;
    readonly kind: LampKind;
    readonly words: string;
    readonly sources: readonly ReachingSource[];
  }[];
  /** Open jobs that work here, or hold a point at its edge. */
  readonly jobs: readonly {
    readonly id: string;
    readonly title: string;
    readonly stage: Stage;
    readonly worksHere: boolean;
    readonly points: readonly string[];
  }[];
}

/** How long work is taken to last, where nobody has said (h). */
const HOURS = 8;

/** The scope of work of one activity on one section. */
export const scopeAt = (section: string, activity: Activity): Scope => ({
  work: [{ section, activity }],
  hours: HOURS,
});

/** Open jobs that work at a section or hold a point at its edge. */
function listJobsAt(
  facts: SiteFacts,
  open: readonly OpenJob[],
  section: string,
  edge: ReadonlySet<string>,
): SectionAnswer['jobs'] {
  return open.flatMap((job) => {
    const { id, dossier } = job;
    const worksHere = dossier.scope.work.some((one) => one.section === section);
    const { locked, opened } = dossier.isolation;
    const points = [...Object.keys(locked), ...Object.keys(opened)].filter((one) => edge.has(one));
    if (!worksHere && points.length === 0) return [];
    const stage = findStage(dossier, siteOf(job, facts));
    return [{ id, title: dossier.title, stage, worksHere, points }];
  });
}

/** What can reach a section when it is opened, entered, worked on hot or touched, and which jobs stand on it; undefined when the drawing does not have it. */
export function askSection(
  site: SiteFacts,
  open: readonly OpenJob[],
  id: string,
  activity: Activity,
): SectionAnswer | undefined {
  const { graph, policy } = site;
  const at = graph.sectionAt.get(id);
  const section = at === undefined ? undefined : graph.sections[at];
  if (at === undefined || !section) return undefined;
  const { trace, demands } = computeRequirement(graph, scopeAt(id, activity), {}, policy);
  const traced = new Map(trace.sources.map((source) => [source.id, source]));
  const gradeOf = new Map(demands.map((demand) => [demand.id, demand.grade]));
  const edge = new Set([
    ...[...linksOf(graph, at)].map((link) => graph.links[link]?.id ?? ''),
    ...graph.outlets.filter((outlet) => outlet.section === id).map((outlet) => outlet.id),
  ]);
  return {
    id,
    name: section.name,
    area: graph.plant.areas.find((area) => area.id === section.area)?.name ?? section.area,
    medium: graph.medium[at]?.name ?? section.medium,
    pressure_bar: section.pressure_bar,
    temperature_c: section.temperature_c,
    voltage_v: section.voltage_v,
    equipment: graph.plant.equipment
      .filter(({ sections }) => sections.includes(id))
      .map((item) => ({ id: item.id, name: item.name })),
    arrivals: listArrivalLamps(graph, trace).map(({ id: lamp, kind, words, sources }) => ({
      id: lamp,
      kind,
      words,
      sources: sources.flatMap((source) => {
        const one = traced.get(source);
        return one
          ? [{ id: source, name: one.name, grade: gradeOf.get(source), route: one.route }]
          : [];
      }),
    })),
    jobs: listJobsAt(site, open, id, edge),
  };
}
