import type { Command, DossierState } from '../../../src/core/job';
import { carryOut, LIVE, site, WALKED, type RefusalRow, type Step } from '../seal-change';

const firm = 'BC';
const stands = (state: DossierState): string[] => {
  if (!state) throw new Error('no job');
  const { locked, tagged, opened, restrained } = state.isolation;
  return [locked, tagged, opened, restrained].flatMap((held) => Object.keys(held));
};
const see = (points: string[], of = firm): Command => ({
  kind: 'see-points',
  firm: of,
  points,
  how: 'lock pulled, tag read',
});
export const SHOW = {
  kind: 'show-bounds',
  firm,
  lead: 'vik',
  words: 'the casing, between the two suction valves and the two delivery valves',
} satisfies Command;
const on = (person: string, lock: string): Command => ({ kind: 'sign-on', person, lock });

/** The lead of the visiting firm has tried and seen every point; was shown the bounds; is on, with their crew's lock. */
export const SEEN = () => carryOut([['vik', see(stands(LIVE()))]], LIVE());
export const SHOWN = () => carryOut([['hana', SHOW]], SEEN());
const CREW: Step = [
  'hana',
  {
    kind: 'hang-crew-lock',
    crew: 'Brandrith Coatings',
    lead: 'vik',
    lock: 'L-1',
    verified: 'tried and seen on the round',
  },
];
const WITH_CREW = () => carryOut([CREW], SHOWN());
const inCrew = (person: string, lock: string): Command => ({
  kind: 'sign-on',
  person,
  lock,
  crew: 'Brandrith Coatings',
});
const LED = () => carryOut([['hana', inCrew('vik', 'W-22')]], WITH_CREW());
const ALL_ON = () => carryOut([['hana', inCrew('yara', 'W-23')]], LED());
/** The crew's lock is off by a mistake of before; only the lead's own is left. */
const WITHOUT_CREW = (): DossierState => {
  const state = ALL_ON();
  if (state?.permit.kind !== 'issued') throw new Error('not issued');
  return { ...state, permit: { ...state.permit, crews: {} } };
};
const withoutLead = {
  site: {
    ...site,
    employers: (site.employers ?? []).map((one) =>
      one.id === firm ? { ...one, lead: undefined } : one,
    ),
  },
};

/** Steps of a firm from outside that are refused, with the codes. */
export const FIRM_ROWS: RefusalRow[] = [
  ['points seen for a firm that nobody knows', LIVE, 'vik', see(['HV-2001'], 'XX'), ['firm-unknown']],
  ['points seen by somebody who does not lead the firm', LIVE, 'yara', see(['HV-2001']), ['firm-not-its-lead']],
  ['points seen by the site for the firm', LIVE, 'hana', see(['HV-2001']), ['firm-not-its-lead']],
  ['a point seen that is not in the plan', LIVE, 'vik', see(['HV-2104']), ['not-in-plan']],
  ['a point seen before it is locked', WALKED, 'vik', see(['HV-2001']), ['not-in-plan']],
  ['points seen for a firm without a lead', LIVE, 'vik', see(['HV-2001']), ['firm-lead-missing'], withoutLead],
  ['bounds shown before the round', LIVE, 'hana', SHOW, ['firm-points-unseen']],
  ['bounds shown by the lead alone', SEEN, 'vik', SHOW, ['role-missing']],
  ['bounds shown to somebody else', SEEN, 'hana', { ...SHOW, lead: 'yara' }, ['firm-not-its-lead']],
  ['bounds shown before the permit', WALKED, 'hana', SHOW, ['not-issued']],
  ['a crew of the firm before its round', LIVE, CREW[0], CREW[1], ['firm-points-unseen', 'firm-bounds-unshown']],
  ['a crew of the firm before its bounds', SEEN, CREW[0], CREW[1], ['firm-bounds-unshown']],
  ['somebody of the firm before its lead', SHOWN, 'hana', on('yara', 'W-23'), ['firm-lead-not-on', 'crew-missing']],
  ['the lead off before their people', WITHOUT_CREW, 'hana', { kind: 'sign-off', person: 'vik', lock: 'W-22' }, ['firm-lead-first-off']],
  ['somebody of a firm without a lead', SHOWN, 'hana', on('yara', 'W-23'), ['firm-lead-missing', 'crew-missing'], withoutLead],
]; // prettier-ignore

/** What is not refused: the round, and its people after it. */
export const FIRM_AT_WORK = ALL_ON;
