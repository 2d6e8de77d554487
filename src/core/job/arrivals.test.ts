import { carryOut, site, START, USABLE } from '../../../tests/support/seal-change';
import { jobWith, siteOn } from '../../../tests/support/small-job';
import { planOf, smallPlant } from '../../../tests/support/small-plant';
import { viewDossier, type Dossier } from '.';
import { gatherByArrival, sumUpArrivals } from './arrivals';
import type { Lamp } from './lamps';

const lamp = (id: string, name: string, sources: string[], kind: Lamp['kind'] = 'medium') =>
  ({ id, name, kind, sources: sources.map((one) => ({ id: one })) }) as unknown as Lamp;
const LAMPS = [
  lamp('medium:DIG', 'Digestate from digester 1', ['D1', 'D2']),
  lamp('drive:M', 'The motor M, fed from grid A', ['GA', 'D2'], 'drive'),
  lamp('store:SP', 'The spring', ['SP'], 'store'),
];

describe('gatherByArrival', () => {
  it('puts sources of one arrival together, in the order of the lamps, each under the first that tells of it', () => {
    const items = ['GA', 'D2', 'X', 'D1'].map((subject) => ({ subject }));
    expect(gatherByArrival(items, LAMPS)).toEqual([
      { name: 'Digestate from digester 1', items: [{ subject: 'D2' }, { subject: 'D1' }] },
      { name: 'The motor M, fed from grid A', items: [{ subject: 'GA' }] },
      { name: 'X', items: [{ subject: 'X' }] },
    ]);
  });

  it('keeps what differs apart', () => {
    const items = [
      { subject: 'D1', grade: 'positive' },
      { subject: 'D2', grade: 'single' },
    ];
    const gathered = gatherByArrival(items, LAMPS, ({ grade }) => grade);
    expect(gathered.map(({ items: of }) => of.length)).toEqual([1, 1]);
  });
});

describe('sumUpArrivals', () => {
  const finding = (subject: string, severity: 'stops' | 'caution') =>
    ({ subject, severity, code: 'source-reaches-work', words: '', route: [], mends: [] }) as const;

  it('counts arrivals, not sources, and names those that are open; stores and cautions do not count', () => {
    const check = { passes: false, findings: [finding('D2', 'stops'), finding('GA', 'caution')] };
    expect(sumUpArrivals(check, LAMPS.slice(0, 1))).toBe(
      '0 of 1 arrivals held; open: Digestate from digester 1.',
    );
    const held = { passes: true, findings: [finding('GA', 'caution'), finding('SP', 'stops')] };
    expect(sumUpArrivals(held, LAMPS)).toBe('2 of 2 arrivals held.');
  });
});

describe('a plan drawn up by an earlier trace', () => {
  it('stands as it was accepted, and says so until it is drawn up anew', () => {
    const accepted = jobWith('W', planOf(['V2', 'CB'], ['DR']));
    const view = viewDossier(accepted, siteOn(smallPlant()), START);
    expect(view.isOldTrace).toBe(true);
    expect(view.plan?.close).toEqual(['V2', 'CB']);
    expect(viewDossier(carryOut(USABLE) as Dossier, site, START).isOldTrace).toBe(false);
  });
});
