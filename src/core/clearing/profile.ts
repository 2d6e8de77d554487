import { computeIsentropicEnergy, computeStandOff } from '../energy/gas';
import { GRAVITY } from '../energy/motion';
import { absolutePascalOrThrow, STANDARD_ATMOSPHERE } from '../units';

/** A point of a line over the ground: how far along it (m), how high (m over one datum), the bore from here on (mm), and whether it can be parted here. */
export interface ProfilePoint {
  readonly at_m: number;
  readonly height_m: number;
  readonly bore_mm: number;
  readonly parts: boolean;
}

/** How a line is cleared: what drives the pig, what it pushes, and what the line and its relief stand. Pressures are gauge (bar). */
export interface Clearing {
  readonly points: readonly ProfilePoint[];
  readonly drive_bar: number;
  readonly relief_bar: number;
  /** What the weakest part of it stands. */
  readonly weakest_bar: number;
  /** Density of what stands in front of the pig (kg/m³). */
  readonly density: number;
  /** How fast the pig goes (m/min). */
  readonly speed_m_min: number;
}

/** A stretch between two places where the line can be parted, with what the gas in it holds at the pressure that the relief lets it reach. */
export interface ClearingSection {
  readonly from_m: number;
  readonly to_m: number;
  readonly volume_m3: number;
  readonly energy_kj: number;
  /** How far off people stay while it is under pressure (m). */
  readonly clear_m: number;
  /** The end that it is pushed from, and the one that it goes to: downhill. */
  readonly start_m: number;
  readonly end_m: number;
}

/** What a line asks for before it is cleared. */
export interface ClearingPlan {
  /** In the order in which they are cleared: the highest first. */
  readonly sections: readonly ClearingSection[];
  readonly volume_m3: number;
  readonly energy_kj: number;
  readonly length_m: number;
  /** Pressure (bar gauge) at the lowest point, from the relief's and the column above it. */
  readonly valley_bar: number;
  readonly valley_m: number;
  /** What it takes to push the column over the highest point behind a valley (bar gauge). */
  readonly lift_bar: number;
}

/** Why a line cannot be cleared like this. */
export type ClearingFault =
  | { readonly kind: 'few-points' }
  | { readonly kind: 'not-along'; readonly at_m: number }
  | { readonly kind: 'relief-below-drive' }
  | { readonly kind: 'relief-over-weakest' }
  | { readonly kind: 'valley-over-weakest'; readonly at_m: number; readonly bar: number }
  | { readonly kind: 'cannot-lift'; readonly bar: number }
  | {
      readonly kind: 'section-too-strong';
      readonly from_m: number;
      readonly to_m: number;
      readonly energy_kj: number;
      /** How long it may be at most there (m). */
      readonly most_m: number;
    };

/** Ratio of specific heats of air and nitrogen. Source: handbook values, from memory. */
const HEAT_RATIO = 1.4;
const PASCAL = 1e5;
const round = (value: number, digits = 3): number => Number(value.toPrecision(digits));
/** Never shown as less than it is. */
const roundUp = (value: number, per = 1): number => Math.ceil(value * per - 1e-9) / per;

/** Energy (J) of a gas at a gauge pressure (bar), by volume (m³). */
const energyOf = (bar: number, volume: number): number =>
  computeIsentropicEnergy({
    pressure: absolutePascalOrThrow(bar * PASCAL + STANDARD_ATMOSPHERE),
    volume,
    k: HEAT_RATIO,
    ambient: STANDARD_ATMOSPHERE,
  });

const areaOf = ({ bore_mm }: ProfilePoint): number => (Math.PI / 4) * (bore_mm / 1000) ** 2;

/** Volume (m³) between two points of a line, by their places among its points. */
function volumeBetween(points: readonly ProfilePoint[], from: number, to: number): number {
  return points
    .slice(from, to)
    .reduce(
      (sum, point, n) => sum + areaOf(point) * ((points[from + n + 1]?.at_m ?? 0) - point.at_m),
      0,
    );
}

const columnBar = (density: number, height_m: number): number =>
  (density * GRAVITY * Math.max(0, height_m)) / PASCAL;

/** The longest rise in front of the pig (m): from a valley to the highest point that comes after it, whichever way it goes. */
function findRise(points: readonly ProfilePoint[]): number {
  let [lowest, rise] = [Infinity, 0];
  for (const { height_m } of points) {
    lowest = Math.min(lowest, height_m);
    rise = Math.max(rise, height_m - lowest);
  }
  return rise;
}

/** Cuts the line where it can be parted: as far each time as the energy stays within what the site allows; the fault where even one stretch holds more. */
function cut(
  { points, relief_bar }: Clearing,
  most_kj: number,
): readonly (readonly [from: number, to: number])[] | ClearingFault {
  const ends = points.flatMap(({ parts }, n) => (n === 0 || n === points.length - 1 || parts ? [n] : [])); // prettier-ignore
  const sections: (readonly [number, number])[] = [];
  let at = 0;
  while (at < points.length - 1) {
    const reach = ends.filter(
      (end) => end > at && energyOf(relief_bar, volumeBetween(points, at, end)) <= most_kj * 1000,
    );
    const to = reach.at(-1);
    if (to === undefined) {
      const next = ends.find((end) => end > at) ?? points.length - 1;
      const volume = volumeBetween(points, at, next);
      const energy = energyOf(relief_bar, volume);
      const [a, b] = [points[at]?.at_m ?? 0, points[next]?.at_m ?? 0];
      return {
        kind: 'section-too-strong',
        from_m: a,
        to_m: b,
        energy_kj: roundUp(energy / 1000, 10),
        most_m: Math.floor(((b - a) * most_kj * 1000) / energy),
      };
    }
    sections.push([at, to]);
    at = to;
  }
  return sections;
}

