/** Facts that a rule's words are made of. */
export type Facts = Readonly<Record<string, string | number>>;

/** Where in a job's dossier a refusal is cleared. */
export type Place =
  'raise' | 'plan' | 'review' | 'isolate' | 'prove' | 'permit' | 'work' | 'restore' | 'site';

export interface Rule {
  /** What is wrong, in one sentence. */
  readonly says: (facts: Facts) => string;
  /** Law, standard, practice or site rule that it rests on. */
  readonly basis: string;
  /** What to do so that it no longer stands. */
  readonly clear: (facts: Facts) => string;
  readonly where: Place;
}

const DUTIES = 'separation of duties (practice; HSG250, from memory)';
const LOCKOUT = '29 CFR 1910.147';
const fixed = (text: string) => () => text;

function rule(
  where: Place,
  says: (facts: Facts) => string,
  basis: string,
  clear: string | ((facts: Facts) => string),
): Rule {
  return { where, says, basis, clear: typeof clear === 'string' ? fixed(clear) : clear };
}

/** Every rule that can refuse a step, by code. Words stand here and nowhere else. */
export const RULES = {
  'role-missing': rule(
    'site',
    (f) => `${f.person} is not authorised as ${f.role}.`,
    'authorisations of the site (practice)',
    (f) => `Ask someone who is authorised as ${f.role}.`,
  ),
  'authorisation-lapsed': rule(
    'site',
    (f) => `The authorisation of ${f.person} as ${f.role} has lapsed.`,
    'authorisations expire (practice)',
    'Renew the authorisation, or ask someone whose own is in date.',
  ),
  'signature-missing': rule(
    'site',
    (f) => `The signature of ${f.person} is missing.`,
    'each signature is given with a fresh PIN (site rule)',
    (f) => `${f.person} signs with their own PIN.`,
  ),
  'already-done': rule(
    'site',
    (f) => `${f.what} is already done.`,
    'a step is recorded once (site rule)',
    'Nothing more is needed: go on with the next step.',
  ),
  'key-reused': rule(
    'site',
    fixed('This request key was already used for another command.'),
    'a command is carried out once (site rule)',
    'Load the page again and repeat the step.',
  ),
  'not-yet-raised': rule(
    'raise',
    fixed('The job has not been raised.'),
    'nothing is isolated without a job (practice)',
    'Raise the job.',
  ),
  'job-closed': rule(
    'site',
    fixed('The job is closed; its record can be read but not changed.'),
    'nothing is altered after closing (practice)',
    'Raise a new job.',
  ),
  'person-unknown': rule(
    'raise',
    (f) => `${f.person} is not among the people of this site.`,
    'people are named (practice)',
    'Choose a person of the site.',
  ),
  'section-unknown': rule(
    'raise',
    (f) => `${f.section} is not a section of the plant.`,
    'work is done on known plant (practice)',
    'Choose a section of the plant.',
  ),
  'source-in-work': rule(
    'raise',
    (f) => `${f.source} is itself a source: nothing can stand between it and the work.`,
    'energy model; practice',
    'Take the source out of service first, or choose another place of work.',
  ),
  'plan-missing': rule(
    'plan',
    fixed('There is no isolation plan.'),
    `a job with more than one source has a written procedure (${LOCKOUT}(c)(4))`,
    'Take one of the computed answers, or draw up a plan.',
  ),
  'plan-stops': rule(
    'plan',
    (f) => `The plan does not pass: ${f.words}`,
    'the check of the energy model',
    (f) => String(f.mend),
  ),
  'plan-settled': rule(
    'plan',
    fixed('The plan has been reviewed and isolation may have begun; it stands as it is.'),
    'a reviewed plan is not changed under those who use it (practice)',
    'Before isolation begins, have the reviewer send it back.',
  ),
  'plan-not-submitted': rule(
    'plan',
    fixed('The plan has not been put up for review.'),
    'a second competent person reviews (practice)',
    'The author puts the plan up for review.',
  ),
  'plan-not-reviewed': rule(
    'review',
    fixed('The plan has not been accepted by a second person.'),
    'a second competent person reviews (practice)',
    'Someone authorised, not the author, reviews the plan.',
  ),
  'own-review': rule(
    'review',
    (f) => `${f.person} drew up the plan and may not review it.`,
    DUTIES,
    'Another authorised person reviews it.',
  ),
  'reason-missing': rule(
    'plan',
    (f) => `Lowering ${f.source} needs a reason.`,
    'a grade is lowered only by name with a reason (practice)',
    'Write why the lower grade keeps people safe.',
  ),
  'source-unknown': rule(
    'plan',
    (f) => `${f.source} is not a source that reaches this work.`,
    'energy model',
    'Choose one of the sources listed.',
  ),
  'not-told': rule(
    'isolate',
    fixed('Those affected have not been told.'),
    `affected people are told before locks go on (${LOCKOUT}(c)(9))`,
    'Tell them, and record who was told.',
  ),
  'not-stopped': rule(
    'isolate',
    fixed('The plant has not been stopped by its normal controls.'),
    `orderly shutdown (${LOCKOUT}(d)(2))`,
    'The area operator stops it and says so.',
  ),
  'not-in-plan': rule(
    'isolate',
    (f) => `${f.subject} is not part of the reviewed plan.`,
    'points are isolated as planned (practice)',
    'Isolate the points of the plan, or change the plan.',
  ),
  'out-of-order': rule(
    'isolate',
    (f) => `${f.subject} comes after ${f.first}.`,
    `order of work (energy model, section 7; ${LOCKOUT}(d))`,
    (f) => `Do ${f.first} first.`,
  ),
  'lock-unknown': rule(
    'isolate',
    (f) => `There is no lock ${f.lock} on this site.`,
    'locks come from numbered sets (practice)',
    'Use a lock of the site.',
  ),
  'lock-wrong-use': rule(
    'isolate',
    (f) => `Lock ${f.lock} is a ${f.use} lock; a ${f.wanted} lock is wanted.`,
    `locks are used for one purpose (${LOCKOUT}(c)(5)(ii))`,
    (f) => `Take a ${f.wanted} lock.`,
  ),
  'lock-in-use': rule(
    'isolate',
    (f) => `Lock ${f.lock} already hangs on ${f.where}.`,
    'one lock, one place (practice)',
    'Take a lock that is free.',
  ),
  'lock-not-yours': rule(
    'work',
    (f) => `Lock ${f.lock} belongs to ${f.owner}: only the owner takes it off.`,
    `${LOCKOUT}(e)(3)`,
    (f) => `${f.owner} takes it off with their own PIN.`,
  ),
  'locks-missing': rule(
    'isolate',
    (f) => `${f.points} not closed, locked and tagged.`,
    `${LOCKOUT}(d)(3)-(4)`,
    'Isolate each point in order.',
  ),
  'not-let-down': rule(
    'isolate',
    (f) => `${f.subjects} not let down, restrained or run out.`,
    `stored energy is relieved (${LOCKOUT}(d)(5))`,
    'Open, restrain or wait as the plan says.',
  ),
  'instrument-unknown': rule(
    'prove',
    (f) => `There is no instrument ${f.instrument} on this site.`,
    'instruments are registered (practice)',
    'Use an instrument of the site.',
  ),
  'instrument-wrong': rule(
    'prove',
    (f) => `${f.instrument} reads ${f.reads}; ${f.wanted} has to be read.`,
    'the right instrument for the energy (practice)',
    (f) => `Use an instrument that reads ${f.wanted}.`,
  ),
  'instrument-overdue': rule(
    'prove',
    (f) => `The test of ${f.instrument} ran out on ${f.until}.`,
    'instruments have test dates (practice)',
    'Use an instrument whose test is in date.',
  ),
  'unit-wrong': rule(
    'prove',
    (f) => `${f.proof} is read in ${f.wanted}, not in ${f.unit}.`,
    'readings carry their unit (practice)',
    (f) => `Give the reading in ${f.wanted}.`,
  ),
  'reading-not-dead': rule(
    'prove',
    (f) =>
      `${f.reading} ${f.unit} at ${f.section} is not dead: between ${f.least} and ${f.most} ${f.unit} is.`,
    `isolation is verified before work (${LOCKOUT}(d)(6)); limit: site rule`,
    'Find what still feeds it. Do not go on.',
  ),
  'tester-not-proved': rule(
    'prove',
    fixed('The tester was not proved on a known source before and after.'),
    'prove, test, prove (practice; HSE GS38, from memory)',
    'Prove the tester, test every pair, prove it again.',
  ),
  'pairs-missing': rule(
    'prove',
    (f) => `${f.pairs} pairs were tested; ${f.wanted} are needed.`,
    'every pair is tested: n(n - 1)/2 with earth counted',
    'Test every pair and count them.',
  ),
  'not-proved': rule(
    'prove',
    (f) => `${f.proofs} not proved dead.`,
    `${LOCKOUT}(d)(6)`,
    'Take each reading and record it.',
  ),
  'not-tried': rule(
    'prove',
    (f) => `Starting has not been tried from ${f.stations}.`,
    `${LOCKOUT}(d)(6); practice`,
    'Try to start from every station, then return the control to off.',
  ),
  'it-moved': rule(
    'prove',
    (f) => `It started from ${f.station}: the isolation does not hold.`,
    `${LOCKOUT}(d)(6)`,
    'Stop. Find the energy that was missed before anything else is done.',
  ),
  'box-unknown': rule(
    'prove',
    (f) => `There is no lock box ${f.box} on this site.`,
    'boxes are numbered (practice)',
    'Use a box of the site.',
  ),
  'box-in-use': rule(
    'prove',
    (f) => `Box ${f.box} is in use for ${f.job}.`,
    'one box, one isolation (site rule)',
    'Take a free box.',
  ),
  'box-not-locked': rule(
    'prove',
    fixed('The keys are not in a lock box under the control lock.'),
    `group lockout (${LOCKOUT}(f)(3))`,
    'Put the keys into a box and hang the control lock.',
  ),
  'not-assessed': rule(
    'permit',
    fixed('The task has not been assessed.'),
    'hazards and controls are on the permit (HSG250, from memory)',
    'Assess the hazards of the task itself.',
  ),
  'not-approved': rule(
    'permit',
    fixed('The permit has not been approved.'),
    'approved before issue (practice)',
    'An issuing authority approves it.',
  ),
  'not-issued': rule(
    'permit',
    fixed('No permit is live for this job.'),
    'no work without a permit (practice)',
    'Issue the permit with both signatures.',
  ),
  'performs-and-issues': rule(
    'permit',
    (f) => `${f.person} is to do the work and may not approve or issue its permit.`,
    DUTIES,
    'Another issuing authority does it.',
  ),
  'not-the-performer': rule(
    'permit',
    (f) => `The permit names ${f.performer}, not ${f.person}.`,
    'the performing authority named accepts the permit (practice)',
    (f) => `${f.performer} signs, or the job is raised anew.`,
  ),
  'validity-too-long': rule(
    'permit',
    (f) => `${f.hours} h is longer than ${f.most} h.`,
    'a permit ends with the shift, 12 h at most (site rule)',
    'Choose a shorter validity.',
  ),
  'briefing-missing': rule(
    'permit',
    fixed('The briefing has not been held.'),
    'briefed at issue (practice)',
    'Brief the crew and tick it off.',
  ),
  'permit-lapsed': rule(
    'permit',
    (f) => `The permit lapsed at ${f.until}.`,
    'a permit that lapses stops work (practice)',
    'Everyone off; hand the permit back and raise a new one.',
  ),
  'already-on': rule(
    'work',
    (f) => `${f.person} is already signed on to ${f.job}.`,
    'one person, one place (practice)',
    'Sign off there first.',
  ),
  'not-on': rule(
    'work',
    (f) => `${f.person} is not signed on.`,
    'counts balance (practice)',
    'Nothing to sign off.',
  ),
  'people-on': rule(
    'work',
    (f) => `${f.people} still signed on.`,
    `${LOCKOUT}(e)(1)-(2)`,
    'Each takes off their own lock and signs off.',
  ),
  'still-held': rule(
    'permit',
    fixed('The permit has not been handed back.'),
    'handed back before restoring (practice)',
    'The performing authority hands it back.',
  ),
  'not-cleared': rule(
    'work',
    fixed('Tools, people and guards have not been confirmed.'),
    `${LOCKOUT}(e)(1)`,
    'Confirm tools and people out, guards on.',
  ),
  'permit-open': rule(
    'permit',
    fixed('The permit is not closed.'),
    'inspected and closed before restoring (practice)',
    'An issuing authority inspects and closes it.',
  ),
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

export type RuleCode = keyof typeof RULES;

/** A step that is not allowed: which rule, about what, and the facts seen. */
export interface Refusal {
  readonly code: RuleCode;
  readonly facts: Facts;
}

export interface ExplainedRefusal {
  readonly code: RuleCode;
  readonly says: string;
  readonly basis: string;
  readonly clear: string;
  readonly where: Place;
}

export const refuse = (code: RuleCode, facts: Facts = {}): Refusal => ({ code, facts });

/** Puts a refusal into words. */
export function explainRefusal({ code, facts }: Refusal): ExplainedRefusal {
  const found: Rule = RULES[code];
  return {
    code,
    says: found.says(facts),
    basis: found.basis,
    clear: found.clear(facts),
    where: found.where,
  };
}
