import { toMassConcentration, toShare } from '../../src/core/gas/concentration';
import { substanceOf, type SubstanceCode } from '../../src/core/gas/substances';

const ROOM = [298.15, 101_325] as const;

describe('ppm and mg/m³', () => {
  /** Source: NIOSH Pocket Guide to Chemical Hazards, conversion factors at 25 °C and one atmosphere: mg/m³ for 1 ppm. */
  it.each<[SubstanceCode, number]>([
    ['hydrogen-sulphide', 1.4],
    ['carbon-monoxide', 1.15],
    ['carbon-dioxide', 1.8],
    ['ammonia', 0.7],
    ['sulphur-dioxide', 2.62],
    ['chlorine', 2.9],
    ['toluene', 3.77],
    ['pentane', 2.95],
    ['hexane', 3.53],
    ['benzene', 3.19],
    ['styrene', 4.26],
    ['nitrogen-dioxide', 1.88],
    ['hydrogen-cyanide', 1.1],
    ['hydrogen-fluoride', 0.82],
  ])('1 ppm of %s is %d mg/m³', (code, factor) => {
    const molar = substanceOf(code).molarMass / 1000;
    const mass = toMassConcentration(1e-6, molar, ...ROOM);
    expect(Math.abs(mass * 1e6 - factor)).toBeLessThan(0.011);
    expect(toShare(mass, molar, ...ROOM)).toBeCloseTo(1e-6, 18);
  });
});

describe('limits of exposure', () => {
  /** Source: NIOSH recommended limits, and the EU Directives named beside each (from memory): ppm for a day and at any time. */
  it.each<
    [SubstanceCode, number | undefined, number | undefined, number | undefined, number | undefined]
  >([
    ['hydrogen-sulphide', undefined, 10, 5, 10],
    ['carbon-monoxide', 35, 200, 20, 100],
    ['ammonia', 25, 35, 20, 50],
    ['sulphur-dioxide', 2, 5, 0.5, 1],
    ['chlorine', undefined, 0.5, undefined, 0.5],
    ['nitrogen-dioxide', undefined, 1, 0.5, 1],
    ['hydrogen-cyanide', undefined, 4.7, 0.9, 4.5],
    ['hydrogen-fluoride', 3, 6, 1.8, 3],
    ['benzene', 0.1, 1, 0.2, undefined],
    ['hexane', 50, undefined, 20, undefined],
    ['styrene', 50, 100, undefined, undefined],
  ])('%s', (code, day, peak, dayEu, peakEu) => {
    const { day_ppm, peak_ppm, eu } = substanceOf(code);
    expect([day_ppm, peak_ppm, eu?.day_ppm, eu?.peak_ppm]).toEqual([day, peak, dayEu, peakEu]);
  });
});