function findFault({
  points,
  drive_bar,
  relief_bar,
  weakest_bar,
}: Clearing): ClearingFault | undefined {
  if (points.length < 2) return { kind: 'few-points' };
  const back = points.find(({ at_m }, n) => n > 0 && at_m <= (points[n - 1]?.at_m ?? 0));
  if (back) return { kind: 'not-along', at_m: back.at_m };
  if (relief_bar < drive_bar) return { kind: 'relief-below-drive' };
  return relief_bar > weakest_bar ? { kind: 'relief-over-weakest' } : undefined;
}

/**
 * Works out how a line is cleared with gas: its sections, each from its higher end to its lower one and the highest first, with the energy of each at
 * the pressure that the relief lets it reach; what stands at its lowest point; and what it takes to push the column over what comes after a valley.
 * `most_kj` is the most that one section may hold. Source: energy as ASME PCC-2 Article 501 (from memory); columns: hydrostatics.
 */
export function planClearing(
  clearing: Clearing,
  most_kj: number,
): { readonly plan: ClearingPlan } | { readonly fault: ClearingFault } {
  const fault = findFault(clearing);
  if (fault) return { fault };
  const { points, relief_bar, weakest_bar, drive_bar, density } = clearing;
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return { fault: { kind: 'few-points' } };
  const highest = Math.max(...points.map(({ height_m }) => height_m));
  const valley = points.reduce(
    (low, point) => (point.height_m < low.height_m ? point : low),
    first,
  );
  // The column may stand from the highest point down to the valley, on top of what the relief lets the gas reach.
  const valley_bar = relief_bar + columnBar(density, highest - valley.height_m);
  if (valley_bar > weakest_bar)
    return {
      fault: { kind: 'valley-over-weakest', at_m: valley.at_m, bar: roundUp(valley_bar, 10) },
    };
  const sections = cut(clearing, most_kj);
  if ('kind' in sections) return { fault: sections };
  // Each section goes downhill, so that what counts is the rise within it, from its own start.
  const stretches = sections.map(([from, to]) => {
    const within = points.slice(from, to + 1);
    const isDown = (within[0]?.height_m ?? 0) >= (within.at(-1)?.height_m ?? 0);
    return { from, to, isDown, along: isDown ? within : [...within].reverse() };
  });
  const lift_bar = Math.max(...stretches.map(({ along }) => columnBar(density, findRise(along))));
  if (lift_bar > drive_bar) return { fault: { kind: 'cannot-lift', bar: roundUp(lift_bar, 10) } };
  const made = stretches.map(({ from, to, isDown }) => {
    const volume = volumeBetween(points, from, to);
    const energy = energyOf(relief_bar, volume);
    const [from_m, to_m] = [points[from]?.at_m ?? 0, points[to]?.at_m ?? 0];
    const top = Math.max(points[from]?.height_m ?? 0, points[to]?.height_m ?? 0);
    const section: ClearingSection = {
      from_m,
      to_m,
      volume_m3: round(volume),
      energy_kj: roundUp(energy / 1000, 10),
      clear_m: roundUp(computeStandOff(energy, 'glass-breakage')),
      start_m: isDown ? from_m : to_m,
      end_m: isDown ? to_m : from_m,
    };
    return { section, top };
  });
  const volume = volumeBetween(points, 0, points.length - 1);
  return {
    plan: {
      sections: made.sort((a, b) => b.top - a.top).map(({ section }) => section),
      volume_m3: round(volume),
      energy_kj: roundUp(energyOf(relief_bar, volume) / 1000, 10),
      length_m: last.at_m - first.at_m,
      valley_bar: roundUp(valley_bar, 10),
      valley_m: valley.at_m,
      lift_bar: roundUp(lift_bar, 10),
    },
  };
}

/** Where a pig is as far as it is known: seen there, or as far on as it can have come since; never beyond the end of its section. */
export function findPig(
  { start_m, end_m }: Pick<ClearingSection, 'start_m' | 'end_m'>,
  seen: { readonly at_m: number; readonly at: string },
  speed_m_min: number,
  now: string,
): { readonly at_m: number; readonly isOverdue: boolean } {
  const gone = Math.max(0, (Date.parse(now) - Date.parse(seen.at)) / 60_000) * speed_m_min;
  const left = Math.abs(end_m - seen.at_m);
  const way = Math.sign(end_m - start_m);
  return {
    at_m: Math.round(seen.at_m + way * Math.min(gone, left)),
    // Half as long again as it would take: it may stand.
    isOverdue: gone > left * 1.5 + speed_m_min,
  };
}
