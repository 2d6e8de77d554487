import { DUTIES, fixed, LOCKOUT, rule, type Rule } from './rule';

/** Rules that refuse a step of the permit and of work under it. */
export const PERMIT_RULES = {
  'lock-not-yours': rule(
    'work',
    (f) => `Lock ${f.lock} belongs to ${f.owner}: only the owner takes it off.`,
    `${LOCKOUT}(e)(3)`,
    (f) => `${f.owner} takes it off with their own PIN.`,
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
  'owner-not-told': rule(
    'work',
    (f) => `The lock of ${f.person} was taken off on ${f.job}, and they have not been told.`,
    `an absent owner is told before they start work again (${LOCKOUT}(e)(3)(iii))`,
    (f) => `Tell ${f.person} what was done, and record it on ${f.job} with both signatures.`,
  ),
  'not-absent': rule(
    'work',
    (f) => `No lock of ${f.person} was taken off for this job.`,
    'told is who has to be told (site rule)',
    'Look at the record for whose lock it was.',
  ),
  'lock-not-here': rule(
    'work',
    (f) => `${f.lock} hangs neither on a point nor on the box of this job.`,
    'a lock is taken off where it hangs (practice)',
    'Look under Locks for where it hangs.',
  ),
  'owner-is-here': rule(
    'work',
    (f) => `${f.lock} is your own.`,
    `only the owner takes a lock off (${LOCKOUT}(e)(3))`,
    'Take it off yourself.',
  ),
  'manager-removes': rule(
    'work',
    (f) => `${f.person} cannot allow what they do themselves, or what is done to their own lock.`,
    `a named manager who is not the one removing (practice; ${LOCKOUT}(e)(3))`,
    'Ask another site manager.',
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
  'own-lock-missing': rule(
    'work',
    (f) => `No own lock at ${f.places}.`,
    `each worker has a lock of their own wherever they are locked on (${LOCKOUT}(f)(3)(ii)(D))`,
    'Name a lock of their own for each place.',
  ),
  'crew-missing': rule(
    'work',
    (f) => `${f.person} (${f.employer}) works in another crew than the performing authority’s.`,
    `one lead for each crew, one over all (${LOCKOUT}(f)(3)(ii)(A)-(B))`,
    (f) =>
      `The lead of ${f.employer} sees the isolation and hangs a crew lock; sign on in that crew.`,
  ),
  'crew-unknown': rule(
    'work',
    (f) => `No crew lock of ${f.crew} hangs.`,
    `one lead for each crew (${LOCKOUT}(f)(3)(ii)(A))`,
    'The lead hangs the crew lock first.',
  ),
  'crew-needs-box': rule(
    'work',
    fixed('Several crews lock on to a box; here each worker locks each point.'),
    `group lockout (${LOCKOUT}(f)(3))`,
    'Hand back, and choose the box as the way of locking on.',
  ),
  'leads-already': rule(
    'work',
    (f) => `${f.person} already leads ${f.crew}.`,
    `one lead for each crew (${LOCKOUT}(f)(3)(ii)(A))`,
    'Another performing authority leads this one.',
  ),
  'crew-members-on': rule(
    'work',
    (f) => `${f.people} of ${f.crew} still signed on.`,
    `the lead’s lock stays until the crew is off or the next lead’s hangs (${LOCKOUT}(f)(4))`,
    'They sign off, or the incoming lead hangs a crew lock first.',
  ),
  'crews-on': rule(
    'work',
    (f) => `Crew locks of ${f.crews} still hang.`,
    `${LOCKOUT}(f)(3)(ii)`,
    'Each lead takes off their own once the crew is off.',
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
} as const satisfies Record<string, Rule>;
