import {
  carryOut,
  contextFor,
  HANDED_BACK,
  ISSUED,
  nobody,
  refusalsOf,
  restoreSteps,
  type Step,
} from '../../../tests/support/seal-change';
import { listOn, type Command, type CommandOf, type DossierState } from '.';

const ON: Step = ['hana', { kind: 'sign-on', person: 'kit', lock: 'W-02' }];
const removal = (more: Partial<CommandOf<'remove-absent-lock'>> = {}): Command => ({
  kind: 'remove-absent-lock',
  lock: 'W-02',
  offSite: 'gate log and car park',
  tried: 'telephone at 15:10 and 15:20, the firm at 15:25',
  manager: 'uma',
  ...more,
});
const TOLD: Step = ['hana', { kind: 'tell-absent-owner', owner: 'kit', told: 'why and by whom' }];
const live = () => carryOut([...ISSUED(), ON]);
const removed = () => carryOut([['ada', removal()]], live());
const peopleOn = (state: DossierState) => (state ? Object.keys(listOn(state.permit)) : []);

describe('a personal lock whose owner is not there', () => {
  it('is taken off by someone else only by this way, and the record says how', () => {
    const state = removed();
    expect(peopleOn(live())).toEqual(['kit']);
    expect(peopleOn(state)).toEqual([]);
    expect(state?.absent.kit).toMatchObject({
      by: 'ada',
      lock: 'W-02',
      where: 'BOX-1',
      manager: 'uma',
      offSite: 'gate log and car park',
    });
    expect(state?.absent.kit?.told).toBeUndefined();
  });

  it('needs the manager’s own signature as well as the remover’s', () => {
    for (const signed of [['ada'], ['uma'], []]) {
      const codes = refusalsOf(live(), 'ada', removal(), { signed: new Set(signed) });
      expect(new Set(codes)).toEqual(new Set(['signature-missing']));
    }
  });

  it('is allowed by a site manager who is neither the remover nor the owner', () => {
    const as = (actor: string, more: Partial<CommandOf<'remove-absent-lock'>>) =>
      refusalsOf(live(), actor, removal(more));
    expect(as('ada', { manager: 'hana' })).toEqual(['role-missing']);
    expect(as('ada', { manager: 'ada' })).toEqual(['role-missing', 'manager-removes']);
    expect(as('ada', { manager: 'kit' })).toEqual(['role-missing', 'manager-removes']);
    expect(as('ada', { manager: 'nobody' })).toContain('person-unknown');
    expect(as('jun', {})).toContain('role-missing');
  });

  it('stops the owner at the next sign-on, here and on any other job, until told', () => {
    const state = removed();
    expect(refusalsOf(state, ...ON)).toEqual(['owner-not-told']);
    const elsewhere = { others: { ...nobody, untold: new Map([['kit', 'J-0009']]) } };
    expect(refusalsOf(carryOut(ISSUED()), ...ON, elsewhere)).toEqual(['owner-not-told']);
    const told = carryOut([TOLD], state);
    expect(told?.absent.kit?.told).toMatchObject({ by: 'hana', words: 'why and by whom' });
    expect(refusalsOf(told, ...ON)).toEqual([]);
    expect(refusalsOf(told, ...TOLD)).toEqual(['already-done']);
  });

  it('is told with the owner’s own signature, even after the job is closed', () => {
    const { actor, signed } = contextFor('hana', ['hana']);
    expect(refusalsOf(removed(), actor, TOLD[1], { signed })).toEqual(['signature-missing']);
    const handedBack = carryOut(HANDED_BACK.slice(2), removed());
    const closed = carryOut(restoreSteps(handedBack), handedBack);
    expect(closed?.kind).toBe('closed');
    expect(refusalsOf(closed, ...ON)).toEqual(['job-closed']);
    expect(carryOut([TOLD], closed)?.absent.kit?.told).toBeDefined();
  });

  it('is not found where it does not hang, and nobody is told of nothing', () => {
    expect(refusalsOf(live(), 'ada', removal({ lock: 'W-01' }))).toEqual(['lock-not-here']);
    expect(refusalsOf(live(), 'ada', removal({ lock: 'C-4' }))).toEqual(['lock-not-here']);
    expect(refusalsOf(live(), ...TOLD)).toEqual(['not-absent']);
  });
});

describe('a point lock whose owner is not there', () => {
  const handedBack = () => carryOut(HANDED_BACK, carryOut(ISSUED()));
  const lockOf = (point: string) => handedBack()?.isolation.locked[point]?.lock ?? '';

  it('comes off only in its turn of restoring, by someone of the discipline', () => {
    const state = handedBack();
    const valve = removal({ lock: lockOf('HV-2001') });
    expect(refusalsOf(state, 'gus', valve)).toContain('box-still-locked');
    const back = restoreSteps(state);
    const turn = back.findIndex(([, one]) => one.kind === 'unlock-point' && one.link === 'HV-2001');
    const before = carryOut(back.slice(0, turn), state);
    expect(refusalsOf(before, 'gus', { kind: 'unlock-point', link: 'HV-2001' })).toEqual([
      'lock-not-yours',
    ]);
    expect(refusalsOf(before, 'elif', valve)).toEqual(['role-missing']);
    expect(refusalsOf(before, 'finn', valve)).toEqual(['owner-is-here']);
    const after = carryOut([['gus', valve]], before);
    expect(after?.isolation.locked).not.toHaveProperty('HV-2001');
    expect(after?.absent.finn).toMatchObject({ where: 'HV-2001', by: 'gus' });
    const rest = carryOut(back.slice(turn + 1), after);
    expect(rest?.kind).toBe('closed');
  });
});
