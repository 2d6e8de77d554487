import Papa from 'papaparse';
import { Validator } from '@seriousme/openapi-schema-validator';
import { carryOutAt } from '../../tests/support/at-server';
import { check } from '../../tests/support/refusal-rows/audits';
import { fieldSteps, PERMIT, RAISE, USABLE, type Step } from '../../tests/support/seal-change';
import { closeDatabase, openDatabase, type Db } from '../db';
import { readStream, verifyLedger } from '../ledger';
import { listAudits, readAuditFigures } from './audits';
import { writeCalendar } from './calendar';
import { moveClock, readNow } from './clock';
import { loadDemo } from './demo';
import { EXPORT_NAMES, streamExport, type ExportName } from './exports';
import { carryOutHandover, draftReport, readHandovers } from './handover';
import { carryOut, listNewest, readJobNow } from './jobs';
import { describeInterface } from './openapi';
import { readPresence } from './presence';
import { findAnything } from './search';
import { findToken, listTokens, makeToken, revokeToken } from './tokens';
import { readBoard } from './watch';
import { findOrder, receiveOrders } from './work-orders';
import { verifyAll } from './verify';

const QUIN: Step[] = [
  [
    'quin',
    check({
      shown: {
        found: 'differs',
        seen: '=HYPERLINK("x")',
        followUp: { what: 'hang a new copy', who: 'jun', until: '2030-01-01T00:00:00.000Z' },
      },
    }),
  ],
];

let db: Db;
let job = '';
beforeAll(async () => {
  db = openDatabase(':memory:');
  await loadDemo(db);
  ({ job } = carryOutAt(db, [...USABLE, ...fieldSteps(), ...PERMIT, ...QUIN]));
});
afterAll(() => closeDatabase(db));

const readAll = async (name: ExportName, format: 'csv' | 'json') =>
  new Response(streamExport(db, name, format)).text();
const from = { source: 'stores', actor: 'token/x' };
const ORDER = { number: '4711', title: 'Grease the coupling', equipment: 'P-202' };

describe('the morning of the demonstration', () => {
  it('goes through every rule, and stands with permits out, one waiting, one closed', async () => {
    const own = openDatabase(':memory:');
    await loadDemo(own, { morning: true });
    const board = readBoard(own);
    expect(board.counts).toMatchObject({
      live: 1,
      suspended: 1,
      on: 2,
      lapsed: 0,
      unbalanced: 0,
    });
    expect(board.rows.map(({ state }) => state)).toEqual(['issued', 'watched', 'suspended']);
    expect(readPresence(own)).toMatchObject({ inside: 0, alarms: [{ job: 'J-0008' }] });
    expect(listNewest(own).flatMap(({ id, permit }) => (permit ? [[id, permit]] : []))).toEqual([
      ['J-0005', 'closed'],
      ['J-0006', 'issued'],
      ['J-0007', 'watched'],
      ['J-0008', 'suspended'],
    ]);
    moveClock(own, 12);
    expect(listNewest(own).filter(({ permit }) => permit === 'lapsed')).toHaveLength(2);
    expect(board.handover).toMatchObject({ number: 1 });
    expect(listAudits(own)).toHaveLength(1);
    expect(verifyLedger(own)).toMatchObject({ whole: true });
    closeDatabase(own);
  });
});

