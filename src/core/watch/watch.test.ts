import {
  carryOut,
  HANDED_BACK,
  ISSUED_WITH,
  LIVE,
  ON,
  PERMIT,
  RAISE,
  site,
  START,
  STOPPED,
  WALKED,
  type Step,
  UNSIGNED,
} from '../../../tests/support/seal-change';
import { computeLamps, findStage, standAt, type DossierState, type JobEvent } from '../job';
import { EMPTY_TRACE, evolveTrace, listNextUp, sortQueue, viewRow, type NextUp } from '.';

const at = (hours: number) => new Date(Date.parse(START) + hours * 3_600_000).toISOString();

function nextOf(state: DossierState, now = START): [NextUp['urgency'], string, string?][] {
  if (!state) throw new Error('no job');
  const stands = standAt(state, now);
  return sortQueue(listNextUp('J-0001', stands, findStage(stands, site), site, now)).map(
    ({ urgency, what, at: when }) => (when === undefined ? [urgency, what] : [urgency, what, when]),
  );
}

describe('what needs someone next', () => {
  it.each<[string, () => DossierState, string, unknown[]]>([
    [
      'a job just raised',
      () => carryOut([['ada', RAISE]]),
      START,
      ['waiting', 'plan the isolation'],
    ],
    ['a plan to be carried out', WALKED, START, ['waiting', 'isolate, let down and prove']],
    ['a live permit', ON, START, ['timed', 'P-0001 ends: hand it back or extend it', at(8)]],
    ['people on a lapsed permit', ON, at(8.1), ['now', 'P-0001 has lapsed; call off Kit Oyelaran']],
    [
      'a lapsed permit with nobody on',
      LIVE,
      at(8.1),
      ['waiting', 'P-0001 has lapsed: hand it back'],
    ],
    [
      'a stop with people on',
      () => carryOut([['kit', { kind: 'stop-work', reason: 'smell' }]], ON()),
      START,
      ['now', 'stopped: smell; call off Kit Oyelaran'],
    ],
    [
      'an alarm',
      () => carryOut([['kit', { kind: 'raise-alarm', where: 'P201-CAS', seen: 'hiss' }]], ON()),
      START,
      ['now', 'alarm at P201-CAS: hiss; call off Kit Oyelaran'],
    ],
    [
      'a job that is stopped before anything',
      STOPPED,
      START,
      ['waiting', 'isolate, let down and prove'],
    ],
  ])('%s', (_, state, now, first) => {
    expect(nextOf(state(), now)[0]).toEqual(first);
  });

  it('waits for a permit handed back to be closed', () => {
    expect(nextOf(carryOut(HANDED_BACK.slice(0, 3), LIVE())).at(-1)).toEqual([
      'waiting',
      'inspect and close the permit',
    ]);
  });

  it('names each moment of a permit that nobody is on', () => {
    expect(nextOf(LIVE())).toEqual([
      ['timed', 'proofs run out when nobody comes', at(1)],
      ['timed', 'P-0001 ends: hand it back or extend it', at(8)],
    ]);
  });

  it('names the end of an extended permit, and of a fire watch', () => {
    const extended = carryOut(
      [['hana', { kind: 'extend-permit', hours: 11, performer: 'jun', retested: 'all' }]],
      ON(),
    );
    expect(nextOf(extended, at(10.9)).map(([, what]) => what)).toEqual([
      'P-0001 ends: hand it back or extend it',
    ]);
    const back: Step = [
      'jun',
      {
        kind: 'hand-back',
        cleared: true,
        finished: true,
        unsigned: UNSIGNED,
        remarks: '',
        watcher: 'sol',
      },
    ];
    expect(nextOf(carryOut([back], ISSUED_WITH('spark')))).toContainEqual([
      'timed',
      'fire watch ends: inspect and close',
      at(1),
    ]);
    expect(nextOf(carryOut([back], ISSUED_WITH('spark')))[0]).toEqual([
      'timed',
      'round of the watch for fire',
      at(0.25),
    ]);
  });

  it('calls those inside, ends their stay, and names who is not accounted for', () => {
    const state = ISSUED_WITH('enter');
    if (!state?.entry.plan) throw new Error('no entry');
    const inside = { kit: { since: START, tools: 0 } };
    const entry = { ...state.entry, inside, plan: { ...state.entry.plan, stay_min: 30 } };
    const queue = nextOf({ ...state, entry });
    expect(queue).toContainEqual(['timed', 'call those inside', at(0.25)]);
    expect(queue).toContainEqual(['timed', 'Kit Oyelaran comes out: stay over', at(0.5)]);
    const emptying = { by: 'finn', at: START, why: 'gas', people: ['kit'] };
    expect(nextOf({ ...state, entry: { ...entry, emptying } })[0]).toEqual([
      'now',
      'account for Kit Oyelaran: not yet seen outside',
    ]);
  });

  it('puts what cannot wait first, then what has a moment, then what waits', () => {
    const one = (urgency: NextUp['urgency'], job: string, when?: string): NextUp => {
      return {
        job,
        title: '',
        role: 'coordinator',
        who: '',
        what: '',
        urgency,
        ...(when ? { at: when } : {}),
      };
    };
    const queue = [
      one('waiting', 'J-1'),
      one('timed', 'J-2', at(2)),
      one('timed', 'J-3', at(1)),
      one('now', 'J-4'),
      one('waiting', 'J-0'),
    ];
    expect(sortQueue(queue).map(({ job }) => job)).toEqual(['J-4', 'J-3', 'J-2', 'J-0', 'J-1']);
  });
});

