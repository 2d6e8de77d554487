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
import { describeSheets, standAt, type DossierState, type Sheet } from '.';

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

  it('are the permit, a sheet for each certificate, the assessment and the isolation', () => {
    expect(sheetsOf(ISSUED_WITH('spark')).map(({ title }) => title)).toEqual([
      'Permit to work P-0001',
      'Line-breaking certificate',
      'Electrical certificate',
      'Hot work permit',
      'Task assessment',
      'Isolation',
    ]);
    expect(sheetsOf(carryOut(USABLE.slice(0, 1))).map(({ title }) => title)).toEqual([
      'Permit to work',
    ]);
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
