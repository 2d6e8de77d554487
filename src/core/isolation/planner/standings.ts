import { GRADES, type Grade } from '../../plant';

/** Bits of grades: one a grade. */
export const demandBit = (grade: Grade): number => 1 << GRADES.indexOf(grade);

/**
 * How far from the work something stands along the routes that count. `barriers` is the strength between (up to 2 when some source demands
 * `double`, else up to 1); `bled` is 0 on the side of the work, 1 in a bled part, 2 beyond it or beyond a positive barrier; `blanked`
 * is 1 beyond a positive barrier.
 */
export interface Level {
  readonly barriers: 0 | 1 | 2;
  readonly bled: 0 | 1 | 2;
  readonly blanked: 0 | 1;
}

/** What of a cell comes at the work: its body is the work's own, it arrives some other way, only by a leak, or not at all. */
export const ZONE = 0;
export const OWN = 1;
export const LEAKED = 2;
export const BEYOND = 3;

/**
 * Where a cell stands towards the work. `itself` is the level of what stands there as itself: along all routes in a network that only drives
 * the work, else along those by which it comes over. `driven` is the level of what a machine makes there. `isDead` claims that no
 * source stands in its body.
 */
export interface Standing {
  readonly near: 0 | 1 | 2 | 3;
  readonly itself: Level;
  readonly driven: Level;
  readonly isDead: boolean;
}

/** Whether parts and bodies of a cell have to be kept apart: what it holds may come at the work, or it is let down. */
export const isHandled = ({ near }: Standing): boolean => near <= OWN;
export const isBledSpace = ({ itself, driven }: Standing): boolean =>
  itself.bled === 1 || driven.bled === 1;

/** Whether the part of a cell matters: it is let down, or may have to be. */
export const hasPart = (standing: Standing): boolean =>
  isHandled(standing) || isBledSpace(standing);

/** What is asked in a problem, from which the standings follow. */
export interface Asked {
  /** Grades asked for of what comes over, and of what only drives, as bits. */
  readonly comesOver: number;
  readonly drives: number;
  /** Whether some source that reaches the work has no demand: bodies of the work may then hold it. */
  readonly hasUnasked: boolean;
  /** Whether there are ways that neither can be closed nor surely are open: bodies then reach past bled parts. */
  readonly hasLoose: boolean;
  /** Whether something has to be cut off from every source that is neither at the work nor let down. */
  readonly hasDead: boolean;
  /** Whether something may drive the work at all, and something may leak. */
  readonly hasDrives: boolean;
  readonly hasLeaks: boolean;
}

const DOUBLE = demandBit('double');
const DOUBLE_BLED = demandBit('double-bled');
const POSITIVE = demandBit('positive');

/** The levels that some grades tell apart, the nearest first and the one that satisfies all last. */
export function listLevels(grades: number): Level[] {
  const most = (grades & DOUBLE) !== 0 ? 2 : 1;
  const isBled = (grades & DOUBLE_BLED) !== 0;
  const levels: Level[] = [];
  for (const barriers of [0, 1, 2] as const) {
    for (const bled of isBled ? ([0, 1, 2] as const) : ([0] as const)) {
      if (barriers <= most) levels.push({ barriers, bled, blanked: 0 });
    }
  }
  if ((grades & POSITIVE) !== 0) levels.push({ barriers: most, bled: isBled ? 2 : 0, blanked: 1 });
  return levels;
}

/** In a network that touches the work: what of the work's own body is, and what stands behind. */
function fitsOver(near: Standing['near'], itself: Level, { hasLeaks }: Asked): boolean {
  if (near === ZONE) return itself.barriers === 0 && itself.bled === 0;
  if (near === LEAKED) return hasLeaks && itself.barriers === 0;
  if (near === BEYOND) return itself.barriers > 0;
  return itself.barriers > 0 || hasLeaks;
}

/** In a network that only drives: near is what is behind no barrier, and whatever is driven there is no nearer. */
const fitsBehind = (near: Standing['near'], itself: Level, driven: Level): boolean =>
  (near === OWN ? itself.barriers === 0 : near === BEYOND && itself.barriers > 0) &&
  itself.barriers <= driven.barriers &&
  itself.bled <= driven.bled &&
  itself.blanked <= driven.blanked;

const fitsDriven = (near: Standing['near'], driven: Level): boolean => {
  if (near === ZONE) return driven.barriers === 0 && driven.bled === 0;
  return driven.barriers > 0 || near === OWN;
};

