import { explainIn } from '../rules/book';
import {
  convertConcentration,
  findLevels,
  findNearness,
  findSensor,
  judgeAir,
  listUncovered,
  planAirTest,
  refuseSample,
  type AirLimits,
  type GasDetector,
  type GasReading,
  type Sampling,
} from '.';

const NOW = '2026-11-24T07:00:00.000Z';
const later = (seconds: number) => new Date(Date.parse(NOW) + seconds * 1000).toISOString();

const DETECTOR: GasDetector = {
  pump: { flow_ml_min: 300, longestHose_m: 30 },
  sensors: [
    { gas: 'oxygen', kind: 'electrochemical', unit: '%vol', most: 30, t90_s: 15 },
    {
      gas: 'methane',
      kind: 'catalytic',
      unit: '%LFL',
      most: 100,
      t90_s: 20,
      factors: { propane: 2 },
    },
    { gas: 'hydrogen-sulphide', kind: 'electrochemical', unit: 'ppm', most: 100, t90_s: 30 },
    { gas: 'carbon-monoxide', kind: 'electrochemical', unit: 'ppm', most: 500, t90_s: 30 },
  ],
};
const LIMITS: AirLimits = {
  oxygenLeast: 19.5,
  oxygenMost: 23.5,
  lflMost: 10,
  lflBasis: 'iec',
  exposureMost: 100,
  exposureSchool: 'us',
};
const oxygen = (shown: number): GasReading => ({ gas: 'oxygen', shown, unit: '%vol' });
const methane = (shown: number): GasReading => ({ gas: 'methane', shown, unit: '%LFL' });
const sulphide = (shown: number): GasReading => ({ gas: 'hydrogen-sulphide', shown, unit: 'ppm' });
const monoxide = (shown: number): GasReading => ({ gas: 'carbon-monoxide', shown, unit: 'ppm' });

const fit = (...readings: GasReading[]) => judgeAir(readings, DETECTOR, LIMITS);
const unfitOf = (...readings: GasReading[]) =>
  fit(...readings)
    .lines.filter(({ isFit }) => !isFit)
    .map(({ gas }) => gas);

describe('what the air is fit for', () => {
  it.each<[string, GasReading[], string[]]>([
    ['clean air', [oxygen(20.9), methane(0), sulphide(0)], []],
    ['too little oxygen', [oxygen(19.4)], ['oxygen']],
    ['just enough oxygen', [oxygen(19.5)], []],
    ['too much oxygen', [oxygen(23.6)], ['oxygen']],
    ['flammables at the limit', [oxygen(20.9), methane(10)], ['methane']],
    ['flammables below it', [oxygen(20.9), methane(9.9)], []],
    ['a sensor over its range', [methane(101)], ['methane']],
    ['a poison above its limit', [sulphide(11)], ['hydrogen-sulphide']],
    ['a poison at its limit', [sulphide(10)], []],
    ['two poisons, each within its limit', [sulphide(6), monoxide(20)], ['poisons together']],
    ['two poisons, together within', [sulphide(4), monoxide(20)], []],
  ])('%s', (_, readings, unfit) => {
    expect(unfitOf(...readings)).toEqual(unfit);
  });

  it('corrects a reading for another gas than the sensor is calibrated on', () => {
    const propane: GasReading = { gas: 'propane', shown: 6, unit: '%LFL' };
    expect(findSensor(DETECTOR, 'propane')?.gas).toBe('methane');
    expect(fit(propane).lines[0]).toMatchObject({ gas: 'propane', value: 12, isFit: false });
    expect(findSensor(DETECTOR, 'chlorine')).toBeUndefined();
  });

  /** Source: NIOSH and OSHA beside EU Directives, from memory: 10 and 5 ppm of hydrogen sulphide, 35 and 20 of carbon monoxide. */
  it.each([
    ['us', sulphide(10), true],
    ['us', sulphide(10.1), false],
    ['eu', sulphide(5), true],
    ['eu', sulphide(5.1), false],
    ['strictest', sulphide(5), true],
    ['strictest', sulphide(5.1), false],
    ['us', monoxide(35), true],
    ['strictest', monoxide(20.1), false],
    // The EU lists none for propane: the other school counts.
    ['eu', { gas: 'propane', shown: 1001, unit: 'ppm' } as const, false],
  ] as const)('judges by the limits of the school: %s, %j is fit: %s', (school, reading, isFit) => {
    const limits = { ...LIMITS, lflMost: 100, exposureSchool: school };
    expect(judgeAir([reading], DETECTOR, limits).isFit).toBe(isFit);
  });

  it('names the school that its limit is of', () => {
    const basis = (school: 'us' | 'eu' | 'strictest') =>
      judgeAir([monoxide(1)], DETECTOR, { ...LIMITS, exposureSchool: school }).lines.at(-1)?.basis;
    expect(basis('us')).toContain('NIOSH');
    expect(basis('eu')).toContain('(EU) 2017/164');
    expect(basis('strictest')).toContain('(EU) 2017/164');
  });

  it('is not fit when nothing was read', () => {
    expect(fit().isFit).toBe(false);
  });

  it('adds the shares of flammables that are each below their limit', () => {
    const propane: GasReading = { gas: 'propane', shown: 2.5, unit: '%LFL' };
    expect(unfitOf(methane(5), propane)).toEqual(['flammables together']);
  });
});

