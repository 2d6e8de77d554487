import type { CommandOf } from '../../../src/core/job';
import {
  airTestOf,
  carryOut,
  ISSUED_WITH,
  LIVE,
  site,
  START,
  unsaidSite,
  type RefusalRow,
} from '../seal-change';

const HOT = () => ISSUED_WITH('spark');
type Test = CommandOf<'test-air'>;
type Sample = Test['samples'][number];

const hot = (more: Partial<Test> = {}): Test => ({ ...airTestOf(HOT(), 'hot-work'), ...more });
/** The same test with each of its samples changed. */
const sampled = (change: (sample: Sample) => Partial<Sample>): Test => {
  const test = hot();
  return { ...test, samples: test.samples.map((sample) => ({ ...sample, ...change(sample) })) };
};
/** The same test with one gas reading otherwise. */
const reads = (gas: string, more: Partial<Sample['readings'][number]>): Test =>
  sampled(({ readings }) => ({
    readings: readings.map((one) => (one.gas === gas ? { ...one, ...more } : one)),
  }));
const before = (minutes: number) => new Date(Date.parse(START) - minutes * 60_000).toISOString();
/** The site with tests of the air that count for five minutes. */
const strict = { ...site, values: { ...site.values, 'air-test-min': 5 } };
const SIGN_ON = { kind: 'sign-on', person: 'kit', lock: 'W-02' } as const;
const ON = (test: Test) => () => carryOut([['finn', test]], HOT());

/** Tests of the air that are refused, and work that the air holds up, with the codes. */
export const AIR_ROWS: RefusalRow[] = [
  ['a test of the air', HOT, 'finn', hot(), []],
  ['a test by someone who is no gas tester', HOT, 'kit', hot(), ['role-missing']],
  ['a test that no paper asks for', LIVE, 'finn', hot(), ['air-not-asked']],
  [
    'an instrument that is no detector',
    HOT,
    'finn',
    hot({ instrument: 'PG-T1' }),
    ['gas-no-detector'],
  ],
  [
    'an instrument out of calibration',
    HOT,
    'finn',
    hot({ instrument: 'GD-6' }),
    ['gas-calibration-over'],
  ],
  ['no bump test today', HOT, 'finn', hot({ bumpedAt: before(60 * 30) }), ['gas-bump-missing']],
  ['a bump test after the reading', HOT, 'finn', hot({ bumpedAt: START }), ['gas-bump-missing']],
  [
    'a reading in the future',
    HOT,
    'finn',
    sampled(() => ({ readAt: before(-10) })),
    ['gas-in-future'],
  ],
  [
    'a reading too soon for the hose',
    HOT,
    'finn',
    sampled(({ readAt }) => ({
      drawnFrom: new Date(Date.parse(readAt) - 40_000).toISOString(),
    })),
    ['gas-too-soon'],
  ],
  [
    'a hose longer than the maker allows',
    HOT,
    'finn',
    hot({ hose: { length_m: 40, bore_mm: 2 } }),
    ['gas-hose-long'],
  ],
  [
    'a gas that the instrument cannot measure',
    HOT,
    'finn',
    sampled(({ readings }) => ({
      readings: [...readings, { gas: 'chlorine', shown: 0, unit: 'ppm' }],
    })),
    ['gas-not-measured'],
  ],
  [
    'another unit than is shown',
    HOT,
    'finn',
    reads('methane', { unit: 'ppm' }),
    ['gas-unit-wrong'],
  ],
  ['a reading below zero', HOT, 'finn', reads('methane', { shown: -3 }), ['gas-below-zero']],
  [
    'oxygen as a fraction',
    HOT,
    'finn',
    reads('oxygen', { shown: 0.21 }),
    ['gas-as-fraction', 'gas-oxygen-starved'],
  ],
  [
    'more oxygen than there can be',
    HOT,
    'finn',
    reads('oxygen', { shown: 209 }),
    ['gas-above-all'],
  ],
  [
    'too little oxygen for a sensor that burns',
    HOT,
    'finn',
    reads('oxygen', { shown: 12 }),
    ['gas-oxygen-starved'],
  ],
  [
    'flammables without oxygen',
    HOT,
    'finn',
    sampled(({ readings }) => ({ readings: readings.filter(({ gas }) => gas !== 'oxygen') })),
    ['gas-oxygen-unread'],
  ],
  [
    'a body that nobody knows what it gives off',
    HOT,
    'finn',
    hot({ known: {} }),
    ['air-source-unknown'],
    { site: unsaidSite },
  ],
  ['signing on after a fit test', ON(hot()), 'hana', SIGN_ON, []],
  [
    'signing on in air that is not fit',
    ON(reads('methane', { shown: 3 })),
    'hana',
    SIGN_ON,
    ['work-stopped', 'air-unfit'],
  ],
  [
    'going on while the air is not fit',
    ON(reads('methane', { shown: 3 })),
    'hana',
    { kind: 'lift-stop', found: 'seen to' },
    ['air-unfit'],
  ],
  [
    'going on once it was tested again and is fit',
    () => carryOut([['finn', hot()]], ON(reads('methane', { shown: 3 }))()),
    'hana',
    { kind: 'lift-stop', found: 'seen to' },
    [],
  ],
  [
    'signing on after a test that leaves something out',
    ON(sampled(({ readings }) => ({ readings: readings.filter(({ gas }) => gas === 'oxygen') }))),
    'hana',
    SIGN_ON,
    ['air-not-covered'],
  ],
  [
    'signing on after a test that was not made at the drains and open ends',
    ON(hot({ places: [] })),
    'hana',
    SIGN_ON,
    ['air-places-left'],
  ],
  [
    'signing on after an old test',
    HOT,
    'hana',
    SIGN_ON,
    ['air-test-old'],
    { site: strict, now: before(-6) },
  ],
  [
    'issuing without a test',
    () => {
      const state = HOT();
      return state && { ...state, airTests: [] };
    },
    'hana',
    SIGN_ON,
    ['air-not-tested'],
  ],
];
