import { carryOutAt } from '../../tests/support/at-server';
import { fieldSteps, USABLE, ON_STEPS } from '../../tests/support/seal-change';
import { closeDatabase, openDatabase, type Db } from '../db';
import { moveClock } from './clock';
import { loadDemo } from './demo';
import { readDossierPage } from './dossier-page';
import { readJobTable } from './job-table';
import { findPerson } from './registers';

let db: Db;
beforeEach(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
});
afterEach(() => closeDatabase(db));

const person = (id: string) => {
  const found = findPerson(db, id);
  if (!found) throw new Error(`nobody called ${id}`);
  return found;
};
const seenBy = (id: string) => readJobTable(db, person(id));

describe('the list of jobs', () => {
  it('says of each what it is at, where, whose people do it, and what is next by whom', () => {
    expect(seenBy('ada')[0]).toEqual({
      id: 'J-0001',
      title: expect.stringContaining('Seal change') as string,
      equipment: 'P-201',
      area: 'Pump hall',
      employer: expect.any(String) as string,
      stands: 'to be planned',
      next: expect.objectContaining({
        what: 'plan the isolation',
        who: 'isolation coordinator',
      }) as object,
      isMine: true,
      isClosed: false,
      isAtHatch: false,
    });
  });

  it('marks as mine what waits for my role, or is mine to perform, and nothing else', () => {
    const mine = (id: string) => seenBy(id).filter(({ isMine }) => isMine).length;
    expect([mine('ada'), mine('elif')]).toEqual([seenBy('ada').length, 0]);
  });

  it('puts what has people at it first, and what cannot wait before all', () => {
    const { job } = carryOutAt(db, ON_STEPS());
    const [first] = seenBy('hana');
    expect(first).toMatchObject({ id: job, stands: 'permit live', isAtHatch: true, until: expect.any(String) as string }); // prettier-ignore
    moveClock(db, 12);
    const [lapsed] = seenBy('hana');
    expect(lapsed).toMatchObject({ id: job, stands: 'permit lapsed', next: { urgency: 'now' } });
  });
});

describe('what is next at a job', () => {
  const nextOf = (id: string) => readDossierPage(db, id, person('ada'))?.next;

  it('is what the stage waits for, with everybody who may do it', () => {
    expect(nextOf('J-0001')).toMatchObject({ what: 'plan the isolation', role: 'coordinator', urgency: 'waiting' }); // prettier-ignore
    expect(nextOf('J-0001')?.who).toContain('ada');
  });

  it('is the first step in the field that is not done, for whoever isolates what it is about', () => {
    const at = carryOutAt(db, USABLE);
    const { job } = at;
    expect(nextOf(job)).toMatchObject({ what: 'tell those affected', role: 'area-operator' });
    const told = fieldSteps().findIndex(([, { kind }]) => kind === 'lock-point');
    carryOutAt(db, fieldSteps().slice(0, told), at);
    const next = nextOf(job);
    expect(next).toMatchObject({ role: 'isolating-electrical' });
    expect(next?.who).toEqual(expect.arrayContaining(['elif', 'tove']));
    expect(next?.what).toContain('lock and tag');
  });

  it('has its moment where there is one, and what cannot wait comes first', () => {
    const { job } = carryOutAt(db, ON_STEPS());
    expect(nextOf(job)?.at).toBeDefined();
    moveClock(db, 12);
    expect(nextOf(job)).toMatchObject({ urgency: 'now' });
  });
});
