import {
  classifySpace,
  computeAirChanges,
  computeBlownFlow,
  computeDilution,
  computeFieldRule,
  computeOxygen,
  computeVentilation,
  lookUpChart,
  planPurge,
  readChart,
  readSpace,
  type Mixing,
  type PurgeLimits,
  type PurgeNeeds,
} from '.';

const MIX: Mixing = { volume_m3: 50, flow_m3_min: 20, mixing: 0.5, fan: 'supply', leak_m3_min: 0 };

describe('blowing a space out', () => {
  it.each([
    [0, 60],
    [1, 42],
    [2, 29.4],
  ])('loses 30 %% of its flow a bend: %d', (bends, flow) => {
    expect(computeBlownFlow(60, bends)).toBeCloseTo(flow, 9);
  });

  it('counts air changes by the hour', () => {
    expect(computeAirChanges(50, 20)).toBe(24);
  });

  it.each([
    [1, 20],
    [2, 30],
    [4, 50],
  ])('takes 20 min and 10 for each further chimney: %d', (chimneys, minutes) => {
    expect(computeFieldRule(chimneys)).toBe(minutes);
  });

  it('takes no time where there is nothing to blow out', () => {
    expect(computeDilution(MIX, { start_pct: 0.1, target_pct: 0.2 })).toEqual({
      ok: true,
      value: 0,
    });
  });

  it.each(['supply', 'extract'] as const)(
    'says never, and the flow that would, when the leak is larger: %s',
    (fan) => {
      const leaking: Mixing = { ...MIX, fan, leak_m3_min: 2 };
      const found = computeDilution(leaking, { start_pct: 50, target_pct: 0.5 });
      if (found.ok) throw new Error('it is never reached');
      const least = found.problems[0]?.least_m3_min ?? 0;
      const more = computeDilution(
        { ...leaking, flow_m3_min: least * 1.001 },
        { start_pct: 50, target_pct: 0.5 },
      );
      expect(more.ok).toBe(true);
      const less = { ...leaking, flow_m3_min: least * 0.999 };
      expect(computeDilution(less, { start_pct: 50, target_pct: 0.5 }).ok).toBe(false);
    },
  );

  it('leaves less oxygen by drawing out than by blowing in, for the same leak', () => {
    const end = (fan: Mixing['fan']) =>
      computeOxygen(
        { ...MIX, fan, leak_m3_min: 1 },
        { start_pct: 10, target_pct: 18, fresh_pct: 20.9 },
      ).end_pct;
    const mixes = MIX.mixing * MIX.flow_m3_min;
    expect(end('supply')).toBeCloseTo((mixes * 20.9) / (mixes + 1), 9);
    expect(end('extract')).toBeCloseTo(((mixes - 1) * 20.9) / mixes, 9);
    expect(end('extract')).toBeLessThan(end('supply'));
  });
});

it.each([
  [0, 25 / 3],
  [1, 25 / 3 / 0.7],
  [2, 25 / 3 / 0.49],
])('ten changes an hour of 50 m³ want so much through %d bends', (bends, flow) => {
  expect(computeVentilation(50, 10, bends)).toBeCloseTo(flow, 9);
});

const CHART = readChart(['10=20', '50=30', '200=45']);

describe('the site’s chart', () => {
  it.each([
    [9.9, 20],
    [10, 20],
    [10.1, 30],
    [200, 45],
    [201, 90],
    [1000, 225],
  ])('gives %d m³ so many minutes: %d', (volume, minutes) => {
    expect(lookUpChart(CHART, volume)).toBe(minutes);
  });
});

const LIMITS: PurgeLimits = {
  chart: CHART,
  lflMost: 10,
  lflBasis: 'iec',
  exposureSchool: 'us',
  oxygenLeast: 20,
  oxygenMost: 23.5,
  oxygenFresh: 20.9,
  changesLeast_h: 10,
};
const NEEDS: PurgeNeeds = {
  volume_m3: 50,
  blower_m3_min: 60,
  bends: 0,
  fan: 'supply',
  mixing: 0.5,
  chimneys: 1,
  gas: 'methane',
  start_pct: 2,
  oxygen_pct: 20,
  leak_m3_min: 0,
};

