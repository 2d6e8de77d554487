import {
  computeDischargeResistor,
  computeDischargeTime,
  computePeak,
} from '../../src/core/energy/electric';
import { computeCoolingTime, computeMeasuredConstant } from '../../src/core/energy/cooling';
import { computeDrain, type Tank } from '../../src/core/energy/drain';
import {
  computeAccumulator,
  computeBrodeEnergy,
  computeIsentropicEnergy,
  computeIsothermalEnergy,
  computeLiquidEnergy,
  computeStandOff,
  TNT_PCC2,
} from '../../src/core/energy/gas';
import { computeHeads } from '../../src/core/energy/head';
import {
  computeCoastDown,
  computeDiscInertia,
  computeFall,
  computeRotorEnergy,
  computeSpringEnergy,
  GRAVITY,
} from '../../src/core/energy/motion';
import { absolutePascalOrThrow, STANDARD_ATMOSPHERE } from '../../src/core/units';

const body = (bar: number, volume = 1, k = 1.4) => ({
  pressure: absolutePascalOrThrow(bar * 101_325),
  volume,
  k,
  ambient: STANDARD_ATMOSPHERE,
});

describe('compressed gas', () => {
  /** Source: ASME PCC-2 Article 501 (from memory): for air E = 2.5 P V [1 - (Pa/P)^0.286], rounded by 0.1 %. */
  it.each([2, 5, 11, 70, 200])('isentropic, air at %d atm', (ratio) => {
    const printed = 2.5 * ratio * 101_325 * (1 - (1 / ratio) ** 0.286);
    expect(computeIsentropicEnergy(body(ratio)) / printed).toBeCloseTo(1, 2);
  });

  /** Source: comparison of Brode with isothermal energy (textbook): Brode is the larger only below P/Pa of about 9.3 (k = 1.4). */
  it.each([
    [9.2, true],
    [9.4, false],
  ])('Brode against isothermal at %d atm', (ratio, isLarger) => {
    const brode = computeBrodeEnergy(body(ratio)) ?? 0;
    expect(brode > computeIsothermalEnergy(body(ratio))).toBe(isLarger);
  });

  it('is the isothermal energy with k = 1, for which Brode says nothing', () => {
    expect(computeIsentropicEnergy(body(5, 1, 1))).toBe(computeIsothermalEnergy(body(5, 1, 1)));
    expect(computeIsentropicEnergy(body(5, 1, 1.0001))).toBeCloseTo(
      computeIsothermalEnergy(body(5, 1, 1)),
      -3,
    );
    expect(computeBrodeEnergy(body(5, 1, 1))).toBeUndefined();
  });

  /** Source: ASME PCC-2 Article 501 (from memory): 30 m up to 135.5 MJ, 60 m up to 271 MJ, 20 (2 TNT)^(1/3). */
  it.each([
    [1e6, 30],
    [135.5e6, 79.8],
    [271e6, 100.5],
  ])('stand-off of %d J is %d m', (energy, metres) => {
    expect(computeStandOff(energy, 'glass-breakage')).toBeCloseTo(metres, 0);
  });

  it('takes the tier where the scaled distance is shorter', () => {
    expect(computeStandOff(135.5e6, 'fatality')).toBe(30);
    expect(computeStandOff(135.6e6, 'fatality')).toBe(60);
    expect(computeStandOff(300e6, 'fatality')).toBeCloseTo(
      2 * Math.cbrt((2 * 300e6) / TNT_PCC2),
      6,
    );
  });

  /** Source: elastic energy p² V/(2 K), K of water 2.2 GPa (textbook): 100 bar in 1 m³ is 22.7 kJ, a hundredth of the gas's. */
  it('a liquid holds a small part of what a gas holds', () => {
    expect(computeLiquidEnergy(1e7, 1, 2.2e9)).toBeCloseTo(22_727, 0);
    expect(computeIsentropicEnergy(body(100)) / computeLiquidEnergy(1e7, 1, 2.2e9)).toBeGreaterThan(
      500,
    );
  });

  /** Source: Boyle's law: 20 L at 91 bar shrink to 11.304 L at 161 bar. */
  it('an accumulator holds the oil that its gas gave way to', () => {
    const { oil } = computeAccumulator(
      0.02,
      absolutePascalOrThrow(91e5),
      absolutePascalOrThrow(161e5),
      1.4,
    );
    expect(oil).toBeCloseTo(0.02 - 0.0113043, 6);
  });
});

describe('springs, loads and rotors (textbook mechanics)', () => {
  it.each([
    ['gravity, NIST SP 330', GRAVITY, 9.80665],
    ['a spring of 200 N/m drawn 0.1 m holds 1 J', computeSpringEnergy(200, 0.1), 1],
    ['100 kg over 10 m hold 9806.65 J', computeFall(100, 10).energy, 9806.65],
    ['a fall of 20 m ends at 19.81 m/s', computeFall(1, 20).speed, 19.8057],
    ['a disc of 10 kg and 0.4 m has 0.8 kg m²', computeDiscInertia(10, 0.4), 0.8],
    ['0.8 kg m² at 100 rad/s hold 4 kJ', computeRotorEnergy(0.8, 100), 4000],
    ['and stop in 40 s under 2 N m', computeCoastDown(0.8, 100, 2), 40],
  ])('%s', (_label, found, wanted) => expect(found).toBeCloseTo(wanted, 3));
});

