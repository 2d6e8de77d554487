import { findStage, siteOf, type OpenJob, type SiteFacts, type Stage } from '../job';
import { CARRIERS, type Carrier, type PlantGraph } from '../plant';

/** More sections of one carrier than these are counted, and shown when their area is opened. */
const MOST_SHOWN = 40;

/** The plant whole: its areas, what lies in each by carrier, and the open jobs that work there. */
export interface PlantMap {
  readonly areas: readonly {
    readonly id: string;
    readonly name: string;
    /** Its explosive atmosphere zone; "none" where there is none. */
    readonly zone: string;
    readonly sections: number;
    readonly lanes: readonly {
      readonly carrier: Carrier;
      readonly shown: readonly {
        readonly id: string;
        readonly name: string;
        readonly source: boolean;
        /** Open jobs that work there. */
        readonly jobs: readonly string[];
      }[];
      readonly more: number;
    }[];
    readonly jobs: readonly {
      readonly id: string;
      readonly title: string;
      readonly stage: Stage;
    }[];
  }[];
}

/** The sections of an area by carrier, sources first, then by id. */
function listLanes(
  graph: PlantGraph,
  own: readonly number[],
  jobsAt: ReadonlyMap<string, string[]>,
) {
  return CARRIERS.flatMap((carrier) => {
    const some = own
      .filter((n) => graph.carrier[n] === carrier)
      .map((n) => {
        const { id, name, source } = graph.sections[n] as PlantGraph['sections'][number];
        return { id, name, source: source !== undefined, jobs: jobsAt.get(id) ?? [] };
      })
      .sort((a, b) => Number(b.source) - Number(a.source) || (a.id < b.id ? -1 : 1));
    if (some.length === 0) return [];
    const shown = some.slice(0, MOST_SHOWN);
    return [{ carrier, shown, more: some.length - shown.length }];
  });
}

/** The plant whole, as it is drawn and as the open jobs stand. */
export function mapPlant(site: SiteFacts, open: readonly OpenJob[]): PlantMap {
  const { graph } = site;
  const jobs = open.map((job) => ({
    id: job.id,
    title: job.dossier.title,
    stage: findStage(job.dossier, siteOf(job, site)),
    at: new Set(job.dossier.scope.work.map(({ section }) => section)),
  }));
  const jobsAt = new Map<string, string[]>();
  for (const { id, at } of jobs) {
    for (const one of at) jobsAt.set(one, [...(jobsAt.get(one) ?? []), id]);
  }
  const ownOf = new Map<string, number[]>(graph.plant.areas.map(({ id }) => [id, []]));
  graph.sections.forEach(({ area }, n) => ownOf.get(area)?.push(n));
  return {
    areas: graph.plant.areas.map(({ id, name, zone }) => {
      const own = ownOf.get(id) ?? [];
      const ids = own.map((n) => graph.sections[n]?.id ?? '');
      return {
        id,
        name,
        zone,
        sections: own.length,
        lanes: listLanes(graph, own, jobsAt),
        jobs: jobs
          .filter(({ at }) => ids.some((one) => at.has(one)))
          .map(({ id: job, title, stage }) => ({ id: job, title, stage })),
      };
    }),
  };
}
