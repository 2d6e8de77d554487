import { findLatestEnd, findLatestExtension, LONGEST_TOTAL_HOURS } from '../../src/core/permits';
import { describeSheets, type Sheet } from '../../src/core/job';
import { DEFAULT_VALUES, SITE_VALUES } from '../../src/core/rules/values';
import {
  carryOut,
  ISSUED_WITH,
  LIVE,
  ON,
  READY,
  refusalsOf,
  site,
  START,
  type Step,
} from '../support/seal-change';

const sheetsOf = (state = LIVE(), copy?: number): Sheet[] => {
  if (!state) throw new Error('no job');
  return describeSheets(state, { job: 'J-0001', site, now: START, copy });
};
const textOf = (sheets: readonly Sheet[]): string => JSON.stringify(sheets);
const labelsOf = (sheets: readonly Sheet[]): string[] =>
  sheets.flatMap(({ blocks }) =>
    blocks.flatMap((block) => [
      ...(block.title === undefined ? [] : [block.title]),
      ...(block.kind === 'facts' ? block.rows.map(([label]) => label) : []),
      ...(block.kind === 'table' ? block.head : []),
    ]),
  );

/** Source: HSG250, Guidance on permit-to-work systems (2005), the elements that a permit form should have; from memory. */
describe('HSG250, elements of a permit', () => {
  it.each([
    ['permit title', 'Permit to work'],
    ['permit reference number', 'P-0001'],
    ['job location', 'Pump hall'],
    ['plant identification', 'P-201'],
    ['description of work to be done', 'Seal change'],
    ['hazard identification', 'What is left in the line or vessel comes out'],
    ['precautions necessary', 'let down, drained and proved empty'],
    ['protective equipment', 'chemical gloves'],
    ['authorisation', 'Hana Brightwater'],
    ['acceptance', 'Jun Ravensworth, both by PIN'],
    ['validity', 'VALID UNTIL 2026-11-24 15:00 UTC'],
    ['isolation', 'CB-P201'],
    ['other permits', 'Line-breaking certificate'],
  ])('%s', (_, words) => {
    expect(textOf(sheetsOf())).toContain(words);
  });

  it('extension and shift handover procedures: signed, with what was tested', () => {
    const extend: Step = [
      'hana',
      { kind: 'extend-permit', hours: 10, performer: 'jun', retested: 'every reading again' },
    ];
    expect(textOf(sheetsOf(carryOut([extend], ON())))).toContain('after every reading again; Hana');
  });

  it('hand-back and cancellation: places for both signatures', () => {
    expect(labelsOf(sheetsOf())).toEqual(
      expect.arrayContaining(['Handed back by', 'Inspected and closed by']),
    );
  });

  it('whoever issues a permit is not whoever does the work', () => {
    const issue = { kind: 'issue-permit', briefed: true, performer: 'jun' } as const;
    expect(refusalsOf(LIVE(), 'jun', issue)).toEqual(
      expect.arrayContaining(['role-missing', 'performs-and-issues']),
    );
  });

  it('copies are numbered, and each says who has it', () => {
    const given: Step = ['hana', { kind: 'give-copy', holder: 'control room' }];
    expect(textOf(sheetsOf(carryOut([given], LIVE()), 1))).toContain('No. 1, control room');
  });
});

/** Source: 29 CFR 1910.146(f), what an entry permit identifies, (1) to (15); paraphrased from memory. */
describe('29 CFR 1910.146(f), items on an entry permit', () => {
  const entry = (): Sheet[] => {
    const manned: Step[] = [
      ['hana', { kind: 'take-duty', person: 'sol', duty: 'attendant', checked: READY.attendant }],
      ['hana', { kind: 'sign-on', person: 'kit', lock: 'W-02' }],
    ];
    return sheetsOf(carryOut(manned, ISSUED_WITH('enter')));
  };
  it.each([
    ['(1) the space to be entered', 'P201-CAS'],
    ['(2) the purpose of the entry', 'Seal change'],
    ['(3) the date and the authorized duration', 'VALID UNTIL 2026-11-24 15:00 UTC'],
    ['(4) the authorized entrants by name', 'Kit Oyelaran'],
    ['(5) the attendants by name', 'Sol Mbeki-Hartley'],
    [
      '(6) the entry supervisor, with signature',
      'Hana Brightwater and Jun Ravensworth, both by PIN',
    ],
    ['(7) the hazards of the space', 'Being overcome or trapped in a confined space'],
    ['(8) the measures used to isolate it and to control its hazards', 'HV-2001'],
    ['(9) the acceptable entry conditions', 'oxygen 20 to 23.5 % vol; flammables below 10 % LFL'],
    ['(10) results of the tests', 'oxygen 20.9 %vol, methane 0 %LFL'],
    ['(10) names of the testers and when', '"fit","Finn Delacourt-Reyes"'],
    ['(11) rescue and emergency services', 'rescue team told and standing by'],
    ['(11) how they are summoned', 'radio channel 1, site emergency 3333'],
    ['(12) how entrants and attendant keep in contact', 'radio channel 4, and the line'],
    ['(13) equipment', 'retrieval device set up'],
    ['(13) rescue equipment', 'tripod with winch over the manway'],
    ['(15) any additional permits', 'Line-breaking certificate'],
  ])('%s', (_, words) => {
    expect(textOf(entry())).toContain(words);
  });
});

/** Source: 29 CFR 1910.252(a)(2) and NFPA 51B (2019), values from memory. */
describe('hot work', () => {
  it('1910.252(a)(2)(iii)(B): watched for at least half an hour; NFPA 51B: an hour', () => {
    const tail = SITE_VALUES['tail-min'];
    expect([tail.least, tail.standard]).toEqual([30, 60]);
  });

  it('1910.252(a)(2)(vii): 35 ft to what can burn', () => {
    // 35 ft are 10.668 m.
    expect(SITE_VALUES['hot-work-radius-m'].least).toBeGreaterThanOrEqual(35 * 0.3048);
  });

  it('NFPA 51B: a permit is valid for no more than 24 h', () => {
    expect(LONGEST_TOTAL_HOURS).toBe(24);
    const day = { ...DEFAULT_VALUES, validity: 'day' } as const;
    const hours = (end: string) => (Date.parse(end) - Date.parse(START)) / 3_600_000;
    expect(hours(findLatestEnd(START, day))).toBe(24);
    const late = new Date(Date.parse(START) + 20 * 3_600_000).toISOString();
    expect(hours(findLatestExtension(START, late, day))).toBe(24);
  });
});

/** Source: 29 CFR 1910.146(d)(6) and (i)(4): an attendant at every entry who is not called away. */
it('1910.146(d)(6): nobody enters without an attendant outside', () => {
  const enter = { kind: 'sign-on', person: 'kit', lock: 'W-02' } as const;
  expect(refusalsOf(ISSUED_WITH('enter'), 'hana', enter)).toEqual(['duty-missing']);
});
