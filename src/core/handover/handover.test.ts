import { CHECKED } from '../../../tests/support/refusal-rows/audits';
import {
  carryOut,
  fieldSteps,
  ISSUED_WITH,
  LIVE,
  ON,
  site,
  START,
  WALKED,
  UNSIGNED,
} from '../../../tests/support/seal-change';
import { standAt, type DossierState } from '../job';
import { explainIn } from '../rules/book';
import {
  decideHandover,
  evolveHandovers,
  findHandoverDue,
  listHandoverSigners,
  listUnread,
  makeReport,
  NO_HANDOVERS,
  NOTHING_KEPT,
  type HandoverCommand,
  type HandoverPart,
  type HandoverRecord,
} from '.';

const hoursOn = (hours: number) => new Date(Date.parse(START) + hours * 3_600_000).toISOString();

function reportOf(state: DossierState, hours = 0, promised: HandoverRecord['promises'] = []) {
  const now = hoursOn(hours);
  const jobs = state ? [{ id: 'J-0001', dossier: standAt(state, now) }] : [];
  return makeReport(jobs, [], { ...NOTHING_KEPT, promised }, site, now);
}
const wordsOf = (part: HandoverPart, ...rest: Parameters<typeof reportOf>) =>
  reportOf(...rest)[part].map(({ words }) => words);

const HAND_OVER: HandoverCommand = {
  kind: 'hand-over-shift',
  incoming: 'ben',
  notes: 'all quiet',
  promises: [{ what: 'blank back to stores', who: 'finn', until: hoursOn(10) }],
};

function give(
  record: HandoverRecord,
  actor: string,
  command: HandoverCommand,
  {
    state = undefined,
    hours = 0,
    signed = listHandoverSigners(command, actor),
  }: { state?: DossierState; hours?: number; signed?: readonly string[] } = {},
): { codes: string[]; record: HandoverRecord } {
  const now = hoursOn(hours);
  const decision = decideHandover(record, command, {
    actor,
    now,
    signed: new Set(signed),
    site,
    report: reportOf(state, hours, record.promises),
  });
  if (!decision.ok) return { codes: decision.refusals.map(({ code }) => code), record };
  return { codes: [], record: evolveHandovers(record, decision.event, { by: actor, at: now }) };
}
const HANDED = () => give(NO_HANDOVERS, 'ada', HAND_OVER).record;

describe('the report of a shift', () => {
  it('names a live permit with its end and the people on it', () => {
    const [line] = reportOf(ON()).live;
    expect(line).toMatchObject({ job: 'J-0001', until: hoursOn(8), people: ['kit'] });
    expect(line?.words).toMatch(/Seal change: P-0001, 9 point locks hang; BOX-1 shut with C-1/);
  });

  it('names what is isolated with nobody working, and nothing for a job that is only planned', () => {
    expect(wordsOf('isolated', carryOut(fieldSteps(), WALKED()))).toEqual([
      expect.stringMatching(/9 point locks hang/),
    ]);
    const planned = reportOf(WALKED());
    expect(Object.values(planned).flat()).toEqual([]);
  });

  it('names a stop with its reason, and not as live', () => {
    const stopped = carryOut([['kit', { kind: 'stop-work', reason: 'smell of gas' }]], LIVE());
    expect(wordsOf('suspended', stopped)).toEqual(['Seal change: smell of gas']);
    expect(reportOf(stopped).live).toEqual([]);
  });

  it('names a lapse with who is still on, and proofs that ran out', () => {
    expect(reportOf(ON(), 9).overdue).toEqual([
      expect.objectContaining({
        words: expect.stringMatching(/has lapsed/) as string,
        people: ['kit'],
      }),
    ]);
    expect(wordsOf('overdue', carryOut(fieldSteps(), WALKED()), 2)).toEqual([]);
    const [left] = wordsOf('isolated', carryOut(fieldSteps(), WALKED()), 2);
    expect(left).toMatch(/proved again/);
    expect(left).toMatch(/lamps lit: .*Digestate from .*The motor M-P201/);
  });

  it('names a fire watch that is over and a permit that nobody closed', () => {
    const watched = carryOut(
      [
        [
          'jun',
          {
            kind: 'hand-back',
            cleared: true,
            finished: true,
            unsigned: UNSIGNED,
            remarks: '',
            watcher: 'sol',
          },
        ],
      ],
      ISSUED_WITH('spark'),
    );
    expect(wordsOf('overdue', watched, 3)).toContainEqual(
      expect.stringMatching(/fire watch over, not inspected and closed/),
    );
    expect(wordsOf('isolated', watched)[0]).toMatch(/P-0001 handed back, not closed/);
  });

  it('names what a check left to be done, as promised and then as overdue', () => {
    expect(wordsOf('promised', CHECKED(), 1)).toEqual(['hang a new copy']);
    expect(wordsOf('overdue', CHECKED(), 5)).toEqual(['hang a new copy']);
  });

  it('names the hour agreed for a job once it is within a day', () => {
    const planned = carryOut(
      [['ada', { kind: 'schedule-job', from: hoursOn(30), until: hoursOn(36), operator: 'cora' }]],
      WALKED(),
    );
    expect(wordsOf('promised', planned)).toEqual([]);
    expect(wordsOf('promised', planned, 10)).toEqual(['Seal change: begins']);
  });

  it('carries a promise of an earlier shift on until it is kept', () => {
    const record = HANDED();
    expect(wordsOf('promised', undefined, 0, record.promises)).toEqual(['blank back to stores']);
    expect(wordsOf('overdue', undefined, 11, record.promises)).toEqual(['blank back to stores']);
    const kept = give(record, 'finn', { kind: 'keep-promise', promise: 1, done: 'back' }).record;
    expect(Object.values(reportOf(undefined, 11, kept.promises)).flat()).toEqual([]);
  });
});

