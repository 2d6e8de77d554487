import { toSi, type Quantity } from '../../src/core/units';

/** Source: NIST SP 811 (2008), Appendix B.8: factors into SI. */
const FACTORS: [quantity: Quantity, unit: string, si: number][] = [
  ['gauge-pressure', 'psi', 6894.757],
  ['gauge-pressure', 'bar', 100_000],
  ['length', 'ft', 0.3048],
  ['length', 'inch', 0.0254],
  ['area', 'sqft', 0.09290304],
  ['volume', 'cuft', 0.02831685],
  ['volume', 'litre', 0.001],
  ['mass', 'lb', 0.45359237],
  ['mass', 't', 1000],
  ['energy', 'kWh', 3.6e6],
  ['speed', 'km/h', 0.2777778],
  ['speed', 'ft/s', 0.3048],
  ['rotation', 'rpm', 0.1047198],
  ['time', 'h', 3600],
];

describe('units', () => {
  it.each(FACTORS)('%s: one %s', (quantity, unit, si) => {
    expect(toSi(1, quantity, unit) / si).toBeCloseTo(1, 6);
  });

  /** Source: NIST SP 811: water freezes and boils at 32 °F and 212 °F, 273.15 K and 373.15 K. */
  it.each([
    ['degF', 32, 273.15],
    ['degF', 212, 373.15],
    ['degC', -273.15, 0],
  ])('%s: %d', (unit, value, kelvin) => {
    expect(toSi(value, 'temperature', unit)).toBeCloseTo(kelvin, 6);
  });
});
