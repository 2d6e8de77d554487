import { fixed, LOCKOUT, rule, type Rule } from './rule';

/** Rules that refuse a step of restoring and closing. */
export const RESTORING_RULES = {
  'box-still-locked': rule(
    'restore',
    fixed('The control lock is still on the box.'),
    `${LOCKOUT}(f)(3)`,
    'Take the control lock off.',
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
    (f) => `${f.subject} was found ${f.found}; its normal position is ${f.normal}.`,
    'the line is walked against the line-up (practice)',
    (f) => `Put ${f.subject} to ${f.normal}, or have the line-up changed.`,
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
