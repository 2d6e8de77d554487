import { findWhyNotEmptied, type Grade, type PlantGraph } from '../../plant';
import type { Requirement } from '../requirement';
import type { PlannerOptions } from './model';

/** What could not be had: sources that nothing holds back, sources lowered, and the requirement that can be met. */
export interface Shortfall {
  readonly hopeless: readonly string[];
  readonly unmet: readonly string[];
  readonly requirement: Requirement;
  readonly options: Required<Pick<PlannerOptions, 'waivedStores' | 'waivedEarths'>>;
}

/** Something that a person must accept by name because the plan falls short. */
export type ExtraMeasure =
  | {
      readonly kind: 'grade-lowered';
      readonly subject: string;
      readonly from: Grade;
      readonly to: Grade;
      readonly measures: readonly string[];
    }
  | {
      readonly kind: 'no-plan' | 'store-not-released' | 'earth-not-placed';
      readonly subject: string;
      readonly measures: readonly string[];
    };

/** Source: practice for work behind less than two barriers, written from memory. */
const WHERE_A_BARRIER_IS_SHORT = [
  'keep at least one hand-shut valve locked, with a gauge and a bleed behind it',
  'a named person attends the bleed and the gauge until the work ends',
  'clear the liquid from the line before it is opened',
  'blank the line downstream of the valve as soon as it is open',
];

/** What would help where nothing can hold a source back, by name. */
function listHelp(graph: PlantGraph, { trace }: Requirement, subject: string): string[] {
  const source = trace.sources.find(({ id }) => id === subject);
  const name = source ? `${subject} (${source.name})` : subject;
  const joints = (source?.arrivals[0]?.route ?? []).flatMap((link) => {
    const { id, kind } = graph.links[link] ?? {};
    return kind === 'joint' || kind === 'hose' ? [id] : [];
  });
  const at = joints.slice(0, 3).join(', ');
  return [
    findWhyNotEmptied(graph.plant, subject) === undefined
      ? `run ${name} empty before the job, and prove it empty`
      : `stop ${name} where it comes from, or have whoever feeds it stop it`,
    at === ''
      ? `fit a valve or a flange for a blank on its way, and draw it`
      : `look for a valve or a flange at ${at} that is not drawn, draw it, or fit one`,
    'else do not do the job like this',
  ];
}

/** Lists every acceptance that the shortfall asks for, in the order of ids. */
export function listExtraMeasures(
  graph: PlantGraph,
  requirement: Requirement,
  shortfall: Shortfall,
): ExtraMeasure[] {
  const hopeless = shortfall.hopeless.map((subject) => ({
    kind: 'no-plan' as const,
    subject,
    measures: listHelp(graph, requirement, subject),
  }));
  const lowered = requirement.demands.flatMap((demand, n) => {
    const to = shortfall.requirement.demands[n]?.grade ?? demand.grade;
    return to === demand.grade
      ? []
      : [
          {
            kind: 'grade-lowered' as const,
            subject: demand.id,
            from: demand.grade,
            to,
            measures: WHERE_A_BARRIER_IS_SHORT,
          },
        ];
  });
  const stores = [...shortfall.options.waivedStores].map((store) => ({
    kind: 'store-not-released' as const,
    subject: graph.stores[store]?.store.id ?? '',
    measures: ['release it another way, prove it, and have a named person accept it'],
  }));
  const earths = [...shortfall.options.waivedEarths].map((section) => ({
    kind: 'earth-not-placed' as const,
    subject: graph.sections[section]?.id ?? '',
    measures: ['place a portable earth at the work, under a licensed person, or do not touch it'],
  }));
  return [...hopeless, ...lowered, ...stores, ...earths];
}
