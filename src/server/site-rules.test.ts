import { carryOutAt } from '../../tests/support/at-server';
import {
  fieldSteps,
  HANDED_BACK,
  PERMIT,
  USABLE,
  type Step,
} from '../../tests/support/seal-change';
import { DEFAULT_VALUES, type SiteValues } from '../core/rules/values';
import { closeDatabase, openDatabase, type Db } from '../db';
import { readStream } from '../ledger';
import { moveClock } from './clock';
import { loadDemo } from './demo';
import { readSite } from './registers';
import { previewValues } from './rules-effect';
import { listSavedValues, readValues, saveValues } from './site-rules';

let db: Db;
beforeEach(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
});
afterEach(() => closeDatabase(db));

const values = (more: Partial<SiteValues>): SiteValues => ({ ...DEFAULT_VALUES, ...more });
const save = (document: unknown, expected = 0) =>
  saveValues(db, { document, expected, note: 'as agreed', actor: 'uma' });

describe('the rules of a site', () => {
  it('are the defaults until a version is saved, and then that version', () => {
    expect(readValues(db)).toEqual({ version: 0, values: DEFAULT_VALUES });
    expect(save(values({ 'tail-min': 90 }))).toEqual({ ok: true, version: 1 });
    expect(readSite(db)).toMatchObject({ valuesVersion: 1, values: { 'tail-min': 90 } });
    expect(save(values({ 'tail-min': 120 }), 1)).toEqual({ ok: true, version: 2 });
    expect(listSavedValues(db).map(({ version, note }) => [version, note])).toEqual([
      [2, 'as agreed'],
      [1, 'as agreed'],
    ]);
  });

  it('keep nothing of values that are not allowed, or drawn from an old version', () => {
    expect(save(values({ 'tail-min': 5 }))).toMatchObject({ ok: false, kind: 'unfit' });
    expect(save('all')).toMatchObject({ ok: false, kind: 'unfit' });
    save(values({}));
    expect(save(values({}), 0)).toEqual({ ok: false, kind: 'changed-meanwhile', version: 1 });
    expect(listSavedValues(db)).toHaveLength(1);
  });

  it('stand with every decision made under them', () => {
    save(values({ lockout: 'each-point' }));
    const { job } = carryOutAt(db, USABLE.slice(0, 1));
    const [raised] = readStream(db, `job/${job}`);
    expect(raised?.policy).toContain('rules 1');
    expect(raised?.payload).toMatchObject({ lockout: 'each-point' });
  });

  it('say beforehand which open jobs a change would hold up', () => {
    const { job } = carryOutAt(db, [...USABLE, ...fieldSteps(), ...PERMIT, HANDED_BACK[0] as Step]);
    moveClock(db, 13);
    expect(previewValues(db, values({}))).toEqual([]);
    const soon = previewValues(db, values({ 'inspection-h': 24 }));
    expect(soon).toEqual([]);
    moveClock(db, 12);
    expect(previewValues(db, values({ 'inspection-h': 24 }))).toMatchObject([
      { job, gains: [{ code: 'inspection-due' }], loses: [] },
    ]);
  });
});
