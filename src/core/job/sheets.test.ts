import {
  APPROVED,
  carryOut,
  HANDED_BACK,
  ISSUED_WITH,
  LATE,
  LIVE,
  ON,
  PROVING,
  site,
  START,
  USABLE,
  type Step,
} from '../../../tests/support/seal-change';
import { stepsToWalkDown } from '../../../tests/support/any-job';
import { describeSheets, standAt, viewDossier, type DossierState, type Sheet } from '.';

function sheetsOf(state: DossierState, more: { now?: string; copy?: number } = {}): Sheet[] {
  if (!state) throw new Error('no job');
  const { now = START, copy } = more;
  return describeSheets(standAt(state, now), { job: 'J-0001', site, now, copy });
}
const bannerOf = (state: DossierState, now = START) => sheetsOf(state, { now })[0]?.banner;
const fact = (sheets: readonly Sheet[], label: string) =>
  sheets
    .flatMap(({ blocks }) => blocks.flatMap((block) => (block.kind === 'facts' ? block.rows : [])))
    .find(([one]) => one === label)?.[1];
const table = (sheets: readonly Sheet[], title: string) =>
  sheets
    .flatMap(({ blocks }) => blocks)
    .flatMap((block) => (block.kind === 'table' && block.title === title ? block.rows : []));

