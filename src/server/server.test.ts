import { nanoid } from 'nanoid';
import { DRAFT, label } from '../../tests/support/seal-change';
import { closeDatabase, openDatabase, type Db } from '../db';
import { readStream, verifyLedger } from '../ledger';
import { loadDemo } from './demo';
import { readJob } from './job-state';
import { carryOut, listJobs, type Request } from './jobs';
import { moveClock, readNow } from './clock';
import { verifyAll } from './verify';

let db: Db;
beforeAll(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
});
afterAll(() => closeDatabase(db));

const draft = (more: Partial<Request> = {}): Request => ({
  jobId: 'J-0001',
  command: { kind: 'draft-plan', origin: 'own', close: ['HV-2001'], open: [], restrain: [] },
  expected: readJob(db, 'J-0001').sequence,
  key: nanoid(),
  actor: 'ada',
  signed: [],
  ...more,
});

describe('carryOut', () => {
  it('appends what was decided and answers the same for the same key', () => {
    const request = draft();
    const first = carryOut(db, request);
    expect(first.ok).toBe(true);
    expect(carryOut(db, request)).toEqual(first);
    expect(readStream(db, 'job/J-0001').filter(({ type }) => type === 'plan-drafted')).toHaveLength(
      1,
    );
  });

  it('refuses a key that was used for something else', () => {
    const request = draft();
    carryOut(db, request);
    const other = carryOut(db, {
      ...request,
      command: { kind: 'submit-plan', drawingChecked: false },
    });
    expect(!other.ok && other.kind === 'refused' && other.refusals[0]?.code).toBe('key-reused');
  });

  it('tells the second of two what changed, and keeps nothing of theirs', () => {
    const before = readJob(db, 'J-0001').sequence;
    const [first, second] = [
      draft({ expected: before }),
      draft({ expected: before, actor: 'ben' }),
    ];
    expect(carryOut(db, first).ok).toBe(true);
    const late = carryOut(db, second);
    expect(
      !late.ok &&
        late.kind === 'changed-meanwhile' &&
        late.changes.map(({ actor, type }) => [actor, type]),
    ).toEqual([['ada', 'plan-drafted']]);
    expect(readJob(db, 'J-0001').sequence).toBe(before + 1);
  });

  it('writes nothing when it refuses', () => {
    const events = verifyLedger(db);
    expect(carryOut(db, draft({ actor: 'kit' })).ok).toBe(false);
    expect(verifyLedger(db)).toEqual(events);
  });

  it('keeps lists that a rebuild agrees with', () => {
    expect(listJobs(db).map(({ stage }) => stage)).toEqual(['open', 'open', 'open', 'open']);
    expect(verifyAll(db).problems).toEqual([]);
    db.$client.prepare("UPDATE job_row SET stage = 'closed' WHERE id = 'J-0002'").run();
    expect(verifyAll(db).problems).toEqual(['job_row J-0002: stage is another in the ledger']);
    db.$client.prepare("UPDATE job_row SET stage = 'plan' WHERE id = 'J-0002'").run();
  });
});

describe('a step entered before it was sent', () => {
  let own: Db;
  beforeAll(async () => {
    own = openDatabase(':memory:');
    await loadDemo(own);
  });
  afterAll(() => closeDatabase(own));
  const send = (actor: string, command: Request['command'], enteredAt?: string) =>
    carryOut(own, {
      jobId: 'J-0001',
      command,
      expected: readJob(own, 'J-0001').sequence,
      key: nanoid(),
      actor,
      signed: [actor],
      enteredAt,
    });
  const stored = () => readStream(own, 'job/J-0001').at(-1)?.payload;

  it('counts from when it was entered, where it was done at a point, and stays so when read again', () => {
    const early = new Date(Date.parse(readNow(own)) - 600_000).toISOString();
    expect(send('ada', DRAFT, early).ok).toBe(true);
    expect(stored()).not.toHaveProperty('enteredAt');
    expect(send('ada', { kind: 'submit-plan', drawingChecked: false }).ok).toBe(true);
    expect(send('hana', { kind: 'accept-plan', note: '' }).ok).toBe(true);
    const scanned = label({ scanned: 'J-0001/HV-2001' });
    const overtaken = send('finn', scanned, early);
    expect(!overtaken.ok && overtaken.kind === 'refused' && overtaken.refusals[0]?.code).toBe(
      'entry-overtaken',
    );
    moveClock(own, 1);
    const enteredAt = new Date(Date.parse(readNow(own)) - 600_000).toISOString();
    expect(send('finn', scanned, enteredAt).ok).toBe(true);
    expect(stored()).toMatchObject({ kind: 'label-checked', enteredAt });
    const { state } = readJob(own, 'J-0001');
    expect(state?.plan.kind === 'accepted' && state.plan.labels).toEqual({
      'HV-2001': { by: 'finn', at: enteredAt },
    });
    expect(verifyLedger(own).whole).toBe(true);
  });
});

describe('verifyLedger', () => {
  const spoil = (sql: string) => {
    const events = db.$client.prepare('SELECT * FROM event').all();
    db.$client.prepare(sql).run();
    const report = verifyLedger(db);
    const columns = Object.keys(events[0] as object);
    const put = db.$client.prepare(
      `INSERT OR REPLACE INTO event (${columns.join()}) VALUES (${columns.map((c) => `@${c}`).join()})`,
    );
    for (const event of events) put.run(event);
    return report;
  };

  it.each([
    ['a changed byte', "UPDATE event SET payload = replace(payload, '6', '7') WHERE id = 1", 1],
    ['another person', "UPDATE event SET actor = 'kit' WHERE id = 2", 2],
    ['another time', "UPDATE event SET at = '2020-01-01T00:00:00.000Z' WHERE id = 3", 3],
    ['an event taken out', 'DELETE FROM event WHERE id = 2', 3],
    ['a hash made up', "UPDATE event SET hash = 'x' WHERE id = 4", 4],
  ])('finds %s', (_label, sql, at) => {
    expect(spoil(sql)).toMatchObject({ whole: false, at });
    expect(verifyLedger(db).whole).toBe(true);
  });
});

describe('the clock', () => {
  it('moves forward by what it is told', () => {
    const before = Date.parse(readNow(db));
    expect(Date.parse(moveClock(db, 3)) - before).toBeGreaterThanOrEqual(3 * 3_600_000);
  });
});
