import {
  computeExposure,
  computeHoseVolume,
  computeMixtureLimit,
  computeSampleTime,
  densityBesideAir,
  SUBSTANCES,
  type SubstanceCode,
} from '../../src/core/gas';
import { SITE_VALUES } from '../../src/core/rules/values';

/**
 * Source: Coward and Jones, US Bureau of Mines Bulletin 503 (1952), the worked example of a natural gas: 80 % methane, 15 % ethane, 4 %
 * propane, 1 % butane in the fuel, with limits of 5.00, 3.22, 2.37 and 1.86 %, gives 4.37 %. From memory. Its limits are older than the
 * tables here, so the sum is made with those and with these.
 */
describe('Le Chatelier', () => {
  it('gives 4.37 % for the natural gas of Bulletin 503 with its own limits', () => {
    const index = 80 / 5 + 15 / 3.22 + 4 / 2.37 + 1 / 1.86;
    expect(100 / index).toBeCloseTo(4.37, 2);
  });

  it('is the same sum in the tool, with the limits of NFPA 325', () => {
    const limit = computeMixtureLimit(
      [
        { gas: 'methane', percent: 80 },
        { gas: 'ethane', percent: 15 },
        { gas: 'propane', percent: 4 },
        { gas: 'butane', percent: 1 },
      ],
      'nfpa',
    );
    expect(limit?.lfl).toBeCloseTo(100 / (80 / 5 + 15 / 3 + 4 / 2.1 + 1 / 1.9), 6);
    expect(limit?.lfl).toBeCloseTo(4.27, 2);
  });

  it('leaves the limit of a pure gas as it is, whatever inert gas is beside it', () => {
    expect(
      computeMixtureLimit(
        [
          { gas: 'methane', percent: 1 },
          { gas: 'nitrogen', percent: 40 },
        ],
        'iec',
      ),
    ).toMatchObject({ lfl: 4.4, share: 100 / 4.4 });
    expect(computeMixtureLimit([{ gas: 'nitrogen', percent: 40 }], 'iec')).toBeUndefined();
  });

  it('says for which gases it is poor', () => {
    const limit = computeMixtureLimit([{ gas: 'acetylene', percent: 1 }], 'iec');
    expect(limit?.cautions.join()).toMatch(/poor for acetylene/);
  });
});

/** Source: NFPA 325 and IEC 60079-20-1 (from memory): lower limits in % vol. */
it.each<[SubstanceCode, number, number]>([
  ['methane', 5, 4.4],
  ['propane', 2.1, 1.7],
  ['hydrogen', 4, 4],
  ['acetylene', 2.5, 2.3],
  ['carbon-monoxide', 12.5, 10.9],
  ['ammonia', 15, 15],
])('lower flammable limits of %s: NFPA %d, IEC %d', (gas, nfpa, iec) => {
  const substance = SUBSTANCES[gas];
  expect('lfl' in substance ? substance.lfl : undefined).toEqual({ nfpa, iec });
});

/** Source: NIOSH Pocket Guide, relative density of gases (from memory), air = 1. */
it.each<[SubstanceCode, number]>([
  ['hydrogen-sulphide', 1.19],
  ['carbon-monoxide', 0.97],
  ['ammonia', 0.6],
  ['chlorine', 2.47],
  ['sulphur-dioxide', 2.26],
  ['carbon-dioxide', 1.53],
  ['propane', 1.55],
])('%s is %d times as heavy as air', (gas, density) => {
  expect(Math.abs(densityBesideAir(gas) - density)).toBeLessThan(0.05);
});

/** Source: 29 CFR 1910.146(b): hazardous atmosphere below 19.5 or above 23.5 % oxygen, flammables above 10 % of the LFL. */
it('never lets a site set limits for an entry that are laxer than the law', () => {
  expect(SITE_VALUES['oxygen-least'].least).toBe(19.5);
  expect(SITE_VALUES['oxygen-most'].most).toBe(23.5);
  expect(SITE_VALUES['entry-lfl-most'].most).toBe(10);
  expect(SITE_VALUES['exposure-most'].most).toBe(100);
});

/** Source: 29 CFR 1910.1000(d)(2)(i)(b), the worked example: 500 of 1000, 45 of 200 and 40 of 200 ppm make 0.925. */
it('adds exposures as the regulation’s own example does', () => {
  expect(
    computeExposure([
      { ppm: 500, limit_ppm: 1000 },
      { ppm: 45, limit_ppm: 200 },
      { ppm: 40, limit_ppm: 200 },
    ]),
  ).toBeCloseTo(0.925, 6);
});

/** Source: the cylinder of school geometry; 10 m of 4 mm bore hold 125.7 ml, which 300 ml/min draw through in 25.1 s. */
it('a hose lags by its volume over the pump’s flow, and the sensor by its response', () => {
  const hose = { length_m: 10, bore_mm: 4, flow_ml_min: 300 };
  expect(computeHoseVolume(hose)).toBeCloseTo(125.66, 2);
  expect(computeSampleTime(hose, 20, 1)).toBeCloseTo(45.13, 2);
  // A first-order sensor is within a thousandth of the reading after three times its time to nine tenths.
  expect(computeSampleTime(hose, 20)).toBeCloseTo(85.13, 2);
  expect(1 - 0.1 ** 3).toBeCloseTo(0.999, 12);
  expect(computeSampleTime(undefined, 20)).toBe(60);
  expect(computeSampleTime({ ...hose, flow_ml_min: 0 }, 20)).toBe(Infinity);
});
