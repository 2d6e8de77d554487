import { site } from '../../../tests/support/seal-change';
import { checkOrders, readOrderSheet } from '.';

const HEADER = 'number,title,equipment,work,hours,wantedFrom,wantedUntil,performer,note';
const read = (...rows: string[]) => readOrderSheet([HEADER, ...rows].join('\n'));
const ORDER = { number: '4711', title: 'Seal change', equipment: 'P-201' };
const problemsOf = (...documents: unknown[]) => {
  const checked = checkOrders(documents, site);
  return checked.ok ? [] : checked.problems.map(({ row, field }) => `${row} ${field}`);
};

describe('a sheet of work orders', () => {
  it('is read row by row, empty cells left out', () => {
    const sheet = read(
      '4711,"Seal change, again",P-201,P201-CAS open; P201-PSH touch,6,2026-11-26T06:00:00Z,,jun,',
      '4712,Grease,P-202,,,,,,',
    );
    if (!sheet.ok) throw new Error('refused');
    expect(sheet.documents).toEqual([
      {
        number: '4711',
        title: 'Seal change, again',
        equipment: 'P-201',
        work: [
          { section: 'P201-CAS', activity: 'open' },
          { section: 'P201-PSH', activity: 'touch' },
        ],
        hours: 6,
        wantedFrom: '2026-11-26T06:00:00Z',
        performer: 'jun',
      },
      { number: '4712', title: 'Grease', equipment: 'P-202' },
    ]);
    expect(checkOrders(sheet.documents, site)).toMatchObject({ ok: true });
  });

  it.each([
    ['a missing column', readOrderSheet('number,title\n1,x'), '0 equipment'],
    [
      'an unknown column',
      readOrderSheet('number,title,equipment,colour\n1,x,P-201,red'),
      '0 colour',
    ],
    ['a row that is too long', read('1,x,P-201,,,,,,,,,'), '1 (row)'],
    ['no rows', readOrderSheet(`${HEADER}\n`), '0 (sheet)'],
    ['nothing at all', readOrderSheet(''), '0 number'],
  ])('is refused for %s', (_, sheet, first) => {
    expect(sheet.ok ? '' : `${sheet.problems[0]?.row} ${sheet.problems[0]?.field}`).toBe(first);
  });
});

describe('work orders', () => {
  it.each<[string, unknown[], string[]]>([
    ['fit', [ORDER], []],
    ['equipment that is not on the drawing', [{ ...ORDER, equipment: 'X-9' }], ['1 equipment']],
    [
      'a section that is not on the drawing',
      [{ ...ORDER, work: [{ section: 'NOWHERE', activity: 'open' }] }],
      ['1 work'],
    ],
    [
      'an activity that is none',
      [{ ...ORDER, work: [{ section: 'P201-CAS', activity: 'paint' }] }],
      ['1 work.0.activity'],
    ],
    ['hours that are no number', [{ ...ORDER, hours: 'six' }], ['1 hours']],
    ['hours out of range', [{ ...ORDER, hours: 900 }], ['1 hours']],
    [
      'an end before its beginning',
      [{ ...ORDER, wantedFrom: '2026-11-26T10:00:00Z', wantedUntil: '2026-11-26T09:00:00Z' }],
      ['1 wantedUntil'],
    ],
    ['a day that is none', [{ ...ORDER, wantedFrom: 'tomorrow' }], ['1 wantedFrom']],
    ['a leader who may not lead', [{ ...ORDER, performer: 'kit' }], ['1 performer']],
    ['a number that stands twice', [ORDER, { ...ORDER, title: 'other' }], ['2 number']],
    ['something that is no order', [ORDER, 7], ['2 (order)']],
    ['a field that is not known', [{ ...ORDER, colour: 'red' }], ['1 (order)']],
  ])('%s', (_, documents, problems) => {
    expect(problemsOf(...documents)).toEqual(problems);
  });
});
