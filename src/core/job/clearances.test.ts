import { ASKED, FOREIGN, GIVEN } from '../../../tests/support/refusal-rows/clearances';
import { LIVE, site, WALKED } from '../../../tests/support/seal-change';
import { makeReport, NOTHING_KEPT } from '../handover';
import { listNextUp } from '../watch';
import { findClearanceEnd, gateClearances, listForeign, viewClearances } from './clearances';
import { standAt, type Dossier, type DossierState } from '.';

const AT_WORK = '2026-11-24T12:00:00.000Z';
const END = '2026-11-24T13:00:00.000Z';
const AFTER = '2026-11-24T13:00:00.001Z';
const there = (state: DossierState, now = AT_WORK): Dossier => {
  if (!state) throw new Error('no job');
  return standAt(state, now);
};
const codes = (state: DossierState, now: string) =>
  gateClearances(there(state), FOREIGN, now).map(({ code }) => code);

describe('the network of somebody else', () => {
  it('is met where the plan closes what only they operate, and nowhere else', () => {
    expect([...listForeign(there(WALKED()), FOREIGN)]).toEqual([['Holmfell Grid', ['CB-P201']]]);
    expect(listForeign(there(WALKED()), site).size).toBe(0);
    const unplanned: Dossier = { ...there(WALKED()), plan: { kind: 'none' } };
    expect(listForeign(unplanned, FOREIGN).size).toBe(0);
  });

  it('is cleared from their word on until its end, and no longer', () => {
    expect(codes(WALKED(), AT_WORK)).toEqual(['clearance-missing']);
    expect(codes(ASKED(), AT_WORK)).toEqual(['clearance-missing']);
    expect(codes(GIVEN(), END)).toEqual([]);
    expect(codes(GIVEN(), AFTER)).toEqual(['clearance-over']);
    expect(findClearanceEnd(there(GIVEN()), FOREIGN)).toBe(END);
    expect(findClearanceEnd(there(ASKED()), FOREIGN)).toBeUndefined();
  });

  it('is shown with what was asked and given', () => {
    expect(viewClearances(there(GIVEN()), FOREIGN, AT_WORK)).toMatchObject([
      {
        operator: 'Holmfell Grid',
        points: ['CB-P201'],
        given: { number: 'HG-117' },
        isHeld: true,
        isOver: false,
      },
    ]);
  });

  it('has its end in the queue, and calls people off once it is over', () => {
    const next = (now: string) =>
      listNextUp('J-0001', there(GIVEN(LIVE()), now), 'work', FOREIGN, now);
    expect(next(AT_WORK)).toEqual(
      expect.arrayContaining([expect.objectContaining({ urgency: 'timed', at: END })]),
    );
    expect(next(AFTER)).toEqual(
      expect.arrayContaining([
        expect.objectContaining({
          urgency: 'now',
          what: expect.stringContaining('HG-117 of Holmfell Grid') as string,
        }),
      ]),
    );
  });

  it('is handed over as overdue once it has ended while the permit is out', () => {
    const wordsAt = (now: string) =>
      makeReport([{ id: 'J-0001', dossier: there(GIVEN(LIVE()), now) }], [], NOTHING_KEPT, FOREIGN, now).overdue.map(({ words }) => words); // prettier-ignore
    expect(wordsAt(AFTER)).toContain('a clearance of another network has ended');
    expect(wordsAt(AT_WORK)).not.toContain('a clearance of another network has ended');
  });
});
