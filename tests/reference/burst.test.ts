import {
  computeFlashingBurst,
  computeWaterBurst,
  FLASHING,
  flashingRange,
  type Flashing,
} from '../../src/core/energy/flashing';
import { computePocketed, computeWarmedGas } from '../../src/core/energy/shut-in';

const ATMOSPHERE = 101_325;

describe('burst of hot water and steam', () => {
  /**
   * Source: saturation tables of water (NIST; ASME steam tables, from memory): u and s of both phases at 170 °C and at 100 °C, put into u1 - u2 by hand:
   * x = (2.0417 - 1.3072) / 6.0469, u2 = 419.1 + x 2087.0 for the liquid; x = (6.6650 - 1.3072) / 6.0469 for the vapour.
   */
  it.each([
    ['liquid', 718.2, 0.1215, 45.6],
    ['vapour', 2575.7, 0.886, 307.5],
  ] as const)('%s at 170 °C', (content, _inner, vapour, kilojoule) => {
    const found = computeWaterBurst(content, 443.15, ATMOSPHERE);
    expect(found?.vapour).toBeCloseTo(vapour, 3);
    expect((found?.energy ?? 0) / 1000 / kilojoule).toBeCloseTo(1, 2);
  });

  it('is none below its boiling point, and none outside the formulas', () => {
    expect(computeWaterBurst('liquid', 370, ATMOSPHERE)).toBeUndefined();
    expect(computeWaterBurst('liquid', 640, ATMOSPHERE)).toBeUndefined();
  });
});

describe('burst of liquefied gas', () => {
  const WATER: Flashing = {
    name: 'water',
    boils: 373.15,
    latent: 2257e3,
    heat: 4280,
    density: 900,
    molarMass: 0.01802,
    critical: 647.1,
  };

  /** The simple sum beside the one by the tables of water: within a fifth. */
  it.each([403.15, 423.15, 443.15])(
    'comes near to that of water by its tables at %d K',
    (kelvin) => {
      const byTables = computeWaterBurst('liquid', kelvin, ATMOSPHERE)?.energy ?? 0;
      expect(Math.abs(computeFlashingBurst(WATER, kelvin).energy / byTables - 1)).toBeLessThan(0.2);
    },
  );

  /** By another route: what a heat engine between T and Tb would give, step by step, and the push against the air. */
  it.each(Object.entries(FLASHING))('%s: the sum by steps is the same', (_code, of) => {
    const kelvin = Math.min(298.15, flashingRange(of).most);
    const steps = 20_000;
    const width = (kelvin - of.boils) / steps;
    let engine = 0;
    for (let step = 0; step < steps; step++) {
      const at = of.boils + (step + 0.5) * width;
      engine += of.heat * (1 - of.boils / at) * width;
    }
    const { energy, vapour } = computeFlashingBurst(of, kelvin);
    const push = (vapour * 8.314462618 * of.boils) / of.molarMass;
    expect(energy / (engine + push)).toBeCloseTo(1, 6);
  });
});

describe('gas shut in and warmed', () => {
  /** By hand: 6.01325 bar absolute × 333.15 / 288.15. */
  it('alone follows the absolute temperature', () => {
    expect(computeWarmedGas(601_325, 288.15, 333.15) / 1e5).toBeCloseTo(6.9523, 4);
  });

  const body = {
    volume: 1,
    pocket: 0.05,
    pressure: 601_325,
    from: 288.15,
    to: 333.15,
    expansion: 8.3e-4,
    compressibility: 6.7e-10,
  };

  it('over a liquid fills just what the liquid leaves', () => {
    const reached = computePocketed(body);
    const liquid =
      0.95 * Math.exp(body.expansion * 45) * Math.exp(-body.compressibility * (reached - 601_325));
    const gas = (0.05 * 601_325 * body.to) / (body.from * reached);
    expect(liquid + gas).toBeCloseTo(1, 12);
    expect(reached).toBeGreaterThan(computeWarmedGas(601_325, body.from, body.to));
  });

  it('over a liquid that neither grows nor gives follows the gas alone', () => {
    const reached = computePocketed({ ...body, expansion: 0, compressibility: 1e-18 });
    expect(reached / computeWarmedGas(601_325, body.from, body.to)).toBeCloseTo(1, 6);
  });

  it('tends to the line that is full as the pocket goes', () => {
    const full = (body.expansion * 45) / body.compressibility;
    const reached = computePocketed({ ...body, pocket: 1e-9 }) - body.pressure;
    expect(reached / full).toBeCloseTo(1, 3);
  });
});
