import { computeRunUp, findTwice, orderSteps, type RunUpStep } from './run-up';

const HOUR = '2026-11-24T14:00:00.000Z';
const clock = (iso: string): string => iso.slice(11, 16);
const when = (time: string): string => `2026-11-24T${time}:00.000Z`;
const step = (id: string, minutes: number, after: string[] = [], more: Partial<RunUpStep> = {}): RunUpStep => ({ id, what: id, kind: 'plant', who: 'bo', minutes, after, ...more }); // prettier-ignore
const begun = (time: string) => ({ begun: { by: 'bo', at: when(time) } });
const done = (time: string) => ({ done: { by: 'bo', at: when(time), seen: 'empty' } });

/** Feed out, then empty, then flush and grind beside each other, then cool. */
const STEPS = [
  step('feed', 60),
  step('empty', 45, ['feed']),
  step('flush', 30, ['empty']),
  step('grind', 20, ['empty'], { who: 'al' }),
  step('cool', 90, ['flush', 'grind'], { kind: 'cool' }),
];
const times = (steps: readonly RunUpStep[], now: string, hour = HOUR) => {
  const found = computeRunUp(steps, hour, when(now));
  if (!found) throw new Error('a circle');
  return found;
};
const stepOf = (steps: readonly RunUpStep[], now: string, id: string) => {
  const found = times(steps, now).steps.find((one) => one.id === id);
  if (!found) throw new Error(id);
  return found;
};

describe('steps before the hour of a stop', () => {
  // By hand: 14:00 less 90 is 12:30, less 30 is 12:00 (grind: 12:10), less 45 is 11:15, less 60 is 10:15.
  it.each([
    ['cool', '12:30', '14:00'],
    ['flush', '12:00', '12:30'],
    ['grind', '12:10', '12:30'],
    ['empty', '11:15', '12:00'],
    ['feed', '10:15', '11:15'],
  ])('are counted back from it: %s', (id, beginBy, endBy) => {
    const found = stepOf(STEPS, '08:00', id);
    expect([clock(found.beginBy), clock(found.endBy), found.slip_min]).toEqual([beginBy, endBy, 0]);
    expect([clock(found.begins), clock(found.ends)]).toEqual([beginBy, endBy]);
  });

  it.each([
    ['before the first has to begin', '10:15', 0],
    ['a minute after', '10:16', 1],
    ['an hour after', '11:15', 60],
  ])('let the hour slip when nobody begins: %s', (_, now, slip) => {
    expect(times(STEPS, now).slip_min).toBe(slip);
  });

  it('that run longer take everything after them along', () => {
    const late = STEPS.map((one) => (one.id === 'feed' ? { ...one, ...begun('10:15') } : one));
    expect(times(late, '11:15').slip_min).toBe(0);
    const found = times(late, '11:35');
    expect(found.steps.map(({ id, slip_min }) => [id, slip_min])).toEqual([
      ['feed', 20],
      ['empty', 20],
      ['flush', 20],
      // Ten minutes were to spare.
      ['grind', 10],
      ['cool', 20],
    ]);
    expect(clock(found.readyAt)).toBe('14:20');
  });

  it('that end early or late count as they went', () => {
    const early = STEPS.map((one) => (one.id === 'feed' ? { ...one, ...begun('09:00'), ...done('10:00') } : one)); // prettier-ignore
    expect(times(early, '10:30').slip_min).toBe(0);
    expect(clock(stepOf(early, '10:30', 'empty').begins)).toBe('11:15');
    const late = STEPS.map((one) => (one.id === 'feed' ? { ...one, ...begun('10:15'), ...done('11:30') } : one)); // prettier-ignore
    expect(times(late, '11:30').slip_min).toBe(15);
  });

  it('say what waits for them, over any number of steps', () => {
    expect(stepOf(STEPS, '08:00', 'empty').holdsUp).toEqual(['flush', 'cool', 'grind']);
    expect(stepOf(STEPS, '08:00', 'cool').holdsUp).toEqual([]);
  });

  it('slip by their own time where the hour is sooner than they take', () => {
    expect(times(STEPS, '11:00', when('12:00')).slip_min).toBe(60 + 45 + 30 + 90 - 60);
  });

  it('in a circle have no times', () => {
    const circle = [step('a', 10, ['b']), step('b', 10, ['a'])];
    expect([orderSteps(circle), computeRunUp(circle, HOUR, HOUR), findTwice(circle, HOUR)]).toEqual([undefined, undefined, undefined]); // prettier-ignore
  });

  it.each<[string, RunUpStep[], boolean]>([
    ['side by side', [step('a', 30), step('b', 30)], true],
    ['by two people', [step('a', 30), step('b', 30, [], { who: 'al' })], false],
    ['one after the other', [step('a', 30), step('b', 30, ['a'])], false],
    ['one of them cools by itself', [step('a', 30), step('b', 30, [], { kind: 'cool' })], false],
    ['one of them is done', [step('a', 30), step('b', 30, [], done('09:00'))], false],
  ])('one person does one at a time: %s', (_, steps, isTwice) => {
    expect(findTwice(steps, HOUR) !== undefined).toBe(isTwice);
  });
});
