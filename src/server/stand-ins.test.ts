import { gaugeAlone, stepsToWalkDown } from '../../tests/support/any-job';
import { carryOutAt } from '../../tests/support/at-server';
import { carryOut, fieldStepsOf } from '../../tests/support/seal-change';
import { closeDatabase, openDatabase, type Db } from '../db';
import { askSchema } from '../sim';
import { moveClock, readNow } from './clock';
import { loadDemo } from './demo';
import { askStandIns, changeFault, faultChangeSchema, readFaults } from './stand-ins';

let db: Db;
beforeAll(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
});
afterAll(() => closeDatabase(db));

describe('the stand-ins', () => {
  it('keep the faults that are put in, once each, until they are taken out', () => {
    const fault = { kind: 'stuck-blade', item: 'CB-P201', conductor: 'L2' } as const;
    expect(readFaults(db)).toEqual([]);
    const other = { ...fault, conductor: 'L1' } as const;
    changeFault(db, { fault: other, on: true });
    changeFault(db, { fault, on: true });
    expect(changeFault(db, { fault, on: true })).toEqual([other, fault]);
    expect(readFaults(db)).toEqual([other, fault]);
    changeFault(db, { fault: other, on: false });
    expect(changeFault(db, { fault, on: false })).toEqual([]);
  });

  it.each([
    ['passing', 'DR-2002'],
    ['plugged', 'HV-2001'],
    ['dead-tester', 'E-01'],
    ['key-gone', 'VT-11'],
  ] as const)('take no fault of kind %s at %s, which is nothing of the kind', (kind, item) => {
    expect(changeFault(db, { fault: { kind, item }, on: true })).toBeUndefined();
    expect(readFaults(db)).toEqual([]);
  });

  it('give out locks that do not hang, and skip an empty slot', () => {
    const ask = { kind: 'take-lock', use: 'point', prefix: 'E' } as const;
    expect(askStandIns(db, 'J-0001', ask)).toEqual({ kind: 'take-lock', lock: 'E-01' });
    changeFault(db, { fault: { kind: 'key-gone', item: 'E-01' }, on: true });
    expect(askStandIns(db, 'J-0001', ask)).toEqual({ kind: 'take-lock', lock: 'E-02' });
    changeFault(db, { fault: { kind: 'key-gone', item: 'E-01' }, on: false });
  });

  it('show a tank empty once it was run empty and its isolation stands, and another full', () => {
    const work = (['D2-LIQ', 'D2-GAS'] as const).map((section) => {
      return { section, activity: 'enter' as const };
    });
    const plan = stepsToWalkDown(work, { equipment: 'D-2', emptied: ['D2-LIQ', 'BT-LIQ'] });
    const field = fieldStepsOf(carryOut(plan));
    const proving = field.findIndex(([, { kind }]) => kind === 'prove');
    const stopped = field.findIndex(([, { kind }]) => kind === 'stop-plant');
    const proofs = field.flatMap(([, command]) => (command.kind === 'prove' ? command.proof : []));
    const ofTanks = proofs.filter((id) => /^(level|pressure):(BT|D2)-/.test(id));
    expect(ofTanks).toHaveLength(5);
    const read = (job: string) =>
      ofTanks.map((proof) => {
        const answer = askStandIns(db, job, askSchema.parse({ kind: 'proof', proof }));
        return answer?.kind === 'proof' ? answer.reading : undefined;
      });
    const planned = carryOutAt(db, plan);
    const alone = gaugeAlone(readNow(db));
    const raised = carryOutAt(db, [alone, ...field.slice(0, stopped)], planned);
    expect(Math.max(...read(raised.job).map((one) => one ?? NaN))).toBeGreaterThan(0.1);
    const isolated = carryOutAt(db, field.slice(stopped, proving), raised);
    moveClock(db, 24);
    expect(read(isolated.job)).toEqual(ofTanks.map(() => 0));
  });

  it('know nothing of proofs and stations that a job does not have, nor of other jobs', () => {
    const proof = askSchema.parse({ kind: 'proof', proof: 'voltage:P201-CBL' });
    expect(askStandIns(db, 'J-0001', proof)).toEqual({ kind: 'unknown', what: 'voltage:P201-CBL' });
    const start = { kind: 'try-start', station: 'x' } as const;
    expect(askStandIns(db, 'J-0001', start)).toEqual({ kind: 'unknown', what: 'x' });
    expect(askStandIns(db, 'J-0999', start)).toBeUndefined();
  });

  it.each([
    {},
    { fault: { kind: 'fire', item: 'X' }, on: true },
    { fault: { kind: 'stuck-blade', item: 'CB-P201', conductor: 'N' }, on: true },
    { fault: { kind: 'stuck-blade', item: 'CB-P201' }, on: true },
    { fault: { kind: 'plugged', item: '' }, on: true },
  ])('cannot read a change %j', (change) => {
    expect(faultChangeSchema.safeParse(change).success).toBe(false);
  });
});
