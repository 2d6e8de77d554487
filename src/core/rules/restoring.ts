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
