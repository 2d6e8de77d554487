import { momentsIn } from '.';

const UTC = momentsIn('UTC');
/** Central European Time: one hour ahead of UTC, two in summer. The changes of 2026: 29 March and 25 October at 01:00 UTC. */
const CET = momentsIn('Europe/Berlin');
const NOW = '2026-11-24T22:40:00.000Z';

describe('moments at a site', () => {
  it.each([
    ['the clock', UTC.clock(NOW), '22:40', CET.clock(NOW), '23:40'],
    ['seconds', UTC.seconds(NOW), '22:40:00', CET.seconds(NOW), '23:40:00'],
    [
      'the day',
      UTC.day('2026-11-24T23:30:00Z'),
      '2026-11-24',
      CET.day('2026-11-24T23:30:00Z'),
      '2026-11-25',
    ],
    ['the time', UTC.time(NOW), '22:40 UTC', CET.time(NOW), '23:40 GMT+1'],
    [
      'an instant',
      UTC.instant(NOW),
      '2026-11-24 22:40 UTC',
      CET.instant(NOW),
      '2026-11-24 23:40 GMT+1',
    ],
    [
      'summer',
      UTC.time('2026-07-01T10:00:00Z'),
      '10:00 UTC',
      CET.time('2026-07-01T10:00:00Z'),
      '12:00 GMT+2',
    ],
    ['a field', UTC.toField(NOW), '2026-11-24T22:40', CET.toField(NOW), '2026-11-24T23:40'],
  ])('say %s', (...[, utc, wantedUtc, cet, wantedCet]) => {
    expect([utc, cet]).toEqual([wantedUtc, wantedCet]);
  });

  it.each([
    [12, 'in 12 min'],
    [-1, '1 min ago'],
    [119, 'in 119 min'],
    [120, 'in 2.0 h'],
  ])('say how far off they are (%d min)', (minutes, words) => {
    const at = new Date(Date.parse(NOW) + minutes * 60_000).toISOString();
    expect(UTC.beside(at, NOW)).toContain(`(${words})`);
  });

  it('say the day where it is another one by the clock on the wall', () => {
    const at = '2026-11-24T23:10:00.000Z';
    expect([UTC.beside(at, NOW), CET.beside(at, NOW)]).toEqual([
      '23:10 UTC (in 30 min)',
      '2026-11-25 00:10 GMT+1 (in 30 min)',
    ]);
  });

  it.each([
    ['2026-11-24T23:40', NOW],
    ['2026-07-01T12:00', '2026-07-01T10:00:00.000Z'],
    // Passed twice in the night of 25 October: the second of both.
    ['2026-10-25T02:30', '2026-10-25T01:30:00.000Z'],
    // Leapt over in the night of 29 March.
    ['2026-03-29T02:30', '2026-03-29T01:30:00.000Z'],
    ['', undefined],
    ['yesterday', undefined],
  ])('read a field (%s)', (text, instant) => {
    expect(CET.fromField(text)).toBe(instant);
  });

  it('read back what they wrote, through both changes of the clock', () => {
    for (let hour = 0; hour < 24 * 400; hour += 7) {
      const at = new Date(Date.UTC(2026, 0, 1, hour)).toISOString();
      const back = CET.fromField(CET.toField(at)) ?? '';
      // The hour that is passed twice reads as the second.
      const apart = Date.parse(back) - Date.parse(at);
      expect([0, 3_600_000]).toContain(apart);
    }
  });

  it('refuse a zone that nobody knows', () => {
    expect(() => momentsIn('Nowhere/At-All').clock(NOW)).toThrow(RangeError);
  });
});