/** Lists the standings of one kind of network, the one that satisfies every source last. */
function listOf(asked: Asked, isOver: boolean): Standing[] {
  const { comesOver, drives, hasUnasked, hasLoose, hasDead, hasDrives } = asked;
  const hasSpaces = ((comesOver | drives) & DOUBLE_BLED) !== 0;
  const levels = listLevels(isOver ? comesOver : drives);
  const drivenLevels = hasDrives ? listLevels(drives) : listLevels(drives).slice(-1);
  const standings: Standing[] = [];
  for (const near of [ZONE, OWN, LEAKED, BEYOND] as const) {
    for (const itself of levels) {
      for (const driven of near === ZONE ? listLevels(drives) : drivenLevels) {
        const fits = isOver
          ? fitsOver(near, itself, asked)
          : near !== ZONE && fitsBehind(near, itself, driven);
        if (!fits || !fitsDriven(near, driven)) continue;
        for (const isDead of [true, false]) {
          const one = { near, itself, driven, isDead };
          if (!isDead && (isBledSpace(one) || (near !== BEYOND && !hasUnasked))) continue;
          const mayMatter =
            isBledSpace(one) || near !== BEYOND || hasDead || (hasSpaces && hasLoose);
          if (isDead && !mayMatter) continue;
          standings.push(one);
        }
      }
    }
  }
  return standings;
}

const keyOf = (standing: Standing): string => JSON.stringify(standing);

/** The standings of a problem: those of networks that touch the work, those of networks that only drive it, and the last of each. */
export interface Standings {
  readonly all: readonly Standing[];
  /** Numbers of those open to a cell, by whether its network touches the work. */
  readonly over: ReadonlySet<number>;
  readonly behind: ReadonlySet<number>;
  readonly lastOver: number;
  readonly lastBehind: number;
}

/** Lists the standings that a problem tells apart. */
export function listStandings(asked: Asked): Standings {
  const all: Standing[] = [];
  const at = new Map<string, number>();
  const number = (standing: Standing) => {
    const key = keyOf(standing);
    const known = at.get(key);
    if (known !== undefined) return known;
    all.push(standing);
    at.set(key, all.length - 1);
    return all.length - 1;
  };
  const over = listOf(asked, true).map(number);
  const behind = listOf(asked, false).map(number);
  return {
    all,
    over: new Set(over),
    behind: new Set(behind),
    lastOver: over.at(-1) ?? -1,
    lastBehind: behind.at(-1) ?? -1,
  };
}

const levelGap = (a: Level, b: Level): number =>
  Math.max(
    Math.abs(a.barriers - b.barriers),
    Math.abs(a.bled - b.bled),
    a.blanked === b.blanked ? 0 : 2,
  );

/** The least strength of a closed barrier between cells of two standings; 0 when they stand alike. */
export const strengthBetween = (a: Standing, b: Standing): number =>
  Math.max(
    levelGap(a.itself, b.itself),
    levelGap(a.driven, b.driven),
    a.near === b.near && a.isDead === b.isDead ? 0 : 1,
  );

/** Over a way that stays open but may pass nothing: all alike, but a bled part may lie on one side of it. */
export function meetOverLoose(a: Standing, b: Standing): boolean {
  if (a.near !== b.near || a.isDead !== b.isDead) return false;
  const meets = (x: Level, y: Level) =>
    x.barriers === y.barriers && x.blanked === y.blanked && Math.abs(x.bled - y.bled) <= 1;
  return meets(a.itself, b.itself) && meets(a.driven, b.driven);
}

/** Whether what makes something may stand at a level when what is made stands at another: no further off, or struck by being bled. */
const isNoFurther = (maker: Level, made: Level): boolean =>
  maker.barriers <= made.barriers &&
  maker.blanked <= made.blanked &&
  (made.bled > 0 || maker.bled <= 1);

/**
 * Whether the two ends of a converter may stand so. `isBehind` tells of each end whether its network only drives the work: what comes over
 * is not asked about what is made of it.
 */
export function meetOverTie(
  driver: Standing,
  driven: Standing,
  isBehind: readonly [boolean, boolean],
  backs: boolean,
): boolean {
  if (driven.driven.barriers === 0 && driver.near > OWN) return false;
  if (!isNoFurther(driver.driven, driven.driven)) return false;
  if (isBehind[0] && !isNoFurther(driver.itself, driven.driven)) return false;
  if (!backs) return true;
  if (driver.driven.barriers === 0 && driven.near > OWN) return false;
  return !isBehind[1] || isNoFurther(driven.itself, driver.driven);
}

/** Whether a source of a grade may stand at a level. */
export function suits({ barriers, bled, blanked }: Level, grade: Grade): boolean {
  if (barriers === 0) return false;
  if (grade === 'double') return barriers === 2;
  if (grade === 'double-bled') return bled === 2;
  return grade !== 'positive' || blanked === 1;
}
