import type { AirUse } from './verdict';
import { substanceOf, SUBSTANCES, type SubstanceCode } from './substances';
import { findLevels, LEVELS, type Level } from './where';

/** A body of gas or liquid that can be at the work, as far as its gases go. */
export interface AirSource {
  readonly name: string;
  readonly hazards: readonly string[];
  /** What it is made of or gives off; undefined when the drawing does not say. */
  readonly gases?: readonly SubstanceCode[] | undefined;
}

/** A gas that has to be tested for, where, and why. */
export interface AirDemand {
  readonly gas: SubstanceCode;
  readonly levels: readonly Level[];
  readonly why: readonly string[];
}

/** Which gases are tested for and where; and bodies of which the drawing does not say what they give off. */
export interface AirPlan {
  readonly demands: readonly AirDemand[];
  readonly unknown: readonly string[];
}

const BREATHED = ['flammable', 'toxic', 'asphyxiant'];

/**
 * Whether the density of a gas beside air is in doubt: it comes cold or hot, or mixed with others. Cold methane lies on the ground. Then it
 * is tested for at every height.
 */
const isDoubtful = (hazards: readonly string[], gases: readonly SubstanceCode[]): boolean =>
  hazards.includes('cold') || hazards.includes('hot') || gases.length > 1;

/** What is tested for whatever is connected. */
const ALWAYS: Readonly<Record<AirUse, readonly (readonly [SubstanceCode, string])[]>> = {
  entry: [
    ['oxygen', 'people breathe it (29 CFR 1910.146(d)(5)(iii): first)'],
    ['carbon-monoxide', 'engines and work nearby make it'],
  ],
  'hot-work': [['oxygen', 'a sensor that burns needs it, and more of it feeds a fire']],
};

/**
 * Which gases have to be tested for: oxygen first, then flammables, then poisons (29 CFR 1910.146(d)(5)(iii)), from what can be at the
 * work. For an entry every gas is tested at the top, in the middle and at the bottom; else where it gathers.
 */
export function planAirTest(sources: readonly AirSource[], use: AirUse): AirPlan {
  const why = new Map<SubstanceCode, string[]>();
  const ask = (gas: SubstanceCode, reason: string) =>
    why.set(gas, [...(why.get(gas) ?? []), reason]);
  for (const [gas, reason] of ALWAYS[use]) ask(gas, reason);
  const unknown: string[] = [];
  const doubtful = new Set<SubstanceCode>();
  for (const { name, hazards, gases } of sources) {
    const isBreathed = hazards.some((hazard) => BREATHED.includes(hazard));
    if (gases === undefined && isBreathed) unknown.push(name);
    for (const gas of gases ?? []) {
      // What only displaces air is found by oxygen.
      if (isTestedByItself(gas, use)) ask(gas, name);
      if (isDoubtful(hazards, gases ?? [])) doubtful.add(gas);
      else ask('oxygen', `${name} displaces air`);
    }
  }
  const order = (gas: SubstanceCode) =>
    gas === 'oxygen' ? 0 : substanceOf(gas).lfl !== undefined && !isPoison(gas) ? 1 : 2;
  const demands = [...why]
    .map(([gas, reasons]) => ({
      gas,
      levels: use === 'entry' || doubtful.has(gas) ? LEVELS : findLevels(gas).levels,
      why: [...new Set(reasons)],
    }))
    .sort((a, b) => order(a.gas) - order(b.gas));
  return { demands, unknown };
}

const isPoison = (gas: SubstanceCode): boolean => {
  const { day_ppm, peak_ppm } = substanceOf(gas);
  return day_ppm !== undefined || peak_ppm !== undefined;
};

/** Hot work looks for what burns; an entry for what burns and what poisons. */
function isTestedByItself(gas: SubstanceCode, use: AirUse): boolean {
  const burns = substanceOf(gas).lfl !== undefined;
  return use === 'hot-work' ? burns : burns || isPoison(gas);
}

/** When the air is tested, for each use. Source: 29 CFR 1910.146(d)(5) and (e)(3); NFPA 51B; intervals are the site's (practice). */
export const AIR_MOMENTS: Readonly<Record<AirUse, readonly string[]>> = {
  entry: [
    'from outside, before the space is opened and before anything is pumped out',
    'after the purge, before anyone goes in: top, middle and bottom, each corner high and low, open ducts and ends',
    'after each break, at the start of a shift, and whenever the space was left empty',
    'all the while: a detector that stands inside',
  ],
  'hot-work': [
    'before the first spark, where gas gathers, at drains, ducts and open ends',
    'after each break and each absence, and at the start of a shift',
    'all the while: detectors round the work',
  ],
};

/** What of a plan a set of samples does not cover: gases that were not read at a level, in words. */
export function listUncovered(
  { demands }: AirPlan,
  samples: readonly { readonly level: Level; readonly gases: readonly SubstanceCode[] }[],
): string[] {
  return demands.flatMap(({ gas, levels }) =>
    levels
      .filter((level) => !samples.some((one) => one.level === level && one.gases.includes(gas)))
      .map((level) => `${SUBSTANCES[gas].name} at the ${level}`),
  );
}