describe('the plan of a purge', () => {
  it.each([
    ['the chart', {}, 'chart', 30],
    ['the field rule', { chimneys: 3 }, 'field', 40],
    ['the gas', { volume_m3: 400, blower_m3_min: 20, start_pct: 60, oxygen_pct: 8 }, 'gas', 225],
    [
      'enriched oxygen',
      { volume_m3: 190, blower_m3_min: 20, start_pct: 0, oxygen_pct: 60 },
      'oxygen',
      65,
    ],
    ['oxygen', { volume_m3: 190, blower_m3_min: 20, start_pct: 0, oxygen_pct: 0 }, 'oxygen', 60],
  ])('takes the longest: %s', (_label, more, kind, minutes) => {
    const { plan, refusals } = planPurge({ ...NEEDS, ...more }, LIMITS);
    expect(refusals).toEqual([]);
    expect(plan?.longest.kind).toBe(kind);
    expect(plan?.minutes).toBe(minutes);
    expect(plan?.ways.every((way) => way.minutes <= (plan?.minutes ?? 0))).toBe(true);
  });

  /** By hand: V / G ln(20.9 / 20) for nitrogen; V / G times the share for a poison, as little of it is needed. */
  it.each([
    ['no leak', {}, undefined],
    ['nitrogen', { gas: 'nitrogen' as const, leak_m3_min: 0.2 }, 'oxygen'],
    ['a poison', { gas: 'hydrogen-sulphide' as const, leak_m3_min: 1e-5, start_pct: 0 }, 'poison'],
  ])('says how long the air stays fit once the blower stops: %s', (_label, more, by) => {
    const { plan } = planPurge({ ...NEEDS, ...more }, LIMITS);
    const { volume_m3, leak_m3_min } = { ...NEEDS, ...more };
    const turnover = volume_m3 / leak_m3_min;
    const { oxygenFresh, oxygenLeast } = LIMITS;
    const byHand = {
      oxygen: turnover * Math.log(oxygenFresh / oxygenLeast),
      poison: (turnover * 10) / 1e6,
    };
    if (by === undefined) expect(plan?.fitWithout_min).toBeUndefined();
    else expect((plan?.fitWithout_min ?? 0) / byHand[by as 'oxygen']).toBeCloseTo(1, 3);
  });

  it.each([
    ['two bends', { bends: 2 }, ['purge-bends']],
    ['a leak of gas', { leak_m3_min: 3 }, ['purge-never', 'purge-never']],
    ['a small leak of it', { leak_m3_min: 0.2 }, ['purge-never']],
    [
      'nitrogen, which is known by oxygen alone',
      { gas: 'nitrogen' as const, leak_m3_min: 0.2 },
      [],
    ],
  ])('refuses what cannot be: %s', (_label, more, codes) => {
    const { refusals } = planPurge({ ...NEEDS, ...more }, LIMITS);
    expect(refusals.map(({ code }) => code)).toEqual(codes);
  });
});

const BIOGAS = {
  name: 'biogas',
  phase: 'gas',
  hazards: ['flammable'],
  gases: ['methane'] as const,
};
const WATER = { name: 'water', phase: 'liquid', hazards: [] };

describe('the class of a space', () => {
  it.each([
    ['gas', { converging: false }, [BIOGAS], [], ['atmosphere']],
    [
      'a liquid that gives off gas',
      { converging: false },
      [{ ...BIOGAS, hazards: [], phase: 'liquid' }],
      [],
      ['atmosphere', 'engulfment'],
    ],
    ['water', { converging: false }, [WATER], [], ['engulfment']],
    ['walls that lead inward', { converging: true }, [], [], ['converging']],
    ['a stirrer', { converging: false }, [], ['stirrer drive'], ['other']],
    ['nothing at all', { converging: false }, [], [], []],
    ['a space that the drawing does not know', undefined, [], [], ['converging']],
  ] as const)('%s', (_label, space, bodies, others, kinds) => {
    expect(classifySpace(space, bodies, others).map(({ kind }) => kind)).toEqual(kinds);
  });

  it('reads what the drawing says, and leaves what does not fit to be typed', () => {
    const item = { id: 'T', name: 'tank', kind: 'tank', area: 'A', sections: [] };
    expect(readSpace(item)).toBeUndefined();
    expect(readSpace({ ...item, space: { volume_m3: 9, depth_m: 2 } })).toMatchObject({
      depth_m: 2,
    });
    expect(readSpace({ ...item, space: { volume_m3: -9 } })).toMatchObject({
      volume_m3: undefined,
    });
  });

  it.each<[string, Partial<PurgeNeeds>, Partial<PurgeLimits>, string[]]>([
    ['more than the whole', { start_pct: 90, oxygen_pct: 20.9 }, {}, ['purge-impossible']],
    ['the whole', { start_pct: 80, oxygen_pct: 20 }, {}, ['purge-impossible']],
    [
      'more air than there is room for',
      { start_pct: 50, oxygen_pct: 20.9 },
      {},
      ['purge-impossible'],
    ],
    ['as much air as there is room for', { start_pct: 50, oxygen_pct: 10.4 }, {}, []],
    ['enriched, with gas', { start_pct: 5, oxygen_pct: 40 }, {}, []],
    ['fresh air below the limit', {}, { oxygenFresh: 19.9 }, ['purge-fresh-unfit']],
    ['fresh air at the limit', {}, { oxygenFresh: 20 }, ['purge-fresh-unfit']],
  ])('refuses what cannot be, and says it in figures: %s', (_label, more, limits, codes) => {
    const { refusals } = planPurge({ ...NEEDS, ...more }, { ...LIMITS, ...limits });
    expect(refusals.map(({ code }) => code)).toEqual(codes);
    expect(JSON.stringify(refusals)).not.toMatch(/NaN|Infinity|null/);
  });

  it('never takes no time for enriched oxygen', () => {
    for (const oxygen_pct of [23.6, 25, 40, 99]) {
      const { plan } = planPurge({ ...NEEDS, start_pct: 0, oxygen_pct }, LIMITS);
      expect(plan?.ways.find(({ kind }) => kind === 'oxygen')?.minutes).toBeGreaterThan(0);
    }
  });

  it('says never where the fan draws less than leaks in, for both kinds of fan', () => {
    for (const fan of ['supply', 'extract'] as const) {
      const { refusals } = planPurge({ ...NEEDS, fan, leak_m3_min: 40, mixing: 0.5 }, LIMITS);
      expect(refusals.map(({ code }) => code)).toContain('purge-never');
    }
  });
});
