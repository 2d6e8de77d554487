import { fixed, rule, type Rule } from './rule';

const MAKER =
  'the maker’s instructions count (29 CFR 1910.146(c)(5)(ii)(C): a calibrated direct-reading instrument)';

/** Rules that refuse a gas test whose readings cannot be believed. */
export const GAS_RULES = {
  'gas-calibration-over': rule(
    'permit',
    (f) => `The calibration of ${f.instrument} ran out at ${f.until}.`,
    MAKER,
    'Take an instrument that is in date.',
  ),
  'gas-bump-missing': rule(
    'permit',
    (f) => `${f.instrument} was not bump-tested in the last ${f.hours} h.`,
    'a bump test before each day’s use (practice)',
    'Bump-test it, record it, and sample again.',
  ),
  'gas-in-future': rule(
    'permit',
    (f) => `The reading is of ${f.at}; it is ${f.now}.`,
    'what has not happened is not recorded (site rule)',
    'Set the clock of the device, and sample again.',
  ),
  'gas-clock-far': rule(
    'permit',
    (f) => `The clock of ${f.instrument} is ${f.drift} s off; at most ${f.most} s are corrected.`,
    'what is written down stands at its hour (practice)',
    'Set the device’s clock, and send again.',
  ),
  'detector-not-placed': rule(
    'work',
    (f) => `${f.device} does not stand at this job.`,
    'an alarm is of the place where the device stands (site rule)',
    'Place it at the job first.',
  ),
  'detector-silent': rule(
    'work',
    (f) => `Nothing has come from ${f.device}, ${f.place}, since ${f.since}.`,
    'the air is watched without a break (29 CFR 1910.146(d)(5)(ii); NFPA 51B; practice)',
    'Find out why it sends nothing, or put another in its place; then test the air again.',
  ),
  'device-speaks-itself': rule(
    'work',
    (f) => `Only ${f.device} itself says this.`,
    'an alarm comes from the device that reads, and from nobody in its name (site rule)',
    'Raise an alarm in your own name, or stop the work.',
  ),
  'gas-malformed': rule(
    'work',
    (f) => `What ${f.device} sent cannot be read: ${f.problem}.`,
    'what cannot be read is not kept (practice)',
    'Have the device set right, or take another.',
  ),
  'gas-number-reused': rule(
    'work',
    (f) => `${f.device} has sent another reading under the number ${f.number}.`,
    'a number is one reading, so that none is kept twice (site rule)',
    'Have the device number its readings on.',
  ),
  'air-is-fit': rule(
    'work',
    (f) => `What ${f.device} reads is fit.`,
    'an alarm has a cause (site rule)',
    'Nothing has to be done.',
  ),
  'detector-unfit': rule(
    'permit',
    (f) => `${f.device} is no gas detector in date.`,
    MAKER,
    'Take another.',
  ),
  'detector-elsewhere': rule(
    'permit',
    (f) => `${f.device} stands at ${f.job}.`,
    'one device, one place (site rule)',
    'Take another, or end its use there.',
  ),
  'gas-no-pump': rule(
    'permit',
    (f) => `${f.instrument} has no pump: nothing comes through a hose.`,
    MAKER,
    'Take an instrument with a pump, or lower the instrument itself.',
  ),
  'gas-hose-long': rule(
    'permit',
    (f) => `The hose of ${f.length} m is longer than the maker allows (${f.longest} m).`,
    MAKER,
    'Take a shorter hose.',
  ),
  'gas-too-soon': rule(
    'permit',
    (f) => `The reading came ${f.left} s too soon: the sample needs ${f.needed} s.`,
    'hose volume over pump flow, and the sensor’s response (practice)',
    (f) => `Draw for ${f.left} s more, and read again.`,
  ),
  'gas-not-measured': rule(
    'permit',
    (f) => `${f.instrument} cannot measure ${f.gas}.`,
    MAKER,
    'Take an instrument with a sensor for it.',
  ),
  'gas-unit-wrong': rule(
    'permit',
    (f) => `${f.gas} is given in ${f.unit}; the instrument shows ${f.shows}.`,
    'a value is read in the unit that is shown (practice)',
    'Read it again, with its unit.',
  ),
  'gas-below-zero': rule(
    'permit',
    (f) => `${f.gas} reads ${f.shown} ${f.unit}: the zero has drifted.`,
    MAKER,
    'Put the instrument out of use, and take another.',
  ),
  'gas-as-fraction': rule(
    'permit',
    (f) => `Oxygen of ${f.shown} % vol looks like a fraction.`,
    'a value that cannot be is not recorded (practice)',
    'Give it in % vol: 0.209 is 20.9 % vol. When it really is so low, it is read again with another instrument.',
  ),
  'gas-above-all': rule(
    'permit',
    (f) => `${f.shown} ${f.unit} is more than there can be.`,
    'a value that cannot be is not recorded (practice)',
    'Read it again.',
  ),
  'gas-oxygen-unread': rule(
    'permit',
    fixed('Oxygen was not read with the flammables.'),
    'oxygen first (29 CFR 1910.146(d)(5)(iii)); a sensor that burns needs it',
    'Read oxygen with the same sample.',
  ),
  'gas-oxygen-starved': rule(
    'permit',
    (f) =>
      `${f.gas} cannot be believed: with ${f.oxygen} % vol oxygen the sensor does not burn (it needs ${f.least} %).`,
    'a catalytic sensor needs oxygen; the reading is invalid, not zero (practice)',
    'Measure with a sensor that needs no oxygen, and keep everyone out.',
  ),
  'gas-no-detector': rule(
    'permit',
    (f) => `${f.instrument} is no gas detector of this site.`,
    MAKER,
    'Choose a gas detector of the list.',
  ),
  'air-not-asked': rule(
    'permit',
    (f) => `The papers of this job ask for no test of the air for ${f.use}.`,
    'tests follow from the papers (site rule)',
    'Decide on the papers first.',
  ),
  'air-source-unknown': rule(
    'permit',
    (f) => `The drawing does not say what ${f.name} gives off.`,
    'a gas that nobody thought of is not tested for (practice)',
    'Find out and say it; then have it put on the drawing.',
  ),
  'air-not-tested': rule(
    'permit',
    (f) => `The air has not been tested for ${f.use}.`,
    '29 CFR 1910.146(c)(5)(ii)(C), (d)(5); 1910.252(a)(2)(vi)(A) and NFPA 51B for hot work',
    'A gas tester samples and records it.',
  ),
  'air-unfit': rule(
    'permit',
    (f) => `The air is not fit for ${f.use}: ${f.found}.`,
    '29 CFR 1910.146(b)',
    'Find the cause, ventilate, and test again from outside.',
  ),
  'air-test-old': rule(
    'permit',
    (f) => `The last test of the air for ${f.use} was at ${f.at}; it counts for ${f.minutes} min.`,
    'tested again after each break (practice)',
    'Test again.',
  ),
  'air-not-covered': rule(
    'permit',
    (f) => `The last test of the air for ${f.use} leaves out: ${f.missing}.`,
    'oxygen, flammables and toxics in this order (29 CFR 1910.146(d)(5)(iii)), where each gathers',
    'Test for these as well, all in one test.',
  ),
  'air-places-left': rule(
    'permit',
    (f) => `The last test of the air for ${f.use} was not made at: ${f.places}.`,
    'gas is looked for at drains, vents and open ends before the first spark (NFPA 51B; practice)',
    'Test at each of these as well and tick it, all in one test.',
  ),
} as const satisfies Record<string, Rule>;
