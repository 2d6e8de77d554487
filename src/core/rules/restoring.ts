import { fixed, LOCKOUT, rule, type Rule } from './rule';

/** Rules that refuse a step of restoring and closing. */
export const RESTORING_RULES = {
  'earth-off-order': rule(
    'restore',
    (f) => `The earth at ${f.outlet} was not recorded as taken off in the reverse order.`,
    'the conductors first, farthest and highest first, the earth end last (EN 50110-1, 6.2.5, from memory)',
    'Take it off in this order, and say so.',
  ),
  'box-still-locked': rule(
    'restore',
    fixed('The control lock is still on the box.'),
    `${LOCKOUT}(f)(3)`,
    'Take the control lock off.',
  ),
  'held-by-other': rule(
    'restore',
    (f) => `${f.job} needs ${f.subject} as it stands.`,
    'a point is put back only by the last job that needs it (practice)',
    (f) => `Leave ${f.subject} as it is and say so: ${f.job} puts it back.`,
  ),
  'held-by-nobody': rule(
    'restore',
    (f) => `No other job holds ${f.subject}: it may not be left as it is.`,
    'the last job that needs a point puts it back (practice)',
    (f) => `Put ${f.subject} back to its normal position.`,
  ),
  'points-locked': rule(
    'restore',
    (f) => `${f.points} not yet restored.`,
    'restoring order (energy model, section 7)',
    'Restore each point in order.',
  ),
  'earths-not-counted': rule(
    'restore',
    fixed('The earths have not been counted off.'),
    'every earth that was put on is counted off before a lock comes off (practice)',
    'Count them and record the number.',
  ),
  'earth-count-wrong': rule(
    'restore',
    (f) => `${f.counted} counted, ${f.on} were put on: ${f.sets}.`,
    'every earth that was put on is counted off (practice)',
    'Find the missing one before anything is made live.',
  ),
  'position-wrong': rule(
    'restore',
    (f) =>
      f.found === f.normal
        ? `${f.subject} was found ${f.found}, its free end neither plugged nor piped away.`
        : `${f.subject} was found ${f.found}; its line-up is ${f.normal}.`,
    'each valve, blind, drain and plug is compared with the line-up (practice)',
    (f) => `Put ${f.subject} to ${f.normal}, plug what ends in the open, and walk it again.`,
  ),
  'leak-test-missing': rule(
    'restore',
    (f) => `${f.section} was broken into and has not been tested for leaks.`,
    'a line that was open is tested before its locks come off (energy model, section 7; practice)',
    (f) => `Shut its outlets, hold a pressure on ${f.section} and record it.`,
  ),
  'line-leaks': rule(
    'restore',
    (f) =>
      `${f.section} leaks: ${f.from} bar fell to ${f.to} bar in ${f.minutes} min, or it weeps.`,
    'a line goes back only when it is tight (practice)',
    'Let it down, have it put right under a permit, and test it again. Nothing is tightened under pressure.',
  ),
  'no-leak-test': rule(
    'restore',
    (f) => `${f.section} was not broken into by this job.`,
    'what is tested is what was opened (practice)',
    'Choose a line that the job opened.',
  ),
  'leak-test-too-low': rule(
    'restore',
    (f) => `${f.section} was tested at ${f.from} bar; it needs ${f.least} bar.`,
    'a leak test reaches the pressure of normal running (practice)',
    'Raise the pressure slowly and test again.',
  ),
  'leak-test-too-short': rule(
    'restore',
    (f) => `The pressure was held for ${f.minutes} min; ${f.least} min are needed.`,
    'site rule (practice)',
    'Hold it for longer.',
  ),
  'leak-test-blind': rule(
    'restore',
    (f) =>
      `Behind ${f.volume} m³ a leak of ${f.leak} mbar L/s moves a gauge with steps of ${f.step} bar only after ${f.least} min; it was held for ${f.minutes} min.`,
    'shortest test that can show a leak: volume times step over leak (pressure-change method, EN 1779, from memory; site rule)',
    (f) => `Hold it for at least ${f.least} min, or take a gauge with a finer step.`,
  ),
  'leak-test-too-soon': rule(
    'restore',
    (f) =>
      `${f.section} cannot have held its pressure for ${f.minutes} min: its last outlet was shut less long ago.`,
    'a time is waited out, not written down (practice)',
    (f) => `Wait for ${f.left} min more, then read it again.`,
  ),
  'leak-test-void': rule(
    'restore',
    (f) => `On ${f.section} ${f.from} bar rose to ${f.to} bar: something feeds or warms it.`,
    'a rising pressure proves nothing (practice)',
    'Find what feeds it. A valve may pass: then it is no barrier.',
  ),
  'gas-test-not-accepted': rule(
    'restore',
    fixed('Testing with gas instead of liquid needs someone to accept it by name.'),
    'gas under pressure holds far more energy than liquid (practice)',
    'An issuing authority accepts it, or test with liquid.',
  ),
  'start-not-seen': rule(
    'restore',
    fixed('Nobody has seen it start.'),
    'those affected are told, kept clear, and the start is watched from a distance (energy model, section 7)',
    'Tell those affected, see that everyone keeps clear, start it and say what was seen.',
  ),
  'not-kept-clear': rule(
    'restore',
    fixed('It was not seen that everyone keeps clear.'),
    `${LOCKOUT}(e)(1) and (e)(2)`,
    'See to it that everyone is in a safe place, then start.',
  ),
  'lineup-missing': rule(
    'restore',
    (f) => `${f.points} not yet walked.`,
    'every point is compared with the line-up (practice)',
    'Walk the line and record each position.',
  ),
  'not-taken-back': rule(
    'restore',
    fixed('Operations has not taken the plant back.'),
    'operations accepts (practice)',
    'The area operator takes it back after telling those affected.',
  ),
} as const satisfies Record<string, Rule>;
