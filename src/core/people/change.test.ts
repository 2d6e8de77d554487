import type { RuleCode } from '../rules/book';
import { listGrants, refusePerson, type PersonContext } from './change';
import { findAuthorisation, type Authorisation, type Person } from './people';

const NOW = '2026-12-01T08:00:00.000Z';
const SOON = '2027-12-01T08:00:00.000Z';
const grant = (role: Authorisation['role'], more: Partial<Authorisation> = {}): Authorisation => ({
  role,
  until: SOON,
  evidence: 'course of 2026-10-04',
  ...more,
});
const person = (id: string, ...authorisations: Authorisation[]): Person => ({
  id,
  name: id,
  employer: 'Ferry Lane Water',
  authorisations,
});
const MIRA = person('mira', grant('site-manager'));
const TOM = person('tom', grant('site-manager'));
const JO = person('jo', grant('worker'));
const ALL = [MIRA, TOM, JO];
const AREAS = new Set(['A-HALL']);

const codes = (next: Person, more: Partial<PersonContext> = {}, before?: Person): RuleCode[] =>
  refusePerson(next, before, {
    actor: 'mira',
    now: NOW,
    people: ALL,
    holds: [],
    areas: AREAS,
    ...more,
  }).map(({ code }) => code);

describe('a person that is saved', () => {
  it.each<[string, Person, Person | undefined, Partial<PersonContext>, RuleCode[]]>([
    ['somebody new', person('ed', grant('worker')), undefined, {}, []],
    ['somebody new without any authorisation', person('ed'), undefined, {}, []],
    ['another grant', person('jo', grant('worker'), grant('fire-watch')), JO, {}, []],
    [
      'a grant to oneself',
      { ...MIRA, authorisations: [...MIRA.authorisations, grant('coordinator')] },
      MIRA,
      {},
      ['grant-to-oneself'],
    ],
    [
      'one’s own end put off',
      person('mira', grant('site-manager', { until: '2028-01-01T00:00:00.000Z' })),
      MIRA,
      {},
      ['grant-to-oneself'],
    ],
    ['one’s own name', { ...MIRA, name: 'Mira H.' }, MIRA, {}, []],
    ['one’s own authorisation taken away', person('mira'), MIRA, {}, []],
    [
      'a grant without evidence',
      person('jo', grant('worker'), grant('fire-watch', { evidence: '  ' })),
      JO,
      {},
      ['grant-without-evidence'],
    ],
    [
      'a grant that is over',
      person('jo', grant('fire-watch', { until: NOW })),
      JO,
      {},
      ['grant-ends-before'],
    ],
    [
      'a grant that ends a second later',
      person('jo', grant('fire-watch', { until: '2026-12-01T08:00:01.000Z' })),
      JO,
      {},
      [],
    ],
    [
      'a grant that ends before it begins',
      person('jo', grant('fire-watch', { from: SOON })),
      JO,
      {},
      ['grant-ends-before'],
    ],
    [
      'an old grant that has lapsed and stays',
      person('jo', grant('worker', { until: '2020-01-01T00:00:00.000Z', evidence: undefined })),
      person('jo', grant('worker', { until: '2020-01-01T00:00:00.000Z', evidence: undefined })),
      {},
      [],
    ],
    ['a grant for one area', person('jo', grant('worker', { areas: ['A-HALL'] })), JO, {}, []],
    [
      'a grant for an area that is not there',
      person('jo', grant('worker', { areas: ['A-HALL', 'A-MOON'] })),
      JO,
      {},
      ['grant-area-unknown'],
    ],
    ['leaving with nothing', { ...JO, leftAt: NOW }, JO, {}, []],
    [
      'leaving with a lock that hangs',
      { ...JO, leftAt: NOW },
      JO,
      { holds: ['lock W-1 hangs at J-1'] },
      ['still-holds'],
    ],
    [
      'another name for who has left',
      { ...JO, leftAt: NOW, name: 'Jo B.' },
      { ...JO, leftAt: NOW },
      { holds: ['x'] },
      [],
    ],
    [
      'the last site manager leaves',
      { ...MIRA, leftAt: NOW },
      MIRA,
      { people: [MIRA, JO], actor: 'jo' },
      ['last-site-manager'],
    ],
    [
      'the last site manager is taken away',
      person('mira'),
      MIRA,
      { people: [MIRA, JO] },
      ['last-site-manager'],
    ],
    ['one of two site managers leaves', { ...TOM, leftAt: NOW }, TOM, {}, []],
  ])('%s', (_, next, before, more, expected) => {
    expect(codes(next, more, before)).toEqual(expected);
  });

  it('counts as a grant whatever is not as it was', () => {
    const [worker] = JO.authorisations;
    expect(listGrants(JO, JO)).toEqual([]);
    expect(listGrants(JO, undefined)).toEqual([worker]);
    const more = { ...JO, authorisations: [{ ...(worker as Authorisation), up_to_v: 1000 }] };
    expect(listGrants(more, JO)).toHaveLength(1);
  });
});

describe('an authorisation', () => {
  const held = (more: Partial<Authorisation>, leftAt?: string) =>
    findAuthorisation({ ...person('jo', grant('worker', more)), leftAt }, 'worker', NOW);
  it.each([
    ['in force', {}, undefined, 'held'],
    ['that begins now', { from: NOW }, undefined, 'held'],
    ['that begins in a second', { from: '2026-12-01T08:00:01.000Z' }, undefined, 'none'],
    ['that ended a second ago', { until: '2026-12-01T07:59:59.000Z' }, undefined, 'lapsed'],
    ['of one who has just left', {}, NOW, 'lapsed'],
    ['of one who leaves in a second', {}, '2026-12-01T08:00:01.000Z', 'held'],
  ] as const)('%s', (_, more, leftAt, expected) => {
    expect(held(more, leftAt)).toBe(expected);
  });
});
