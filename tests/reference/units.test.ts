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
  ['gauge-pressure', 'kgf/cm^2', 98_066.5],
  ['gauge-pressure', 'inHg', 3386.389],
  ['gauge-pressure', 'mmHg', 133.3224],
  ['gauge-pressure', 'mmH2O', 9.80665],
  ['gauge-pressure', 'inH2O', 249.0889],
  ['absolute-pressure', 'mbar', 100],
  ['energy', 'ft lbf', 1.355818],
  ['energy', 'BTU', 1055.056],
  ['power', 'BTU/h', 0.2930711],
  ['torque', 'lbf ft', 1.355818],
  ['volume', 'gal', 3.785412e-3],
  ['volume-flow', 'gpm', 6.30902e-5],
  ['volume-flow', 'cfm', 4.719474e-4],
  ['volume-flow', 'litre/min', 1.666667e-5],
  ['mass-flow', 'lb/h', 1.259979e-4],
  ['density', 'lb/cuft', 16.01846],
  ['speed', 'mph', 0.44704],
  ['modulus', 'ksi', 6.894757e6],
  ['temperature-difference', 'degF difference', 0.5555556],
  ['mass-concentration', 'mg/m^3', 1e-6],
  ['resistance', 'mohm', 1e-3],
  ['apparent-power', 'kVA', 1000],
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
    ['degR', 491.67, 273.15],
    ['degR', 671.67, 373.15],
  ])('%s: %d', (unit, value, kelvin) => {
    expect(toSi(value, 'temperature', unit)).toBeCloseTo(kelvin, 6);
  });
});
