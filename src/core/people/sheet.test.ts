import type { Person } from './people';
import { comparePeople, readPeopleSheet, writePeopleSheet } from './sheet';

const HEAD = 'id,name,employer,role,from,until,up_to_v,evidence,left';
const read = (...rows: string[]) => readPeopleSheet([HEAD, ...rows].join('\n'), 'Europe/Berlin');
const problems = (...rows: string[]) => {
  const found = read(...rows);
  return found.ok ? [] : found.problems.map(({ row, field, says }) => `${row} ${field}: ${says}`);
};

describe('a sheet of people', () => {
  it('gathers the rows of a person; a day begins and ends by the clock of the site', () => {
    const found = read(
      'jo,Jo Barrow,Ferry Lane Water,worker,,2027-06-30,,course 12,',
      'jo,Jo Barrow,Ferry Lane Water,isolating-electrical,2027-01-01,2027-12-31,690,drill 3,',
      'al,Al Reed,Ferry Lane Water,,,,,,2026-12-31',
    );
    expect(found).toEqual({
      ok: true,
      people: [
        {
          id: 'jo',
          name: 'Jo Barrow',
          employer: 'Ferry Lane Water',
          authorisations: [
            { role: 'worker', until: '2027-06-30T21:59:00.000Z', evidence: 'course 12' },
            {
              role: 'isolating-electrical',
              from: '2026-12-31T23:00:00.000Z',
              until: '2027-12-31T22:59:00.000Z',
              up_to_v: 690,
              evidence: 'drill 3',
            },
          ],
        },
        {
          id: 'al',
          name: 'Al Reed',
          employer: 'Ferry Lane Water',
          authorisations: [],
          leftAt: '2026-12-31T22:59:00.000Z',
        },
      ],
    });
  });

  it('is written so that it reads the same again', () => {
    const found = read('jo,"Barrow, Jo",Ferry,worker,,2027-06-30,,"course ""12""",');
    const first = found.ok ? found.people : [];
    const people = first.map((one) => ({
      ...one,
      authorisations: one.authorisations.map((grant) => ({ ...grant, areas: ['A-1', 'A-2'] })),
    }));
    expect(readPeopleSheet(writePeopleSheet(people), 'Europe/Berlin')).toEqual({
      ok: true,
      people,
    });
    expect(comparePeople(people, new Map(people.map((one) => [one.id, one])))).toEqual([]);
  });

  it.each<[string, string[], string[]]>([
    ['a role that is none', ['jo,Jo,F,boss,,2027-06-30,,x,'], ['1 role: ', 'found "boss"']],
    ['a day that is none', ['jo,Jo,F,worker,,2027-02-30,,x,'], ['1 until: ', 'found "2027-02-30"']],
    ['no end', ['jo,Jo,F,worker,,,,x,'], ['1 until: ']],
    [
      'a voltage that is none',
      ['jo,Jo,F,worker,,2027-06-30,much,x,'],
      ['1 up_to_v: ', 'found "much"'],
    ],
    [
      'a short name with a capital',
      ['Jo,Jo,F,worker,,2027-06-30,,x,'],
      ['1 id: ', 'small letters'],
    ],
    ['no name', ['jo,,F,worker,,2027-06-30,,x,'], ['1 name: ']],
    [
      'two names of one person',
      ['jo,Jo,F,worker,,2027-06-30,,x,', 'jo,Joan,F,entrant,,2027-06-30,,x,'],
      ['2 name: jo has another name in row 1'],
    ],
    [
      'the fault of a second authorisation in its own row',
      ['jo,Jo,F,,,,,,', 'jo,Jo,F,worker,,2027-06-30,,x,', 'jo,Jo,F,boss,,2027-06-30,,x,'],
      ['3 role: '],
    ],
    ['no rows', [], ['0 (sheet): there are no rows']],
  ])('is refused by row and column: %s', (_, rows, expected) => {
    const found = problems(...rows).join('\n');
    for (const part of expected) expect(found).toContain(part);
  });

  it('names columns that are missing or unknown', () => {
    const found = readPeopleSheet('id,name,rank\njo,Jo,1', 'UTC');
    const says = found.ok
      ? []
      : found.problems.map(({ field, says: words }) => `${field} ${words}`);
    expect(says).toEqual(
      expect.arrayContaining([
        'employer the column is missing',
        expect.stringMatching(/^rank no such column/),
      ]),
    );
  });

  it('says what it would change, both ways', () => {
    const before: Person = {
      id: 'jo',
      name: 'Jo',
      employer: 'F',
      authorisations: [{ role: 'worker', until: '2027-06-30T23:59:00.000Z' }],
    };
    const next = { ...before, employer: 'G', authorisations: [] };
    expect(comparePeople([next, { ...before, id: 'al' }], new Map([['jo', before]]))).toEqual([
      {
        id: 'jo',
        became: 'changed',
        words: ['+ employer G', '− employer F', '− worker until 2027-06-30'],
      },
      {
        id: 'al',
        became: 'new',
        words: ['+ name Jo', '+ employer F', '+ worker until 2027-06-30'],
      },
    ]);
  });
});
