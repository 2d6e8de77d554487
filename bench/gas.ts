import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import type { GasBatch } from '../src/core/gas';
import type { Instrument } from '../src/core/people/people';
import { closeDatabase, openDatabase, tables, type Db } from '../src/db';
import { moveClock, readNow } from '../src/server/clock';
import { loadDemo } from '../src/server/demo';
import { streamBeats } from '../src/server/live';
import { receiveReadings } from '../src/server/readings';
import { saveRegister } from '../src/server/registers';
import { stepsToWalkDown } from '../tests/support/any-job';
import { carryOutAt } from '../tests/support/at-server';
import {
  airTestOf,
  carryOut,
  fieldStepsOf,
  permitSteps,
  type Step,
} from '../tests/support/seal-change';
import { say, summarise } from './timing';

const DEVICES = 40;
/** Two sensors each, read so often in a minute: 2,000 readings a minute in all. */
const ROUNDS = 25;
const MINUTES = Number(process.env.LANTERN_BENCH_MINUTES ?? 480);
const SCREENS = 20;
const ALARMS = 5;
/** Every so manieth batch is sent again, and every so manieth comes a minute late. */
const AGAIN = 10;
const LATE = 7;

const idOf = (n: number): string => `BM-${n + 1}`;

const monitor = (n: number): Instrument => ({
  id: idOf(n),
  name: `Bench monitor ${n + 1}`,
  reads: 'gas',
  testedUntil: '2099-01-01T00:00:00.000Z',
  detector: {
    sensors: [
      { gas: 'oxygen', kind: 'electrochemical', unit: '%vol', most: 30, t90_s: 15 },
      { gas: 'methane', kind: 'infrared', unit: '%LFL', most: 100, t90_s: 15 },
    ],
  },
});

/** An entry under a permit for the shift, with every detector placed at it. */
function makeJob(db: Db) {
  const plan = stepsToWalkDown([{ section: 'CH-1', activity: 'touch' }], { equipment: 'CC-1' });
  const walked = carryOut(plan);
  const box: Step = ['ada', { kind: 'lock-box', box: 'BOX-1', lock: 'C-1' }];
  const at = carryOutAt(db, [...plan, ...fieldStepsOf(walked), box]);
  const papers = permitSteps(walked, ['enter'], readNow(db));
  const screened = carryOut(papers.slice(0, 1), walked);
  const test = (): Step => ['finn', airTestOf(screened, 'entry', {}, readNow(db))];
  const placed = Array.from({ length: DEVICES }, (_, n): Step => [
    'finn',
    { kind: 'place-detector', device: idOf(n), use: 'entry', place: `place ${n + 1}` },
  ]);
  const steps = papers.map((step) => (step[1].kind === 'test-air' ? test() : step));
  return { ...carryOutAt(db, [...steps, ...placed], at), test };
}

/** A minute of one device's readings, ending now. */
function minuteOf(n: number, minute: number, now: string, methane = 0): GasBatch {
  const end = Date.parse(now);
  const readings = Array.from({ length: ROUNDS }, (_, round) => {
    const at = new Date(end - (ROUNDS - 1 - round) * (60_000 / ROUNDS)).toISOString();
    const number = (minute * ROUNDS + round) * 2;
    return [
      { number, at, gas: 'oxygen', shown: 20.9, unit: '%vol' },
      { number: number + 1, at, gas: 'methane', shown: methane, unit: '%LFL' },
    ] as const;
  }).flat();
  return { device: idOf(n), clock: now, readings };
}

/** Opens screens, and answers how long until each of them has heard of an alarm after `act` (ms, one a screen). */
async function timeAlarm(db: Db, act: () => void): Promise<number[]> {
  const stops = Array.from({ length: SCREENS }, () => new AbortController());
  // The look at the ledger keeps no program alive by itself.
  const awake = setInterval(() => undefined, 1000);
  const decoder = new TextDecoder();
  const readers = stops.map(({ signal }) => streamBeats(db, signal).getReader());
  await Promise.all(readers.map((reader) => reader.read()));
  const start = performance.now();
  act();
  const times = await Promise.all(
    readers.map(async (reader) => {
      for (;;) {
        const { value, done } = await reader.read();
        if (done) throw new Error('a screen was cut off');
        const text = decoder.decode(value);
        if (!text.includes('"alarms":[]')) return performance.now() - start;
      }
    }),
  );
  clearInterval(awake);
  stops.forEach((stop) => stop.abort());
  return times;
}

