import { GRAVITY } from '../../src/core/energy/motion';
import { computeDrag, computeFlight, findFurthest } from '../../src/core/hotwork/sparks';

describe('drag of a sphere', () => {
  /** Source: standard drag curve of a sphere (textbook): Cd by Reynolds number, within a tenth. */
  it.each([
    [0.1, 245],
    [1, 27],
    [10, 4.2],
    [100, 1.09],
    [1000, 0.46],
    [50_000, 0.47],
  ])('at Re = %d is %d', (reynolds, drag) => {
    expect(Math.abs(computeDrag(reynolds) / drag - 1)).toBeLessThan(0.1);
  });
});

describe('flight of a spark', () => {
  const still = { angle: 0, wind: 0, density: 7850 };

  /** Source: free fall (textbook): a ball too heavy for the air to hold goes v √(2 h / g). */
  it('follows free fall where the air does nothing', () => {
    const flight = computeFlight({ ...still, diameter: 1, speed: 3, height: 4 });
    const seconds = Math.sqrt((2 * 4) / GRAVITY);
    expect(flight.seconds / seconds).toBeCloseTo(1, 1);
    expect(flight.metres / (3 * seconds)).toBeCloseTo(1, 1);
  });

  /** Source: Stokes: the finest dust sinks at rho g d² / (18 mu), 9.5 cm/s for 20 µm of steel, and goes where the wind goes. */
  it('follows Stokes where the air does everything', () => {
    const flight = computeFlight({ ...still, diameter: 20e-6, speed: 0, height: 0.3, wind: 2 });
    const sinks = (7850 * GRAVITY * 20e-6 ** 2) / (18 * 1.81e-5);
    expect(Math.abs(flight.seconds / (0.3 / sinks) - 1)).toBeLessThan(0.06);
    expect(Math.abs(flight.metres / (2 * flight.seconds) - 1)).toBeLessThan(0.02);
  });

  it('follows what floats for minutes to the floor, and never calls it near', () => {
    const flight = computeFlight({ ...still, diameter: 1e-4, speed: 80, height: 200, wind: 5 });
    expect(flight.seconds).toBeGreaterThan(60);
    expect(flight.metres / (5 * flight.seconds)).toBeCloseTo(1, 1);
  });

  it('goes further from higher up and with the wind, never nearer', () => {
    const far = (height: number, wind: number) => findFurthest('grinding', height, wind).metres;
    expect(far(8, 0)).toBeGreaterThan(far(2, 0));
    expect(far(4, 8)).toBeGreaterThan(far(4, 0));
  });
});
