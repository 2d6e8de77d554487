import { listDue } from './due';
import type { Person } from './people/people';
import { DEFAULT_VALUES } from './rules/values';

const values = DEFAULT_VALUES;

const NOW = '2026-12-01T08:00:00.000Z';
const inDays = (days: number) => new Date(Date.parse(NOW) + days * 86_400_000).toISOString();
const jo = (leftAt?: string, ...untils: number[]): Person => ({
  id: 'jo',
  name: 'Jo',
  employer: 'F',
  authorisations: untils.map((days) => ({ role: 'worker', until: inDays(days) })),
  ...(leftAt === undefined ? {} : { leftAt }),
});
const due = (person: Person, tested: readonly number[] = []) =>
  listDue(
    {
      people: new Map([['jo', person]]),
      instruments: new Map(
        tested.map((days, n) => [
          `G-${n}`,
          { id: `G-${n}`, name: 'gauge', reads: 'pressure', testedUntil: inDays(days) },
        ]),
      ),
      values,
      earths: new Map([['E-1', { id: 'E-1', name: 'set', testedUntil: inDays(400) }]]),
    },
    NOW,
    60,
  ).map(({ what, isOver }) => `${what}${isOver ? ' OVER' : ''}`);

it('names contracts and kit that is tested', () => {
  const kit = [
    { id: 'GL-1', name: 'gloves', testedUntil: inDays(3) },
    { id: 'LD-1', name: 'ladder' },
  ];
  const pressure = [
    { id: 'PE-1', name: 'receiver', of: 'receiver' as const, inspectedAt: '2025-12-20T00:00:00.000Z', testedAt: '2023-11-20T00:00:00.000Z' },
  ]; // prettier-ignore
  const employers = [
    { id: 'BP', name: 'Blue Pipe', contractUntil: inDays(-2) },
    { id: 'OWN', name: 'F', own: true },
  ];
  const site = {
    people: new Map(),
    instruments: new Map(),
    earths: new Map(),
    kit,
    pressure,
    employers,
    values,
  };
  expect(listDue(site, NOW, 60).map(({ what, kind, isOver }) => [what, kind, isOver])).toEqual([
    ['pressure test of PE-1 receiver', 'pressure equipment', true],
    ['contract of Blue Pipe', 'contract', true],
    ['test of GL-1 gloves', 'kit', false],
    ['inspection of PE-1 receiver', 'pressure equipment', false],
  ]);
});

describe('what runs out', () => {
  it.each<[string, Person, readonly number[], string[]]>([
    ['nothing', jo(undefined, 90), [], []],
    ['an authorisation in a month', jo(undefined, 30), [], ['Jo as worker']],
    ['one that is over', jo(undefined, -1), [], ['Jo as worker OVER']],
    ['one that was renewed', jo(undefined, -1, 90), [], []],
    ['one of who has left', jo(inDays(-1), -1), [], []],
    ['on the day of sixty', jo(undefined, 60), [], []],
    [
      'tests, the soonest first',
      jo(undefined, 5),
      [10, -3],
      ['test of G-1 gauge OVER', 'Jo as worker', 'test of G-0 gauge'],
    ],
  ])('%s', (_, person, tested, expected) => {
    expect(due(person, tested)).toEqual(expected);
  });
});
