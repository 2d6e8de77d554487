import { computeGasFlow, type Gas, type Opening } from './let-down';

/** Halvings of a search: the bracket ends far below what a double can tell apart. */
const HALVINGS = 200;

/** What stands on both sides of a cavity between two shut valves. Pressures absolute (Pa), temperature (K). */
export interface GasCavity {
  readonly gas: Gas;
  readonly kelvin: number;
  /** Before the seat that passes. */
  readonly upstream: number;
  /** Where the bleed leads. */
  readonly back: number;
  readonly bleed: Opening;
}

/** Mass flow (kg/s) that the bleed carries at a cavity pressure. */
const outOf = ({ bleed, gas, kelvin, back }: GasCavity, pascal: number): number =>
  computeGasFlow(bleed, gas, pascal, kelvin, back);

/** Mass flow (kg/s) through the seat, an opening of `flowArea` (m², discharge coefficient included), into the cavity. */
const intoOf = ({ gas, kelvin, upstream }: GasCavity, flowArea: number, pascal: number): number =>
  computeGasFlow({ area: flowArea, coefficient: 1 }, gas, upstream, kelvin, pascal);

/**
 * Pressure (Pa absolute) in the cavity between two shut valves once as much leaves through the open bleed as the seat lets in: each side
 * flows as a nozzle, choked or not, the seat through a `flowArea` (m², at least 0, discharge coefficient included). The second valve is
 * taken as tight, which is the worst for the cavity. Source: continuity; compressible nozzle flow, NACA 1135. Precondition: upstream at or
 * above back.
 */
export function computeGasCavity(cavity: GasCavity, flowArea: number): number {
  let [low, high] = [cavity.back, cavity.upstream];
  for (let turn = 0; turn < HALVINGS && low < high; turn++) {
    const middle = (low + high) / 2;
    if (middle <= low || middle >= high) break;
    if (intoOf(cavity, flowArea, middle) > outOf(cavity, middle)) low = middle;
    else high = middle;
  }
  return high;
}

/**
 * The largest leak (kg/s) that the bleed carries with the cavity at or below `allowed` (Pa absolute, above the back-pressure): what the
 * bleed passes at that pressure. Source: continuity; NACA 1135.
 */
export const computeLargestGasLeak = (cavity: GasCavity, allowed: number): number =>
  outOf(cavity, allowed);

/**
 * The least bore (m) of a bleed that keeps the cavity at or below `allowed` (Pa absolute, above the back-pressure) while the seat of
 * `flowArea` (m²) passes. Source: as above, turned round.
 */
export function computeLeastGasBleed(cavity: GasCavity, flowArea: number, allowed: number): number {
  const { coefficient } = cavity.bleed;
  const perArea = computeGasFlow(
    { area: 1, coefficient },
    cavity.gas,
    allowed,
    cavity.kelvin,
    cavity.back,
  );
  return Math.sqrt((4 * intoOf(cavity, flowArea, allowed)) / (perArea * Math.PI));
}

/** A cavity full of liquid: gauge or absolute pressures (Pa), all alike. */
export interface LiquidCavity {
  readonly density: number;
  readonly upstream: number;
  readonly back: number;
  readonly bleed: Opening;
}

/** Flow (m³/s) of a liquid through an opening under a difference of pressure (Pa, at least 0). Source: Torricelli. */
const flowOf = (flowArea: number, difference: number, density: number): number =>
  flowArea * Math.sqrt((2 * Math.max(0, difference)) / density);

const areaOfBleed = ({ bleed }: LiquidCavity): number => bleed.area * bleed.coefficient;

/**
 * The opening (m², discharge coefficient included) that a leak of `flow` (m³/s) means while the whole difference stands over the seat.
 * Precondition: upstream above back.
 */
export const computeLiquidFlowArea = (
  { density, upstream, back }: LiquidCavity,
  flow: number,
): number => flow / flowOf(1, upstream - back, density);

/**
 * Pressure in the cavity (Pa, counted as those given) once as much leaves through the open bleed as the seat lets in:
 * back + (upstream - back) a² / (a² + b²), with a the opening of the seat and b that of the bleed. Source: Torricelli, twice.
 */
export function computeLiquidCavity(cavity: LiquidCavity, flowArea: number): number {
  const { upstream, back } = cavity;
  const share = flowArea / Math.hypot(flowArea, areaOfBleed(cavity));
  return back + (upstream - back) * share * share;
}

/** The largest leak (m³/s) that the bleed carries with the cavity at or below `allowed` (above the back-pressure). Source: Torricelli. */
export const computeLargestLiquidLeak = (cavity: LiquidCavity, allowed: number): number =>
  flowOf(areaOfBleed(cavity), allowed - cavity.back, cavity.density);

/** The least bore (m) of a bleed that keeps the cavity at or below `allowed` (above the back-pressure) while the seat of `flowArea` passes. */
export function computeLeastLiquidBleed(
  { density, upstream, back, bleed }: LiquidCavity,
  flowArea: number,
  allowed: number,
): number {
  const into = flowOf(flowArea, upstream - allowed, density);
  const perArea = bleed.coefficient * flowOf(1, allowed - back, density);
  return Math.sqrt((4 * into) / (perArea * Math.PI));
}
