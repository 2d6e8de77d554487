import type { Medium, Section } from '../plant';
import { scoreOne, type Scored } from './grade-score';
import { DEFAULT_GRADE_POLICY } from './policy';

const medium = (hazards: Medium['hazards'], phase: Medium['phase'] = 'gas') =>
  ({ id: 'M', name: 'medium', energy: 'process', phase, hazards }) as Medium;
const section = (more: Partial<Section>) =>
  ({ id: 'S', name: 's', medium: 'M', area: 'A', ...more }) as Section;
const score = (more: Partial<Scored> = {}) =>
  scoreOne(
    {
      medium: medium([]),
      source: section({ pressure_bar: 4, dn_mm: 100 }),
      work: section({ pressure_bar: 4, dn_mm: 100 }),
      activity: 'open',
      hours: 6,
      isZoned: false,
      ...more,
    },
    DEFAULT_GRADE_POLICY,
  );

// The method is that of HSG253 (danger x release x place x time, from memory); every figure is practice.
describe('the score of a source', () => {
  it('multiplies danger, release, place and time, and says so', () => {
    expect(score()).toEqual({
      points: 10,
      grade: 'single-bled',
      words: 'by score 10 (danger 1, release 10, place 1, time 1): single-bled',
    });
  });

  it.each<[string, Partial<Scored>, number, string]>([
    ['a poisonous gas in a large line, zoned, for days', { medium: medium(['toxic']), isZoned: true, hours: 100 }, 1200, 'positive'], // prettier-ignore
    ['steam', { medium: medium(['hot'], 'vapour') }, 40, 'double-bled'],
    ['a flammable liquid', { medium: medium(['flammable'], 'liquid') }, 60, 'double-bled'],
    ['air in a small bore', { work: section({ pressure_bar: 7, dn_mm: 20 }) }, 2, 'single-bled'],
    ['a person inside', { activity: 'enter' }, 100, 'double-bled'],
    ['for two days', { hours: 48 }, 20, 'single-bled'],
  ])('%s', (...[, more, points, grade]) => {
    expect(score(more)).toMatchObject({ points, grade });
  });

  it('takes what is not given for the worst', () => {
    const bare = section({});
    expect(score({ source: bare, work: bare })?.points).toBe(60);
    expect(score({ medium: medium(undefined) })?.points).toBe(100);
  });

  it('scores nothing that is only touched, and nothing that is no fluid', () => {
    expect(score({ activity: 'touch' })).toBeUndefined();
    const power = { ...medium([]), energy: 'electrical', phase: 'none' } as Medium;
    expect(score({ medium: power })).toBeUndefined();
  });

  it('never falls when anything gets worse', () => {
    const bars = [0.5, 5, 20, 100].map((bar) => section({ pressure_bar: bar, dn_mm: 80 }));
    const bores = [20, 40, 120, 300].map((mm) => section({ pressure_bar: 4, dn_mm: mm }));
    const hours = [1, 8, 9, 72, 73];
    const rising = (points: (number | undefined)[]) =>
      points.every((one, n) => n === 0 || (one ?? 0) >= (points[n - 1] ?? 0));
    expect(rising(bars.map((work) => score({ source: work, work })?.points))).toBe(true);
    expect(rising(bores.map((work) => score({ work })?.points))).toBe(true);
    expect(rising(hours.map((one) => score({ hours: one })?.points))).toBe(true);
  });
});
