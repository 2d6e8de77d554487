import type { Command } from '../../core/job';
import { computeExpected, isPressedTwice, type Given } from './given';

const STOP: Command = { kind: 'stop-work', reason: 'noise' };
const given: Given = { jobId: 'J-1', sequence: 9, command: STOP, at: 10_000 };

const ROWS: readonly [string, Given | undefined, { jobId: string; sequence: number }, number][] = [
  ['nothing was given', undefined, { jobId: 'J-1', sequence: 7 }, 7],
  ['the screen has yet to show what was given', given, { jobId: 'J-1', sequence: 7 }, 9],
  ['the screen shows it', given, { jobId: 'J-1', sequence: 9 }, 9],
  ['the screen shows more', given, { jobId: 'J-1', sequence: 12 }, 12],
  ['it was given on another job', given, { jobId: 'J-2', sequence: 3 }, 3],
  ['a job is being raised', { ...given, jobId: '' }, { jobId: '', sequence: 0 }, 0],
];

describe('the version a command is given on', () => {
  it.each(ROWS)('%s', (...[, before, shown, expected]) => {
    expect(computeExpected(before, shown)).toBe(expected);
  });
});

describe('a second press', () => {
  const shown = { jobId: 'J-1', sequence: 7 };
  it('is the same command before the screen shows the first', () => {
    expect(isPressedTwice(given, shown, { kind: 'stop-work', reason: 'noise' }, 12_999)).toBe(true);
  });
  it('is none when the screen shows the first, or it says something else, or on another job, or later', () => {
    expect(isPressedTwice(given, { ...shown, sequence: 9 }, STOP, 10_000)).toBe(false);
    expect(isPressedTwice(given, shown, { kind: 'stop-work', reason: 'gas' }, 10_000)).toBe(false);
    expect(isPressedTwice(given, { ...shown, jobId: 'J-2' }, STOP, 10_000)).toBe(false);
    expect(isPressedTwice(given, shown, STOP, 13_000)).toBe(false);
    expect(isPressedTwice(undefined, shown, STOP, 10_000)).toBe(false);
  });
});
