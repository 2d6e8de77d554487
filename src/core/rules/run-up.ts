import { fixed, rule, type Rule } from './rule';

const COUNTED_BACK =
  'what is done before a stop is counted back from its hour, with who does it and when it begins (practice)';

/** Rules about what is done before the hour of a stop, and about the calls that give the plant over and back. */
export const RUN_UP_RULES = {
  'run-up-no-hour': rule(
    'plan',
    fixed('No hour is agreed for the stop.'),
    COUNTED_BACK,
    'Agree the hour with an operator first, under Timing and neighbours.',
  ),
  'run-up-unknown': rule(
    'plan',
    (f) => `There is no step ${f.step} before the stop.`,
    'practice',
    'Choose one of the steps that are planned.',
  ),
  'run-up-circle': rule(
    'plan',
    (f) => `${f.step} would wait for itself.`,
    COUNTED_BACK,
    'Leave out one of the steps that it comes after.',
  ),
  'run-up-twice': rule(
    'plan',
    (f) => `${f.person} would have to do ${f.one} and ${f.other} at the same time.`,
    COUNTED_BACK,
    'Name somebody else, or let one come after the other.',
  ),
  'run-up-underway': rule(
    'plan',
    (f) => `${f.step} was begun already.`,
    'a step that was begun stays in the record as it was planned (practice)',
    'Finish it, and plan what is still to be done as another step.',
  ),
  'run-up-too-early': rule(
    'plan',
    (f) => `${f.before} comes first.`,
    COUNTED_BACK,
    (f) => `Finish ${f.before}.`,
  ),
  'run-up-not-begun': rule(
    'plan',
    (f) => `${f.step} was not begun.`,
    'practice',
    'Begin it first, so that it is known how long it took.',
  ),
  'run-up-still-hot': rule(
    'plan',
    (f) => `${f.step} cools for ${f.minutes} min more.`,
    'cooling takes as long as it was worked out to (Newton’s law of cooling); the temperature is proved besides',
    'Wait; then measure.',
  ),
  'run-up-cooling-unknown': rule(
    'plan',
    fixed('Nobody has worked out how long it cools.'),
    'cooling takes as long as it was worked out to (Newton’s law of cooling)',
    'Work the cooling time out at the Bench and use it in this job.',
  ),
  'run-up-cooling-short': rule(
    'plan',
    (f) => `It cools for ${f.needed} min, not ${f.minutes}.`,
    'cooling takes as long as it was worked out to (Newton’s law of cooling)',
    (f) => `Plan ${f.needed} min or more, or work the sum out anew.`,
  ),
  'run-up-not-theirs': rule(
    'plan',
    (f) => `${f.step} is down to ${f.person}.`,
    COUNTED_BACK,
    (f) => `${f.person} does it, or it is planned for somebody else.`,
  ),
  'run-up-open': rule(
    'isolate',
    (f) => `Before the stop there is still to be done: ${f.steps}.`,
    COUNTED_BACK,
    'Finish these, or take out of the run-up what is not needed after all.',
  ),
  'window-not-called': rule(
    'isolate',
    fixed('Operations have not called that the plant is ready.'),
    'plant is given over by a call that is noted, and nobody stops or locks anything before (practice; HSG250, from memory)',
    'An area operator calls when everything before the stop is done, and notes the call.',
  ),
  'window-not-returned': rule(
    'restore',
    fixed('The call that the plant is handed back is missing.'),
    'plant is given back by a call that is noted (practice; HSG250, from memory)',
    'Call operations, and note whom and what was said.',
  ),
} as const satisfies Record<string, Rule>;
