import { nanoid } from 'nanoid';
import { carryOutAt } from '../../tests/support/at-server';
import { liveEntry } from '../../tests/support/live-entry';
import { closeDatabase, openDatabase, type Db } from '../db';
import { readAirLog } from './air-log';
import { moveClock, readNow } from './clock';
import { loadDemo } from './demo';
import { listHeldAlarms, retryHeldAlarms } from './held-alarms';
import { readJob } from './job-state';
import { carryOut } from './jobs';
import { readPresence } from './presence';
import { receiveReadings } from './readings';
import { listPeople } from './registers';
import { checkSilence } from './standing-watch';
import { readBoard } from './watch';

let db: Db;
let job: string;
beforeEach(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
  job = liveEntry(db).job;
  moveClock(db, 0.05);
});
afterEach(() => closeDatabase(db));

type Reading = readonly [number: number, gas: string, shown: number, unit?: string];

/** A batch of GM-1 of just now, from a clock that is so many seconds ahead. */
function batch(readings: readonly Reading[], ahead = 0, device = 'GM-1') {
  const at = new Date(Date.parse(readNow(db)) + ahead * 1000).toISOString();
  return {
    device,
    clock: at,
    readings: readings.map(([number, gas, shown, unit]) => {
      return { number, at, gas, shown, unit: unit ?? (gas === 'oxygen' ? '%vol' : '%LFL') };
    }),
  };
}
const send = (document: unknown) => receiveReadings(db, 'GM-1', document);
const state = () => readJob(db, job).state;
const alarmed = () => state()?.airAlarms.entry?.findings.join('; ') ?? '';

describe('bad news in a batch that is refused', () => {
  beforeEach(() => void send(batch([[0, 'oxygen', 20.9]])));

  it.each<[string, () => unknown, string]>([
    [
      'for oxygen below nothing',
      () => batch([[10, 'oxygen', -0.2], [11, 'methane', 60]]), // prettier-ignore
      'gas-below-zero',
    ],
    [
      'for oxygen as a fraction',
      () => batch([[10, 'oxygen', 0.209], [11, 'methane', 60]]), // prettier-ignore
      'gas-as-fraction',
    ],
    ['for a clock 301 s ahead', () => batch([[10, 'methane', 60]], 301), 'gas-clock-far'],
    ['for a clock 301 s behind', () => batch([[10, 'methane', 60]], -301), 'gas-clock-far'],
    ['for numbers begun again', () => batch([[0, 'methane', 60]]), 'gas-number-reused'],
    [
      'for a number twice',
      () => batch([[10, 'methane', 60], [10, 'methane', 61]]), // prettier-ignore
      'gas-number-reused',
    ],
    [
      'for a gas that it cannot measure',
      () => batch([[10, 'chlorine', 2, 'ppm'], [11, 'methane', 60]]), // prettier-ignore
      'gas-not-measured',
    ],
    ['for another unit than it shows', () => batch([[10, 'methane', 60, 'ppm']]), 'gas-unit-wrong'],
    ['in the name of another', () => batch([[10, 'methane', 60]], 0, 'GM-2'), 'gas-malformed'],
    [
      'with a reading of no gas',
      () => batch([[10, 'plasma', 1], [11, 'methane', 60]]), // prettier-ignore
      'gas-malformed',
    ],
    [
      'with a field too many',
      () => ({ ...batch([[10, 'methane', 60]]), battery: 3 }),
      'gas-malformed',
    ],
    [
      'without a time',
      () => ({ readings: [{ gas: 'methane', shown: 60, unit: '%LFL' }] }),
      'gas-malformed',
    ],
  ])('stops the job and shows as a fault of the device: %s', (_label, make, code) => {
    const answer = send(make());
    if (answer.ok) throw new Error('it was taken in');
    expect(answer.refusals.map((one) => one.code)).toContain(code);
    expect(answer.alarms).toEqual([job]);
    expect(state()?.permit.kind).toBe('suspended');
    expect(alarmed()).toMatch(/methane 60|ppm|methane/);
    expect(state()?.faults['GM-1']).toMatchObject({ why: 'refused' });
    expect(readAirLog(db, job, 60)?.faults).toMatchObject([{ device: 'GM-1', why: 'refused' }]);
    expect(readBoard(db).queue.some(({ what }) => what.includes('GM-1, at the bottom'))).toBe(true);
  });

  it('keeps nothing of the batch, and a refused one without bad news stops nothing', () => {
    expect(send(batch([[5, 'methane', -1]]))).toMatchObject({ ok: false, alarms: [] });
    expect(state()?.permit.kind).toBe('issued');
    expect(state()?.faults['GM-1']?.words).toContain('zero has drifted');
    const { count } = db.$client.prepare('select count(*) as count from gas_reading').get() as {
      count: number;
    };
    expect(count).toBe(1);
  });

  it('is forgotten as a fault once the device can be believed again', () => {
    send(batch([[5, 'methane', -1]]));
    const before = readJob(db, job).sequence;
    send(batch([[5, 'methane', -1]]));
    expect(readJob(db, job).sequence).toBe(before);
    send(batch([[6, 'methane', 0]]));
    expect(state()?.faults).toEqual({});
  });

  it('of numbers begun again is no repetition, even with the same value', () => {
    moveClock(db, 1);
    expect(send(batch([[0, 'oxygen', 20.9]]))).toMatchObject({
      ok: false,
      refusals: [{ code: 'gas-number-reused' }],
    });
  });
});

