import { carryOutAt } from '../../tests/support/at-server';
import { ON_STEPS } from '../../tests/support/seal-change';
import { closeDatabase, openDatabase, type Db } from '../db';
import { loadDemo } from './demo';
import { carryOut } from './jobs';
import { readRegisters } from './registers';
import { verifyAll } from './verify';

let db: Db;
beforeEach(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
});
afterEach(() => closeDatabase(db));

const rowOf = (id: string) => {
  const { kit, pressure } = readRegisters(db).registers;
  return [...kit, ...pressure].find((row) => row.id === id);
};
const look = (job: string, kit: string, sequence: number) =>
  carryOut(db, {
    jobId: job,
    command: { kind: 'check-kit', kit: [kit], air: false, seen: 'sound' },
    expected: sequence,
    key: `look-${kit}-${job}`,
    actor: 'kit',
    signed: [],
  });

describe('kit that is found unfit', () => {
  it.each([
    ['kit', 'HA-1'],
    ['pressure equipment', 'PE-HO2'],
  ])('is out of use on every job, and the register says why: %s', (_, id) => {
    const at = carryOutAt(db, ON_STEPS());
    expect(rowOf(id)).not.toHaveProperty('unsafe');
    carryOutAt(db, [['kit', { kind: 'fail-kit', kit: id, seen: 'frayed at the hook' }]], at);
    expect(rowOf(id)).toMatchObject({ unsafe: 'frayed at the hook' });
    // A job that has nothing to do with it.
    const other = look('J-0001', id, 1);
    expect(other.ok).toBe(false);
    expect(JSON.stringify(other)).toContain('frayed at the hook');
    expect(verifyAll(db).problems).toEqual([]);
  });

  it('is not taken out by a refused command', () => {
    const at = carryOutAt(db, ON_STEPS());
    expect(() =>
      carryOutAt(db, [['kit', { kind: 'fail-kit', kit: 'HA-77', seen: 'frayed' }]], at),
    ).toThrow('kit-unknown');
  });
});
