import { check, CHECKED } from '../../../tests/support/refusal-rows/audits';
import { carryOut, LIVE, ON, START } from '../../../tests/support/seal-change';
import { AUDIT_CODES, computeFigures, listAuditChecks, listFollowUps, type AuditEntry } from '.';

const hoursOn = (hours: number) => new Date(Date.parse(START) + hours * 3_600_000).toISOString();

const entry = (at: string, more: AuditEntry['answers'] = {}): AuditEntry => ({
  job: 'J-0001',
  permit: 'P-0001',
  by: 'quin',
  at,
  counted: 0,
  signedOn: 0,
  answers: { shown: { found: 'as-written' }, worn: { found: 'as-written' }, ...more },
  done: {},
});

describe('the questions of a check', () => {
  it('are those of the papers, and every question belongs to some permit', () => {
    expect(listAuditChecks(['general'])).not.toContain('air');
    expect(listAuditChecks(['general', 'confined-space'])).toEqual(
      expect.arrayContaining(['air', 'attendant']),
    );
    const all = listAuditChecks([
      'hot-work',
      'confined-space',
      'height',
      'lifting',
      'excavation',
      'electrical',
      'pressure-test',
      'radiography',
    ]);
    expect(all).toEqual(AUDIT_CODES);
  });
});

describe('what a check does to the job', () => {
  const loose = { found: 'differs', seen: 'lock hangs open' } as const;
  const followUp = { what: 'shut it', who: 'finn', until: hoursOn(1) };

  it('stops the job when something grave is left as it is', () => {
    const state = carryOut([['quin', check({ points: { ...loose, followUp } })]], LIVE());
    expect(state?.permit.kind).toBe('suspended');
    expect(state?.halt?.reason).toContain('lock hangs open');
  });

  it('lets it go on when that was put right at once, and counts who was on', () => {
    const state = carryOut([['quin', check({ points: { ...loose, putRight: 'shut' } }, 1)]], ON());
    expect(state?.permit.kind).toBe('issued');
    expect(state?.audits[0]).toMatchObject({
      permit: 'P-0001',
      counted: 1,
      signedOn: 1,
      by: 'quin',
    });
  });
});

describe('follow-ups', () => {
  const linesOf = (state: ReturnType<typeof CHECKED>, hours: number) =>
    listFollowUps(
      (state?.audits ?? []).map((audit) => ({ ...audit, job: 'J-0001' })),
      hoursOn(hours),
    ).map(({ state: is }) => is);

  it('are open, overdue once their time is over, and done', () => {
    expect(linesOf(CHECKED(), 1)).toEqual(['open']);
    expect(linesOf(CHECKED(), 5)).toEqual(['overdue']);
    const done = carryOut(
      [['jun', { kind: 'finish-follow-up', audit: 0, code: 'shown', done: 'hangs' }]],
      CHECKED(),
    );
    expect(linesOf(done, 5)).toEqual(['done']);
  });
});

describe('figures over time', () => {
  it('count checks by month, also the months without any, and what differed most', () => {
    const worn = { worn: { found: 'differs', seen: 'no goggles' } } as const;
    const figures = computeFigures(
      [
        entry('2026-11-02T08:00:00.000Z', worn),
        entry('2026-11-20T08:00:00.000Z', { ...worn, tidy: { found: 'not-seen', seen: 'dark' } }),
        entry('2027-01-05T08:00:00.000Z', { shown: { found: 'differs', seen: 'torn' } }),
      ],
      { '2026-11': 40, '2027-02': 10 },
    );
    expect(figures.months).toEqual([
      { month: '2026-11', audits: 2, issued: 40, looked: 4, asWritten: 2 },
      { month: '2026-12', audits: 0, issued: 0, looked: 0, asWritten: 0 },
      { month: '2027-01', audits: 1, issued: 0, looked: 2, asWritten: 1 },
      { month: '2027-02', audits: 0, issued: 10, looked: 0, asWritten: 0 },
    ]);
    expect(figures.differs).toEqual([
      { code: 'worn', times: 2, of: 3 },
      { code: 'shown', times: 1, of: 3 },
    ]);
  });

  it('are empty before anything happened', () => {
    expect(computeFigures([], {})).toEqual({ months: [], differs: [] });
  });
});
