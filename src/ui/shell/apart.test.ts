import { findApart, type Known } from './apart';

const KNOWN: Known = { head: 40, skew: 0 };
type Row = readonly [
  label: string,
  path: string,
  known: Known | undefined,
  beat: { head: number; since: number; changed: string[]; skew: number },
  apart: number | undefined,
];
const beat = (more: Partial<Row[3]> = {}) => ({
  head: 41,
  since: 40,
  changed: ['J-0001'],
  skew: 0,
  ...more,
});

const ROWS: readonly Row[] = [
  ['the first beat', '/jobs/J-0001', undefined, beat(), undefined],
  ['nothing new', '/jobs/J-0001', KNOWN, beat({ head: 40, changed: [] }), undefined],
  ['its own job', '/jobs/J-0001', KNOWN, beat(), 0],
  ['its own job, on another page of it', '/jobs/J-0001/record', KNOWN, beat(), 0],
  ['another job', '/jobs/J-0002', KNOWN, beat(), 10_000],
  ['a job whose number begins alike', '/jobs/J-00', KNOWN, beat(), 10_000],
  ['the site', '/jobs/J-0001', KNOWN, beat({ changed: [] }), 10_000],
  ['a list', '/locks', KNOWN, beat(), 1000],
  ['a beat was missed', '/jobs/J-0002', KNOWN, beat({ head: 45, since: 44 }), 0],
  ['the clock jumped', '/jobs/J-0002', KNOWN, beat({ head: 40, skew: 3_600_000 }), 0],
  ['the clock drifts', '/jobs/J-0002', KNOWN, beat({ head: 40, skew: 2000 }), undefined],
];

describe('a screen is loaded anew', () => {
  it.each(ROWS)('%s', (...[, path, known, heard, apart]) => {
    expect(findApart(path, known, heard)).toBe(apart);
  });
});
