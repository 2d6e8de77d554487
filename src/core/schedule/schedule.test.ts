import { planOf, smallPlant } from '../../../tests/support/small-plant';
import { buildGraph, type Activity, type Plant } from '../plant';
import { DEFAULT_VALUES } from '../rules/values';
import { findClashes, findFirstFree, findPlace, type ClashCode, type Doing, type Place } from '.';
import { findDistance, isNear } from './place';
import { findFree } from './window';

const at = (...points: [number, number][]): Place => ({ points, outlines: [], areas: ['A'] });
const area = (...outline: [number, number][]): Place => ({
  points: [],
  outlines: [outline],
  areas: ['A'],
});
const SQUARE = area([0, 0], [10, 0], [10, 10], [0, 10]);

describe('the distance of two places', () => {
  it.each<[string, Place, Place, number | undefined]>([
    ['two points', at([0, 0]), at([3, 4]), 5],
    ['the nearest of several', at([0, 0], [9, 0]), at([10, 0]), 1],
    ['a point in an area', at([5, 5]), SQUARE, 0],
    ['a point beside an area', SQUARE, at([13, 14]), 5],
    ['a point beside the middle of a side', at([5, -2]), SQUARE, 2],
    ['two areas apart', SQUARE, area([12, 0], [20, 0], [20, 10]), 2],
    ['one area in another', SQUARE, area([4, 4], [5, 4], [5, 5]), 0],
    [
      'areas that cross without a corner in the other',
      SQUARE,
      area([-5, 4], [15, 4], [15, 6], [-5, 6]),
      0,
    ],
    ['a place that the drawing does not give', at(), at([0, 0]), undefined],
  ])('%s', (_, a, b, metres) => {
    expect(findDistance(a, b)).toEqual(metres);
    expect(findDistance(b, a)).toEqual(metres);
  });

  it.each<[string, Place, number, boolean]>([
    ['nearer', at([10.9, 0]), 11, true],
    ['as far', at([11, 0]), 11, true],
    ['farther', at([11.1, 0]), 11, false],
    ['unknown, in the same area', at(), 11, true],
    ['unknown, in another area', { ...at(), areas: ['B'] }, 11, false],
    ['unknown, in no area', { ...at(), areas: [] }, 11, true],
  ])('near or not: %s', (_, place, metres, near) => {
    expect(isNear(at([0, 0]), place, metres)).toBe(near);
  });
});

describe('the first free time', () => {
  const taken = [
    { from: 10, until: 20 },
    { from: 22, until: 30 },
  ];
  it.each([
    ['before all', 0, 10, 0],
    ['in a gap that fits', 12, 2, 20],
    ['past a gap that does not', 12, 3, 30],
    ['after all', 40, 5, 40],
  ])('%s', (_, from, length, start) => {
    expect(findFree(from, length, [...taken].reverse())).toEqual({
      from: start,
      until: start + length,
    });
  });
});

/** The small plant: S feeds W through V1, MID, V2 and V3; the motor M turns W's shaft. */
function plantWith(change: (plant: Plant) => Plant): ReturnType<typeof buildGraph> {
  return buildGraph(change(smallPlant({})));
}
const graph = plantWith((plant) => plant);

const doing = (job: string, work: [string, Activity][], more: Partial<Doing> = {}): Doing => {
  const scope = { work: work.map(([section, activity]) => ({ section, activity })), hours: 1 };
  return {
    job,
    title: job,
    span: { from: 0, until: 10 },
    scope,
    place: findPlace(
      graph,
      work.map(([section]) => section),
    ),
    papers: ['general'],
    plan: undefined,
    lifted: [],
    starts: false,
    values: DEFAULT_VALUES,
    ...more,
  };
};
const codes = (a: Doing, b: Doing, on = graph): [ClashCode, string, boolean][] =>
  findClashes(on, a, b).map(({ code, cause, together }) => [code, cause, together]);

