import {
  computeBoilingPoint,
  computeBoilingPressure,
  computeFlash,
  computeLiquid,
  computeVapour,
} from '../../src/core/energy/steam';
import { absolutePascalOrThrow } from '../../src/core/units';

const mpa = (value: number) => absolutePascalOrThrow(value * 1e6);

/** Source: IAPWS R7-97(2012), Table 5 (region 1): T (K), p (MPa), v (m³/kg), h (kJ/kg). */
const LIQUID: [number, number, number, number][] = [
  [300, 3, 0.100215168e-2, 0.115331273e3],
  [300, 80, 0.971180894e-3, 0.184142828e3],
  [500, 3, 0.1202418e-2, 0.975542239e3],
];

/** Source: IAPWS R7-97(2012), Table 15 (region 2). */
const VAPOUR: [number, number, number, number][] = [
  [300, 0.0035, 0.394913866e2, 0.254991145e4],
  [700, 0.0035, 0.923015898e2, 0.333568375e4],
  [700, 30, 0.542946619e-2, 0.263149474e4],
];

/** Source: IAPWS R7-97(2012), Table 35 (boiling pressure, MPa, by temperature, K). */
const BOILING_PRESSURE: [number, number][] = [
  [300, 0.353658941e-2],
  [500, 0.263889776e1],
  [600, 0.123443146e2],
];

/** Source: IAPWS R7-97(2012), Table 36 (boiling temperature, K, by pressure, MPa). */
const BOILING_POINT: [number, number][] = [
  [0.1, 0.372755919e3],
  [1, 0.453035632e3],
  [10, 0.584149488e3],
];

describe('water and steam after IAPWS-IF97', () => {
  it.each(LIQUID)('liquid at %d K and %d MPa', (kelvin, pressure, volume, enthalpy) => {
    const found = computeLiquid(mpa(pressure), kelvin);
    expect(found.volume / volume).toBeCloseTo(1, 8);
    expect(found.enthalpy / 1000 / enthalpy).toBeCloseTo(1, 8);
  });

  it.each(VAPOUR)('vapour at %d K and %d MPa', (kelvin, pressure, volume, enthalpy) => {
    const found = computeVapour(mpa(pressure), kelvin);
    expect(found.volume / volume).toBeCloseTo(1, 8);
    expect(found.enthalpy / 1000 / enthalpy).toBeCloseTo(1, 8);
  });

  it.each(BOILING_PRESSURE)('boils at %d K under %d MPa', (kelvin, pressure) => {
    expect((computeBoilingPressure(kelvin) ?? 0) / (pressure * 1e6)).toBeCloseTo(1, 8);
  });

  it.each(BOILING_POINT)('under %d MPa boils at %d K', (pressure, kelvin) => {
    expect((computeBoilingPoint(mpa(pressure)) ?? 0) / kelvin).toBeCloseTo(1, 8);
  });

  it.each([
    ['below the triple point', computeBoilingPressure(260)],
    ['above 350 °C', computeBoilingPressure(630)],
    ['under 600 Pa', computeBoilingPoint(absolutePascalOrThrow(600))],
    ['over 16.6 MPa', computeBoilingPoint(mpa(16.6))],
  ])('has no figure %s', (_label, found) => expect(found).toBeUndefined());
});

/**
 * Source: saturated steam tables (textbook; h' of 762.5, 417.4 and h" of 2674.9 kJ/kg at 10 bar and 1 bar absolute, from
 * memory): (762.5 - 417.4) / (2674.9 - 417.4) = 0.1529.
 */
it('flashes 15.3 % of water boiling at 10 bar absolute into 1 bar absolute', () => {
  const ten = mpa(1);
  const flash = computeFlash(ten, computeBoilingPoint(ten) ?? 0, mpa(0.1));
  expect(flash?.share).toBeCloseTo(0.1529, 3);
});

/** Source: the boiling point of water is 99.97 °C at 1 atm and 93.5 °C at 80 kPa (steam tables, from memory). */
it('does not flash at 95 °C at sea level, and does at 80 kPa', () => {
  const hot = 95 + 273.15;
  expect(computeFlash(mpa(0.2), hot, mpa(0.101325))?.share).toBe(0);
  const high = computeFlash(mpa(0.2), hot, mpa(0.08));
  expect(high?.share).toBeGreaterThan(0.001);
  expect((high?.boils ?? 0) - 273.15).toBeCloseTo(93.5, 1);
});