describe('what cannot be believed', () => {
  const sampling = (more: Partial<Sampling> = {}): Sampling => ({
    instrument: 'GD-1',
    detector: DETECTOR,
    calibratedUntil: later(9999),
    drawnFrom: later(-60),
    readAt: NOW,
    bumpedAt: later(-3600),
    ...more,
  });
  const codes = (more: Partial<Sampling>, ...readings: GasReading[]) =>
    refuseSample(sampling(more), readings, NOW).map(({ code }) => code);
  const hose = { length_m: 10, bore_mm: 4 };

  it('says how many seconds a drawn sample is short of', () => {
    // 125.7 ml through 300 ml/min take 25.1 s, and the slowest of the sensors three times 20 s: 86 s.
    const [refusal] = refuseSample(
      sampling({ hose, drawnFrom: later(-30) }),
      [oxygen(20.9), methane(0)],
      NOW,
    );
    expect(refusal && explainIn('UTC')(refusal).says).toBe(
      'The reading came 56 s too soon: the sample needs 86 s.',
    );
    expect(codes({ hose, drawnFrom: later(-86) }, oxygen(20.9), methane(0))).toEqual([]);
  });

  it('refuses a hose on an instrument without a pump', () => {
    const { sensors } = DETECTOR;
    expect(codes({ hose, detector: { sensors } }, oxygen(20.9))).toEqual(['gas-no-pump']);
    expect(codes({ detector: { sensors } }, oxygen(20.9))).toEqual([]);
  });

  it('allows a clock that is a little ahead, and no more', () => {
    expect(codes({ readAt: later(29) }, oxygen(20.9))).toEqual([]);
    expect(codes({ readAt: later(31) }, oxygen(20.9))).toEqual(['gas-in-future']);
  });

  it('keeps the oxygen of an inerted vessel, which is no fraction', () => {
    expect(codes({}, oxygen(0.6))).toEqual([]);
    expect(codes({}, oxygen(0.209))).toEqual(['gas-as-fraction']);
  });
});

