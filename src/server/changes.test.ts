import { carryOutAt } from '../../tests/support/at-server';
import { ON_STEPS, USABLE } from '../../tests/support/seal-change';
import type { ChangeCommand } from '../core/changes';
import type { Plant } from '../core/plant';
import { closeDatabase, openDatabase, type Db } from '../db';
import { carryOutChange, listChangeable, readChangesPage } from './changes';
import { readChanges } from './changes-read';
import { moveClock } from './clock';
import { loadDemo } from './demo';
import { draftReport } from './handover';
import { readState } from './job-state';
import { readProblem } from './planning';
import { findNewestVersion, readGraph, savePlant } from './plant';
import { verifyAll } from './verify';
import { readNow } from './clock';
import { readBoard } from './watch';

let db: Db;
beforeEach(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
});
afterEach(() => closeDatabase(db));

const give = (actor: string, command: ChangeCommand, signed = [actor]) =>
  carryOutChange(db, { command, actor, signed });
const inDays = (days: number) =>
  new Date(Date.parse(readNow(db)) + days * 86_400_000).toISOString();
const hose = (places = ['P201-CAS', 'FW-HDR']): ChangeCommand => ({
  kind: 'propose-change',
  change: 'hose',
  places,
  what: 'flushing water',
  why: 'rinsed before it is opened',
  until: inDays(3),
});
const save = (change: (plant: Plant) => Plant) =>
  savePlant(db, {
    document: change(readGraph(db).plant),
    expected: findNewestVersion(db),
    note: 'as built',
    actor: 'ada',
  });

describe('a temporary connection that was recorded', () => {
  it('is a way for the planner at once, and no longer once somebody saw that it is gone', () => {
    const { job } = carryOutAt(db, USABLE.slice(0, 2));
    const hasWay = () => readProblem(db, job)?.plant.links.some(({ id }) => id === 'MC-0001');
    expect(hasWay()).toBe(false);
    expect(give('kit', hose())).toMatchObject({ ok: true, number: 1, stopped: [] });
    expect(hasWay()).toBe(true);
    expect(give('jun', { kind: 'undo-change', number: 1, how: 'rolled up' }).ok).toBe(true);
    expect(hasWay()).toBe(true);
    give('cora', { kind: 'see-undone', number: 1, found: 'gone', how: 'seen at both ends' });
    expect(hasWay()).toBe(false);
    expect(readChangesPage(db, 'ada')).toMatchObject({ pending: [], pastCount: 1 });
    expect(verifyAll(db).problems).toEqual([]);
  });

  it('stops the live job that it reaches', () => {
    const { job } = carryOutAt(db, ON_STEPS());
    expect(give('kit', hose(['P201-CAS']))).toMatchObject({ stopped: [{ job, on: ['kit'] }] });
    expect(readState(db, job).state?.halt?.reason).toContain('MC-0001');
    const [line] = readChangesPage(db, 'cora').pending;
    expect(line).toMatchObject({ name: 'MC-0001', next: 'assess', isOver: false });
    expect(line?.jobs).toContain(job);
    expect(line?.may).toContain('assess-change');
  });

  it('keeps nothing where it is refused', () => {
    expect(give('kit', hose(['NOT-DRAWN']))).toMatchObject({ ok: false, kind: 'refused' });
    expect(readChanges(db)).toEqual({ version: 0, record: [] });
  });

  it('stands in queue and handover, and among what is overdue once its time is over', () => {
    give('kit', hose());
    const inQueue = () => readBoard(db).queue.filter(({ job }) => job === 'MC-0001');
    expect(inQueue()).toMatchObject([{ urgency: 'waiting', to: '/changes#MC-0001' }]);
    expect(draftReport(db).report.changes.map(({ words }) => words)).toEqual([
      expect.stringMatching(/^MC-0001, .*reviewed by nobody; look at its hazards$/),
    ]);
    give('cora', { kind: 'assess-change', number: 1, hazards: 'water', measures: 'shut first' });
    give('hana', { kind: 'allow-change', number: 1 });
    give('hana', { kind: 'tell-change', number: 1, people: ['dov'], how: 'by radio' });
    expect(inQueue()).toEqual([]);
    moveClock(db, 80 * 60, 'ada');
    expect(inQueue()).toMatchObject([{ urgency: 'now', what: expect.stringMatching(/put it back/) as string }]); // prettier-ignore
    const { report } = draftReport(db);
    expect(report.changes).toEqual([]);
    expect(report.overdue.map(({ words }) => words)).toEqual(
      expect.arrayContaining([expect.stringContaining('MC-0001')]),
    );
  });
});

describe('a new version of the drawing', () => {
  const shut = (plant: Plant): Plant => ({
    ...plant,
    sections: plant.sections.map((one) => (one.id === 'P201-CAS' ? { ...one, dn_mm: 151 } : one)),
  });

  it('is a change that somebody else looks at', () => {
    expect(save(shut)).toMatchObject({ ok: true });
    expect(readChanges(db).record).toMatchObject([
      { change: 'drawing', places: ['P201-CAS'], by: 'ada', plantVersion: 2, why: 'as built' },
    ]);
    const [line] = readChangesPage(db, 'ada').pending;
    expect(line?.jobs).toContain('J-0001');
    expect(line?.may).not.toContain('assess-change');
    expect(give('ada', { kind: 'assess-change', number: 1, hazards: 'x', measures: 'y' })).toMatchObject({ ok: false }); // prettier-ignore
    expect(verifyAll(db).problems).toEqual([]);
  });

  it('is none where there was no drawing before', () => {
    const bare = openDatabase(':memory:');
    const { plant } = readGraph(db);
    const empty = { ...plant, areas: [], media: [], sections: [], links: [], outlets: [], gauges: [], equipment: [], surroundings: [], interlocks: [], renamed: [] }; // prettier-ignore
    for (const [expected, document] of [empty, plant].entries())
      expect(savePlant(bare, { document, expected, note: 'first', actor: 'ada' })).toMatchObject({ ok: true }); // prettier-ignore
    expect(readChanges(bare).record).toEqual([]);
    closeDatabase(bare);
  });

  it('is none where nothing differs, and counts everywhere where more differs than is kept', () => {
    expect(save((plant) => plant)).toMatchObject({ ok: true });
    expect(readChanges(db).record).toEqual([]);
    save((plant) => ({
      ...plant,
      links: plant.links.map((link) => ({ ...link, minutes: 7 })),
      sections: plant.sections.map((section) => ({ ...section, serves: 1 })),
      outlets: plant.outlets.map((outlet) => ({ ...outlet, minutes: 7 })),
    }));
    expect(readChanges(db).record).toMatchObject([{ places: [], isEverywhere: true }]);
  });
});

it('offers everything that the newest drawing has, once', () => {
  const ids = listChangeable(db).map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
  expect(ids).toEqual(expect.arrayContaining(['P201-CAS', 'HV-2004', 'DR-2001', 'P-201']));
});
