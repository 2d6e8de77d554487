import { GRAVITY } from '../energy/motion';

/** Air at 20 °C and one atmosphere: density (kg/m³) and dynamic viscosity (Pa s). Source: ISO 2533 (from memory). */
const AIR = { density: 1.204, viscosity: 1.81e-5 } as const;

/** Steel, as grinding and cutting throw it (kg/m³). Source: textbook. */
const STEEL_DENSITY = 7850;

/** Drag coefficient of a sphere by its Reynolds number. Source: Schiller and Naumann (1933), up to 1000; 0.44 beyond. */
export const computeDrag = (reynolds: number): number =>
  reynolds > 1000 ? 0.44 : (24 / reynolds) * (1 + 0.15 * reynolds ** 0.687);

/** A particle that is thrown: diameter (m), density (kg/m³), speed (m/s) and angle over the horizontal (rad), height over the floor (m), wind along (m/s). */
export interface Spark {
  readonly diameter: number;
  readonly density: number;
  readonly speed: number;
  readonly angle: number;
  readonly height: number;
  readonly wind: number;
}

/** A step of time (s) in which nothing changes by more than this share, and the most steps of a flight. */
const SHARE = 0.02;
const MOST_STEPS = 20_000;

/**
 * Where a spark comes down (m from where it was thrown, level with it) and how long it flies (s): a sphere under its weight and the drag of the air
 * that moves with the wind, in small steps, and what still floats after them sinks on as it does then. Source: equation of motion; drag as above.
 */
export function computeFlight(spark: Spark): { readonly metres: number; readonly seconds: number } {
  const { diameter, density, height, wind } = spark;
  const mass = (density * Math.PI * diameter ** 3) / 6;
  const area = (Math.PI * diameter ** 2) / 4;
  let [x, y, seconds] = [0, height, 0];
  let [across, up] = [spark.speed * Math.cos(spark.angle), spark.speed * Math.sin(spark.angle)];
  for (let step = 0; step < MOST_STEPS; step++) {
    const slip = Math.hypot(across - wind, up);
    const reynolds = Math.max(1e-9, (AIR.density * slip * diameter) / AIR.viscosity);
    const rate = (computeDrag(reynolds) * AIR.density * area * slip) / (2 * mass);
    const tick = Math.min(0.01, SHARE / Math.max(rate, 1e-9));
    const [before, was] = [y, x];
    // Drag by its exact decay over the step, weight beside it: stable for the finest dust.
    const kept = Math.exp(-rate * tick);
    const sinks = rate > 1e-9 ? GRAVITY / rate : 0;
    across = wind + (across - wind) * kept;
    up = rate > 1e-9 ? -sinks + (up + sinks) * kept : up - GRAVITY * tick;
    x += across * tick;
    y += up * tick;
    seconds += tick;
    if (y <= 0 && before > y) {
      const share = before / (before - y);
      return { metres: was + (x - was) * share, seconds: seconds - tick * (1 - share) };
    }
  }
  // It has long come to the speed at which it sinks, and goes on with the wind.
  const left = y / -up;
  return { metres: x + across * left, seconds: seconds + left };
}

/** Angles over the horizontal (rad) at which sparks are tried: flat, and up to half a right angle. */
const ANGLES = [0, 10, 20, 30, 45].map((degrees) => (degrees * Math.PI) / 180);
/**
 * How fast sparks leave the work (m/s) and how large they are (m), from the finest to the largest that is thrown. Source: practice; a disc's rim is limited to 80 m/s
 * (EN 12413, from memory), and what it tears off is fine; slag is coarse and slow.
 */
export const SPARK_WORKS = {
  welding: { name: 'welding', speed: 3, sizes: [0.0005, 0.001, 0.003] },
  'flame-cutting': { name: 'flame cutting', speed: 10, sizes: [0.0005, 0.001, 0.003] },
  gouging: { name: 'gouging with air', speed: 25, sizes: [0.0005, 0.001, 0.002] },
  grinding: { name: 'grinding or cutting with a disc', speed: 80, sizes: [0.0001, 0.0002, 0.0003] },
} as const;
export type SparkWork = keyof typeof SPARK_WORKS;

/** Flight of the spark that comes furthest, over the sizes and angles that the work throws; height (m), wind (m/s). */
export function findFurthest(
  work: SparkWork,
  height: number,
  wind: number,
): { readonly metres: number; readonly diameter: number } {
  const { speed, sizes } = SPARK_WORKS[work];
  const tried = sizes.flatMap((diameter) =>
    ANGLES.map((angle) => {
      const spark = { diameter, density: STEEL_DENSITY, speed, angle, height, wind };
      return { diameter, metres: computeFlight(spark).metres };
    }),
  );
  return tried.reduce((far, one) => (one.metres > far.metres ? one : far));
}
