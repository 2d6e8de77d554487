/** A hose on a pump: its length (m), its bore (mm), and what the pump draws (ml/min). */
export interface Hose {
  readonly length_m: number;
  readonly bore_mm: number;
  readonly flow_ml_min: number;
}

/** The volume in a hose (ml): π/4 · bore² · length. */
export const computeHoseVolume = ({ length_m, bore_mm }: Omit<Hose, 'flow_ml_min'>): number =>
  (Math.PI / 4) * bore_mm ** 2 * length_m;

/** A reading counts after so many times the sensor's time to nine tenths: by then it is within a thousandth. Source: practice. */
export const T90_TIMES = 3;

/**
 * How long a drawn sample needs before the reading means anything (s): the hose's volume over the pump's flow, and so many times the
 * sensor's time to nine tenths of the reading. Without a hose only the sensor's. No flow is no test: it takes for ever.
 */
export function computeSampleTime(
  hose: Hose | undefined,
  t90_s: number,
  times = T90_TIMES,
): number {
  const sensor = times * t90_s;
  if (!hose || hose.length_m === 0) return sensor;
  return (computeHoseVolume(hose) / hose.flow_ml_min) * 60 + sensor;
}
