import { findPig, planClearing, type Clearing, type ProfilePoint } from './profile';

const point = (at_m: number, height_m: number, parts = true, bore_mm = 200): ProfilePoint => ({ at_m, height_m, bore_mm, parts }); // prettier-ignore
/** 600 m of DN 200, over a hill of 10 m and down through a valley. */
const LINE: Clearing = {
  points: [point(0, 12), point(150, 22), point(300, 10), point(450, 4), point(600, 9)],
  drive_bar: 1.5,
  relief_bar: 2,
  weakest_bar: 10,
  density: 1000,
  speed_m_min: 30,
};
const SITE_KJ = 1500;
const planOf = (more: Partial<Clearing> = {}, most = SITE_KJ) => {
  const found = planClearing({ ...LINE, ...more }, most);
  if ('fault' in found) throw new Error(found.fault.kind);
  return found.plan;
};
const faultOf = (more: Partial<Clearing>, most = SITE_KJ) => {
  const found = planClearing({ ...LINE, ...more }, most);
  return 'fault' in found ? found.fault : undefined;
};

describe('a line that is cleared with gas', () => {
  // By hand: DN 200 is 0.031416 m², 150 m of it 4.712 m³. At 2 bar gauge, 3.01325 bar absolute:
  // P V / 0.4 × (1 - (1.01325 / 3.01325)^(0.4 / 1.4)) = 3 549 900 × (1 - 0.73241) = 950 kJ (Baker et al. 1983, ASME PCC-2 Art. 501, from memory).
  it('has the energy of each section from its volume and the pressure of the relief', () => {
    const [first] = planOf({}, 1000).sections;
    expect(first?.volume_m3).toBeCloseTo(4.71, 2);
    expect(first?.energy_kj).toBeGreaterThan(945);
    expect(first?.energy_kj).toBeLessThan(955);
    expect(first?.clear_m).toBe(30);
  });

  it('has as much in all of it as in its sections together', () => {
    const { sections, energy_kj, volume_m3, length_m } = planOf({}, 1000);
    const sum = sections.reduce((all, one) => all + one.energy_kj, 0);
    expect(Math.abs(energy_kj - sum)).toBeLessThan(1);
    expect([volume_m3, length_m, sections.length]).toEqual([18.8, 600, 4]);
  });

  it.each([
    ['each place, where two together are too much', 1000, 4],
    ['every other place, where two are not', 1950, 2],
    ['nowhere, where all of it may stand under pressure', 4000, 1],
  ])('is parted at %s', (_, most, sections) => {
    // Over all of it the gas would have to lift the column out of the valley as well.
    expect(planOf({ drive_bar: 1.9 }, most).sections).toHaveLength(sections);
  });

  it('goes downhill in each section, the highest first', () => {
    expect(planOf({}, 1000).sections.map(({ start_m, end_m }) => [start_m, end_m])).toEqual([
      [150, 0],
      [150, 300],
      [300, 450],
      [600, 450],
    ]);
  });

  it('carries the whole column at its lowest point, on top of the relief', () => {
    // 18 m of water: 1000 × 9.80665 × 18 = 1.765 bar.
    expect(planOf().valley_bar).toBeCloseTo(3.8, 5);
    expect(planOf().valley_m).toBe(450);
    expect(faultOf({ weakest_bar: 3.7 })).toMatchObject({ kind: 'valley-over-weakest', at_m: 450, bar: 3.8 }); // prettier-ignore
    expect(faultOf({ weakest_bar: 3.8 })).toBeUndefined();
  });

  it('needs what lifts the column behind a valley', () => {
    // One section over the valley: from 4 up to 9 m is 0.49 bar.
    const valley = { points: [point(0, 12), point(100, 4, false), point(200, 9)] };
    expect(planOf({ ...valley, drive_bar: 0.5 }).lift_bar).toBe(0.5);
    expect(faultOf({ ...valley, drive_bar: 0.49 })).toEqual({ kind: 'cannot-lift', bar: 0.5 });
  });

  it.each<[string, Partial<Clearing>, number, string | undefined]>([
    ['one point', { points: [point(0, 0)] }, SITE_KJ, 'few-points'],
    ['a point that goes back', { points: [point(0, 0), point(10, 0), point(9, 0)] }, SITE_KJ, 'not-along'],
    ['a point twice', { points: [point(0, 0), point(0, 1)] }, SITE_KJ, 'not-along'],
    ['a relief that opens while it drives', { relief_bar: 1.4 }, SITE_KJ, 'relief-below-drive'],
    ['a relief at the drive', { relief_bar: 1.5 }, SITE_KJ, undefined],
    ['a relief above what the line stands', { relief_bar: 11 }, SITE_KJ, 'relief-over-weakest'],
    ['no place to part it', { points: [point(0, 9), point(300, 6, false), point(600, 3)] }, SITE_KJ, 'section-too-strong'],
  ])('is refused or not: %s', (_, more, most, kind) => {
    expect(faultOf(more, most)?.kind).toBe(kind);
  }); // prettier-ignore

  it('says how far apart it may be parted where it holds too much', () => {
    const fault = faultOf({ points: [point(0, 9), point(600, 3)] }, 950);
    // The sum above: 150 m hold 950 kJ.
    expect(fault).toMatchObject({ kind: 'section-too-strong', from_m: 0, to_m: 600 });
    const most = fault?.kind === 'section-too-strong' ? fault.most_m : 0;
    expect(Math.abs(most - 150)).toBeLessThanOrEqual(1);
    expect(faultOf({ points: [point(0, 9), point(most, 3)] }, 950)).toBeUndefined();
  });
});

describe('where the pig is', () => {
  const DOWN = { start_m: 600, end_m: 450 };
  const seen = { at_m: 600, at: '2026-11-24T08:00:00.000Z' };
  it.each([
    ['where it was seen', '08:00', 600, false],
    ['as far on as it has come', '08:03', 510, false],
    ['at the end of its section, and no farther', '08:06', 450, false],
    ['overdue, half as long again as it takes', '08:09', 450, true],
  ])('%s', (_, time, at_m, isOverdue) => {
    expect(findPig(DOWN, seen, 30, `2026-11-24T${time}:00.000Z`)).toEqual({ at_m, isOverdue });
  });
});