describe('a row of the board', () => {
  const rowOf = (state: DossierState, now = START) => {
    if (!state) throw new Error('no job');
    const dossier = standAt(state, now);
    const stage = findStage(dossier, site);
    const lamps = computeLamps(dossier, site);
    return viewRow('J-0001', dossier, { stage, lamps, trace: EMPTY_TRACE, site });
  };

  it('is there from issue until it is closed', () => {
    expect(rowOf(carryOut(PERMIT.slice(0, 3), WALKED()))).toBeUndefined();
    expect(rowOf(LIVE())).toMatchObject({
      number: 'P-0001',
      state: 'issued',
      until: at(8),
      on: [],
    });
    expect(rowOf(ON(), at(8.1))).toMatchObject({ state: 'lapsed', on: ['kit'] });
    expect(rowOf(carryOut(HANDED_BACK.slice(0, 3), LIVE()))).toMatchObject({ backAt: START });
    expect(rowOf(carryOut(HANDED_BACK, LIVE()))).toBeUndefined();
  });

  it('says who leads it, where it is, and how its lamps stand', () => {
    const row = rowOf(ON());
    expect(row).toMatchObject({
      contractor: 'Tarnbeck Mechanical',
      areas: ['A-PMP'],
      lamps: { lit: 0, shuttered: 0 },
      lit: [],
    });
    expect(row?.lamps.dark).toBeGreaterThan(5);
  });

  it('names what is lit, in the words of the lamps', () => {
    const alarm = { kind: 'raise-alarm', where: 'P201-CAS', seen: 'hiss' } as const;
    const row = rowOf(carryOut([['kit', alarm]], ON()));
    expect(row?.lit).toHaveLength(row?.lamps.lit ?? 0);
    expect(row?.lit).toContainEqual(expect.stringMatching(/^Digestate from /));
  });
});

describe('the trace of a permit', () => {
  const trace = (...events: JobEvent[]) =>
    events.reduce((known, event, n) => evolveTrace(known, event, at(n)), EMPTY_TRACE);
  const ISSUE = { kind: 'permit-issued', number: 'P-1', until: '', performer: 'jun' } as const;
  const ON_KIT = { kind: 'signed-on', person: 'kit', locks: {} } as const;

  it('begins with the issue, and begins anew with the next number', () => {
    const first = trace(ISSUE, ON_KIT, { kind: 'work-stopped', reason: 'smell' });
    expect(first.marks.map(({ kind }) => kind)).toEqual(['issued', 'stopped']);
    expect(first.stays).toEqual([{ person: 'kit', since: at(1) }]);
    expect(trace(ISSUE, ON_KIT, { ...ISSUE, number: 'P-1-2' })).toEqual({
      marks: [{ at: at(2), kind: 'issued', words: 'P-1-2 issued' }],
      stays: [],
    });
  });

  it('ends a stay when someone signs off, or is taken off', () => {
    expect(trace(ISSUE, ON_KIT, { kind: 'signed-off', person: 'kit' }).stays).toEqual([
      { person: 'kit', since: at(1), until: at(2) },
    ]);
    expect(
      trace(ISSUE, ON_KIT, { kind: 'signed-off', person: 'kit' }, ON_KIT).stays.map(
        ({ until }) => until,
      ),
    ).toEqual([at(2), undefined]);
  });
});
