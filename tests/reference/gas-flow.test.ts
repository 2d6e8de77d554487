import { computeBuildUp, computeFlowArea } from '../../src/core/energy/seat-leak';
import {
  computeCriticalRatio,
  computeGasFlow,
  computeLetDown,
  GAS_CONSTANT,
  type Expansion,
} from '../../src/core/energy/let-down';
import { absolutePascalOrThrow } from '../../src/core/units';

const AIR = { k: 1.4, molarMass: 0.02896 };

/** Source: NACA Report 1135 and gas tables: critical ratio by k. k = 1: the limit, e^-0.5. */
it.each([
  [1.4, 0.5283],
  [1.3, 0.5457],
  [1.1, 0.5847],
  [5 / 3, 0.4871],
  [1, 0.6065],
])('critical pressure ratio for k = %d is %d', (k, ratio) => {
  expect(computeCriticalRatio(k)).toBeCloseTo(ratio, 4);
});

/** Source: NACA Report 1135, k = 1.4: p/pt and A/A* by Mach number; the flow is the choked one over A/A*. */
const SUBSONIC: [mach: number, ratio: number, area: number][] = [
  [0.2, 0.9725, 2.9635],
  [0.3, 0.9395, 2.0351],
  [0.5, 0.843, 1.3398],
  [0.7, 0.7209, 1.0944],
  [0.8, 0.656, 1.0382],
];

describe('flow of gas through an opening', () => {
  const unit = (ratio: number) =>
    computeGasFlow({ area: 1, coefficient: 1 }, AIR, 1e5, 300, ratio * 1e5);
  const choked = unit(0.1);

  it('is 0.6847 p A / sqrt(R T) when choked (gas tables, k = 1.4)', () => {
    const scale = 1e5 / Math.sqrt((GAS_CONSTANT / AIR.molarMass) * 300);
    expect(choked / scale).toBeCloseTo(0.6847, 4);
    expect(unit(0.5)).toBeCloseTo(choked, 9);
  });

  it.each(SUBSONIC)('at Mach %d and p/pt %d is the choked flow over %d', (_mach, ratio, area) => {
    expect(unit(ratio) * area).toBeCloseTo(choked, choked > 100 ? 0 : 1);
    expect((unit(ratio) * area) / choked).toBeCloseTo(1, 2);
  });

  it('stops where nothing drives it', () => expect(unit(1)).toBe(0));
});

/**
 * Source: closed forms of the choked blow-down of a vessel (textbook): at constant temperature tau ln(P0/P1); without heat
 * 2 tau/(k - 1) [(P0/P1)^((k-1)/2k) - 1], tau = V / (Cd A psi sqrt(R T0)).
 */
describe('letting down while choked', () => {
  const opening = { area: 1e-4, coefficient: 0.8 };
  const rt = (GAS_CONSTANT / AIR.molarMass) * 300;
  const tau = 2 / (0.8 * 1e-4 * 0.684731 * Math.sqrt(rt));
  const run = (to: number, expansion: Expansion) =>
    computeLetDown(
      2,
      opening,
      AIR,
      300,
      {
        from: absolutePascalOrThrow(11e5),
        to: absolutePascalOrThrow(to),
        back: absolutePascalOrThrow(1e5),
      },
      expansion,
    );

  it.each([8e5, 5e5, 2.5e5])('to %d Pa', (to) => {
    const ratio = 11e5 / to;
    expect(run(to, 'isothermal').seconds / (tau * Math.log(ratio))).toBeCloseTo(1, 4);
    const adiabatic = ((2 * tau) / 0.4) * (ratio ** (0.4 / 2.8) - 1);
    expect(run(to, 'adiabatic').seconds / adiabatic).toBeCloseTo(1, 4);
  });

  it('cools by the isentropic law, and comes back when it warms', () => {
    const end = run(2.5e5, 'adiabatic');
    expect(end.endKelvin).toBeCloseTo(300 * (2.5 / 11) ** (0.4 / 1.4), 6);
    expect(end.returns).toBeCloseTo((2.5e5 * 300) / end.endKelvin, 3);
    expect(run(2.5e5, 'isothermal').returns).toBeCloseTo(2.5e5, 6);
  });

  it('takes longer the nearer it comes to the back-pressure, and stays finite', () => {
    const times = [1.5e5, 1.1e5, 1.01e5, 1.0001e5].map((to) => run(to, 'isothermal').seconds);
    expect([...times].sort((a, b) => a - b)).toEqual(times);
    expect(times.every(Number.isFinite)).toBe(true);
  });
});

/** Source: ideal gas law: a choked leak fills a shut space in a straight line; dp/dt = Q/V. */
it('a leak measured by a test builds up as it was measured while choked, and never passes the pressure upstream', () => {
  const rate = 0.5;
  const area = computeFlowArea(rate, AIR, 293, 8e5, 1e5) ?? 0;
  const pressures = { upstream: 8e5, start: 1e5 };
  const early = computeBuildUp(0.04, area, AIR, 293, pressures, 20).at(-1);
  expect(early?.[1]).toBeCloseTo(1e5 + (rate / 0.04) * 20, -2);
  const late = computeBuildUp(0.04, area, AIR, 293, pressures, 160_000).at(-1)?.[1] ?? 0;
  expect(late).toBeLessThanOrEqual(8e5);
  expect(late).toBeGreaterThan(7.9e5);
});
