import {
  carryOut,
  EACH_POINT,
  fieldSteps,
  HANDED_BACK,
  HASPS,
  LIVE,
  ownLocks,
  OXMOOR_ON,
  refusalsOf,
  restoreSteps,
  site,
  START,
  type Step,
} from '../../../tests/support/seal-change';
import { countHoles } from '../locks/hasp';
import { computeLamps, listHanging, viewDossier, type DossierState } from '.';

const hanging = (state: DossierState, use: string) =>
  (state ? listHanging(state) : [])
    .filter(({ as }) => as === use)
    .map(({ lock, by }) => `${lock} ${by}`)
    .sort();
const INCOMING: Step = ['ben', { kind: 'hang-incoming', lock: 'C-2' }];
const OUTGOING: Step = ['ada', { kind: 'take-off-control', lock: 'C-1' }];
const KIT_ON: Step = ['hana', { kind: 'sign-on', person: 'kit', lock: 'W-02' }];
const NEXT_LEAD: Step = [
  'hana',
  {
    kind: 'hang-crew-lock',
    crew: 'Oxmoor Electrical',
    lead: 'pia',
    lock: 'L-2',
    verified: 'locks and tags',
  },
];
const leadOff = (lead: string, lock: string): Step => [
  lead,
  { kind: 'take-off-crew-lock', crew: 'Oxmoor Electrical', lead, lock },
];

describe('the control lock at a change of shift', () => {
  it('hangs beside the incoming one, and never is there none', () => {
    const both = carryOut([INCOMING], LIVE());
    expect(hanging(both, 'control')).toEqual(['C-1 ada', 'C-2 ben']);
    const after = carryOut([OUTGOING], both);
    expect(hanging(after, 'control')).toEqual(['C-2 ben']);
    expect(refusalsOf(after, 'ben', { kind: 'take-off-control', lock: 'C-2' })).toEqual([
      'no-incoming-lock',
    ]);
    const withdrawn = carryOut([['ben', { kind: 'take-off-control', lock: 'C-2' }]], both);
    expect(hanging(withdrawn, 'control')).toEqual(['C-1 ada']);
  });

  it('relights the lamps: the shift that takes over proves again before anyone signs on', () => {
    const after = carryOut([INCOMING, OUTGOING], LIVE());
    const lit = after && computeLamps(after, site).some(({ state }) => state === 'lit');
    expect(lit).toBe(true);
    expect(after && viewDossier(after, site, START).holding[0]?.code).toBe('shift-changed');
    const again = fieldSteps().filter(([, { kind }]) =>
      ['wait-out-store', 'prove', 'try-start'].includes(kind),
    );
    const proved = carryOut(again, after);
    expect(proved && new Set(computeLamps(proved, site).map(({ state }) => state))).toEqual(
      new Set(['dark']),
    );
    expect(refusalsOf(proved, ...KIT_ON)).toEqual([]);
  });

  it('passes to the incoming coordinator when the outgoing one cannot be reached', () => {
    const removal = {
      kind: 'remove-absent-lock',
      lock: 'C-1',
      offSite: 'gate log',
      tried: 'telephone',
      manager: 'uma',
    } as const;
    expect(refusalsOf(LIVE(), 'ben', removal)).toEqual(['no-incoming-lock']);
    const after = carryOut([INCOMING, ['ben', removal]], LIVE());
    expect(hanging(after, 'control')).toEqual(['C-2 ben']);
    expect(after?.absent.ada?.where).toBe('BOX-1');
    expect(refusalsOf(after, 'ada', { kind: 'hang-incoming', lock: 'C-3' })).toEqual([
      'owner-not-told',
    ]);
  });

  it('opens the box in the end by whoever holds it then', () => {
    const back = carryOut(HANDED_BACK, LIVE());
    const handed = carryOut([INCOMING, OUTGOING], back);
    expect(refusalsOf(handed, 'ada', { kind: 'open-box' })).toEqual(['lock-not-yours']);
    expect(refusalsOf(handed, 'ben', { kind: 'open-box' })).toEqual([]);
  });
});

describe('crews', () => {
  it('come under a lead who has seen the isolation, beside the performing authority’s own people', () => {
    const state = carryOut([KIT_ON, ...OXMOOR_ON], LIVE());
    expect(hanging(state, 'crew')).toEqual(['L-1 nell']);
    expect(hanging(state, 'personal')).toEqual(['W-02 kit', 'W-06 otto']);
  });

  it('change leads without a gap, with the crew at work', () => {
    const on = carryOut(OXMOOR_ON, LIVE());
    const both = carryOut([NEXT_LEAD], on);
    expect(hanging(both, 'crew')).toEqual(['L-1 nell', 'L-2 pia']);
    const after = carryOut([leadOff('nell', 'L-1')], both);
    expect(hanging(after, 'crew')).toEqual(['L-2 pia']);
    expect(refusalsOf(after, ...leadOff('pia', 'L-2'))).toEqual(['crew-members-on']);
    const off = carryOut([['otto', { kind: 'sign-off', person: 'otto', lock: 'W-06' }]], after);
    expect(hanging(carryOut([leadOff('pia', 'L-2')], off), 'crew')).toEqual([]);
  });

  it('keep the lock of an absent lead on while people of the crew are', () => {
    const removal = {
      kind: 'remove-absent-lock',
      lock: 'L-1',
      offSite: 'gate log',
      tried: 'telephone',
      manager: 'uma',
    } as const;
    const on = carryOut(OXMOOR_ON, LIVE());
    expect(refusalsOf(on, 'ada', removal)).toEqual(['crew-members-on']);
    const after = carryOut([NEXT_LEAD, ['ada', removal]], on);
    expect(hanging(after, 'crew')).toEqual(['L-2 pia']);
    expect(
      refusalsOf(after, 'hana', { ...NEXT_LEAD[1], lead: 'nell', lock: 'L-3' } as never),
    ).toEqual(['owner-not-told']);
  });
});

describe('a lock of each worker on each point', () => {
  it('goes from issue to close without a box, each lock back with its owner', () => {
    const each = ownLocks();
    const on = carryOut(
      [...HASPS, ['hana', { kind: 'sign-on', person: 'jun', each }]],
      EACH_POINT(),
    );
    expect(hanging(on, 'personal')).toHaveLength(Object.keys(each).length);
    const back = carryOut(
      [['jun', { kind: 'sign-off', person: 'jun', each }], ...HANDED_BACK.slice(2)],
      on,
    );
    const steps = restoreSteps(back).filter(([, { kind }]) => kind !== 'open-box');
    const closed = carryOut(steps, back);
    expect(closed?.kind).toBe('closed');
    expect(closed && listHanging(closed)).toEqual([]);
  });
});

describe('countHoles', () => {
  it.each([
    [0, 1],
    [1, 6],
    [2, 11],
    [3, 16],
  ])('%d hasps take %d locks', (hasps, holes) => {
    expect(countHoles(hasps)).toBe(holes);
  });
});
