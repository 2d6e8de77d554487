import { liveEntry } from '../../tests/support/live-entry';
import type { GasBatch } from '../core/gas';
import { closeDatabase, openDatabase, type Db } from '../db';
import { readAirLog } from './air-log';
import { moveClock, readNow } from './clock';
import { loadDemo } from './demo';
import { readJob } from './job-state';
import { readPresence } from './presence';
import { nextNumber, receiveReadings as receive } from './readings';

let db: Db;
beforeEach(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
});
afterEach(() => closeDatabase(db));

/** Readings so many seconds ago (by the site's clock), from a device whose clock is `ahead` seconds off. */
function batch(
  readings: readonly (readonly [number: number, secondsAgo: number, gas: string, shown: number])[],
  more: Partial<GasBatch> = {},
  ahead = 0,
): GasBatch {
  const now = Date.parse(readNow(db));
  const at = (secondsAgo: number) => new Date(now + (ahead - secondsAgo) * 1000).toISOString();
  return {
    device: 'GM-1',
    clock: at(0),
    readings: readings.map(([number, ago, gas, shown]) => ({
      number,
      at: at(ago),
      gas: gas as 'oxygen',
      shown,
      unit: gas === 'oxygen' ? '%vol' : '%LFL',
    })),
    ...more,
  };
}
const kept = () =>
  db.$client.prepare('select number, at_ms from gas_reading order by at_ms').all() as {
    number: number;
    at_ms: number;
  }[];

const receiveReadings = (db: Db, one: GasBatch) => receive(db, one.device, one);

describe('readings that a detector sends', () => {
  it('are kept once, however often they come, and in the order in which they were read', () => {
    expect(receiveReadings(db, batch([[2, 10, 'oxygen', 20.9]]))).toMatchObject({
      ok: true,
      taken: 1,
    });
    const late = batch([
      [1, 60, 'oxygen', 20.8],
      [2, 10, 'oxygen', 20.9],
    ]);
    expect(receiveReadings(db, late)).toMatchObject({ ok: true, taken: 1, known: 1 });
    expect(receiveReadings(db, late)).toMatchObject({ ok: true, taken: 0, known: 2 });
    expect(kept().map(({ number }) => number)).toEqual([1, 2]);
    expect(nextNumber(db, 'GM-1')).toBe(3);
  });

  it('stand at the site’s time, whatever the device’s clock says', () => {
    receiveReadings(db, batch([[1, 5, 'oxygen', 20.9]], {}, 200));
    const age = Date.parse(readNow(db)) - (kept()[0]?.at_ms ?? 0);
    expect(age).toBeGreaterThanOrEqual(4900);
    expect(age).toBeLessThan(7000);
  });

  it.each([
    ['a clock ten minutes off', () => batch([[1, 0, 'oxygen', 20.9]], {}, 600), 'gas-clock-far'],
    ['a reading of a time to come', () => batch([[1, -60, 'oxygen', 20.9]]), 'gas-in-future'],
    [
      'a device that nobody knows',
      () => batch([[1, 0, 'oxygen', 20.9]], { device: 'GM-99' }),
      'gas-no-detector',
    ],
    ['a gauge', () => batch([[1, 0, 'oxygen', 20.9]], { device: 'PG-T1' }), 'gas-no-detector'],
    [
      'a device out of date',
      () => batch([[1, 0, 'oxygen', 20.9]], { device: 'GD-6' }),
      'gas-calibration-over',
    ],
    ['a gas that it cannot measure', () => batch([[1, 0, 'chlorine', 2]]), 'gas-not-measured'],
    ['oxygen as a fraction', () => batch([[1, 0, 'oxygen', 0.21]]), 'gas-as-fraction'],
    ['less than nothing', () => batch([[1, 0, 'methane', -2]]), 'gas-below-zero'],
    [
      'a number twice in one batch',
      () =>
        batch([
          [1, 5, 'oxygen', 20.9],
          [1, 0, 'oxygen', 20.8],
        ]),
      'gas-number-reused',
    ],
  ])('are refused whole with the reason: %s', (_label, make, code) => {
    const answer = receiveReadings(db, make());
    if (answer.ok) throw new Error('it was taken in');
    expect(answer.refusals.map((one) => one.code)).toContain(code);
    expect(kept()).toEqual([]);
  });

  it('are refused when a number comes again with another reading', () => {
    receiveReadings(db, batch([[1, 10, 'oxygen', 20.9]]));
    const answer = receiveReadings(db, batch([[1, 10, 'oxygen', 15]]));
    expect(answer).toMatchObject({ ok: false, refusals: [{ code: 'gas-number-reused' }] });
  });

  it('stop the job at which the device stands, once, and are heard on every screen', () => {
    const { job } = liveEntry(db);
    moveClock(db, 0.05);
    expect(receiveReadings(db, batch([[1, 0, 'oxygen', 20.8]]))).toMatchObject({ alarms: [] });
    const answer = receiveReadings(db, batch([[2, 0, 'oxygen', 18.9]]));
    expect(answer).toMatchObject({ ok: true, taken: 1, alarms: [job] });
    const { state } = readJob(db, job);
    expect(state?.permit.kind).toBe('suspended');
    expect(state?.halt?.reason).toContain('alarm of GM-1, at the bottom: oxygen 18.9 %vol');
    expect(receiveReadings(db, batch([[3, 0, 'oxygen', 18]]))).toMatchObject({
      taken: 1,
      alarms: [],
    });
    const { series, events } = readAirLog(db, job, 60) ?? { series: [], events: [] };
    expect(series.find(({ gas }) => gas === 'oxygen')).toMatchObject({ limits: [20, 23.5] });
    expect(events.some(({ isBad }) => isBad)).toBe(true);
    const presence = readPresence(db);
    expect(presence).toMatchObject({ inside: 0, alarms: [{ job, missing: [] }] });
    expect(presence.alarms[0]?.why).toContain('oxygen 18.9 %vol');
  });

  it('of before the last test of the air are history, and stop nothing', () => {
    const { job } = liveEntry(db);
    moveClock(db, 0.05);
    expect(receiveReadings(db, batch([[1, 3600, 'oxygen', 12]]))).toMatchObject({
      taken: 1,
      alarms: [],
    });
    expect(readJob(db, job).state?.permit.kind).toBe('issued');
  });
});
