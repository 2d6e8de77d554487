import { carryOutAt } from '../../tests/support/at-server';
import { USABLE, ON_STEPS } from '../../tests/support/seal-change';
import type { DefectCommand } from '../core/defects';
import { closeDatabase, openDatabase, type Db } from '../db';
import { moveClock } from './clock';
import { carryOutDefect, listReportable, readDefectsPage, readPrice } from './defects';
import { readDefects } from './defects-read';
import { loadDemo } from './demo';
import { draftReport } from './handover';
import { readState } from './job-state';
import { readProblem } from './planning';
import { findPerson, readSite } from './registers';
import { verifyAll } from './verify';
import { readBoard } from './watch';

let db: Db;
beforeEach(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
});
afterEach(() => closeDatabase(db));

const give = (actor: string, command: DefectCommand, signed = [actor]) =>
  carryOutDefect(db, { command, actor, signed });
const report = (device = 'HV-2004', defect: 'passes' | 'out-of-order' = 'passes') =>
  give('kit', { kind: 'report-defect', device, defect, seen: 'it hisses' });
const pageOf = (id: string) => {
  const me = findPerson(db, id);
  if (!me) throw new Error(`nobody called ${id}`);
  return readDefectsPage(db, me);
};
const ofJob = (job: string) => {
  const { state } = readState(db, job);
  if (!state) throw new Error(`no ${job}`);
  return state;
};

describe('a defect that was reported', () => {
  it('counts for the planner at once, and no longer once it is proved to be mended', () => {
    const { job } = carryOutAt(db, USABLE.slice(0, 2));
    const passes = () =>
      readProblem(db, job)?.plant.links.find(({ id }) => id === 'HV-2004')?.passing;
    expect(passes()).toBeUndefined();
    expect(report()).toMatchObject({ ok: true, number: 1, stopped: [] });
    expect(passes()).toBe(true);
    give('jun', { kind: 'repair-defect', number: 1, done: 'new seat' });
    expect(passes()).toBe(true);
    give('cora', { kind: 'prove-defect', number: 1, found: 'sound', how: 'held 2 bar' });
    expect(passes()).toBeUndefined();
    expect(readSite(db).sound).toBeUndefined();
  });

  it('stops the live job that stands on it, and names who is to be called off', () => {
    const { job } = carryOutAt(db, ON_STEPS());
    expect(report('HV-2104')).toMatchObject({ ok: true, stopped: [] });
    expect(ofJob(job).halt).toBeUndefined();
    expect(report()).toMatchObject({ ok: true, number: 2, stopped: [{ job, on: ['kit'] }] });
    expect(ofJob(job).halt).toMatchObject({ by: 'kit', reason: expect.stringContaining('D-0002') as string }); // prettier-ignore
    const queue = readBoard(db).queue.filter((one) => one.job === job && one.urgency === 'now');
    expect(queue.map(({ what }) => what)).toEqual(
      expect.arrayContaining([expect.stringMatching(/HV-2004 passes when it is shut.*call off/)]),
    );
    const [first] = pageOf('ada').standing;
    expect(first?.name).toBe('D-0002');
    // The demonstration's own seal change is only raised.
    expect(first?.jobs.map((one) => [one.job, one.isHeld])).toEqual([
      ['J-0001', false],
      [job, true],
    ]);
    expect(verifyAll(db).problems).toEqual([]);
  });

  it('keeps nothing where it is refused', () => {
    expect(report('HV-9999')).toMatchObject({ ok: false, kind: 'refused' });
    expect(readDefects(db)).toEqual({ version: 0, record: [] });
  });

  it('is handed over, and heads the queue while nothing stands in for a safety-critical device', () => {
    report('HV-2104');
    report('PSV-D1', 'out-of-order');
    const first = () => readBoard(db).queue.find(({ to }) => to === '/defects#D-0002');
    expect(first()).toMatchObject({ urgency: 'now', who: 'issuing authority' });
    expect(pageOf('ada').standing.map(({ name }) => name)).toEqual(['D-0002', 'D-0001']);
    const until = new Date(Date.parse(readBoard(db).now) + 3_600_000).toISOString();
    give('hana', { kind: 'guard-defect', number: 2, standsIn: 'flare watched', until });
    expect(first()).toMatchObject({ urgency: 'timed', at: until });
    expect(draftReport(db).report.defects.map(({ words }) => words)).toEqual([
      expect.stringContaining('D-0001: HV-2104'),
      expect.stringContaining('D-0002: PSV-D1'),
    ]);
    moveClock(db, 2);
    expect(first()).toMatchObject({ urgency: 'now' });
    expect(draftReport(db).report.overdue.map(({ words }) => words)).toEqual(
      expect.arrayContaining([expect.stringContaining('D-0002')]),
    );
  });

  it('has its price worked out for each job, by the fewest points with it and without', async () => {
    report();
    const price = (job: string, number = 1) => readPrice(db, { number, job }, 'ada');
    expect(await price('J-0001')).toMatch(/^(\d+ points?|no plan holds it without the device)/);
    // Nothing of the macerator hangs on a valve of a pump.
    expect(await price('J-0002')).toBe('nothing more: another plan is as short');
    expect(await price('J-0001', 2)).toBeUndefined();
    expect(await price('J-9999')).toBeUndefined();
  });

  it('is seen at the device by whoever would report it again', () => {
    const of = (id: string) => listReportable(db).find((one) => one.id === id);
    expect(of('HV-2004')).toMatchObject({ known: [], fits: expect.arrayContaining(['passes']) as string[] }); // prettier-ignore
    report();
    expect(of('HV-2004')?.known).toEqual(['D-0001: passes when it is shut']);
  });
});
