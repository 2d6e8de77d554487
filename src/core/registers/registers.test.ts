import type { Person } from '../people/people';
import type { RuleCode } from '../rules/book';
import { changeRegisters, refuseRegisterChange, type RegisterChange } from './change';
import {
  NO_REGISTERS,
  registerSchema,
  REGISTER_NAMES,
  type RegisterRow,
  type Registers,
} from './schema';
import { readRegisterSheet, writeRegisterSheet } from './sheet';

const NOW = '2026-12-01T08:00:00.000Z';
const UNTIL = '2027-06-30T23:59:00.000Z';
const people = new Map<string, Person>([
  ['jo', { id: 'jo', name: 'Jo', employer: 'F', authorisations: [] }],
  ['al', { id: 'al', name: 'Al', employer: 'F', authorisations: [], leftAt: NOW }],
]);
const REGISTERS: Registers = registerSchema.parse({
  ...NO_REGISTERS,
  locks: [
    { id: 'P-1', set: 'pumps', use: 'point' },
    { id: 'P-2', set: 'pumps', use: 'point' },
  ],
  boxes: [{ id: 'BOX-1', name: 'Box 1' }],
  instruments: [{ id: 'VT-1', name: 'Tester', reads: 'voltage', testedUntil: UNTIL }],
});
const inUse = {
  locks: new Map([['P-1', 'hangs at J-1']]),
  boxes: new Map<string, string>(),
  instruments: new Map([['VT-1', 'stands at J-1']]),
  earths: new Map<string, string>(),
  hasps: new Map<string, string>(),
  pressure: new Map<string, string>(),
  kit: new Map<string, string>(),
  employers: new Map([['F', 'employs 1 at the site']]),
  bundles: new Map<string, string>(),
};
const change = (
  name: RegisterChange['name'],
  put: readonly RegisterRow[],
  remove: readonly string[] = [],
): RuleCode[] =>
  refuseRegisterChange(REGISTERS, { name, put, remove }, { inUse, people, now: NOW }).map(
    ({ code }) => code,
  );

describe('a register that is changed', () => {
  it.each<[string, RuleCode[], RuleCode[]]>([
    ['a lock more', change('locks', [{ id: 'P-3', set: 'x', use: 'point' }]), []],
    ['a lock taken out', change('locks', [], ['P-2']), []],
    ['a lock that hangs taken out', change('locks', [], ['P-1']), ['register-in-use']],
    [
      'a lock that hangs made another',
      change('locks', [{ id: 'P-1', set: 'pumps', use: 'control' }]),
      ['register-in-use'],
    ],
    [
      'a lock that hangs as it is',
      change('locks', [{ id: 'P-1', set: 'pumps', use: 'point' }]),
      [],
    ],
    ['a lock that nobody has', change('locks', [], ['P-9']), ['register-unknown']],
    [
      'a firm led by somebody who is there',
      change('employers', [{ id: 'G', name: 'G', lead: 'jo' }]),
      [],
    ],
    [
      'a firm led by somebody who has left',
      change('employers', [{ id: 'G', name: 'G', lead: 'al' }]),
      ['employer-lead-unknown'],
    ],
    [
      'a bundle of roles',
      change('bundles', [{ id: 'SE', name: 'Shift engineer', roles: ['coordinator'] }]),
      [],
    ],
    [
      'a personal lock',
      change('locks', [{ id: 'W-1', set: 'own', use: 'personal', owner: 'jo' }]),
      [],
    ],
    [
      'a personal lock of nobody',
      change('locks', [{ id: 'W-1', set: 'own', use: 'personal' }]),
      ['lock-without-owner'],
    ],
    [
      'a personal lock of one who has left',
      change('locks', [{ id: 'W-1', set: 'own', use: 'personal', owner: 'al' }]),
      ['lock-without-owner'],
    ],
    [
      'a lock of the site with an owner',
      change('locks', [{ id: 'P-3', set: 'x', use: 'point', owner: 'jo' }]),
      ['lock-has-owner'],
    ],
    [
      'an instrument in use put in date',
      change('instruments', [{ id: 'VT-1', name: 'Tester', reads: 'voltage', testedUntil: NOW }]),
      [],
    ],
    ['an instrument in use taken out', change('instruments', [], ['VT-1']), ['register-in-use']],
  ])('%s', (_, found, expected) => {
    expect(found).toEqual(expected);
  });

  it.each<[string, object, ReadonlySet<string> | undefined, string[]]>([
    ['at something that is drawn', { at: 'P-201' }, new Set(['P-201']), []],
    ['at something that is not', { at: 'P-2O1' }, new Set(['P-201']), ['pressure-not-drawn']],
    ['at nothing', {}, new Set(['P-201']), []],
    ['before anything is drawn', { at: 'P-201' }, undefined, []],
  ])('has pressure equipment %s', (_, more, drawn, expected) => {
    const put = [{ id: 'PE-1', name: 'Vessel', of: 'vessel' as const, ...more }];
    const change = { name: 'pressure' as const, put, remove: [] };
    const found = refuseRegisterChange(REGISTERS, change, { inUse, people, now: NOW, drawn });
    expect(found.map(({ code }) => code)).toEqual(expected);
  });

  it('keeps its rows in the order of their numbers, and the other registers as they are', () => {
    const put = [10, 9].map((n) => ({ id: `P-${n}`, set: 'x', use: 'point' as const }));
    const next = changeRegisters(REGISTERS, { name: 'locks', put, remove: ['P-1'] });
    expect(next.locks.map(({ id }) => id)).toEqual(['P-2', 'P-9', 'P-10']);
    expect(next.boxes).toBe(REGISTERS.boxes);
  });
});

