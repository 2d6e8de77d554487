import { DEFAULT_VALUES, type SiteValues } from '../rules/values';
import { findShift } from './shift';
import { findLatestEnd, findLatestExtension, findRevalidationDue } from './validity';

const at = (time: string) => `2026-11-24T${time}:00.000Z`;
const values = (more: Partial<SiteValues>): SiteValues => ({ ...DEFAULT_VALUES, ...more });

describe('a shift', () => {
  it.each([
    ['in the day', at('07:00'), at('06:00'), at('18:00')],
    ['as it begins', at('06:00'), at('06:00'), at('18:00')],
    ['a moment before', '2026-11-24T05:59:59.999Z', '2026-11-23T18:00:00.000Z', at('06:00')],
    ['over midnight', at('23:30'), at('18:00'), '2026-11-25T06:00:00.000Z'],
  ])('%s', (_, now, start, end) => {
    expect(findShift(now, DEFAULT_VALUES)).toEqual({ start, end });
  });

  it('begins by the clock on the wall, and is an hour longer when that is put back', () => {
    // Central European Summer Time ended on 25 October 2026 at 01:00 UTC.
    const site = values({ zone: 'Europe/Berlin' });
    expect(findShift('2026-10-24T20:00:00.000Z', site)).toEqual({
      start: '2026-10-24T16:00:00.000Z',
      end: '2026-10-25T05:00:00.000Z',
    });
    expect(findShift('2026-03-29T00:00:00.000Z', site)).toEqual({
      start: '2026-03-28T17:00:00.000Z',
      end: '2026-03-29T04:00:00.000Z',
    });
  });

  it('may be the only one of the day', () => {
    expect(findShift(at('03:00'), values({ 'shift-starts': ['08:00'] }))).toEqual({
      start: '2026-11-23T08:00:00.000Z',
      end: at('08:00'),
    });
  });
});

describe('how long a permit may be valid', () => {
  it('ends with the shift, or after the longest time if that is sooner', () => {
    expect(findLatestEnd(at('07:00'), DEFAULT_VALUES)).toBe(at('18:00'));
    expect(findLatestEnd(at('07:00'), values({ 'longest-validity-h': 4 }))).toBe(at('11:00'));
    const one = values({ 'shift-starts': ['06:00'] });
    expect(findLatestEnd(at('07:00'), one)).toBe(at('19:00'));
  });

  it('is 24 h by the school of the day, whatever the shift', () => {
    expect(findLatestEnd(at('07:00'), values({ validity: 'day' }))).toBe(
      '2026-11-25T07:00:00.000Z',
    );
  });

  it('is never extended past 24 h after the issue', () => {
    const day = values({ validity: 'day' });
    expect(findLatestExtension(at('07:00'), at('12:00'), day)).toBe('2026-11-25T07:00:00.000Z');
    expect(findLatestExtension(at('07:00'), at('12:00'), DEFAULT_VALUES)).toBe(at('18:00'));
    expect(findLatestExtension(at('07:00'), '2026-11-25T06:30:00.000Z', DEFAULT_VALUES)).toBe(
      '2026-11-25T07:00:00.000Z',
    );
  });

  it('has to be revalidated within the time of grace of each later shift', () => {
    expect(findRevalidationDue(at('07:00'), at('17:59'), DEFAULT_VALUES)).toBeUndefined();
    expect(findRevalidationDue(at('07:00'), at('18:00'), DEFAULT_VALUES)).toBe(at('18:30'));
    expect(findRevalidationDue(at('18:00'), at('18:00'), DEFAULT_VALUES)).toBeUndefined();
  });
});
