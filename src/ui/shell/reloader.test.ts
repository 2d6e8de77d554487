import { makeReloader } from './reloader';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

/** The moments (ms from the first, in tens: a timer takes one at least) at which it loads, asked at `asked` with how far apart. */
function follow(asked: readonly (readonly [at: number, apart: number])[], stopAt = Infinity) {
  const begin = Date.now();
  const loaded: number[] = [];
  const { ask, stop } = makeReloader(() => loaded.push(10 * Math.floor((Date.now() - begin) / 10)));
  for (const [at, apart] of asked) setTimeout(() => ask(apart), at);
  if (stopAt < Infinity) setTimeout(stop, stopAt);
  jest.advanceTimersByTime(60_000);
  return loaded;
}

describe('a reloader', () => {
  it.each<[string, [number, number][], number[]]>([
    ['at once when it is quiet', [[0, 5000]], [0]],
    [
      'once for many in a row, and again when the time is over',
      [
        [0, 5000],
        [10, 5000],
        [20, 5000],
      ],
      [0, 5000],
    ],
    [
      'at once for what is urgent',
      [
        [0, 5000],
        [10, 5000],
        [20, 0],
      ],
      [0, 20],
    ],
    [
      'not sooner for what is less urgent',
      [
        [0, 1000],
        [10, 1000],
        [20, 5000],
      ],
      [0, 1000],
    ],
    [
      'from the last time on',
      [
        [0, 0],
        [100, 0],
        [200, 1000],
      ],
      [0, 100, 1100],
    ],
  ])('loads %s', (_, asked, loaded) => {
    expect(follow(asked)).toEqual(loaded);
  });

  it('loads nothing more once it is stopped', () => {
    expect(
      follow(
        [
          [0, 5000],
          [10, 5000],
        ],
        100,
      ),
    ).toEqual([0]);
  });
});