describe('handing over', () => {
  it('is read by whoever takes over, and shows who has not read it', () => {
    const record = HANDED();
    const [handover] = record.handovers;
    if (!handover) throw new Error('not handed over');
    expect(handover).toMatchObject({ number: 1, by: 'ada', incoming: 'ben', notes: 'all quiet' });
    expect(listUnread(handover)).toEqual(expect.arrayContaining(['cora', 'finn', 'jun']));
    expect(listUnread(handover)).not.toContain('ben');
    expect(listUnread(handover)).not.toContain('ada');
    const read = give(record, 'ben', { kind: 'read-handover', handover: 1, person: 'cora' });
    expect(read.codes).toEqual([]);
    expect(read.record.handovers[0]?.read).toEqual({ ben: START, cora: START });
  });

  it.each<[string, () => HandoverRecord, string, HandoverCommand, string[], object?]>([
    ['by and to people who may', () => NO_HANDOVERS, 'ada', HAND_OVER, []],
    [
      'without the signature of the incoming person',
      () => NO_HANDOVERS,
      'ada',
      HAND_OVER,
      ['signature-missing'],
      { signed: ['ada'] },
    ],
    [
      'to oneself',
      () => NO_HANDOVERS,
      'ada',
      { ...HAND_OVER, incoming: 'ada' },
      ['handover-to-oneself'],
    ],
    ['by a worker', () => NO_HANDOVERS, 'kit', HAND_OVER, ['role-missing']],
    ['to a worker', () => NO_HANDOVERS, 'ada', { ...HAND_OVER, incoming: 'kit' }, ['role-missing']],
    [
      'with something overdue and nothing said',
      () => NO_HANDOVERS,
      'ada',
      { ...HAND_OVER, notes: '' },
      ['handover-unsaid'],
      { state: ON(), hours: 9 },
    ],
    [
      'with something overdue and said',
      () => NO_HANDOVERS,
      'ada',
      HAND_OVER,
      [],
      { state: ON(), hours: 9 },
    ],
    [
      'with a promise that is over',
      () => NO_HANDOVERS,
      'ada',
      HAND_OVER,
      ['promise-past'],
      { hours: 11 },
    ],
    [
      'with a promise by nobody known',
      () => NO_HANDOVERS,
      'ada',
      { ...HAND_OVER, promises: [{ what: 'x', who: 'nobody', until: hoursOn(3) }] },
      ['person-unknown'],
    ],
    [
      'read that was never made',
      HANDED,
      'ben',
      { kind: 'read-handover', handover: 2, person: 'ben' },
      ['handover-unknown'],
    ],
    [
      'read twice',
      HANDED,
      'ben',
      { kind: 'read-handover', handover: 1, person: 'ben' },
      ['handover-read-already'],
    ],
    [
      'a promise not there',
      HANDED,
      'ada',
      { kind: 'keep-promise', promise: 5, done: 'x' },
      ['promise-unknown'],
    ],
    [
      'a promise of someone else',
      HANDED,
      'kit',
      { kind: 'keep-promise', promise: 1, done: 'x' },
      ['role-missing'],
    ],
    [
      'a promise kept twice',
      () => give(HANDED(), 'finn', { kind: 'keep-promise', promise: 1, done: 'x' }).record,
      'finn',
      { kind: 'keep-promise', promise: 1, done: 'x' },
      ['promise-kept-already'],
    ],
  ])('%s', (...row) => {
    const [, record, actor, command, codes, more] = row;
    expect(give(record(), actor, command, more).codes).toEqual(codes);
  });

  it('says why in words', () => {
    const decision = decideHandover(
      NO_HANDOVERS,
      { ...HAND_OVER, notes: '' },
      {
        actor: 'ada',
        now: hoursOn(9),
        signed: new Set(['ada', 'ben']),
        site,
        report: reportOf(ON(), 9),
      },
    );
    const said = decision.ok ? [] : decision.refusals.map((one) => explainIn('UTC')(one).says);
    expect(said.join(' ')).toMatch(
      /1 overdue, and the notes say nothing: J-0001 P-0001 has lapsed/,
    );
  });

  it('is due from the start of a shift until it is made, also shortly before', () => {
    const { values } = site;
    const start = findHandoverDue(NO_HANDOVERS, START, values);
    expect(start).toBeDefined();
    const at = (hours: number) =>
      new Date(Date.parse(start ?? '') + hours * 3_600_000).toISOString();
    const made = (hours: number): HandoverRecord =>
      evolveHandovers(
        NO_HANDOVERS,
        {
          ...HAND_OVER,
          kind: 'shift-handed-over',
          report: reportOf(undefined),
          readers: [],
        } as never,
        { by: 'ada', at: at(hours) },
      );
    expect(findHandoverDue(made(-1), START, values)).toBeUndefined();
    expect(findHandoverDue(made(-3), START, values)).toBe(start);
  });
});
