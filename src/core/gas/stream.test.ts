import { playDetector } from '../../sim';
import { site, START } from '../../../tests/support/seal-change';
import { computeDrift, computeTrend, correctTimes, judgeAir, listLimits, refuseBatch } from '.';
import { airLimits } from '../job';

const detector = site.instruments.get('GD-5')?.detector;
if (!detector) throw new Error('no detector');
const minute = (n: number) => Date.parse(START) + n * 60_000;

describe('a device whose clock is off', () => {
  it.each([
    ['2026-11-24T07:00:10.000Z', 10],
    ['2026-11-24T06:59:30.000Z', -30],
  ])('is %s by so much: %d s', (clock, drift) => {
    expect(computeDrift(clock, START)).toBe(drift);
  });

  it('is put right reading by reading, oldest first, over midnight too', () => {
    const at = (text: string, number: number) =>
      ({ number, at: text, gas: 'oxygen', shown: 20.9, unit: '%vol' }) as const;
    const batch = {
      device: 'GD-5',
      clock: '2026-11-25T00:01:00.000Z',
      readings: [at('2026-11-25T00:00:30.000Z', 2), at('2026-11-24T23:59:50.000Z', 1)],
    };
    const now = '2026-11-25T00:00:00.000Z';
    expect(correctTimes(batch, now).map((one) => [one.number, one.at])).toEqual([
      [1, '2026-11-24T23:58:50.000Z'],
      [2, '2026-11-24T23:59:30.000Z'],
    ]);
  });

  it.each([
    [300, []],
    [301, ['gas-clock-far']],
    [-301, ['gas-clock-far']],
  ])('is corrected up to five minutes: %d s', (drift, codes) => {
    const clock = new Date(Date.parse(START) + drift * 1000).toISOString();
    const batch = playDetector('GD-5', detector, {
      scene: 'calm',
      until: clock,
      seconds: 60,
      every_s: 10,
      from: 0,
    });
    const found = refuseBatch(
      batch,
      { detector, calibratedUntil: '2028-01-01T00:00:00.000Z' },
      START,
    );
    expect(found.map(({ code }) => code)).toEqual(codes);
  });
});

describe('the trend', () => {
  const rising = [0, 1, 2, 3, 4].map((n) => ({ at: minute(n), value: 2 + n / 2 }));
  it('is the slope, and says when the limit is reached', () => {
    const trend = computeTrend(rising, 10);
    expect(trend?.perMinute).toBeCloseTo(0.5, 9);
    expect(trend?.toLimit_min).toBeCloseTo(12, 9);
  });

  it('says nothing of a limit that it goes away from', () => {
    expect(computeTrend(rising, 1)?.toLimit_min).toBeUndefined();
  });

  it.each([
    ['flat', 0, true],
    ['just under a hundredth of the limit in ten minutes', 0.0099, true],
    ['just over it', 0.0101, false],
    ['just over it, falling', -0.0101, false],
  ])('is steady while it wavers little: %s', (_, slope, isSteady) => {
    const points = [0, 1, 2, 3].map((n) => ({ at: minute(n), value: 5 + n * slope }));
    expect(computeTrend(points, 10)?.isSteady).toBe(isSteady);
  });

  it('looks at the newest ten minutes alone', () => {
    const long = [{ at: minute(-30), value: 90 }, ...rising];
    expect(computeTrend(long, 10)?.perMinute).toBeCloseTo(0.5, 9);
  });

  it.each([
    ['none', []],
    ['two', rising.slice(0, 2)],
    ['three of one instant', [1, 2, 3].map((value) => ({ at: minute(0), value }))],
  ])('is not known from too few: %s', (_label, points) => {
    expect(computeTrend(points, 10)).toBeUndefined();
  });
});

describe('the stand-in detector', () => {
  const play = (scene: 'calm' | 'leak' | 'inert') => {
    const { readings } = playDetector('GD-5', detector, {
      scene,
      until: START,
      seconds: 600,
      every_s: 10,
      from: 0,
    });
    return judgeAir(
      readings.slice(-detector.sensors.length),
      detector,
      airLimits(site.values, 'entry'),
    );
  };

  it('reads fit air when it is calm, a leak and lost oxygen when they are played', () => {
    expect(play('calm').isFit).toBe(true);
    expect(play('leak').isFit).toBe(false);
    expect(play('inert').lines.filter(({ isFit }) => !isFit)).toMatchObject([{ gas: 'oxygen' }]);
  });

  it('says the same each time, so that what is sent twice is known', () => {
    const same = () =>
      playDetector('GD-5', detector, {
        scene: 'leak',
        until: START,
        seconds: 60,
        every_s: 10,
        from: 7,
      });
    expect(same()).toEqual(same());
  });
});

it('draws limits in the unit that is shown', () => {
  const limits = airLimits(site.values, 'entry');
  expect(listLimits('oxygen', '%vol', limits)).toEqual([20, 23.5]);
  expect(listLimits('methane', '%LFL', limits)).toEqual([10]);
  expect(listLimits('methane', '%vol', limits)[0]).toBeCloseTo(0.44, 9);
  expect(listLimits('carbon-dioxide', '%vol', limits)).toEqual([0.5]);
});