describe('what is tested for, and where', () => {
  const BIOGAS = {
    name: 'biogas',
    hazards: ['flammable', 'toxic'],
    gases: ['methane', 'carbon-dioxide', 'hydrogen-sulphide'],
  } as const;
  const NITROGEN = { name: 'nitrogen', hazards: ['asphyxiant'], gases: ['nitrogen'] } as const;
  const gasesOf = (use: 'entry' | 'hot-work') =>
    planAirTest([BIOGAS, NITROGEN], use).demands.map(({ gas }) => gas);

  it('asks oxygen first, then what burns, then what poisons (29 CFR 1910.146(d)(5)(iii))', () => {
    expect(gasesOf('entry')).toEqual([
      'oxygen',
      'methane',
      'carbon-monoxide',
      'carbon-dioxide',
      'hydrogen-sulphide',
    ]);
    expect(gasesOf('hot-work')).toEqual(['oxygen', 'methane', 'hydrogen-sulphide']);
  });

  it('says that what only displaces air is found by oxygen', () => {
    const [first] = planAirTest([NITROGEN], 'entry').demands;
    expect(first).toMatchObject({ gas: 'oxygen' });
    expect(first?.why).toContain('nitrogen displaces air');
  });

  it('names a body of which nobody knows what it gives off; and not one that harms nobody', () => {
    const sources = [
      { name: 'solvent', hazards: ['flammable'] },
      { name: 'water', hazards: [] },
    ];
    expect(planAirTest(sources, 'entry').unknown).toEqual(['solvent']);
  });

  it('takes the level from the density, all of them for an entry, and low also for hydrogen sulphide', () => {
    expect(findLevels('methane').levels).toEqual(['top']);
    expect(findLevels('hydrogen').levels).toEqual(['top']);
    expect(findLevels('propane').levels).toEqual(['bottom']);
    expect(findLevels('carbon-monoxide').levels).toEqual(['top', 'middle', 'bottom']);
    expect(findLevels('hydrogen-sulphide').levels).toContain('bottom');
    const [first] = planAirTest([], 'entry').demands;
    expect(first?.levels).toEqual(['top', 'middle', 'bottom']);
  });

  it('says what a test left out', () => {
    const plan = planAirTest([BIOGAS], 'hot-work');
    expect(
      listUncovered(plan, [
        { level: 'top', gases: ['oxygen', 'methane'] },
        { level: 'middle', gases: ['oxygen', 'hydrogen-sulphide'] },
        { level: 'bottom', gases: ['oxygen'] },
      ]),
    ).toEqual([
      'methane at the middle',
      'methane at the bottom',
      'hydrogen sulphide at the top',
      'hydrogen sulphide at the bottom',
    ]);
  });

  it.each([
    ['alone and warm', [], ['methane'], ['top']],
    ['cold: it is heavy then', ['cold'], ['methane'], ['top', 'middle', 'bottom']],
    ['hot: it rises then', ['hot'], ['propane'], ['top', 'middle', 'bottom']],
    ['mixed with others', [], ['propane', 'methane'], ['top', 'middle', 'bottom']],
  ] as const)(
    'asks for every height where the density is in doubt: %s',
    (_label, more, gases, levels) => {
      const source = { name: 'x', hazards: ['flammable', ...more], gases: [...gases] };
      const { demands } = planAirTest([source], 'hot-work');
      expect(demands.find(({ gas }) => gas === gases[0])?.levels).toEqual(levels);
    },
  );
});

describe('how near a fit reading is to its limit', () => {
  const limits = { oxygenLeast: 20, oxygenMost: 23.5, lflMost: 10, lflBasis: 'iec', exposureMost: 100, exposureSchool: 'strictest' } as const; // prettier-ignore
  const nearness = (shown: number) => {
    const { lines } = judgeAir([{ gas: 'methane', shown, unit: '%LFL' }], DETECTOR, limits);
    return lines.map(findNearness);
  };
  it.each([
    [9.5, [95]],
    [8, [80]],
    [7.9, [undefined]],
    [10, [undefined]],
  ])('is said from four fifths on: %d %% of 10', (shown, expected) => {
    expect(nearness(shown)).toEqual(expected);
  });
});

describe('units', () => {
  it('convert there and back, by the standard that the limit is taken from', () => {
    expect(convertConcentration(50, '%LFL', '%vol', 'methane', 'nfpa')).toBeCloseTo(2.5);
    expect(convertConcentration(50, '%LFL', '%vol', 'methane', 'iec')).toBeCloseTo(2.2);
    expect(convertConcentration(1, '%vol', 'ppm', 'methane', 'iec')).toBeCloseTo(10_000);
    expect(convertConcentration(4400, 'ppm', '%LFL', 'methane', 'iec')).toBeCloseTo(10);
  });

  it('have no % LFL for a gas that does not burn', () => {
    expect(convertConcentration(1, '%LFL', '%vol', 'carbon-dioxide', 'iec')).toBeUndefined();
    expect(convertConcentration(1, '%vol', '%LFL', 'nitrogen', 'iec')).toBeUndefined();
  });
});
