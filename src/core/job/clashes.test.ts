import {
  APPROVED,
  carryOut,
  contextFor,
  ISSUE,
  LIVE,
  nobody,
  PERMIT,
  RAISE,
  refusalsOf,
  screenOf,
  site,
  START,
  WALKED,
  type Step,
} from '../../../tests/support/seal-change';
import type { QuestionCode } from '../permits';
import type { RuleCode } from '../rules/book';
import { decideJob, listClashes, viewDossier, type Command, type Context, type Dossier } from '.';

/** A job at Quillmere that is raised and screened. */
function jobAt(section: string, activity: 'open' | 'touch', yes: QuestionCode[] = []): Dossier {
  const raised = carryOut([['ada', { ...RAISE, work: [{ section, activity }] }]]);
  return carryOut([['ada', screenOf(raised, yes)]], raised) as Dossier;
}
const at = (hours: number) => new Date(Date.parse(START) + hours * 3_600_000).toISOString();
const schedule = (from: number, until: number): Step => [
  'ada',
  { kind: 'schedule-job', from: at(from), until: at(until), operator: 'cora' },
];

/** The pump beside, 6 m away, whose casing is lifted off. */
const UNPLANNED = () => jobAt('P202-CAS', 'open', ['lift']);
const LIFT = () => carryOut([schedule(0, 6)], UNPLANNED()) as Dossier;
const beside = (dossier: Dossier): Partial<Context> => ({
  others: { ...nobody, open: () => [{ id: 'J-0002', dossier }] },
});
const ACCEPT: Command = {
  kind: 'accept-clash',
  rule: 'lift-over-crew',
  other: 'J-0002',
  how: 'barrier',
  measure: 'a fence, and a second signaller',
};
describe('a job in the way of another', () => {
  const approve: Command = { kind: 'approve-permit' };
  const assessed = () => carryOut(PERMIT.slice(0, 2), WALKED());

  it('is neither approved nor issued', () => {
    expect(refusalsOf(assessed(), 'hana', approve)).toEqual([]);
    expect(refusalsOf(assessed(), 'hana', approve, beside(LIFT()))).toEqual(['lift-over-crew']);
    expect(refusalsOf(APPROVED(), 'hana', ISSUE, beside(LIFT()))).toEqual(['lift-over-crew']);
  });

  it('is not held up by one that has no hour and at which nobody has begun', () => {
    expect(refusalsOf(APPROVED(), 'hana', ISSUE, beside(UNPLANNED()))).toEqual([]);
    const others = [{ id: 'J-0002', dossier: UNPLANNED() }];
    const view = viewDossier(WALKED() as Dossier, site, START, others, 'J-0001');
    expect(view.clashes.map(({ code, together }) => [code, together])).toEqual([
      ['lift-over-crew', false],
    ]);
  });

  it('sees it while it is planned, with the first free time', () => {
    const others = [{ id: 'J-0002', dossier: LIFT() }];
    const view = viewDossier(WALKED() as Dossier, site, START, others, 'J-0001');
    expect(view.clashes).toMatchObject([
      {
        code: 'lift-over-crew',
        cause: 'J-0002',
        suffers: 'J-0001',
        together: true,
        free: { from: at(6), until: at(12) },
      },
    ]);
  });

  it('goes on once the other is moved', () => {
    const other = carryOut([schedule(20, 26)], LIFT()) as Dossier;
    expect(refusalsOf(APPROVED(), 'hana', ISSUE, beside(other))).toEqual([]);
    const soon = carryOut([schedule(7.9, 26)], LIFT()) as Dossier;
    expect(refusalsOf(APPROVED(), 'hana', ISSUE, beside(soon))).toEqual(['lift-over-crew']);
  });

  it('goes on once an issuing authority accepts it, on either of the two jobs', () => {
    const accepted = decideJob(APPROVED(), ACCEPT, { ...contextFor('hana'), ...beside(LIFT()) });
    expect(accepted).toMatchObject({ ok: true, events: [{ kind: 'clash-accepted' }] });
    const mark = { by: 'hana', at: START, other: 'J-0001', how: 'accept', measure: 'x' } as const;
    const theirs = { ...LIFT(), clashes: { 'lift-over-crew J-0001': mark } };
    expect(refusalsOf(APPROVED(), 'hana', ISSUE, beside(theirs))).toEqual([]);
    expect(refusalsOf(APPROVED(), 'ada', ACCEPT, beside(LIFT()))).toEqual(['role-missing']);
  });

  it('is in the way until people are off, also after its permit lapsed', () => {
    const live = { id: 'J-0002', dossier: LIVE() as Dossier };
    const lift = { id: 'J-0001', dossier: LIFT() };
    const codes = (now: string) =>
      listClashes(lift, site, [live], now)
        .filter(({ together }) => together)
        .map(({ code }) => code);
    expect(codes(START)).toEqual(['lift-over-crew']);
    expect(codes(at(30))).toEqual(['lift-over-crew']);
  });
});

describe('what is coupled', () => {
  it('is not started by a test while another works on it', () => {
    const screw = jobAt('FS2-SCR', 'touch');
    const first = jobAt('FS1-SCR', 'touch');
    const test = { what: 'run', purpose: 'rotation', performer: 'jun', lifted: [] } as const;
    const testing: Dossier = {
      ...first,
      isolation: {
        ...first.isolation,
        test: { ...test, by: 'hana', at: START, points: ['Q-FS1'] },
      },
    };
    const other = { id: 'J-0002', dossier: testing };
    const found = listClashes({ id: 'J-0001', dossier: screw }, site, [other], START);
    expect(found.map(({ code, cause }): [RuleCode, string] => [code, cause])).toEqual([
      ['test-start-coupled', 'J-0002'],
    ]);
  });
});