describe('capacitors (textbook electricity)', () => {
  it.each([
    ['one time constant brings it to 36.8 %', computeDischargeTime(1e-3, 1000, 100, 36.788), 1],
    ['2.303 time constants bring it to a tenth', computeDischargeTime(1e-3, 1000, 500, 50), 2.3026],
    ['the peak of 230 V is 325.3 V', computePeak(230), 325.269],
    [
      'starting from the peak adds 0.347 R C',
      computeDischargeTime(1e-3, 1000, computePeak(400), 400),
      0.34657,
    ],
    ['50 V and below waits for nothing', computeDischargeTime(1e-3, 1000, 50, 50), 0],
    ['the resistor undoes the time', computeDischargeResistor(1e-3, 2.302585, 500, 50) ?? 0, 1000],
  ])('%s', (_label, found, wanted) => expect(found).toBeCloseTo(wanted, 3));
});

describe('cooling', () => {
  /** Source: Newton's law of cooling, the usual textbook exercise: 100 to 60 °C in 10 min at 20 °C, so 30 °C after 30 min in all. */
  it('halves its excess in equal times', () => {
    const constant = computeMeasuredConstant(373.15, 333.15, 293.15, 600) ?? 0;
    expect(constant).toBeCloseTo(600 / Math.LN2, 6);
    expect(computeCoolingTime(373.15, 303.15, 293.15, constant)).toBeCloseTo(1800, 6);
  });

  it.each([
    ['it warms', computeMeasuredConstant(300, 301, 290, 60)],
    ['it stands still', computeMeasuredConstant(300, 300, 290, 60)],
  ])('has no answer when %s', (_label, found) => expect(found).toBeUndefined());
});

it.each([
  ['it is wanted as warm as its surroundings', 350, 310, 310, 'surroundings'],
  ['it is wanted colder than its surroundings', 350, 300, 310, 'surroundings'],
  ['it is colder than its surroundings, whatever is wanted', 300, 305, 310, 'warms'],
  ['it is colder than its surroundings and than is wanted', 300, 320, 310, 'warms'],
  ['it is there already', 315, 320, 310, 0],
])('a body does not cool where %s', (_label, from, to, ambient, answer) => {
  expect(computeCoolingTime(from, to, ambient, 100)).toBe(answer);
});

/** Source: the integral of p dV, stepped in small volumes: nothing in it knows the closed form. */
describe('what an accumulator gives, against the stepped integral of p dV', () => {
  const stepped = (volume: number, from: number, to: number, k: number) => {
    const STEPS = 200_000;
    const gas = (volume * from) / to;
    const width = (volume - gas) / STEPS;
    let sum = 0;
    for (let n = 0; n < STEPS; n++) sum += to * (gas / (gas + (n + 0.5) * width)) ** k * width;
    return sum;
  };
  it.each([
    [0.02, 91e5, 161e5, 1.4],
    [0.05, 10e5, 300e5, 1.3],
    [0.01, 50e5, 51e5, 1.67],
    [0.02, 91e5, 161e5, 1],
    [0.02, 91e5, 161e5, 1 + 1e-9],
  ])('%d m³ from %d Pa charged to %d Pa, k = %d', (volume, precharge, pressure, k) => {
    const { energy } = computeAccumulator(
      volume,
      absolutePascalOrThrow(precharge),
      absolutePascalOrThrow(pressure),
      k,
    );
    expect(energy / stepped(volume, precharge, pressure, k)).toBeCloseTo(1, 6);
  });

  it.each([91e5, 50e5])('holds no oil at or below its precharge (%d Pa)', (pressure) => {
    const low = absolutePascalOrThrow(91e5);
    expect(computeAccumulator(0.02, low, absolutePascalOrThrow(pressure), 1.4)).toEqual({
      oil: 0,
      energy: 0,
    });
  });
});

describe('head of liquid', () => {
  const line = { start: 0, summit: 20, lowest: -10, bleed: 0, density: 1000, drive: 0 };

  /** Source: NIST SP 811: one metre of water is 9806.65 Pa. */
  it.each([
    ['ten metres below a bleed that reads zero', computeHeads(line).leftAtLowest, 98_066.5],
    ['with 4 bar behind it', computeHeads({ ...line, drive: 4e5 }).lowest, 498_066.5],
    ['nothing below the bleed', computeHeads({ ...line, lowest: 0 }).leftAtLowest, 0],
    ['a summit twenty metres up', computeHeads({ ...line, drive: 4e5 }).summit, 203_867],
  ])('%s', (_label, found, wanted) => expect(found).toBeCloseTo(wanted, 6));
});

/** Source: Torricelli, integrated in closed form for each shape (textbook). */
describe('draining', () => {
  const opening = { area: 0.002, coefficient: 0.6 };
  const per = 0.6 * 0.002 * Math.sqrt(2 * GRAVITY);
  const CLOSED: [tank: Tank, from: number, to: number, seconds: number][] = [
    [
      { shape: 'upright-cylinder', diameter: 2 },
      3,
      0.5,
      ((Math.PI * 2) / per) * (Math.sqrt(3) - Math.sqrt(0.5)),
    ],
    [{ shape: 'lying-cylinder', diameter: 2, length: 5 }, 2, 0, ((4 * 5) / (3 * per)) * 2 ** 1.5],
    [
      { shape: 'sphere', diameter: 2 },
      2,
      0,
      (Math.PI / per) * ((2 / 3) * 2 * 2 ** 1.5 - (2 / 5) * 2 ** 2.5),
    ],
  ];

  it.each(CLOSED)('%j from %d m to %d m', (tank, from, to, seconds) => {
    expect(computeDrain(tank, opening, from, to).seconds / seconds).toBeCloseTo(1, 4);
  });

  it('goes faster under pressure', () => {
    const tank = { shape: 'upright-cylinder', diameter: 2 } as const;
    const pushed = computeDrain(tank, opening, 3, 0, 10).seconds;
    expect(pushed).toBeCloseTo(((Math.PI * 2) / per) * (Math.sqrt(13) - Math.sqrt(10)), 1);
  });
});
