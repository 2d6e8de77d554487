import { site } from '../../../tests/support/seal-change';
import { buildGraph, parsePlant, type Plant } from '../plant';
import { findPlace } from '../schedule';
import {
  computeBearing,
  computeTail,
  countMonitors,
  findBreathing,
  isDownwind,
  listNeighbours,
  planMonitors,
  type TailPolicy,
} from '.';

const { graph } = site;
const around = (section: string, radius = 11) =>
  listNeighbours(graph, { place: findPlace(graph, [section]), zone: [section] }, radius);

describe('surroundings of hot work', () => {
  it('lists everything in the data within the radius, nearest first', () => {
    const ids = around('HW-GAS').map(({ id }) => id);
    expect(ids).toEqual(expect.arrayContaining(['OE-SP', 'YD-4', 'DRUMS', 'PILOT', 'HOLDER']));
    expect(ids).not.toContain('SOLV');
  });

  it('takes what is exactly on the circle, and leaves what is just beyond', () => {
    const at = around('HW-GAS').find(({ id }) => id === 'DRUMS')?.distance_m ?? 0;
    expect(at).toBeCloseTo(Math.hypot(121 - 114, 39 - 36), 9);
    expect(around('HW-GAS', at).map(({ id }) => id)).toContain('DRUMS');
    expect(around('HW-GAS', at - 0.001).map(({ id }) => id)).not.toContain('DRUMS');
  });

  it('looks at the other side of walls within the radius', () => {
    expect(around('P201-CAS', 16).filter(({ kind }) => kind === 'other-side')).not.toHaveLength(0);
  });

  it.each([
    [[0, 0], [0, 1], 0],
    [[0, 0], [1, 0], 90],
    [[0, 0], [0, -1], 180],
    [[0, 0], [-1, 0], 270],
  ] as const)('gives directions from north, clockwise', (a, b, expected) => {
    expect(computeBearing(a, b)).toBeCloseTo(expected, 9);
  });

  it.each([
    [180, 0, true],
    [210, 0, true],
    [211, 0, false],
    [10, 200, true],
    [350, 170, true],
    [0, 0, false],
  ])('tells whether %d° lies downwind of wind from %d°', (bearing, from, expected) => {
    expect(isDownwind(bearing, from)).toBe(expected);
  });
});

/** Two tanks, joined by an overflow line; the second one's overflow ends in the open. */
const tanks = (more: Partial<Plant['links'][number]>[] = []) => {
  const section = (id: string, medium: string) => ({ id, name: id, medium, area: 'A' });
  const parsed = parsePlant({
    format: 'heavy-lantern/plant',
    version: 1,
    name: 'two tanks',
    areas: [{ id: 'A', name: 'yard', outline: [], zone: 'none' }],
    media: [
      { id: 'OIL', name: 'oil', energy: 'process', phase: 'liquid', hazards: ['flammable'] },
      { id: 'HOT', name: 'hot water', energy: 'thermal', phase: 'liquid', hazards: [] },
      { id: 'WATER', name: 'water', energy: 'process', phase: 'liquid', hazards: [] },
    ],
    sections: [
      section('FAR', 'OIL'),
      section('NEAR', 'WATER'),
      section('OVER', 'WATER'),
      section('END', 'WATER'),
      section('COIL', 'HOT'),
    ],
    links: [
      { id: 'J1', kind: 'joint', between: ['FAR', 'NEAR'] },
      { id: 'V1', kind: 'gate-valve', between: ['NEAR', 'OVER'], normal: 'closed' },
      { id: 'B1', kind: 'spectacle-blind', between: ['OVER', 'END'] },
      { id: 'X1', kind: 'exchanger', between: ['FAR', 'COIL'] },
      ...more,
    ],
  });
  if (!parsed.ok) throw new Error(parsed.problems.map(({ message }) => message).join());
  return buildGraph(parsed.value);
};
const END = { id: 'O', name: 'the end', section: 'END' };

describe('what can breathe out', () => {
  it('is found two tanks away, link by link, over a valve that is only shut', () => {
    const [found] = findBreathing(tanks(), [END], new Set());
    expect(found?.bodies).toEqual([
      { body: 'FAR', name: 'FAR', what: 'oil', route: ['B1', 'V1', 'J1'] },
    ]);
    expect(found?.blankAt).toEqual(['B1']);
  });

  it('is nothing once a blank is in', () => {
    expect(findBreathing(tanks(), [END], new Set(['B1']))).toEqual([]);
  });

  it('counts a tank that is open itself, and no length of pipe', () => {
    const tank = findBreathing(tanks(), [{ ...END, section: 'FAR' }], new Set());
    expect(tank[0]?.bodies.map(({ route }) => route)).toEqual([[]]);
  });

  it('does not come through a wall', () => {
    expect(findBreathing(tanks(), [{ ...END, section: 'COIL' }], new Set())).toEqual([]);
  });

  it('names the blanks that only together are enough', () => {
    const second = { id: 'B2', kind: 'spectacle-blind', between: ['NEAR', 'END'] } as const;
    const [found] = findBreathing(
      tanks([{ ...second, between: ['NEAR', 'END'] }]),
      [END],
      new Set(),
    );
    expect(found?.blankAt).toEqual([]);
    expect([...(found?.together ?? [])].sort()).toEqual(['B1', 'B2']);
  });

  it('says where the drawing has no place for a blank', () => {
    const open = { id: 'J2', kind: 'joint', between: ['NEAR', 'END'] } as const;
    const [found] = findBreathing(tanks([{ ...open, between: ['NEAR', 'END'] }]), [END], new Set());
    expect([found?.blankAt, found?.together]).toEqual([[], []]);
  });

  it('finds the holder behind its seal pot, and both digesters behind that', () => {
    const opening = { id: 'OE-SP', name: 'overflow', section: 'SEAL-OVF' };
    const [found] = findBreathing(graph, [opening], new Set());
    const bodies = found?.bodies.map(({ body }) => body) ?? [];
    expect(bodies).toEqual(expect.arrayContaining(['HOLDER', 'D1-GAS', 'D2-GAS', 'BT-GAS']));
    expect(found?.blankAt[0]).toBe('SB-SP');
    expect(findBreathing(graph, [opening], new Set(['SB-SP']))).toEqual([]);
  });
});

