import { fixed, LOCKOUT, rule, type Rule } from './rule';

/** Rules that refuse a step of isolating and proving. */
export const ISOLATING_RULES = {
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
  'tester-unfit': rule(
    'prove',
    (f) => `${f.instrument} is no two-pole contact tester (${f.contact}): it never proves dead.`,
    'a non-contact or plug-in indicator is no proof (practice; HSE GS38, from memory)',
    'Use a two-pole tester that touches the conductors.',
  ),
  'tester-underrated': rule(
    'prove',
    (f) => `${f.instrument} is rated for ${f.rated} V; the line is at ${f.line} V.`,
    'testers are rated for the voltage (practice)',
    'Use a tester that is rated for the line.',
  ),
  'round-missing': rule(
    'prove',
    (f) =>
      `${f.section} is proved dead by a round: the known source, every pair, the known source.`,
    'prove, test, prove (EN 50110-1, 6.2.4, and HSE GS38, from memory)',
    'Do the round and record each reading.',
  ),
  'source-underrated': rule(
    'prove',
    (f) => `The known source (${f.source}) is rated for ${f.rated} V; the line is at ${f.line} V.`,
    'a tester is proved on a source rated for the voltage (practice)',
    'Prove the tester on a source or proving unit of at least the line’s voltage.',
  ),
  'tester-not-proved': rule(
    'prove',
    (f) => `The tester read ${f.read} V on the known source (${f.source}) ${f.when} the test.`,
    'prove, test, prove (practice; HSE GS38, from memory)',
    'Find out why, take a tester that shows the known source, and do the whole round again.',
  ),
  'pairs-missing': rule(
    'prove',
    (f) => `${f.pairs} not tested.`,
    'every pair is tested: n(n - 1)/2 with earth counted',
    'Test every pair; one blade of a switch can stay in.',
  ),
  'pair-unknown': rule(
    'prove',
    (f) => `${f.pairs}: no such pair on a ${f.arrangement} line.`,
    'every pair of conductors and earth, each by its name (site rule)',
    'Choose how the conductors are arranged, and give each pair once.',
  ),
  'not-proved': rule(
    'prove',
    (f) => `${f.proofs} not proved dead.`,
    `${LOCKOUT}(d)(6)`,
    'Take each reading and record it.',
  ),
  'left-unattended': rule(
    'prove',
    (f) =>
      `Nobody has been at it since ${f.since} for more than ${f.minutes} min: what was proved then no longer counts.`,
    'an isolation that was left is proved again before work goes on (practice); limit: site rule',
    'Look at every lock, take every reading again, and try to start again.',
  ),
  'shift-changed': rule(
    'prove',
    (f) => `The shift changed at ${f.since}: whoever takes over proves it for themselves.`,
    `orderly transfer between shifts (${LOCKOUT}(f)(4)); proving again: practice`,
    'Look at every lock, take every reading again, and try to start again.',
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
  'box-not-wanted': rule(
    'prove',
    fixed('Each worker locks each point of this job: there is no box.'),
    'both ways of locking on are open, one for each job (practice)',
    'Choose the box as the way of locking on first.',
  ),
  'incoming-on': rule(
    'prove',
    (f) => `The incoming lock ${f.lock} of ${f.person} hangs.`,
    `orderly transfer between shifts (${LOCKOUT}(f)(4))`,
    (f) => `Hand over to ${f.person}, or ${f.person} takes it off again.`,
  ),
  'hands-to-self': rule(
    'prove',
    (f) => `Control lock ${f.lock} is your own.`,
    `orderly transfer between shifts (${LOCKOUT}(f)(4))`,
    'The coordinator who takes over hangs theirs.',
  ),
  'no-incoming-lock': rule(
    'prove',
    (f) => `Without ${f.lock} nothing of that lead would hold: no incoming lock hangs.`,
    `the incoming lock is on before the outgoing comes off (${LOCKOUT}(f)(4))`,
    'Whoever takes over hangs their lock first.',
  ),
  'hasp-full': rule(
    'work',
    (f) => `${f.where} takes ${f.holes} locks, and ${f.holes} hang there.`,
    'a hasp has six holes; one chained on gives five more (practice)',
    (f) => `Put a hasp on ${f.where} and record it.`,
  ),
  'box-not-locked': rule(
    'prove',
    fixed('The keys are not in a lock box under the control lock.'),
    `group lockout (${LOCKOUT}(f)(3))`,
    'Put the keys into a box and hang the control lock.',
  ),
} as const satisfies Record<string, Rule>;
