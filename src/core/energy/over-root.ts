/** Slices of the integration; over the root of what drives the flow the rate is smooth, so that few are needed. */
const SLICES = 2400;
/** Slices from one point of the curve to the next. */
const STRIDE = 40;

/**
 * Time of a flow that dies away with the root of what drives it: integrates `rate` (s for each unit of the root) by Simpson's rule
 * from the root `high` down to `low`. Answers the seconds and, for a curve, what `valueAt` gives at points on the way.
 */
export function integrateOverRoot(
  high: number,
  low: number,
  rate: (root: number) => number,
  valueAt: (root: number) => number,
): {
  readonly seconds: number;
  readonly curve: readonly (readonly [seconds: number, value: number])[];
} {
  const width = (high - low) / SLICES;
  const curve: [number, number][] = [[0, valueAt(high)]];
  let seconds = 0;
  for (let slice = 0; slice < SLICES; slice++) {
    const a = high - slice * width;
    const b = a - width;
    seconds += (width / 6) * (rate(a) + 4 * rate((a + b) / 2) + rate(b));
    if ((slice + 1) % STRIDE === 0) curve.push([seconds, valueAt(b)]);
  }
  return { seconds, curve };
}
