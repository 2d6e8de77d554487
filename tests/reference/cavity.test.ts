import {
  computeGasCavity,
  computeLargestGasLeak,
  computeLargestLiquidLeak,
  computeLeastGasBleed,
  computeLeastLiquidBleed,
  computeLiquidCavity,
  computeLiquidFlowArea,
  type GasCavity,
} from '../../src/core/energy/cavity';
import { computeGasFlow, type Opening } from '../../src/core/energy/let-down';

const AIR = { k: 1.4, molarMass: 0.02896 };
const bleedOf = (bore: number): Opening => ({
  area: (Math.PI * bore * bore) / 4,
  coefficient: 0.62,
});
const cavityOf = (upstream: number, bore: number): GasCavity => ({
  gas: AIR,
  kelvin: 293,
  upstream,
  back: 101_325,
  bleed: bleedOf(bore),
});

/** No published table is known: each figure is worked out a second time by another route. */
describe('double block and bleed on a gas', () => {
  it('stands at the ratio of the openings while both sides are choked', () => {
    const cavity = cavityOf(101e5, 0.01);
    const bleed = cavity.bleed.area * cavity.bleed.coefficient;
    expect(computeGasCavity(cavity, bleed * 0.05) / (101e5 * 0.05)).toBeCloseTo(1, 9);
  });

  it.each([1e-9, 1e-7, 1e-6, 1e-5, 1e-4])(
    'takes in what it lets out, with a seat of %d m²',
    (area) => {
      const cavity = cavityOf(8e5, 0.015);
      const stands = computeGasCavity(cavity, area);
      const into = computeGasFlow({ area, coefficient: 1 }, AIR, 8e5, 293, stands);
      const out = computeGasFlow(cavity.bleed, AIR, stands, 293, 101_325);
      expect(into / out).toBeCloseTo(1, 5);
      expect(stands).toBeGreaterThan(101_325);
      expect(stands).toBeLessThan(8e5);
    },
  );

  it('carries the largest leak at just the pressure that was allowed', () => {
    const cavity = cavityOf(8e5, 0.015);
    const most = computeLargestGasLeak(cavity, 106_325);
    const perArea = computeGasFlow({ area: 1, coefficient: 1 }, AIR, 8e5, 293, 106_325);
    expect(computeGasCavity(cavity, most / perArea)).toBeCloseTo(106_325, 2);
  });

  it('needs at least the bore with which just the allowed pressure stands', () => {
    const bore = computeLeastGasBleed(cavityOf(8e5, 0.015), 2e-6, 106_325);
    expect(computeGasCavity(cavityOf(8e5, bore), 2e-6)).toBeCloseTo(106_325, 2);
  });

  it('stands at the full pressure behind a plugged bleed, and at the back-pressure behind a tight seat', () => {
    expect(computeGasCavity(cavityOf(8e5, 1e-12), 1e-5)).toBeCloseTo(8e5, -1);
    expect(computeGasCavity(cavityOf(8e5, 0.015), 0)).toBeCloseTo(101_325, 3);
  });
});

describe('double block and bleed on a liquid', () => {
  const cavity = { density: 1000, upstream: 7e5, back: 0, bleed: bleedOf(0.015) };
  const own = cavity.bleed.area * cavity.bleed.coefficient;

  /** Torricelli by hand: equal openings share the pressure equally, a tenth of the opening takes a hundredth of it. */
  it.each([
    [1, 0.5],
    [0.1, 0.01 / 1.01],
    [0, 0],
  ])('with a seat of %d times the bleed stands at %d of the pressure', (times, share) => {
    expect(computeLiquidCavity(cavity, own * times) / 7e5).toBeCloseTo(share, 12);
  });

  it('carries the largest leak at just the pressure that was allowed, and the least bleed does the same', () => {
    const most = computeLargestLiquidLeak(cavity, 5000);
    // Through the seat it is driven by what is left of the pressure.
    const area = computeLiquidFlowArea({ ...cavity, back: 5000 }, most);
    expect(computeLiquidCavity(cavity, area)).toBeCloseTo(5000, 6);
    expect(computeLeastLiquidBleed(cavity, area, 5000)).toBeCloseTo(0.015, 12);
  });
});
