import { computeBlockedInRise } from '../../src/core/energy/blocked-in';
import { computeWaterCompressibility, computeWaterDensity } from '../../src/core/energy/water';
import { computeLiquid } from '../../src/core/energy/steam';
import { absolutePascalOrThrow } from '../../src/core/units';

/** Source: CRC Handbook of Chemistry and Physics, "Standard density of water" (kg/m³, 1 atm); figures from memory. */
const DENSITY: [celsius: number, density: number][] = [
  [4, 999.975],
  [20, 998.207],
  [25, 997.047],
  [40, 992.22],
  [60, 983.2],
  [80, 971.8],
  [100, 958.4],
];

/** Source: CRC Handbook, isothermal compressibility of water at 1 atm (1e-6 / bar); figures from memory. */
const COMPRESSIBILITY: [celsius: number, compressibility: number][] = [
  [0, 50.88],
  [20, 45.89],
  [25, 45.25],
  [45, 44.14],
  [100, 49.0],
];

describe('water', () => {
  it.each(DENSITY)('has the published density at %d °C', (celsius, density) => {
    expect(Math.abs(computeWaterDensity(celsius) - density)).toBeLessThan(0.06);
  });

  it.each(COMPRESSIBILITY)(
    'has the published compressibility at %d °C',
    (celsius, compressibility) => {
      expect(Math.abs(computeWaterCompressibility(celsius) * 1e6 - compressibility)).toBeLessThan(
        0.1,
      );
    },
  );

  it('shut in between 20 and 30 °C rises by 50 to 65 bar (5 to 6 bar a kelvin: common practice, from memory)', () => {
    const rise = (computeBlockedInRise(20, 30) ?? 0) / 1e5;
    expect(rise).toBeGreaterThan(50);
    expect(rise).toBeLessThan(65);
  });

  it('shut in keeps its volume at the pressure that it reaches (IAPWS-IF97 by the library, the other way round)', () => {
    for (const [from, to, start] of [
      [15, 35, 2e5],
      [20, 60, 0],
      [50, 95, 10e5],
    ] as const) {
      const rise = computeBlockedInRise(from, to, start) ?? NaN;
      const volume = (celsius: number, gauge: number) =>
        computeLiquid(absolutePascalOrThrow(gauge + 101_325), celsius + 273.15).volume;
      expect(volume(to, start + rise) / volume(from, start)).toBeCloseTo(1, 9);
    }
  });

  it('pulls a vacuum first when it warms from 0 to 4 °C, and is not computed where the formulas end', () => {
    expect(computeBlockedInRise(0, 4)).toBeLessThan(0);
    expect(computeBlockedInRise(90, 110)).toBeUndefined();
    expect(computeBlockedInRise(Number.NaN, 20)).toBeUndefined();
  });
});