describe('work orders from outside', () => {
  const wordsOf = (...documents: unknown[]) => {
    const answer = receiveOrders(db, documents, from);
    return answer.ok ? answer.received.map(({ became }) => became) : answer.problems;
  };
  const events = () => readStream(db, 'site/work-orders').length;

  it('are taken in once, changed when they change, and all refused when one does not fit', () => {
    expect(wordsOf(ORDER, { ...ORDER, number: '4712' })).toEqual(['new', 'new']);
    expect(wordsOf(ORDER)).toEqual(['unchanged']);
    expect(wordsOf({ ...ORDER, hours: 3 })).toEqual(['changed']);
    const before = events();
    expect(wordsOf({ ...ORDER, number: '4713' }, { ...ORDER, equipment: 'X' })).toEqual([
      { row: 2, field: 'equipment', says: 'X is not on the drawing' },
    ]);
    expect(events()).toBe(before);
    expect(findOrder(db, '4713')).toBeUndefined();
  });

  it('are raised once, and say so when they change after that', () => {
    const raise: Step = ['ada', { ...RAISE, workOrder: '4711' }];
    const raised = carryOutAt(db, [raise], { job: 'next', sequence: 0 }).job;
    expect(findOrder(db, '4711')?.job).toBe(raised);
    expect(() => carryOutAt(db, [raise], { job: 'next', sequence: 0 })).toThrow(
      /work-order-raised/,
    );
    expect(receiveOrders(db, [{ ...ORDER, hours: 5 }], from)).toMatchObject({
      received: [{ became: 'changed-after-raising', job: raised }],
    });
    expect(findAnything(db, '4711').jobs.map((found) => found.job)).toEqual([raised]);
  });

  it('are refused in too great a number', () => {
    expect(wordsOf(...Array.from({ length: 501 }, () => ORDER))).toEqual([
      { row: 0, field: '(sheet)', says: 'at most 500 at once, these are 501' },
    ]);
  });
});

describe('tokens', () => {
  it('open until they are revoked, and are kept nowhere as they are', () => {
    const { id, text } = makeToken(db, { name: 'wall', scope: 'read', actor: 'uma' });
    expect(findToken(db, text)).toMatchObject({ id, scope: 'read', by: 'uma' });
    expect(JSON.stringify(readStream(db, 'site/tokens'))).not.toContain(text);
    expect(revokeToken(db, id, 'uma')).toBe(true);
    expect(revokeToken(db, id, 'uma')).toBe(false);
    expect(findToken(db, text)).toBeUndefined();
    expect(findToken(db, '')).toBeUndefined();
    expect(listTokens(db)[0]).toMatchObject({
      name: 'wall',
      revokedAt: expect.any(String) as string,
    });
  });
});

describe('tables out', () => {
  it.each(EXPORT_NAMES)(
    '%s goes out as JSON and as CSV with the same number of rows',
    async (name) => {
      const rows = JSON.parse(await readAll(name, 'json')) as unknown[];
      const sheet = Papa.parse(await readAll(name, 'csv'), { header: true, skipEmptyLines: true });
      expect(sheet.data).toHaveLength(rows.length);
    },
  );

  it('holds every event in order, and no PIN', async () => {
    const rows = JSON.parse(await readAll('events', 'json')) as { id: number }[];
    expect(rows.map(({ id }) => id)).toEqual(rows.map((_, n) => n + 1));
    expect(verifyLedger(db)).toMatchObject({ whole: true, events: rows.length });
    expect(await readAll('people', 'csv')).not.toMatch(/pin/i);
  });

  it('makes a cell that a spreadsheet would run harmless', async () => {
    const orders = [{ ...ORDER, number: '4799', title: '=1+1' }];
    receiveOrders(db, orders, from);
    expect(await readAll('work-orders', 'csv')).toContain("'=1+1");
  });
});

describe('the calendar', () => {
  it('shows a permit from issue to lapse, as RFC 5545 writes it', () => {
    const text = writeCalendar(db);
    const number = `P-${job.slice(2)}`;
    expect(text).toMatch(/^BEGIN:VCALENDAR\r\nVERSION:2\.0\r\n/);
    expect(text).toContain(`SUMMARY:${number} lapses at the end`);
    const permit = readBoard(db).rows.find((row) => row.number === number);
    expect(text).toContain(`DTEND:${permit?.until.replace(/[-:]|\.\d+/g, '')}`);
    // Lines end with CRLF and are at most 75 octets (RFC 5545, 3.1).
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  });
});

describe('the description of the interface', () => {
  it('is a valid OpenAPI 3.1 document', async () => {
    const answer = await new Validator().validate(structuredClone(describeInterface()));
    expect(answer.errors).toBeUndefined();
    expect(answer.valid).toBe(true);
  });
});