/** The small plant full of something flammable, all of it so far from the origin (m), its drain leading to where it is said. */
const flammableAt = (x: number, leads_to: 'atmosphere' | 'closed-system' = 'atmosphere') =>
  plantWith((plant) => ({
    ...plant,
    media: plant.media.map((medium) => ({ ...medium, hazards: ['flammable' as const] })),
    sections: plant.sections.map((section) => ({
      ...section,
      at: [x, 0, 5] as [number, number, number],
    })),
    outlets: plant.outlets.map((outlet) => ({ ...outlet, leads_to })),
  }));

describe('two jobs in each other’s way', () => {
  const HERE = { place: at([0, 0]) };
  const hot = doing('J-1', [['END', 'hot-work']], HERE);
  const opens = (x: number, more: Partial<Doing> = {}) =>
    doing('J-2', [['W', 'open']], { place: at([x, 0]), ...more });

  it('sparks by an open line, up to 11 m', () => {
    const found = [['sparks-by-open-line', 'J-1', true]];
    expect(codes(hot, opens(0), flammableAt(11))).toEqual(found);
    expect(codes(opens(0), hot, flammableAt(11))).toEqual(found);
    expect(codes(hot, opens(0), flammableAt(11.1))).toEqual([]);
    expect(codes(hot, opens(5))).toEqual([]);
  });

  it('counts what a plan lets out into the open, and not what it lets into a closed system', () => {
    const plan = planOf(['V1'], ['DR']);
    const vents = doing('J-2', [['M', 'touch']], { ...HERE, plan });
    expect(codes(hot, vents, flammableAt(0)).map(([code]) => code)).toEqual([
      'sparks-by-open-line',
    ]);
    expect(codes(hot, vents, flammableAt(0, 'closed-system'))).toEqual([]);
  });

  it('at another time is said, and is not together', () => {
    const then = opens(5, { span: { from: 10, until: 20 } });
    expect(codes(hot, then, flammableAt(0))).toEqual([['sparks-by-open-line', 'J-1', false]]);
    const clashes = findClashes(flammableAt(0), hot, opens(5));
    expect(findFirstFree(hot, [opens(5)], clashes, 0)).toEqual({ from: 10, until: 20 });
  });

  it('entry while what is joined to it is let down, unless a blank stands between', () => {
    const enters = doing('J-1', [['W', 'enter']]);
    const down = doing('J-2', [['MID', 'touch']], { plan: planOf(['V1'], ['DR']) });
    expect(codes(enters, down)).toEqual([['entry-while-let-down', 'J-2', true]]);
    const valved = { ...enters, plan: planOf(['V1', 'V2'], []) };
    expect(codes(valved, down).map(([code]) => code)).toEqual(['entry-while-let-down']);
    const inEnd = (close: string[]) =>
      doing('J-1', [['END', 'enter']], { plan: planOf(close, []) });
    expect(codes(inEnd([]), down).map(([code]) => code)).toEqual(['entry-while-let-down']);
    expect(codes(inEnd(['SB']), down)).toEqual([]);
  });

  it.each<[string, Partial<Doing>, ClashCode, number]>([
    ['a lift', { papers: ['lifting'] }, 'lift-over-crew', 10],
    ['rays', { papers: ['radiography'] }, 'rays-by-crew', 30],
    ['a pressure test', { papers: ['pressure-test'] }, 'pressure-test-by-crew', 10],
    ['a line under gas', { clears_m: 42 }, 'line-cleared-by-crew', 42],
  ])('%s by a crew, within its distance', (_, more, code, metres) => {
    const near = doing('J-1', [['END', 'touch']], { ...HERE, ...more });
    expect(codes(near, opens(metres))).toEqual([[code, 'J-1', true]]);
    expect(codes(near, opens(metres + 0.1))).toEqual([]);
  });

  it('a point that one lifts and another needs', () => {
    const lifts = doing('J-1', [['END', 'touch']], { lifted: ['V2'] });
    const needs = doing('J-2', [['W', 'open']], { plan: planOf(['V2'], []) });
    expect(codes(lifts, needs)).toEqual([['point-both-ways', 'J-1', true]]);
    expect(codes({ ...lifts, lifted: ['V1'] }, needs)).toEqual([]);
  });
});
