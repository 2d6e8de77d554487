import { carryOutAt } from '../../tests/support/at-server';
import { RAISE } from '../../tests/support/seal-change';
import { closeDatabase, openDatabase, type Db } from '../db';
import { readHead } from '../ledger';
import { loadDemo } from './demo';
import { writeMetrics } from './metrics';
import { listPeople } from './registers';
import { noteTrouble } from './trouble';

let db: Db;
beforeAll(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db, { morning: true });
});
afterAll(() => closeDatabase(db));

/** The figure of a line, by its name with labels. */
const figureOf = (text: string, name: string): number =>
  Number(text.split('\n').find((line) => line.startsWith(`${name} `))?.slice(name.length + 1)); // prettier-ignore

const countJobs = (text: string): number =>
  [...text.matchAll(/^lantern_jobs\{stage="[^"]+"\} (\d+)$/gm)].reduce(
    (sum, [, all]) => sum + Number(all),
    0,
  );

describe('metrics', () => {
  it('count what the database has, each time anew', async () => {
    const before = await writeMetrics(db);
    expect(figureOf(before, 'lantern_events')).toBe(readHead(db));
    const jobs = countJobs(before);
    carryOutAt(db, [['ada', RAISE]]);
    const after = await writeMetrics(db);
    expect(countJobs(after)).toBe(jobs + 1);
    expect(figureOf(after, 'lantern_trouble')).toBe(0);
    noteTrouble(db, 'The disk is full.');
    expect(figureOf(await writeMetrics(db), 'lantern_trouble')).toBe(1);
  });

  it('can be read line by line, and name nobody', async () => {
    const text = await writeMetrics(db);
    for (const line of text.split('\n').filter((one) => one !== ''))
      expect(line).toMatch(/^# (HELP|TYPE) \w+ |^\w+(\{[^}]*\})? -?[\d.e+-]+(Inf)?$/);
    for (const { name } of listPeople(db)) expect(text).not.toContain(name);
  });
});
