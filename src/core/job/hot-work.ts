import { isFlammableSensor } from '../gas';
import {
  findBreathing,
  findCentre,
  listNeighbours,
  locate,
  planMonitors,
  type BreathingOut,
  type MonitorRing,
  type Neighbour,
  type Opening,
} from '../hotwork';
import { isFluid, type Strength } from '../plant';
import { refuse, type Refusal } from '../rules/refuse';
import { findPlaceOf } from './clashes';
import { valuesFor } from './sums';
import { listPapers } from './papers';
import { type SiteFacts } from './site';
import type { Dossier } from './state';

export const isHotWork = (dossier: Dossier, site: SiteFacts): boolean =>
  listPapers(dossier, site).includes('hot-work');

/** Links that the plan closes and that count for at least so much. */
const listShut = ({ plan }: Dossier, { graph }: SiteFacts, least: Strength): ReadonlySet<string> =>
  new Set(
    (plan.kind === 'none' ? [] : plan.plan.close).filter(
      (link) => (graph.strength[graph.linkAt.get(link) ?? -1] ?? 0) >= least,
    ),
  );

/** Openings of the work itself: what it breaks into or heats through. */
function listOwnOpenings({ scope }: Dossier, { graph }: SiteFacts): Opening[] {
  return scope.work.flatMap(({ section, activity }) => {
    const number = graph.sectionAt.get(section) ?? -1;
    const medium = graph.medium[number];
    const isOpened = activity !== 'touch' && medium !== undefined && isFluid(medium.energy);
    const name = graph.sections[number]?.name ?? section;
    return isOpened ? [{ id: section, name, section }] : [];
  });
}

/**
 * Bodies behind the isolation that are connected to the work itself, however far they are: its barriers keep what feeds them away,
 * and not what is in them.
 */
function listConnected(dossier: Dossier, site: SiteFacts): Neighbour[] {
  const zone = new Set(dossier.scope.work.map(({ section }) => section));
  const found = findBreathing(
    site.graph,
    listOwnOpenings(dossier, site),
    listShut(dossier, site, 1),
  );
  const place = findPlaceOf(dossier, site);
  const bodies = new Map(
    found.flatMap(({ opening, bodies: all }) =>
      all.map((one) => [one.body, { ...one, from: opening.section }] as const),
    ),
  );
  return [...bodies.values()].flatMap(({ body, name, route, from }) =>
    zone.has(body)
      ? []
      : [
          {
            ...locate(site.graph, place, body),
            id: body,
            name: `${name}, over ${[from, ...route].join(' › ')}`,
            kind: 'connected' as const,
          },
        ],
  );
}

/** Everything within the site's radius of the work, and what is connected to it. */
export function listNeighboursOf(dossier: Dossier, site: SiteFacts): Neighbour[] {
  const zone = dossier.scope.work.map(({ section }) => section);
  const heights = zone.flatMap(
    (id) => site.graph.sections[site.graph.sectionAt.get(id) ?? -1]?.at?.[2] ?? [],
  );
  const connected = listConnected(dossier, site);
  const near = listNeighbours(
    site.graph,
    {
      place: findPlaceOf(dossier, site),
      zone,
      ...(heights.length > 0 ? { height_m: Math.min(...heights) } : {}),
    },
    valuesFor(dossier, site)['hot-work-radius-m'],
  );
  return [...connected, ...near.filter(({ id }) => !connected.some((one) => one.id === id))];
}

/**
 * What can breathe out at every opening about the work that nobody has sealed. Only a gap or a blank in the plan holds it: a valve
 * that is shut does not. Into the work itself the grades of its isolation and the test of its air decide.
 */
export function listBreathing(dossier: Dossier, site: SiteFacts): BreathingOut[] {
  const { cleared } = dossier.hotWork;
  const openings = listNeighboursOf(dossier, site).flatMap(({ id, name, section }) =>
    section === undefined || id in cleared ? [] : [{ id, name, section }],
  );
  return findBreathing(site.graph, openings, listShut(dossier, site, 2));
}

/** How long the slowest flammable sensor among the placed devices takes; without any, that of a common one (s; practice). */
const COMMON_T90_S = 30;

function findResponse({ hotWork }: Dossier, { instruments }: SiteFacts): number {
  const times = (hotWork.monitors?.devices ?? []).flatMap((device) =>
    (instruments.get(device)?.detector?.sensors ?? [])
      .filter(isFlammableSensor)
      .map(({ t90_s }) => t90_s),
  );
  return times.length === 0 ? COMMON_T90_S : Math.max(...times);
}

