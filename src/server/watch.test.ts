import { carryOutAt } from '../../tests/support/at-server';
import { USABLE, type Step, ON_STEPS } from '../../tests/support/seal-change';
import { closeDatabase, openDatabase, type Db } from '../db';
import { moveClock } from './clock';
import { loadDemo } from './demo';
import { listen, streamBeats } from './live';
import { readBoard } from './watch';

let db: Db;
beforeEach(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
});
afterEach(() => closeDatabase(db));

/** Resolves with the first beat that fits. */
const waitFor = (fits: (head: number, now: string) => boolean) =>
  new Promise<void>((resolve) => {
    const leave = listen(db, ({ head, now }) => {
      if (!fits(head, now)) return;
      setImmediate(() => leave());
      resolve();
    });
  });

describe('the live board', () => {
  it('shows a permit from issue until it lapses, with people and counts', () => {
    const at = carryOutAt(db, ON_STEPS());
    const board = readBoard(db);
    expect(board.rows).toMatchObject([{ job: at.job, state: 'issued', on: ['kit'] }]);
    expect(board.counts).toMatchObject({ live: 1, on: 1, lapsed: 0, unbalanced: 0 });
    expect(board.rows[0]?.trace.stays).toMatchObject([{ person: 'kit' }]);
    moveClock(db, 9);
    const later = readBoard(db);
    expect(later.counts).toMatchObject({ live: 0, lapsed: 1, on: 1 });
    expect(later.queue[0]).toMatchObject({ urgency: 'now', job: at.job });
  });

  it('lists jobs that wait, by what they wait for', () => {
    const { queue, rows } = readBoard(db);
    expect(rows).toEqual([]);
    expect(queue.map(({ job, what }) => [job, what])).toEqual([
      ['J-0001', 'plan the isolation'],
      ['J-0002', 'plan the isolation'],
      ['J-0003', 'plan the isolation'],
      ['J-0004', 'plan the isolation'],
    ]);
  });
});

describe('live updates', () => {
  it('tell how things stand at once, and again after a change and after the clock jumps', async () => {
    const { head, now } = readBoard(db);
    await waitFor((first) => first === head);
    // The clock is moved to the beginning of a shift, and a job is raised.
    const changed = waitFor((next) => next === head + 2);
    carryOutAt(db, [USABLE[0] as Step]);
    await changed;
    const jumped = waitFor((_, time) => Date.parse(time) - Date.parse(now) > 20 * 3_600_000);
    moveClock(db, 30);
    await jumped;
  });

  it('say since which event they speak, and which jobs changed: two changes in one look are one beat', async () => {
    const beats: Parameters<Parameters<typeof listen>[1]>[0][] = [];
    const leave = listen(db, (beat) => beats.push(beat));
    const { head } = readBoard(db);
    const { job } = carryOutAt(db, [USABLE[0] as Step]);
    const other = carryOutAt(db, [USABLE[0] as Step]).job;
    while (beats.length < 2) await new Promise((resolve) => setTimeout(resolve, 50));
    leave();
    expect(beats[0]).toMatchObject({ head, since: head, changed: [] });
    // Each raised job has the clock moved before it.
    expect(beats[1]).toMatchObject({ head: head + 4, since: head });
    expect([...(beats[1]?.changed ?? [])].sort()).toEqual([job, other].sort());
  });

  it('are sent as server-sent events, with the number that a reader comes back with', async () => {
    const stop = new AbortController();
    const reader = streamBeats(db, stop.signal).getReader();
    const { value } = await reader.read();
    const { head } = readBoard(db);
    const [id, retry, data] = new TextDecoder().decode(value).split('\n');
    expect([id, retry]).toEqual([`id: ${head}`, 'retry: 1000']);
    expect(JSON.parse((data ?? '').slice('data: '.length))).toMatchObject({ head });
    stop.abort();
    expect((await reader.read()).done).toBe(true);
  });
});
