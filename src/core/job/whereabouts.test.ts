import {
  carryOut,
  fieldSteps,
  noted,
  RAISE,
  refusalsOf,
  site,
  WALKED,
} from '../../../tests/support/seal-change';
import type { Person } from '../people/people';
import type { SiteFacts } from './site';
import { findWhereabouts } from './whereabouts';

/** The site where one person is authorised in some areas only. */
const only = (id: string, ...areas: string[]): SiteFacts => {
  const person = site.people.get(id) as Person;
  const authorisations = person.authorisations.map((one) => ({ ...one, areas }));
  return { ...site, people: new Map(site.people).set(id, { ...person, authorisations }) };
};
const locking = fieldSteps().find(
  ([, command]) => command.kind === 'lock-point' && command.link === 'CB-P201',
);
const [, lock] = locking ?? [];

describe('areas of an authorisation', () => {
  it('of a point are those of either of its ends, of a job all that is worked in', () => {
    expect(lock && findWhereabouts(WALKED(), lock, site.graph)).toEqual({
      areas: ['A-CTL'],
      needs: 'one',
    });
    expect(findWhereabouts(WALKED(), noted({}), site.graph)).toEqual({
      areas: ['A-PMP'],
      needs: 'every',
    });
    const raise = {
      ...RAISE,
      work: [...RAISE.work, { section: 'GAS-MAIN', activity: 'open' as const }],
    };
    expect(findWhereabouts(undefined, raise, site.graph)?.areas).toHaveLength(2);
    const nowhere = { ...RAISE, work: [{ section: 'NONE', activity: 'open' as const }] };
    expect(findWhereabouts(undefined, nowhere, site.graph)).toBeUndefined();
  });

  const raise = (...areas: string[]) =>
    refusalsOf(undefined, 'ada', RAISE, { site: only('ada', ...areas) });
  it('refuse a job elsewhere', () => {
    expect(raise()).toEqual([]);
    expect(raise('A-PMP')).toEqual([]);
    expect(raise('A-PMP', 'A-GAS')).toEqual([]);
    expect(raise('A-GAS')).toEqual(['authorised-elsewhere']);
  });

  it('refuse a step at a point elsewhere, and let a step in their own area be', () => {
    const told = carryOut(fieldSteps().slice(0, 2), WALKED());
    const locks = (...areas: string[]) =>
      lock && refusalsOf(told, 'elif', lock, { site: only('elif', ...areas) });
    expect(locks('A-CTL')).toEqual([]);
    expect(locks('A-PMP')).toEqual(['authorised-elsewhere']);
  });

  it('never keep anybody from stopping the work', () => {
    const stop = { kind: 'stop-work', reason: 'smoke' } as const;
    const codes = refusalsOf(WALKED(), 'kit', stop, { site: only('kit', 'A-GAS') });
    expect(codes).not.toContain('authorised-elsewhere');
  });
});
