import {
  carryOut,
  HANDED_BACK,
  ISSUED,
  restoreSteps,
  site,
} from '../../../tests/support/seal-change';
import type { Dossier } from '../job';
import { surveyLocks } from './survey';

const locks = [...site.locks.values()];
const boxes = [...site.boxes.values()];
const survey = (...dossiers: (Dossier | undefined)[]) =>
  surveyLocks(
    locks,
    boxes,
    dossiers.flatMap((dossier, n) => (dossier ? [{ id: `J-${n + 1}`, dossier }] : [])),
  );
const live = () => carryOut([...ISSUED(), ...HANDED_BACK.slice(0, 1)]) as Dossier;

describe('surveyLocks', () => {
  it('says of every lock where it hangs and for whom, and of every box what is in it and on it', () => {
    const { locks: all, boxes: shut, findings } = survey(live());
    expect(findings).toEqual([]);
    const hangs = (id: string) => all.find((lock) => lock.id === id)?.hangs;
    expect(hangs('E-01')).toMatchObject([
      { job: 'J-1', where: 'CB-P201', as: 'point', by: 'elif', since: '2026-11-24T06:30:00.000Z' },
    ]);
    expect(hangs('C-1')).toMatchObject([{ where: 'BOX-1', as: 'control', by: 'ada' }]);
    expect(hangs('W-02')).toMatchObject([{ where: 'BOX-1', as: 'personal', by: 'kit' }]);
    expect(hangs('W-01')).toEqual([]);
    const inUse = shut.find(({ id }) => id === 'BOX-1')?.inUse;
    expect(inUse?.keys).toHaveLength(9);
    expect(inUse?.personal.map(({ lock }) => lock)).toEqual(['W-02']);
    expect(shut.filter((box) => box.inUse)).toHaveLength(1);
  });

  it('balances through the whole job: no lock is left once it is restored', () => {
    const handedBack = carryOut(HANDED_BACK, carryOut(ISSUED()));
    const back = restoreSteps(handedBack);
    for (let done = 0; done <= back.length; done++) {
      expect(survey(carryOut(back.slice(0, done), handedBack) as Dossier).findings).toEqual([]);
    }
    const { locks: all } = survey(carryOut(back, handedBack) as Dossier);
    expect(all.flatMap(({ hangs }) => hangs)).toEqual([]);
  });

  it('finds a lock in two places, one that is not registered, and one that is not its wearer’s own', () => {
    const dossier = live();
    const codes = (...all: Dossier[]) => new Set(survey(...all).findings.map(({ code }) => code));
    expect(codes(dossier, dossier)).toEqual(new Set(['lock-twice']));
    const { isolation, permit } = dossier;
    const strange = { by: 'finn', at: '2026-11-24T07:00:00.000Z', lock: 'Z-9', tag: 'T' };
    const { box } = isolation;
    if (!box || permit.kind !== 'issued') throw new Error('not live');
    expect(
      codes({
        ...dossier,
        isolation: { ...isolation, locked: { 'CB-P201': strange }, box: { ...box, keys: ['Z-9'] } },
      }),
    ).toEqual(new Set(['lock-not-registered']));
    expect(
      codes({
        ...dossier,
        permit: {
          ...permit,
          people: { kit: { locks: { 'BOX-1': 'W-01' }, since: '2026-11-24T07:00:00.000Z' } },
        },
      }),
    ).toEqual(new Set(['lock-not-own']));
  });

  it('finds a key that is missing from its box and one that has no business in it', () => {
    const dossier = live();
    const { box } = dossier.isolation;
    if (!box) throw new Error('no box');
    const keys = [...box.keys.filter((key) => key !== 'E-01'), 'P-20'];
    const wrong = { ...dossier, isolation: { ...dossier.isolation, box: { ...box, keys } } };
    expect(survey(wrong).findings.map(({ code, subject }) => [code, subject])).toEqual([
      ['key-missing', 'E-01'],
      ['key-idle', 'P-20'],
    ]);
  });
});