describe('monitors', () => {
  // Geometry: a chord of a regular polygon of n sides in a circle of R is 2R·sin(π/n).
  it.each([
    ['chord of a hexagon', 10, 10, 6],
    ['chord of a square', 10, 10 * Math.SQRT2, 4],
    ['a little less than that of a hexagon', 10, 9.99, 7],
    ['as wide as the circle', 10, 20, 3],
    ['wider than the circle', 10, 100, 3],
    ['chord of a triangle', 10, 10 * Math.sqrt(3), 3],
  ])('are as many as the circle asks for: %s', (_label, radius, spacing, count) => {
    expect(countMonitors(radius, spacing)).toBe(count);
  });

  it.each(Array.from({ length: 18 }, (_, n) => n + 3))(
    'are exactly %d for the chord of as many sides',
    (sides) => {
      expect(countMonitors(11, 22 * Math.sin(Math.PI / sides))).toBe(sides);
    },
  );

  it('stand farther out for more wind, and warn in time', () => {
    const ring = planMonitors(
      { radius_m: 11, spacing_m: 10, wind_m_s: 2, response_s: 15, leave_s: 20 },
      90,
    );
    expect(ring.radius_m).toBe(70);
    expect(ring.warning_s).toBe(20);
    expect(ring.bearings_deg[0]).toBe(90);
    expect(ring.bearings_deg).toHaveLength(ring.count);
  });
});

const T0 = '2026-11-24T22:50:00.000Z';
const at = (minutes: number) => new Date(Date.parse(T0) + minutes * 60_000).toISOString();
const HOUR: TailPolicy = {
  watch_min: 60,
  checks_min: 0,
  round_min: 15,
  check_min: 30,
  final: 'fire-watch',
};
const LONG: TailPolicy = { ...HOUR, checks_min: 180 };
const rounds = (...minutes: number[]) =>
  minutes.map((one) => ({ at: at(one), found: 'cold' as const }));

describe('the tail', () => {
  it.each([
    [
      'just begun',
      HOUR,
      [],
      0,
      { phase: 'watch', left_min: 60, endsAt: at(60), nextRound: at(15), missed: [] },
    ],
    [
      'on time, over midnight',
      HOUR,
      rounds(15, 30, 45),
      59,
      { phase: 'watch', left_min: 1, endsAt: at(60) },
    ],
    [
      'to the minute',
      HOUR,
      rounds(15, 30, 45),
      60,
      { phase: 'over', left_min: 0, nextRound: undefined, missed: [] },
    ],
    [
      'a round within its grace',
      HOUR,
      rounds(20, 40),
      55,
      { phase: 'watch', left_min: 5, missed: [] },
    ],
    [
      'a round beyond its grace',
      HOUR,
      rounds(20.1, 30, 45),
      60,
      { phase: 'watch', left_min: 6, missed: [at(15)] },
    ],
    [
      'a round that has not come',
      HOUR,
      rounds(15),
      36,
      { phase: 'watch', left_min: 30, missed: [at(30)] },
    ],
    [
      'then looked at from time to time',
      LONG,
      rounds(15, 30, 45, 60),
      60,
      { phase: 'checks', left_min: 180, nextRound: at(90) },
    ],
    [
      'all of the long one',
      LONG,
      rounds(15, 30, 45, 60, 90, 120, 150, 180, 210),
      240,
      { phase: 'over', missed: [] },
    ],
    [
      'over, and the last look is late',
      HOUR,
      rounds(15, 30, 45),
      95,
      { phase: 'over', left_min: 0, missed: [] },
    ],
    ['nobody came at all', HOUR, [], 600, { phase: 'watch', left_min: 45, missed: [at(15)] }],
  ])('counts what rounds stand for: %s', (_label, policy, made, now, expected) => {
    expect(computeTail(policy, T0, made, at(now))).toMatchObject(expected);
  });

  it.each(['warm', 'burning'] as const)('begins again after something %s', (found) => {
    const clock = computeTail(HOUR, T0, [...rounds(15, 30), { at: at(45), found }], at(45));
    expect(clock).toMatchObject({ phase: 'watch', left_min: 60, endsAt: at(105) });
  });
});
