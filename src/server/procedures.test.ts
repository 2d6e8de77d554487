import { carryOutAt } from '../../tests/support/at-server';
import { DRAFT, RAISE, ON_STEPS } from '../../tests/support/seal-change';
import type { ProcedureCommand } from '../core/procedures';
import { closeDatabase, openDatabase, type Db } from '../db';
import { moveClock } from './clock';
import { carryOutDefect } from './defects';
import { loadDemo } from './demo';
import { draftReport } from './handover';
import { readState } from './job-state';
import { savePlant } from './plant';
import {
  carryOutProcedure,
  listProcedures,
  offerProcedures,
  readJobProcedures,
  readProcedurePage,
} from './procedures';
import { findPerson, readSite } from './registers';
import { listTemplates } from './templates';
import { verifyAll } from './verify';
import { readBoard } from './watch';

let db: Db;
beforeEach(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
});
afterEach(() => closeDatabase(db));

const give = (actor: string, command: ProcedureCommand) =>
  carryOutProcedure(db, { command, actor, signed: [actor] });
const person = (id: string) => {
  const found = findPerson(db, id);
  if (!found) throw new Error(`nobody called ${id}`);
  return found;
};
/** A seal change under permit, written down. */
function written(): string {
  const { job } = carryOutAt(db, ON_STEPS());
  expect(give('ada', { kind: 'write-procedure', job, task: 'Seal change', note: '' })).toMatchObject({ ok: true }); // prettier-ignore
  return job;
}
const inspect = (actor: string) =>
  give(actor, { kind: 'inspect-procedure', procedure: 1, users: ['finn'], found: 'followed', seen: 'in order', putRight: '' }); // prettier-ignore

describe('a written procedure', () => {
  it('is offered for its machine, and taken over by the next job there', () => {
    const job = written();
    const first = { number: 1, name: 'PR-0001', version: 1, equipment: 'P-201', isHolding: true, isOverdue: false }; // prettier-ignore
    expect(offerProcedures(db)).toMatchObject([first]);
    expect(offerProcedures(db, 'P-202')).toEqual([]);
    const next = carryOutAt(db, [['ada', RAISE]]);
    expect(listTemplates(db, next.job)?.[0]).toMatchObject({
      job,
      procedure: { number: 1, stops: [] },
    });
    const taken = carryOutAt(db, [['ada', { ...DRAFT, origin: 'template', template: job, procedure: 1 }]], next); // prettier-ignore
    expect(readState(db, taken.job).state?.plan).toMatchObject({
      procedure: { number: 1, version: 1 },
    });
    expect(verifyAll(db).problems).toEqual([]);
  });

  it('is inspected by somebody who has not worked by it, and is due again a year later', () => {
    written();
    expect(inspect('finn')).toMatchObject({ ok: false, kind: 'refused' });
    // Elif has locked points of the job.
    expect(inspect('elif')).toMatchObject({ ok: false, kind: 'refused' });
    expect(inspect('ben')).toMatchObject({ ok: true });
    const up = () => readBoard(db).queue.find(({ to }) => to === '/procedures/1');
    expect(up()).toBeUndefined();
    moveClock(db, 340 * 24);
    expect(up()).toMatchObject({ urgency: 'timed', job: 'PR-0001' });
    expect(draftReport(db).report.overdue.some(({ words }) => words.includes('PR-0001'))).toBe(
      false,
    );
    moveClock(db, 30 * 24);
    expect(draftReport(db).report.overdue.some(({ words }) => words.includes('PR-0001'))).toBe(
      true,
    );
    const next = carryOutAt(db, [['ada', RAISE]]);
    expect(() => carryOutAt(db, [['ada', { ...DRAFT, procedure: 1 }]], next)).toThrow(
      'procedure-overdue',
    );
  });

  it('says by itself what a new drawing and a defect make of it', () => {
    written();
    const { graph } = readSite(db);
    const links = graph.plant.links.map((one) =>
      one.id === 'HV-2004' ? { ...one, minutes: 9 } : one,
    );
    savePlant(db, {
      document: { ...graph.plant, links },
      expected: 1,
      note: 'slower valve',
      actor: 'ada',
    });
    expect(listProcedures(db)[0]?.check.changes[0]).toMatchObject({ touches: true });
    expect(listProcedures(db)[0]?.isHolding).toBe(true);
    expect(give('ada', { kind: 'renew-procedure', procedure: 1, note: 'looked at' })).toMatchObject(
      { ok: true },
    );
    expect(listProcedures(db)[0]).toMatchObject({ version: 2, check: { changes: [] } });
    carryOutDefect(db, { command: { kind: 'report-defect', device: 'HV-2004', defect: 'passes', seen: 'it hisses' }, actor: 'kit', signed: [] }); // prettier-ignore
    expect(listProcedures(db)[0]?.isHolding).toBe(false);
  });

  it('shows who uses it, and is written by a coordinator alone', async () => {
    const job = written();
    const page = await readProcedurePage(db, 1, person('elif'));
    expect(page?.users).toEqual(expect.arrayContaining(['jun', 'finn', 'elif', 'kit']));
    expect([page?.mayInspect, page?.mayWrite]).toEqual([false, false]);
    expect(page?.drawing.links.map(({ id }) => id)).toEqual(expect.arrayContaining(['HV-2004']));
    expect(await readProcedurePage(db, 2, person('elif'))).toBeUndefined();
    const { state } = readState(db, job);
    if (!state) throw new Error('no job');
    expect(readJobProcedures(db, job, state, person('ada'))).toMatchObject({ mine: { number: 1 } });
    expect(readJobProcedures(db, job, state, person('kit'))).toBeUndefined();
  });
});
