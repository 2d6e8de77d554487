import { fixed, LOCKOUT, rule, type Rule } from './rule';

const INSPECTED = `inspected at least once a year by somebody authorised who does not use it (${LOCKOUT}(c)(6)(i))`;

/** Rules about written procedures. */
export const PROCEDURE_RULES = {
  'procedure-job-unknown': rule(
    'site',
    (f) => `There is no job ${f.job}.`,
    'practice',
    'Name the job whose plan was carried out.',
  ),
  'procedure-not-carried-out': rule(
    'site',
    (f) => `No permit was ever issued on the isolation of ${f.job}: its plan was not carried out.`,
    'a procedure is written down from work that was done (practice)',
    'Write it down once the isolation has held under a permit.',
  ),
  'procedure-other-machine': rule(
    'site',
    (f) => `${f.name} is for ${f.equipment}, and this job is on ${f.other}.`,
    `a procedure is of a machine (${LOCKOUT}(c)(4)(ii)(A), from memory)`,
    'Write a procedure of its own, or choose one of this machine.',
  ),
  'procedure-unknown': rule(
    'plan',
    (f) => `There is no procedure ${f.name}.`,
    'practice',
    'Choose one of the list.',
  ),
  'procedure-withdrawn': rule(
    'plan',
    (f) => `${f.name} was withdrawn: ${f.why}`,
    'practice',
    'Plan the job anew, and write its procedure once it was carried out.',
  ),
  'procedure-overdue': rule(
    'plan',
    (f) => `${f.name} had to be inspected by ${f.due}.`,
    INSPECTED,
    'Have it inspected first, or plan the job anew.',
  ),
  'procedure-fails': rule(
    'site',
    (f) => `${f.name} no longer holds on the plant as it is: ${f.words}.`,
    'a procedure says how the plant of today is isolated (practice)',
    'Plan a job of its task anew, carry it out, and write it down as the next version.',
  ),
  'procedure-current': rule(
    'site',
    (f) => `${f.name} stands on the newest drawing already.`,
    'practice',
    'Nothing is to be done.',
  ),
  'inspector-uses-it': rule(
    'site',
    (f) => `${f.person} uses ${f.name}.`,
    INSPECTED,
    'Somebody authorised who does not work by it makes the inspection.',
  ),
  'inspection-not-put-right': rule(
    'site',
    fixed('It was found to differ, and nothing is said about what was put right.'),
    `what differs is put right (${LOCKOUT}(c)(6)(i)(B))`,
    'Say what was put right, or withdraw the procedure.',
  ),
} as const satisfies Record<string, Rule>;