/** The ring of monitors for a wind; undefined where nothing about the work can give off gas. */
export function planRing(dossier: Dossier, site: SiteFacts): MonitorRing | undefined {
  const { graph } = site;
  const values = valuesFor(dossier, site);
  const isGasNear = listNeighboursOf(dossier, site).some(({ kind, id }) => {
    if (kind === 'other-side') {
      return graph.plant.areas.some((area) => area.id === id && area.zone !== 'none');
    }
    return kind === 'body' && graph.medium[graph.sectionAt.get(id) ?? -1]?.phase !== 'liquid';
  });
  if (!isGasNear && listBreathing(dossier, site).length === 0) return undefined;
  const { from_deg = 0, wind_m_s = 0 } = dossier.hotWork.monitors ?? {};
  return planMonitors(
    {
      radius_m: values['hot-work-radius-m'],
      spacing_m: values['monitor-spacing-m'],
      wind_m_s,
      response_s: findResponse(dossier, site),
      leave_s: values['monitor-leave-s'],
    },
    from_deg,
  );
}

/** What the screens show of the surroundings of hot work. */
export interface HotWorkView {
  readonly centre: readonly [number, number] | undefined;
  readonly radius_m: number;
  readonly neighbours: readonly Neighbour[];
  readonly breathing: readonly BreathingOut[];
  readonly ring: MonitorRing | undefined;
  /** Outlines of areas near the work, for the plot plan (m). */
  readonly outlines: readonly {
    readonly id: string;
    readonly name: string;
    readonly outline: readonly (readonly [number, number])[];
  }[];
}

/** A gas network may lie behind one open end: so many bodies are listed, the rest is counted. */
const MOST_SHOWN = 40;

/** The surroundings as they are drawn; undefined when the papers name no hot work. */
export function viewHotWork(dossier: Dossier, site: SiteFacts): HotWorkView | undefined {
  if (!isHotWork(dossier, site)) return undefined;
  return {
    centre: findCentre(findPlaceOf(dossier, site)),
    radius_m: valuesFor(dossier, site)['hot-work-radius-m'],
    neighbours: listNeighboursOf(dossier, site),
    breathing: listBreathing(dossier, site).map((found) => {
      return { ...found, bodies: found.bodies.slice(0, MOST_SHOWN) };
    }),
    ring: planRing(dossier, site),
    outlines: site.graph.plant.areas.map(({ id, name, outline }) => ({ id, name, outline })),
  };
}

function describeBlanks({ blankAt, together }: BreathingOut): string {
  if (blankAt.length > 0) return `Blank it at ${blankAt.join(' or ')}, in the plan.`;
  if (together.length > 0) return `Blank it at ${together.join(' and ')}, in the plan.`;
  return 'The drawing has no place for a blank on this path: have one made, and draw it.';
}

/** What can breathe out, one refusal for each opening, with the nearest body, the path link by link and where to blank it. */
export function gateBreathing(dossier: Dossier, site: SiteFacts): Refusal[] {
  if (!isHotWork(dossier, site)) return [];
  return listBreathing(dossier, site).flatMap((found) => {
    const [nearest] = found.bodies;
    const more = found.count - 1;
    if (!nearest) return [];
    return [
      refuse('breathes-out', {
        body: `${nearest.name} (${nearest.what})`,
        opening: found.opening.name,
        route: [found.opening.section, ...nearest.route, nearest.body].join(' › '),
        more: more > 0 ? ` And ${more} more bodies behind it.` : '',
        blank: describeBlanks(found),
      }),
    ];
  });
}

function gateSurroundings(dossier: Dossier, site: SiteFacts): Refusal[] {
  const open = listNeighboursOf(dossier, site).filter(({ id }) => !(id in dossier.hotWork.cleared));
  return open.length === 0
    ? []
    : [
        refuse('surroundings-open', {
          radius: valuesFor(dossier, site)['hot-work-radius-m'],
          names: open.map(({ id, name }) => `${id} ${name}`).join(', '),
        }),
      ];
}

function gateMonitors(dossier: Dossier, site: SiteFacts): Refusal[] {
  const ring = planRing(dossier, site);
  const have = dossier.hotWork.monitors?.devices.length ?? 0;
  return ring && have < ring.count
    ? [refuse('monitors-few', { have, want: ring.count, radius: Math.round(ring.radius_m) })]
    : [];
}

function gateCold({ hotWork: { cold } }: Dossier): Refusal[] {
  if (!cold) return [refuse('cold-not-asked')];
  return cold.can === 'no' ? [] : [refuse('can-be-cold', { how: cold.can, words: cold[cold.can] })];
}

/** What about the surroundings keeps hot work from being let begin. */
export const gateHotWork = (dossier: Dossier, site: SiteFacts): Refusal[] =>
  isHotWork(dossier, site)
    ? [
        ...gateCold(dossier),
        ...gateSurroundings(dossier, site),
        ...gateBreathing(dossier, site),
        ...gateMonitors(dossier, site),
      ]
    : [];