describe('the sheet of a register', () => {
  const problemsOf = (name: RegisterChange['name'], text: string) => {
    const read = readRegisterSheet(name, text, 'UTC');
    return read.ok
      ? ''
      : read.problems.map(({ row, field, says }) => `${row} ${field}: ${says}`).join('\n');
  };

  it('reads again what was written', () => {
    const full: Registers = registerSchema.parse({
      ...REGISTERS,
      earths: [{ id: 'ES-1', name: 'Set', rated_ka: 12.5, rated_s: 1, testedUntil: UNTIL }],
      hasps: [{ id: 'H-1', name: 'Hasp', holes: 6 }],
      kit: [
        {
          id: 'GL-1',
          name: 'Gloves',
          use: 'class 0',
          kind: 'gloves',
          rated_v: 1000,
          testedUntil: UNTIL,
        },
        { id: 'RA-1', name: 'Radio', use: 'channel 4', unsafe: 'aerial broken' },
      ],
      pressure: [
        {
          id: 'HO-1',
          name: 'Hose',
          of: 'hose',
          portable: true,
          at: 'P-201',
          certificate: 'C-7',
          inspectedAt: '2026-01-02T00:00:00.000Z',
          testedAt: '2026-01-02T00:00:00.000Z',
          alteredAt: '2026-02-02T00:00:00.000Z',
          altered: 'a new coupling',
          unsafe: 'bulges',
        },
      ],
      employers: [
        { id: 'OWN', name: 'F', own: true },
        {
          id: 'BP',
          name: 'Blue Pipe',
          own: false,
          contract: 'C-1',
          contractFrom: '2026-01-01T00:00:00.000Z',
          contractUntil: UNTIL,
          exchangedAt: '2026-01-02T00:00:00.000Z',
          lead: 'jo',
        },
      ],
      bundles: [{ id: 'SE', name: 'Shift engineer', roles: ['coordinator', 'worker'] }],
      instruments: [
        ...REGISTERS.instruments,
        {
          id: 'GD-1',
          name: 'Gas',
          reads: 'gas',
          testedUntil: UNTIL,
          detector: {
            sensors: [
              { gas: 'oxygen', kind: 'electrochemical', unit: '%vol', most: 30, t90_s: 15 },
            ],
          },
        },
      ],
    });
    for (const name of REGISTER_NAMES) {
      const rows: readonly RegisterRow[] = full[name];
      expect(readRegisterSheet(name, writeRegisterSheet(name, rows), 'UTC')).toEqual({
        ok: true,
        rows,
      });
    }
  });

  it('takes a day as its end by the clock of the site', () => {
    const read = readRegisterSheet('earths', 'id,name,testedUntil\nES-1,Set,2027-06-30', 'UTC');
    expect(read).toMatchObject({ ok: true, rows: [{ testedUntil: UNTIL }] });
  });

  it.each<[string, RegisterChange['name'], string, string]>([
    ['a use that is none', 'locks', 'id,set,use\nP-1,x,door', '1 use: '],
    [
      'a number twice',
      'locks',
      'id,set,use\nP-1,x,point\nP-1,x,point',
      '2 id: P-1 stands in row 1',
    ],
    ['a number that a spreadsheet would run', 'locks', 'id,set,use\n=1+1,x,point', '1 id: '],
    ['a day that is none', 'earths', 'id,name,testedUntil\nES-1,Set,soon', '1 testedUntil: '],
    [
      'a figure that is none',
      'earths',
      'id,name,rated_ka,testedUntil\nES-1,S,big,2027-06-30',
      'found "big"',
    ],
    [
      'sensors that are none',
      'instruments',
      'id,name,reads,testedUntil,detector\nG,G,gas,2027-06-30,{',
      '1 detector: ',
    ],
    ['a column that is none', 'boxes', 'id,name,colour\nB,B,red', '0 colour: no such column'],
    ['a column too few', 'boxes', 'id\nB', '0 name: the column is missing'],
  ])('is refused by row and column: %s', (_, name, text, words) => {
    expect(problemsOf(name, text)).toContain(words);
  });
});
