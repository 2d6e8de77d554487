import type { Command, CommandOf, DossierState, SiteFacts } from '../../../src/core/job';
import {
  APPROVED,
  briefingOf,
  carryOut,
  ISSUE,
  ISSUED_WITH,
  LIVE,
  PERMIT,
  site,
  START,
  WALKED,
  type RefusalRow,
} from '../seal-change';

type Held = CommandOf<'hold-briefing'>;

/** Everything of the permit but briefing and issue. */
const UNBRIEFED = (): DossierState => {
  const state = APPROVED();
  return state && { ...state, briefing: undefined };
};
const brief = (more: Partial<Held>): Command => ({ ...briefingOf(UNBRIEFED()), ...more });
const of = (change: (points: Held['points']) => Held['points']): Command => {
  const held = briefingOf(UNBRIEFED());
  return { ...held, points: change(held.points) };
};
const first = (more: Partial<Held['points'][number]>) =>
  of((points) => points.map((point, n) => (n === 0 ? { ...point, ...more } : point)));
const load = (kg: number, way: Held['loads'][number]['way']) =>
  brief({ loads: [{ what: 'rotor', kg, way }] });
const air = (weather: Held['weather']) => brief({ weather });
const hours = (more: number) => ({
  now: new Date(Date.parse(START) + more * 3_600_000).toISOString(),
});
const said: SiteFacts = { ...site, values: { ...site.values, briefing: 'said' } };
const values = (more: Partial<SiteFacts['values']>) => ({
  site: { ...site, values: { ...site.values, ...more } },
});
const SIGN: Command = { kind: 'sign-on', person: 'kit', lock: 'W-02' };
const LATE_ONE: Command = {
  kind: 'brief-latecomer',
  person: 'kit',
  topic: 'slips',
  question: 'What on the way there would you trip over?',
  answer: 'the hose by the door',
};
/** Out on a permit whose briefing kit has not heard. */
const WITHOUT_KIT = (): DossierState => {
  const held = briefingOf(UNBRIEFED(), ['jun', 'lena']);
  return carryOut([['jun', held], PERMIT.at(-1) ?? ['hana', ISSUE]], UNBRIEFED());
};

/** The same job with somebody else who leads it, and was not there. */
const LED_BY_ROSA = (): DossierState => {
  const held = briefingOf(UNBRIEFED(), ['jun', 'kit']);
  const state = carryOut([['jun', held]], UNBRIEFED());
  return state && { ...state, performer: 'rosa' };
};