describe('find anything', () => {
  const jobsOf = (question: string) => findAnything(db, question).jobs.map((found) => found.job);

  it.each([
    ['a permit number', () => `P-${job.slice(2)}`],
    ['a job', () => job],
    ['equipment', () => 'P-201 BOX-1'],
    ['a point', () => 'HV-2004 C-1'],
    ['a lock', () => 'C-1'],
    ['a person by name', () => 'Hana C-1'],
    ['a date', () => `${readNow(db).slice(0, 10)} C-1`],
    ['a word that someone wrote', () => 'stopped at the panel'],
    ['the beginning of a word', () => 'clamp'],
  ])('finds the job by %s', (_, question) => {
    expect(jobsOf(question())).toContain(job);
  });

  it('finds things of the site and where they hang', () => {
    expect(findAnything(db, 'C-1').things).toContainEqual(
      expect.objectContaining({ kind: 'lock', id: 'C-1', job }),
    );
    expect(findAnything(db, 'hana').things).toContainEqual(
      expect.objectContaining({ kind: 'person', id: 'hana' }),
    );
    expect(findAnything(db, 'HV-2004').things[0]).toMatchObject({ kind: 'plant', id: 'HV-2004' });
  });

  it.each([
    '',
    '   ',
    '"',
    '*',
    'NEAR(zzzz',
    'zzzz AND',
    '-- ;',
    'zzzzqqq',
    "'; drop table event; --",
  ])('answers nonsense with nothing: %s', (question) => {
    expect(findAnything(db, question).jobs).toEqual([]);
  });
});

describe('a shift handed over at the server', () => {
  const give = (digest: string | undefined, expected = readHandovers(db).version) =>
    carryOutHandover(db, {
      command: { kind: 'hand-over-shift', incoming: 'ben', notes: 'as told', promises: [] },
      expected,
      digest,
      actor: 'ada',
      signed: ['ada', 'ben'],
    });

  it('is refused when the report is another by now, or someone was faster', () => {
    const seen = draftReport(db).digest;
    carryOutAt(db, [['kit', { kind: 'stop-work', reason: 'smell' }]], {
      job,
      sequence: readJobNow(db, job)?.sequence ?? 0,
    });
    expect(give(seen)).toMatchObject({ ok: false, kind: 'changed-meanwhile' });
    expect(give(undefined)).toMatchObject({ ok: false, kind: 'changed-meanwhile' });
    expect(give(draftReport(db).digest, 7)).toMatchObject({ ok: false, kind: 'changed-meanwhile' });
  });

  it('is kept with its report, and stands on the board until all have read it', () => {
    moveClock(db, 12);
    expect(readBoard(db).handover.due).toBeDefined();
    expect(give(draftReport(db).digest)).toMatchObject({ ok: true });
    const [handover] = readHandovers(db).record.handovers;
    expect(handover?.report.suspended).toEqual([expect.objectContaining({ job })]);
    const { due, unread, number } = readBoard(db).handover;
    expect({ due, number }).toEqual({ number: 1 });
    expect(unread).toContain('cora');
    const read = carryOutHandover(db, {
      command: { kind: 'read-handover', handover: 1, person: 'cora' },
      expected: 1,
      actor: 'ada',
      signed: ['cora'],
    });
    expect(read.ok).toBe(true);
    expect(readBoard(db).handover.unread).not.toContain('cora');
  });
});

describe('checks over time', () => {
  it('are counted beside the permits issued, and rebuilt lists agree', () => {
    expect(listAudits(db)).toEqual([expect.objectContaining({ job, by: 'quin' })]);
    expect(readAuditFigures(db).months).toEqual([
      expect.objectContaining({ audits: 1, issued: 1, asWritten: 8, looked: 9 }),
    ]);
    expect(verifyAll(db).problems).toEqual([]);
  });
});

describe('a job as it is read from outside', () => {
  it('says what holds it up; and nothing for a job that is not there', () => {
    expect(readJobNow(db, job)?.holding.map(({ code }) => code)).toContain('work-stopped');
    expect(readJobNow(db, 'J-9999')).toBeUndefined();
    expect(
      carryOut(db, {
        jobId: 'J-9999',
        command: { kind: 'approve-permit' },
        expected: 0,
        key: 'abcdefgh',
        actor: 'hana',
        signed: ['hana'],
      }),
    ).toMatchObject({ ok: false });
  });
});