function countKept(db: Db): { kept: number; twice: number } {
  const sql = `select count(*) as kept, count(*) - count(distinct device || ' ' || number) as twice from gas_reading`;
  return db.$client.prepare(sql).get() as { kept: number; twice: number };
}

/** A shift of eight hours: 40 detectors, 2,000 readings a minute, some sent twice, some late; then alarms on open screens. */
export async function benchGas(): Promise<void> {
  const db = openDatabase(join(mkdtempSync(join(tmpdir(), 'lantern-gas-')), 'lantern.db'));
  await loadDemo(db);
  const known = db
    .select()
    .from(tables.registers)
    .where(eq(tables.registers.name, 'registers'))
    .get();
  const registers = JSON.parse(known?.document ?? '{}') as { instruments: Instrument[] };
  const more = Array.from({ length: DEVICES }, (_, n) => monitor(n));
  saveRegister(db, 'registers', {
    ...registers,
    instruments: [...registers.instruments, ...more],
  });
  const { job, test } = makeJob(db);
  const times: number[] = [];
  const held: GasBatch[] = [];
  // What the alarms below send as well.
  let sent = ALARMS * ROUNDS * 2;
  let again = 0;
  const send = (batch: GasBatch) => {
    const start = performance.now();
    const answer = receiveReadings(db, batch.device, batch);
    times.push(performance.now() - start);
    if (!answer.ok) throw new Error(JSON.stringify(answer.refusals[0]));
    return answer;
  };
  const heard: number[] = [];
  for (let n = 0; n < ALARMS; n++) {
    moveClock(db, 1 / 60);
    const batch = minuteOf(n, MINUTES + n, readNow(db), 40);
    heard.push(...(await timeAlarm(db, () => send(batch))));
    moveClock(db, 1 / 60);
    const sequence = readSequence(db, job);
    carryOutAt(db, [test(), ['hana', { kind: 'lift-stop', found: 'bench' }]], { job, sequence });
  }
  const longest = Math.max(...heard);
  say(
    `  an alarm on ${SCREENS} screens     median ${summarise(heard).median.toFixed(0)} ms, the last of all ${longest.toFixed(0)} ms`,
  );
  times.length = 0;
  const start = performance.now();
  for (let minute = 0; minute < MINUTES; minute++) {
    moveClock(db, 1 / 60);
    const now = readNow(db);
    // What was late: the device's clock is that of now, its readings are of before.
    held.splice(0).forEach((batch) => send({ ...batch, clock: now }));
    for (let n = 0; n < DEVICES; n++) {
      const batch = minuteOf(n, minute, now);
      sent += batch.readings.length;
      const turn = minute * DEVICES + n;
      if (turn % LATE === 0 && minute < MINUTES - 1) held.push(batch);
      else send(batch);
      if (turn % AGAIN === 1) again += send(minuteOf(n, minute, now)).known;
    }
  }
  const seconds = (performance.now() - start) / 1000;
  const { kept, twice } = countKept(db);
  const { median, p90 } = summarise(times);
  say(`Gas: ${MINUTES} min of ${DEVICES} detectors, ${DEVICES * ROUNDS * 2} readings a minute`);
  say(
    `  sent ${sent}, kept ${kept}, lost ${sent - kept}, twice ${twice}; ${again} sent again and known`,
  );
  say(
    `  a minute of one detector  median ${median.toFixed(2)} ms, 90th percentile ${p90.toFixed(2)} ms`,
  );
  say(
    `  the whole in ${seconds.toFixed(0)} s: ${((MINUTES * 60) / seconds).toFixed(0)} times as fast as it comes`,
  );
  closeDatabase(db);
}

const readSequence = (db: Db, job: string): number =>
  (
    db.$client
      .prepare('select max(sequence) as last from event where stream = ?')
      .get(`job/${job}`) as { last: number }
  ).last;
