import { statSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { closeDatabase, openDatabase, tables, type Db } from '../db';
import { moveClock } from './clock';
import { loadDemo } from './demo';
import { streamBeats } from './live';
import { hashPin } from './pins';
import { readSessionSecret } from './secrets';
import { beginSession, endSession, findSession, isSessionLive, replaceSession } from './sessions';

let db: Db;
beforeEach(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
});
afterEach(() => {
  jest.restoreAllMocks();
  closeDatabase(db);
});

/** The machine's clock so many minutes on. */
const later = (minutes: number) => {
  const now = Date.now() + minutes * 60_000;
  jest.spyOn(Date, 'now').mockReturnValue(now);
};
const change = (change: Partial<typeof tables.people.$inferInsert>) =>
  db.update(tables.people).set(change).where(eq(tables.people.id, 'ada')).run();

describe('a session', () => {
  it('is the person’s who gave the PIN, and what the database holds opens none', () => {
    const secret = beginSession(db, 'ada');
    expect(findSession(db, secret)?.id).toBe('ada');
    const kept = db.select().from(tables.sessions).all();
    expect(JSON.stringify(kept)).not.toContain(secret);
    expect(findSession(db, kept[0]?.id ?? '')).toBeUndefined();
    expect(findSession(db, 'made up')).toBeUndefined();
  });

  it.each<[string, (secret: string) => void | Promise<void>]>([
    ['signing out', (secret) => endSession(db, secret)],
    ['lying idle', () => later(121)],
    ['a change of PIN', async () => void change({ pinHash: await hashPin('918273') })],
    ['the end of the person', () => void db.delete(tables.people).where(eq(tables.people.id, 'ada')).run()], // prettier-ignore
    ['the end of an authorisation', () => void change({ authorisations: '[]' })],
    [
      'an authorisation that lapses',
      () => {
        const until = new Date(Date.now() + 3_600_000).toISOString();
        change({ authorisations: JSON.stringify([{ role: 'coordinator', until }]) });
      },
    ],
  ])('ends with %s, and its stream of news with it', async (label, end) => {
    let secret = beginSession(db, 'ada');
    await end(secret);
    if (label === 'an authorisation that lapses') {
      secret = beginSession(db, 'ada');
      expect(isSessionLive(db, secret)).toBe(true);
      moveClock(db, 2);
    }
    expect(isSessionLive(db, secret)).toBe(false);
    expect(findSession(db, secret)).toBeUndefined();
    jest.restoreAllMocks();
    expect(findSession(db, secret)).toBeUndefined();
  });

  it('that another takes over at the same desk ends a moment later, used or not', () => {
    const secret = beginSession(db, 'ada');
    replaceSession(db, secret);
    expect(findSession(db, secret)?.id).toBe('ada');
    later(0.1);
    expect(findSession(db, secret)).toBeUndefined();
  });

  it('goes on while it is used, and asking whether it does is no use', () => {
    const secret = beginSession(db, 'ada');
    later(100);
    expect(findSession(db, secret)).toBeDefined();
    later(100);
    expect(isSessionLive(db, secret)).toBe(true);
    later(30);
    expect(isSessionLive(db, secret)).toBe(false);
  });

  it.each([
    ['desk', 120],
    ['gate', 15],
    ['phone', 240],
    [undefined, 120],
  ] as const)('that lies idle at a %s ends after %d min', (device, minutes) => {
    const secret = beginSession(db, 'ada', device);
    later(minutes - 0.1);
    expect(isSessionLive(db, secret)).toBe(true);
    later(0.2);
    expect(isSessionLive(db, secret)).toBe(false);
  });

  it('that ends closes the stream that goes by it', async () => {
    const secret = beginSession(db, 'ada');
    const { signal } = new AbortController();
    const reader = streamBeats(db, signal, () => isSessionLive(db, secret)).getReader();
    expect((await reader.read()).done).toBe(false);
    endSession(db, secret);
    let { done } = await reader.read();
    while (!done) ({ done } = await reader.read());
    expect(done).toBe(true);
  });
});

describe('what is kept secret', () => {
  it('stands in files that only their owner may read, and the secret of cookies not in the database', () => {
    const folder = join(mkdtempSync(join(tmpdir(), 'lantern-')), 'data');
    const file = join(folder, 'lantern.db');
    const own = openDatabase(file);
    const secret = readSessionSecret(own);
    expect(readSessionSecret(own)).toBe(secret);
    const mode = (path: string) => (statSync(path).mode & 0o777).toString(8);
    expect(mode(folder)).toBe('700');
    for (const ending of ['', '-wal', '-shm', '.secret']) expect(mode(file + ending)).toBe('600');
    expect(own.$client.serialize().includes(secret)).toBe(false);
    expect(readFileSync(`${file}.secret`, 'utf8')).toBe(secret);
    closeDatabase(own);
  });
});
