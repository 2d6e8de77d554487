import { FIRM_AT_WORK, SEEN, SHOWN } from '../../../tests/support/refusal-rows/firms';
import { carryOut, LIVE, refusalsOf, site, WALKED } from '../../../tests/support/seal-change';
import { describeSheets } from './sheets';
import { findVisiting, listUnseen, sayBounds, viewFirms } from './firms';
import type { Dossier, DossierState } from '.';

const there = (state: DossierState): Dossier => {
  if (!state) throw new Error('no job');
  return state;
};

describe('a firm from outside', () => {
  it.each([
    ['its own people', 'ada', undefined],
    ['a firm that works here always', 'kit', undefined],
    ['a firm from outside', 'yara', 'BC'],
    ['somebody nobody knows', 'zed', undefined],
  ])('is known by the register: %s', (_, person, firm) => {
    expect(findVisiting(site, person)?.id).toBe(firm);
  });

  it('goes on once its lead has seen every point, was shown the bounds, and has a lock on', () => {
    const [view] = viewFirms(there(FIRM_AT_WORK()), site);
    expect(view).toMatchObject({ id: 'BC', lead: 'vik', isShown: true, on: 2 });
    expect(view?.points.every(({ isSeen }) => isSeen)).toBe(true);
  });

  it('is asked for nothing where the register has no firm, and shown on no job without a permit', () => {
    const bare = { ...site, employers: [] };
    expect(findVisiting(bare, 'yara')).toBeUndefined();
    expect(viewFirms(there(WALKED()), site)).toEqual([]);
    expect(viewFirms(there(LIVE()), bare)).toEqual([]);
  });

  it('has each point to see again that is locked anew, and only that one', () => {
    const seen = there(SEEN());
    expect(listUnseen(seen, 'BC')).toEqual([]);
    const { locked } = seen.isolation;
    const [point = ''] = Object.keys(locked);
    const hung = locked[point];
    if (!hung) throw new Error('no lock hangs');
    const again = { ...seen.isolation, locked: { ...locked, [point]: { ...hung, at: '2026-11-24T09:00:00.000Z' } } }; // prettier-ignore
    expect(listUnseen({ ...seen, isolation: again }, 'BC')).toEqual([point]);
  });

  it('is shown the bounds of each permit anew', () => {
    const shown = there(SHOWN());
    if (shown.permit.kind !== 'issued') throw new Error('not issued');
    const next = { ...shown, permit: { ...shown.permit, issuedAt: '2026-11-24T12:00:00.000Z' } };
    expect(viewFirms(next, site)[0]?.isShown).toBe(false);
  });

  it('has its lead go off last', () => {
    const off = carryOut([['hana', { kind: 'sign-off', person: 'yara', lock: 'W-23' }]], FIRM_AT_WORK()); // prettier-ignore
    expect(refusalsOf(off, 'hana', { kind: 'sign-off', person: 'vik', lock: 'W-22' })).toEqual([]);
  });
});

it('the permit says between which points the crew may work', () => {
  const words = sayBounds(there(LIVE()));
  expect(words).toMatch(/^On P201-CAS, P201-PSH alone, between .*HV-2001.*\. Work outside these/);
  expect(sayBounds(there(WALKED()))).toMatch(/Nothing is isolated/);
  const printed = JSON.stringify(describeSheets(there(LIVE()), { job: 'J-0001', site, now: '2026-11-24T08:00:00.000Z' })); // prettier-ignore
  expect(printed).toContain(words);
});