describe('a detector that falls silent', () => {
  const look = (seconds: number) => {
    moveClock(db, seconds / 3600);
    checkSilence(db, '2000-01-01T00:00:00.000Z');
  };

  it('is let be for as long as the site allows, then stops the job over every screen', () => {
    send(batch([[1, 'oxygen', 20.9]]));
    look(55);
    expect(state()?.permit.kind).toBe('issued');
    look(10);
    expect(state()?.permit.kind).toBe('suspended');
    expect(state()?.halt?.reason).toContain('GM-1, at the bottom: it has sent nothing');
    expect(readPresence(db).alarms).toMatchObject([{ job, missing: [] }]);
    const next = readBoard(db).queue.find(({ what }) => what.includes('it has sent nothing'));
    expect(next).toMatchObject({ urgency: 'now', who: 'authorised gas tester' });
    const before = readJob(db, job).sequence;
    look(600);
    expect(readJob(db, job).sequence).toBe(before);
  });

  it('counts from when it was placed when it was never heard', () => {
    look(3 * 3600);
    expect(state()?.faults['GM-1']).toMatchObject({ why: 'silent' });
  });

  it('is not blamed for the time in which nobody listened', () => {
    moveClock(db, 3);
    checkSilence(db, readNow(db));
    expect(state()?.faults).toEqual({});
  });

  it('empties the space, and names who is inside', () => {
    const inside = { kind: 'space-entered', person: 'kit', tools: 0 } as const;
    // As the ledger would tell it: who is in does not matter here, only that somebody is.
    const { sequence } = readJob(db, job);
    db.$client
      .prepare(
        `insert into event (stream, sequence, type, payload, actor, at, policy, previous_hash, hash)
         values (?, ?, 'space-entered', ?, 'hana', ?, 'none', '', 'x')`,
      )
      .run(`job/${job}`, sequence + 1, JSON.stringify(inside), readNow(db));
    look(120);
    expect(state()?.entry.emptying).toMatchObject({ people: ['kit'] });
    const kit = listPeople(db).find(({ id }) => id === 'kit')?.name;
    expect(readPresence(db).alarms[0]?.missing).toEqual([kit]);
  });

  it('does not let the stop be lifted before it is heard, and then not before the air is tested', () => {
    look(120);
    const lift = () => {
      const { sequence } = readJob(db, job);
      return carryOut(db, {
        jobId: job,
        command: { kind: 'lift-stop', found: 'a loose plug' },
        expected: sequence,
        key: nanoid(),
        actor: 'hana',
        signed: ['hana'],
      });
    };
    expect(lift()).toMatchObject({ refusals: [{ code: 'detector-silent' }] });
    send(batch([[1, 'oxygen', 20.9]]));
    expect(state()?.faults).toEqual({});
    expect(lift()).toMatchObject({ ok: true });
  });

  it('does not come back to life by what cannot be believed', () => {
    look(120);
    send(batch([[1, 'methane', -1]]));
    expect(state()?.faults['GM-1']).toMatchObject({ why: 'silent' });
  });
});

describe('an alarm', () => {
  it('is not muted by a person who sends a command under its key', () => {
    const { sequence } = readJob(db, job);
    for (const key of ['report-air', 'GM-1 1', 'hear-detector'].flatMap((begins) => [
      `${begins} ${job} ${sequence + 1}`,
      `${begins} ${sequence + 1}`,
    ])) {
      carryOutAt(
        db,
        [['kit', { kind: 'report-lock', lock: 'P-09', finding: 'damaged', seen: key }]],
        {
          job,
          sequence: readJob(db, job).sequence,
        },
      );
      carryOut(db, {
        jobId: job,
        command: { kind: 'renew-lock', lock: 'P-09', done: 'filed' },
        expected: readJob(db, job).sequence,
        key,
        actor: 'ada',
        signed: ['ada'],
      });
    }
    expect(send(batch([[1, 'methane', 60]]))).toMatchObject({ alarms: [job] });
    expect(state()?.permit.kind).toBe('suspended');
  });

  it('that cannot be written is shown on every screen, and written as soon as it can be', () => {
    db.$client.pragma('query_only = on');
    expect(() => send(batch([[1, 'methane', 60]]))).toThrow();
    expect(listHeldAlarms(db)).toMatchObject([{ job, device: 'GM-1' }]);
    const [shown] = readPresence(db).alarms;
    expect(shown?.why).toContain('methane 60');
    expect(shown?.why).toContain('read-only');
    retryHeldAlarms(db);
    expect(listHeldAlarms(db)).toHaveLength(1);
    db.$client.pragma('query_only = off');
    retryHeldAlarms(db);
    expect(listHeldAlarms(db)).toEqual([]);
    expect(alarmed()).toContain('methane 60');
  });

  it('of one use does not take the place of one of another', () => {
    send(batch([[1, 'methane', 60]]));
    expect(Object.keys(state()?.airAlarms ?? {})).toEqual(['entry']);
  });
});
