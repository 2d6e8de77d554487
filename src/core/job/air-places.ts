import type { AirUse } from '../gas';
import { isFluid } from '../plant';
import { listNeighboursOf } from './hot-work';
import type { SiteFacts } from './site';
import type { AirTest, Dossier } from './state';

/** Neighbours of hot work where gas comes out first. */
const BREATHES = ['open-end', 'drain', 'vent', 'sample-point', 'connected'];

/** Mouths of lines at the sections that are worked on: what is beyond may come in by them. */
function listMouths({ scope }: Dossier, { graph }: SiteFacts): string[] {
  const work = new Set(scope.work.map(({ section }) => section));
  return graph.links.flatMap(({ id, between }) => {
    const [a, b] = between;
    if (work.has(a) === work.has(b)) return [];
    const beyond = graph.sectionAt.get(work.has(a) ? b : a) ?? -1;
    const medium = graph.medium[beyond];
    return medium && isFluid(medium.energy)
      ? [`the mouth of ${id}, to ${graph.sections[beyond]?.name ?? ''}`]
      : [];
  });
}

/**
 * Where the air is tested beside the levels: into every line that opens there, and for an entry each corner high and low (practice). From
 * the drawing: what it does not show is looked for.
 */
export function listTestPlaces(dossier: Dossier, site: SiteFacts, use: AirUse): string[] {
  const mouths = listMouths(dossier, site);
  if (use === 'entry') return ['each corner, high and low', ...mouths];
  const openings = listNeighboursOf(dossier, site)
    .filter(({ kind }) => BREATHES.includes(kind))
    .map(({ id, name }) => `${id} ${name}`);
  return [...mouths, ...openings];
}

/** The places at which a test of the air was not made. */
export function listPlacesLeft(
  dossier: Dossier,
  site: SiteFacts,
  { use, places = [] }: Pick<AirTest, 'use' | 'places'>,
): string[] {
  return listTestPlaces(dossier, site, use).filter((place) => !places.includes(place));
}
