import type { Command, CommandOf, DossierState, SiteFacts } from '../../../src/core/job';
import {
  APPROVED,
  carryOut,
  CHECK_CYLINDERS,
  ISSUE,
  ISSUED_WITH,
  LIVE,
  site,
  START,
  type RefusalRow,
} from '../seal-change';

const check = (more: Partial<CommandOf<'check-cylinders'>>): Command => ({
  ...CHECK_CYLINDERS,
  ...more,
});
const HOT = () => ISSUED_WITH('spark');
const UNSAID = (): DossierState => {
  const state = HOT();
  return state && { ...state, cylinders: undefined };
};
const far: SiteFacts = { ...site, values: { ...site.values, 'cylinders-off-m': 15 } };
const leak = (clear_m: number, more: object = {}) =>
  check({ leaking: { outdoors: true, tagged: true, clear_m, ...more } });
const hence = (hours: number) => new Date(Date.parse(START) + hours * 3_600_000).toISOString();
const ALLOW: CommandOf<'allow-pressure-repair'> = {
  kind: 'allow-pressure-repair',
  what: 'gland of the steam trap bypass',
  bar: 6,
  why: 'the pasteuriser would have to be emptied',
  limits: 'a quarter turn at a time, nobody in line, the valve before it manned',
  until: hence(8),
};
/** Said to be repaired under pressure. */
const ASKED = (): DossierState => {
  const state = APPROVED();
  const papers = state?.papers;
  return (
    state &&
    papers && {
      ...state,
      papers: { ...papers, answers: { ...papers.answers, pressurised: 'yes' } },
    }
  );
};
const ALLOWED = () => carryOut([['uma', ALLOW]], ASKED());

/** Steps about gas cylinders and about repairs under pressure that are refused, with the codes. */
export const CYLINDER_ROWS: RefusalRow[] = [
  ['cylinders as they should stand', HOT, 'jun', check({}), []],
  ['no cylinders', HOT, 'jun', { kind: 'check-cylinders', here: false, where: 'welded by arc' }, []], // prettier-ignore
  ['cylinders of which nothing is said', HOT, 'jun', { kind: 'check-cylinders', here: true, where: 'here' }, ['cylinder-loose', 'cylinder-uncapped', 'oxygen-beside-fuel', 'oxygen-oily', 'cylinder-near', 'cylinder-slung']], // prettier-ignore
  ['7.6 m off', HOT, 'jun', check({ off_m: 7.6 }), []],
  ['7.5 m off', HOT, 'jun', check({ off_m: 7.5 }), ['cylinder-near']],
  ['12 m off where 15 are asked for', HOT, 'jun', check({}), ['cylinder-near'], { site: far }],
  ['near, and nothing is cut', LIVE, 'jun', check({ off_m: 1 }), []],
  ['oxygen 6.1 m from fuel gas', HOT, 'jun', check({ apart_m: 6.1 }), []],
  ['oxygen 6 m from fuel gas', HOT, 'jun', check({ apart_m: 6 }), ['oxygen-beside-fuel']],
  ['oxygen behind a wall', HOT, 'jun', check({ apart: 'wall', apart_m: 1 }), []],
  ['no oxygen', HOT, 'jun', check({ apart: 'no-oxygen', clean: false }), []],
  ['oxygen that may be oily', HOT, 'jun', check({ clean: false }), ['oxygen-oily']],
  ['lifted by the cap', HOT, 'jun', check({ lift: 'slung' }), ['cylinder-slung']],
  ['lifted in a cradle', HOT, 'jun', check({ lift: 'cradle' }), []],
  ['a leaking one 30 m off', HOT, 'jun', leak(30), []],
  ['a leaking one 29.9 m off', HOT, 'jun', leak(29.9), ['cylinder-leaks']],
  ['a leaking one inside', HOT, 'jun', leak(30, { outdoors: false }), ['cylinder-leaks']],
  ['a leaking one without a tag', HOT, 'jun', leak(30, { tagged: false }), ['cylinder-leaks']],
  ['signed on for sparks, cylinders unsaid', UNSAID, 'hana', { kind: 'sign-on', person: 'kit', lock: 'W-02' }, ['cylinders-unsaid']], // prettier-ignore
  ['a repair under pressure not asked for', APPROVED, 'uma', ALLOW, ['pressure-repair-unasked']],
  ['a repair under pressure allowed', ASKED, 'uma', ALLOW, []],
  ['allowed by an issuing authority', ASKED, 'hana', ALLOW, ['role-missing']],
  ['allowed until now', ASKED, 'uma', { ...ALLOW, until: START }, ['pressure-repair-over']],
  ['issued with nothing written', ASKED, 'hana', ISSUE, ['pressure-repair-unwritten']],
  ['issued with it written', ALLOWED, 'hana', ISSUE, []],
  ['issued when it has ended', () => carryOut([['uma', { ...ALLOW, until: hence(0.2) }]], ASKED()), 'hana', { ...ISSUE, hours: 1 } as Command, ['pressure-repair-over'], { now: hence(0.2) }], // prettier-ignore
];
