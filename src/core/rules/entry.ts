import { fixed, rule, type Rule } from './rule';

const OSHA = '29 CFR 1910.146';
const PURGE =
  'never purged shorter than worked out (practice); a time proves nothing, the test after it does';
const COUNT = `the attendant keeps an exact count (${OSHA}(i)(3))`;

/** Rules of an entry into a confined space. */
export const ENTRY_RULES = {
  'no-entry-here': rule(
    'permit',
    fixed('The papers of this job name no entry into a confined space.'),
    'what is not on the permit is not done (site rule)',
    'Decide on the papers first.',
  ),
  'space-unknown': rule(
    'permit',
    (f) => `${f.space} is no space of this plant.`,
    'a space has a name (practice)',
    'Choose one of the list; put it on the drawing when it is missing.',
  ),
  'entry-not-planned': rule(
    'permit',
    fixed('The entry is not planned: who may be in, how they are got out, how they talk.'),
    `${OSHA}(d), (f), (k)`,
    'Plan the entry.',
  ),
  'rescue-not-practised': rule(
    'permit',
    (f) => `The rescue was last practised ${f.at}; once in ${f.days} days is asked for.`,
    `${OSHA}(k)(2)(iv): at least once every 12 months`,
    'Practise it, and say when.',
  ),
  'rescue-in-future': rule(
    'permit',
    (f) => `${f.at} is still to come.`,
    'what has not happened is not recorded (site rule)',
    'Say when it was practised.',
  ),
  'rescue-by-device': rule(
    'permit',
    (f) => `The space is ${f.depth} m deep: people are got out by a mechanical device.`,
    `${OSHA}(k)(3)(ii): more than 1.5 m (5 ft) deep`,
    'Set one up over the opening, and plan with it.',
  ),
  'space-before-test': rule(
    'work',
    (f) =>
      `The air has not been tested from outside in the last ${f.minutes} min: ${f.step} waits.`,
    'tested before the lid is opened and before anything is pumped out (practice)',
    'A gas tester samples from outside first.',
  ),
  'space-unchecked': rule(
    'work',
    (f) => `Not looked at before ${f.step}: ${f.checks}.`,
    'what stands round an opening hurts as often as what is in it (practice; 29 CFR 1910.146(d)(3), from memory)',
    'Look at each, and record how it is, or why there is none here.',
  ),
  'cover-too-heavy': rule(
    'work',
    (f) => `The cover weighs ${f.weight} kg: one person lifts at most ${f.most} kg.`,
    '23 kg: the load constant of the revised NIOSH lifting equation (from memory); site rule',
    'Draw it by two, or with gear.',
  ),
  'check-without-name': rule(
    'work',
    (f) => `Nobody is named for it: ${f.check}.`,
    'what somebody has to stay with is given to somebody by name (practice)',
    'Name who stays with it.',
  ),
  'blower-by-attendant': rule(
    'work',
    (f) => `${f.person} is the attendant.`,
    '29 CFR 1910.146(i)(10): the attendant has no duty that keeps from watching those inside',
    'Name somebody else for the blower.',
  ),
  'space-shut': rule(
    'work',
    fixed('The space has not been opened and its opening guarded.'),
    'opened, guarded, purged, tested, entered: in this order (practice)',
    'Test from outside, open it, guard the opening.',
  ),
  'purge-bends': rule(
    'work',
    (f) => `${f.bends} bends in the hose; at most ${f.most} while purging.`,
    'a 90° bend takes about 30 % of a blower’s flow (practice)',
    'Lay the hose straighter.',
  ),
  'purge-impossible': rule(
    'permit',
    (f) =>
      `${f.start} % vol of ${f.gas} and ${f.oxygen} % vol of oxygen cannot stand in one space: the gas leaves too little room for so much air.`,
    'what a gas takes up, air does not (the sum of the shares is 100 %)',
    'Read both again with an instrument that needs no oxygen for it, and give what it shows.',
  ),
  'purge-fresh-unfit': rule(
    'permit',
    (f) =>
      `Fresh air of ${f.fresh} % vol oxygen does not lie between the limits of the site, ${f.least} and ${f.most} % vol: no purge can reach them.`,
    'air is brought toward what is blown in (site rule)',
    'Have the site manager set oxygen of fresh air, or the limits, right.',
  ),
  'purge-never': rule(
    'work',
    (f) =>
      `With ${f.flow} m³/min ${f.what} never gets there: the leak is larger than the air carries.`,
    'well-mixed dilution; the leak sets what it tends to',
    (f) => `Stop the leak, or blow more than ${f.least} m³/min.`,
  ),
  'purge-under-way': rule(
    'work',
    fixed('A purge is running.'),
    'a step is recorded once (site rule)',
    'Let it run, or stop it with the reason.',
  ),
  'purge-not-begun': rule('work', fixed('No purge is running.'), PURGE, 'Start one.'),
  'purge-running': rule(
    'work',
    (f) => `The purge runs ${f.left} min more, until ${f.until}.`,
    PURGE,
    'Wait. It cannot be ended early; stopped, it begins again.',
  ),
  'purge-missing': rule(
    'work',
    fixed('The space has not been purged to the end since it was opened or last left empty.'),
    'left and returned to: purged and tested again (practice)',
    'Purge it, record its end, then test.',
  ),
  'test-before-purge': rule(
    'work',
    (f) => `The last test of the air was at ${f.tested}, before the purge ended at ${f.purged}.`,
    `${OSHA}(d)(5): tested as it will be breathed`,
    'Test again from outside.',
  ),
  'not-the-attendant': rule(
    'work',
    (f) => `${f.person} is not the attendant on duty: the count is the attendant’s.`,
    COUNT,
    'The attendant records it; whoever takes over takes the duty first.',
  ),
  'space-full': rule(
    'work',
    (f) => `${f.inside} are inside; at most ${f.most} may be.`,
    `${OSHA}(f)(4), (i)(3); the number is the plan’s`,
    'Someone comes out first.',
  ),
  'inside-not-tested': rule(
    'work',
    (f) => `Since the space was blown out, the air was not tested inside at: ${f.places}.`,
    'corners and lines that open into a space are tested from inside before anyone works there (practice)',
    'Whoever went in first tests there with a detector that stays on; then sign the test with these places ticked.',
  ),
  'already-inside': rule('work', (f) => `${f.person} is inside.`, COUNT, 'Tick them out first.'),
  'not-inside': rule(
    'work',
    (f) => `${f.person} is not inside.`,
    COUNT,
    'Choose one of those who are.',
  ),
  'people-inside': rule(
    'work',
    (f) => `Still inside: ${f.people}.`,
    COUNT,
    'Everyone comes out and is ticked out first.',
  ),
  'not-accounted': rule(
    'work',
    (f) => `Not accounted for since the alarm: ${f.people}.`,
    `an alarm empties the space (${OSHA}(e)(5)(ii); practice)`,
    'Each is seen outside and ticked out by name.',
  ),
  'tools-inside': rule(
    'work',
    (f) => `${f.count} things went in and did not come out.`,
    'what goes in is counted out (practice)',
    'Find them, and count them out with whoever brings them.',
  ),
  'tools-too-many': rule(
    'work',
    (f) => `${f.out} things come out; ${f.inside} are inside.`,
    'what goes in is counted out (practice)',
    'Count again.',
  ),
  'call-late': rule(
    'work',
    (f) => `Those inside were last heard at ${f.at}; every ${f.minutes} min is asked for.`,
    `${OSHA}(i)(5): talked with as often as is needed; the interval is the site’s`,
    'Call them and record it. No answer: raise the alarm.',
  ),
  'too-hot': rule(
    'work',
    fixed('The sum noted for the heat says no work as it is.'),
    'work and rest in the heat: NIOSH 2017-127 (from memory); site rule',
    'Cool the space, make the work lighter or wait, and note the sum anew with what is measured then.',
  ),
  'purge-from-inert': rule(
    'work',
    (f) =>
      `It was made inert to ${f.most} % oxygen, and this purge is reckoned from ${f.oxygen} %.`,
    'the time of a purge follows from what is inside (material balance); what was made inert suffocates (29 CFR 1910.146)',
    (f) => `Set the oxygen at the start to ${f.most} % or less.`,
  ),
  'stay-over': rule(
    'work',
    (f) => `${f.people} has been inside longer than ${f.minutes} min.`,
    'time limit of the entry plan (heat and effort; practice)',
    'They come out first.',
  ),
} as const satisfies Record<string, Rule>;