/** Steps about the briefing that are refused, with the codes. */
export const BRIEFING_ROWS: RefusalRow[] = [
  ['a briefing held', UNBRIEFED, 'jun', brief({}), []],
  ['held again while the permit is out', LIVE, 'hana', brief({}), []],
  ['held before the task is assessed', () => carryOut(PERMIT.slice(0, 1), WALKED()), 'jun', brief({}), ['not-assessed']], // prettier-ignore
  [
    'held by somebody who only works',
    UNBRIEFED,
    'kit',
    brief({}),
    ['role-missing', 'asks-oneself'],
  ],
  ['one there is unknown', UNBRIEFED, 'jun', brief({ present: [...briefingOf(UNBRIEFED()).present, 'nobody'] }), ['person-unknown']], // prettier-ignore
  ['without a signature', UNBRIEFED, 'jun', brief({}), ['signature-missing'], { signed: new Set(briefingOf(UNBRIEFED()).present.filter((one) => one !== 'kit')) }], // prettier-ignore
  ['without whoever leads', UNBRIEFED, 'hana', briefingOf(UNBRIEFED(), ['kit', 'lena']), ['leader-not-briefed']], // prettier-ignore
  ['a hazard left out', UNBRIEFED, 'jun', of((points) => points.slice(1)), ['hazard-not-briefed']],
  ['a question for yes or no', UNBRIEFED, 'jun', first({ question: 'Do you know where the eyewash is?' }), ['question-not-open']], // prettier-ignore
  ['an open question', UNBRIEFED, 'jun', first({ question: 'Where is the eyewash?' }), []],
  ['answered with ok', UNBRIEFED, 'jun', first({ answer: 'OK.' }), ['answer-says-nothing']],
  ['answered in few words', UNBRIEFED, 'jun', first({ answer: 'ok: behind the wall' }), []],
  ['asked of one who is not there', UNBRIEFED, 'jun', first({ of: 'hana' }), ['not-at-briefing']],
  ['asked of whoever asks', UNBRIEFED, 'jun', first({ of: 'jun' }), ['asks-oneself']],
  ['asked of whoever leads, by somebody else', UNBRIEFED, 'hana', first({ of: 'jun' }), []],
  ['tools looked at by nobody', UNBRIEFED, 'jun', brief({ looked: [] }), ['briefing-not-looked']],
  ['tools looked at by one who is not there', UNBRIEFED, 'jun', brief({ looked: [{ what: 'tools', by: 'hana', seen: 'sound' }] }), ['not-at-briefing']], // prettier-ignore
  ['no tools used', UNBRIEFED, 'jun', brief({ looked: [{ what: 'tools', seen: 'looking only' }] }), []], // prettier-ignore
  ['heavy parts and no load', UNBRIEFED, 'jun', brief({ loads: [] }), ['load-unsaid']],
  ['23 kg by one', UNBRIEFED, 'jun', load(23, 'alone'), []],
  ['23.1 kg by one', UNBRIEFED, 'jun', load(23.1, 'alone'), ['load-too-heavy']],
  ['46 kg by two', UNBRIEFED, 'jun', load(46, 'two'), []],
  ['46.1 kg by two', UNBRIEFED, 'jun', load(46.1, 'two'), ['load-too-heavy']],
  ['46.1 kg with gear', UNBRIEFED, 'jun', load(46.1, 'gear'), []],
  ['20 kg by one where 15 are the most', UNBRIEFED, 'jun', load(20, 'alone'), ['load-too-heavy'], values({ 'lift-one-kg': 15 })], // prettier-ignore
  ['heat without its humidity', UNBRIEFED, 'jun', air({ air_c: 27 }), ['briefing-humidity-unsaid']],
  ['just too cool for that', UNBRIEFED, 'jun', air({ air_c: 26 }), []],
  ['heat that allows work', UNBRIEFED, 'jun', air({ air_c: 30, humidity: 40, sun: 'none', effort: 'moderate' }), []], // prettier-ignore
  ['heat where sun and effort are not said', UNBRIEFED, 'jun', air({ air_c: 36, humidity: 50 }), ['briefing-too-hot']], // prettier-ignore
  ['the same in the shade, light', UNBRIEFED, 'jun', air({ air_c: 36, humidity: 50, sun: 'none', effort: 'light' }), []], // prettier-ignore
  ['cold without its wind', UNBRIEFED, 'jun', air({ air_c: 10 }), ['briefing-wind-unsaid']],
  ['just too warm for that', UNBRIEFED, 'jun', air({ air_c: 10.5 }), []],
  ['cold inside', UNBRIEFED, 'jun', air({ air_c: -5, wind_m_s: 0 }), []],
  ['a chill of 43 below', UNBRIEFED, 'jun', air({ air_c: -43, wind_m_s: 0 }), ['briefing-too-cold']], // prettier-ignore
  ['a chill just above', UNBRIEFED, 'jun', air({ air_c: -42.9, wind_m_s: 0 }), []],
  ['issued without a briefing', UNBRIEFED, 'hana', ISSUE, ['briefing-missing']],
  ['issued without one where it is only said', UNBRIEFED, 'hana', ISSUE, [], { site: said }],
  ['issued on a briefing of 4 h ago', APPROVED, 'hana', { ...ISSUE, hours: 1 } as Command, ['left-unattended', 'not-proved', 'not-tried', 'briefing-old'], { ...values({ 'briefing-h': 3 }), ...hours(4) }], // prettier-ignore
  ['issued where somebody else leads', LED_BY_ROSA, 'hana', { ...ISSUE, performer: 'rosa' } as Command, ['leader-not-briefed']], // prettier-ignore
  ['signed on without a briefing', WITHOUT_KIT, 'hana', SIGN, ['not-briefed']],
  ['signed on without one where it is only said', WITHOUT_KIT, 'hana', SIGN, [], { site: said }],
  ['signed on after being briefed', () => carryOut([['jun', LATE_ONE]], WITHOUT_KIT()), 'hana', SIGN, []], // prettier-ignore
  ['briefed late with a question for yes or no', WITHOUT_KIT, 'jun', { ...LATE_ONE, question: 'Is it clear?' } as Command, ['question-not-open']], // prettier-ignore
  ['briefed late where nobody was briefed', UNBRIEFED, 'jun', LATE_ONE, ['briefing-missing']],
  ['briefed late by oneself', WITHOUT_KIT, 'jun', { ...LATE_ONE, person: 'jun' } as Command, ['asks-oneself']], // prettier-ignore
  ['briefed late by one who has not heard it', WITHOUT_KIT, 'rosa', LATE_ONE, ['briefer-not-briefed']], // prettier-ignore
  ['briefed late and answered with yes', WITHOUT_KIT, 'jun', { ...LATE_ONE, answer: 'yes' } as Command, ['answer-says-nothing']], // prettier-ignore
  ['nothing of the crane, where a load is lifted', () => ISSUED_WITH('lift'), 'jun', brief({}), ['hazard-not-briefed', 'hazard-not-briefed', 'briefing-not-looked', 'briefing-not-looked']], // prettier-ignore
];