describe('the papers of a job', () => {
  it.each<[string, () => DossierState, string, string]>([
    ['not issued', APPROVED, START, 'NOT A PERMIT: not issued'],
    ['live', LIVE, START, 'VALID UNTIL 2026-11-24 15:00 UTC'],
    ['lapsed', LIVE, LATE, 'NOT VALID: lapsed at 2026-11-24 15:00 UTC'],
    [
      'stopped',
      () => carryOut([['kit', { kind: 'stop-work', reason: 'x' }]], LIVE()),
      START,
      'NOT VALID: the work is stopped',
    ],
    [
      'handed back',
      () => carryOut(HANDED_BACK.slice(0, 3), LIVE()),
      START,
      'NOT VALID: handed back',
    ],
    [
      'cancelled',
      () => carryOut([['ada', { kind: 'cancel-permit', reason: 'x' }]], APPROVED()),
      START,
      'NOT A PERMIT: cancelled',
    ],
  ])('say at the top whether they may be worked under: %s', (_, state, now, banner) => {
    expect(bannerOf(state(), now)).toBe(banner);
  });

  it('and say it by the clock on the wall of the site, like the refusals', () => {
    const ahead = { ...site, values: { ...site.values, zone: 'Etc/GMT-1' } };
    const state = LIVE();
    const lapsed = state && standAt(state, LATE);
    const sheets = lapsed
      ? describeSheets(lapsed, { job: 'J-0001', site: ahead, now: LATE, copy: undefined })
      : [];
    expect(sheets[0]?.banner).toBe('NOT VALID: lapsed at 2026-11-24 16:00 GMT+1');
    const holding = lapsed ? viewDossier(lapsed, ahead, LATE).holding : [];
    expect(holding.map(({ says }) => says).join(' ')).toContain('2026-11-24 16:00 GMT+1');
  });

  it('name what is run empty, and which proof says that it is', () => {
    const emptied = ['BT-LIQ', 'D2-LIQ'];
    const state = carryOut(stepsToWalkDown([{ section: 'OVF', activity: 'open' }], { emptied }));
    expect(fact(sheetsOf(state), 'Run empty before')).toBe('BT-LIQ, D2-LIQ');
    expect(table(sheetsOf(state), 'Run empty before')).toEqual([
      ['BT-LIQ (Buffer tank liquid)', expect.stringContaining('level:')],
      ['D2-LIQ (Digester 2 liquid)', expect.stringContaining('level:')],
    ]);
  });

  it('are the permit, a sheet for each certificate, the assessment and the isolation', () => {
    expect(sheetsOf(ISSUED_WITH('spark')).map(({ title }) => title)).toEqual([
      'Permit to work P-0001',
      'Line-breaking certificate',
      'Electrical certificate',
      'Hot work permit',
      'Task assessment',
      'Briefing',
      'Isolation',
    ]);
    expect(sheetsOf(carryOut(USABLE.slice(0, 1))).map(({ title }) => title)).toEqual([
      'Permit to work',
    ]);
  });

  it('say what the fire watch knows, and who allowed a test with gas', () => {
    const hot = sheetsOf(ISSUED_WITH('spark'));
    expect(fact(hot, 'Nearest alarm point')).toBe('beside the north door');
    expect(fact(hot, 'Two ways out')).toBe('north door; stairs to the yard');
    const tested = sheetsOf(ISSUED_WITH('overpressure'));
    expect(fact(tested, 'P201-CAS')).toMatch(/^11 bar, .* kJ shut in; everybody stays .* m away$/);
    expect(fact(tested, 'Allowed by')).toContain('Uma Castleford-Roy');
  });

  it('say what was asked and answered at the briefing, who signed it, and how cylinders stand', () => {
    const live = LIVE();
    const unheard = live?.briefing && {
      ...live,
      briefing: { ...live.briefing, heard: { jun: live.briefing, lena: live.briefing } },
    };
    const late: Step = [
      'jun',
      {
        kind: 'brief-latecomer',
        person: 'kit',
        topic: 'slips',
        question: 'What would you trip over?',
        answer: 'the hose',
      },
    ];
    const sheets = sheetsOf(carryOut([late], unheard));
    expect(table(sheets, 'Asked and answered')?.at(-1)).toEqual([
      'What else goes on here',
      expect.stringMatching(/^Who else works near you today/),
      expect.any(String),
      'shown on the spot, in their own words',
    ]);
    expect(table(sheets, 'Signed by')?.map(([who, , asked]) => [who, asked])).toEqual([
      ['Jun Ravensworth', ''],
      ['Lena Frostwick', ''],
      ['Kit Oyelaran', 'What would you trip over? the hose'],
    ]);
    expect(fact(sheetsOf(ISSUED_WITH('spark')), 'Gas cylinders')).toBe(
      'beside the north door, 12 m from the work; oxygen and fuel gas: apart by a distance (Jun Ravensworth)',
    );
  });

  it('say which copy they are, and mark a second one', () => {
    const given = carryOut(
      [
        ['hana', { kind: 'give-copy', holder: 'control room' }],
        ['hana', { kind: 'give-copy', holder: 'control room', instead: 1 }],
      ] satisfies Step[],
      LIVE(),
    );
    expect(fact(sheetsOf(given), 'Copy')).toContain('not a copy to work under');
    expect(fact(sheetsOf(given, { copy: 1 }), 'Copy')).toBe('No. 1, control room');
    expect(fact(sheetsOf(given, { copy: 2 }), 'Copy')).toContain('SECOND COPY in place of No. 1');
    expect(fact(sheetsOf(given, { copy: 3 }), 'Copy')).toContain('not a copy to work under');
  });

  it('list who is on, each point with its lock, and what is not proved', () => {
    expect(table(sheetsOf(ON()), 'Signed on')[0]).toEqual([
      'Kit Oyelaran',
      'Tarnbeck Mechanical',
      'W-02',
      '2026-11-24 07:00 UTC',
      '',
    ]);
    const arriving = table(sheetsOf(ON()), 'What can arrive');
    expect(arriving.map(([arrival]) => arrival)).toEqual(
      expect.arrayContaining(['Biogas from gas holder', 'Nitrogen from nitrogen bottles']),
    );
    expect(new Set(arriving.map(([, lamp]) => lamp))).toEqual(new Set(['dark']));
    expect(table(sheetsOf(ON()), 'Points')[0]?.slice(0, 4)).toEqual([
      'CB-P201',
      expect.any(String),
      'isolated',
      'E-01',
    ]);
    const early = sheetsOf(PROVING());
    expect(table(early, 'Proved').every((row) => row.includes('NOT PROVED'))).toBe(true);
    expect(table(early, 'Tried to start').every((row) => row.includes('NOT TRIED'))).toBe(true);
  });
});
