import { listMet, type Requirement } from '../isolation';
import { hazardsOf, type Activity, type Medium, type PlantGraph, type Scope } from '../plant';
import { HAZARD_CODES, HAZARDS, type Hazard, type HazardCode } from './hazards';
import { PAPERS, type PaperKind } from './papers';

/** A hazard that the tool suggests, and everything that brings it up. */
export interface SuggestedHazard {
  readonly code: HazardCode;
  readonly why: readonly string[];
}

/** What hazards are suggested from. */
export interface TaskFacts {
  readonly graph: PlantGraph;
  readonly scope: Scope;
  /** The equipment that the job was raised for, by id; it may not be in the plant. */
  readonly equipment: string;
  readonly requirement: Requirement;
  readonly papers: readonly PaperKind[];
}

interface Place {
  readonly section: string;
  readonly activity: Activity;
  readonly medium: Medium | undefined;
  readonly height_m: number | undefined;
  readonly zone: string;
}

function listPlaces({ graph, scope }: TaskFacts): Place[] {
  return scope.work.map(({ section, activity }) => {
    const number = graph.sectionAt.get(section) ?? -1;
    const found = graph.sections[number];
    const area = graph.plant.areas.find(({ id }) => id === found?.area);
    return {
      section,
      activity,
      medium: graph.medium[number],
      height_m: found?.at?.[2],
      zone: area?.zone ?? 'none',
    };
  });
}

/** Media that can be met at the work: those worked on, and those of the sources that come over. */
function listMedia(
  { graph, requirement }: TaskFacts,
  places: readonly Place[],
): Map<string, Medium> {
  const all = new Map<string, Medium>();
  for (const section of listMet(requirement.trace)) {
    const medium = graph.medium[section];
    if (medium) all.set(medium.id, medium);
  }
  for (const { medium } of places) if (medium) all.set(medium.id, medium);
  return all;
}

const isOpened = ({ activity }: Place) => activity === 'open' || activity === 'enter';
const isFluid = ({ medium }: Place) =>
  medium !== undefined && !['electrical', 'mechanical', 'gravity'].includes(medium.energy);

/** Why a hazard is suggested; empty when nothing brings it up. */
function listWhy(hazard: Hazard, facts: TaskFacts): string[] {
  const { always, media, opened, energies, activities, papers, equipment, zoned } = hazard.when;
  const { above_m, below } = hazard.when;
  const places = listPlaces(facts);
  const met = [...listMedia(facts, places).values()];
  const known = facts.graph.plant.equipment.find(({ id }) => id === facts.equipment);
  return [
    ...(always ? ['every task'] : []),
    ...met
      .filter((medium) => hazardsOf(medium).some((one) => media?.includes(one)))
      .map(({ name }) => `${name} can be met here`),
    ...(opened
      ? places
          .filter((one) => isOpened(one) && isFluid(one))
          .map((one) => `${one.section} is opened`)
      : []),
    ...met
      .filter(({ energy }) => energies?.includes(energy))
      .map(({ name }) => `${name} reaches the work or is worked on`),
    ...places
      .filter(({ activity }) => activities?.includes(activity))
      .map(({ section, activity }) => `${activity} at ${section}`),
    ...facts.papers.filter((paper) => papers?.includes(paper)).map((paper) => PAPERS[paper]),
    ...(known && equipment?.some((word) => known.kind.includes(word))
      ? [`work on a ${known.kind}`]
      : []),
    ...(zoned
      ? places
          .filter(({ zone }) => zone !== 'none')
          .map(({ section, zone }) => `${section} lies in zone ${zone}`)
      : []),
    ...places.flatMap(({ section, height_m }) => {
      if (height_m === undefined) return [];
      if (above_m !== undefined && height_m >= above_m) return [`${section} is ${height_m} m up`];
      return below && height_m < 0 ? [`${section} lies ${-height_m} m below the ground`] : [];
    }),
  ];
}

/** The hazards that equipment, media, place, activity and papers bring up, in the order of the list, each with every reason. */
export function suggestHazards(facts: TaskFacts): SuggestedHazard[] {
  return HAZARD_CODES.flatMap((code) => {
    const why = [...new Set(listWhy(HAZARDS[code], facts))];
    return why.length > 0 ? [{ code, why }] : [];
  });
}
