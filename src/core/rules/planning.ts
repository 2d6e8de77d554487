import { DUTIES, fixed, LOCKOUT, rule, type Rule } from './rule';

/** Rules that refuse a step of raising, planning, reviewing and walking down. */
export const PLANNING_RULES = {
  'plan-drops-standing': rule(
    'plan',
    (f) => `The plan leaves out what stands isolated: ${f.points}.`,
    'what hangs is in the plan, or nobody puts it back (practice)',
    'Put these points into the plan.',
  ),
  'not-yet-raised': rule(
    'raise',
    fixed('The job has not been raised.'),
    'nothing is isolated without a job (practice)',
    'Raise the job.',
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
    'Name it as run empty before, where it is a tank or a vessel, or choose another place of work.',
  ),
  'cannot-run-empty': rule(
    'raise',
    (f) => `${f.section} cannot be run empty for the job: it ${f.why}.`,
    'only what holds a known volume of a fluid, and is fed from nowhere else, runs empty (practice)',
    'Leave it out, or give its volume in the drawing where it is a vessel.',
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
  'fitting-not-covered': rule(
    'plan',
    (f) => `While ${f.fits} is fitted, the valves alone have to hold: ${f.words}`,
    'fitting a blank, spool or parted coupling is itself a line break (practice)',
    (f) => String(f.mend),
  ),
  'plans-contradict': rule(
    'plan',
    (f) => `Together with the plan of ${f.job}, that of ${f.of} no longer passes: ${f.words}`,
    'jobs that share plant are isolated so that each stays proved (practice)',
    (f) =>
      `Open another drain or take other points, do one after the other, or have ${f.job} planned anew.`,
  ),
  'drawing-doubtful': rule(
    'plan',
    fixed('No source reaches this work on the drawing: a dead drawing is a common mistake.'),
    'what is drawn is compared with what is there before it is relied on (practice)',
    'Walk the plant, then say that the drawing was checked against it.',
  ),
  'plan-settled': rule(
    'plan',
    fixed('The plan has been reviewed and isolation may have begun; it stands as it is.'),
    'a reviewed plan is not changed under those who use it (practice)',
    'Before isolation begins, have the reviewer send it back.',
  ),
  'plan-not-submitted': rule(
    'plan',
    fixed('The plan has not been sent for review.'),
    'a second competent person reviews (practice)',
    'The author sends the plan for review.',
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
    (f) => `Setting the grade of ${f.source} needs a reason.`,
    'a grade is changed only by name with a reason (practice)',
    'Write why this grade keeps people safe.',
  ),
  'measures-missing': rule(
    'plan',
    (f) => `Lowering ${f.source} needs at least one measure in place of the barrier.`,
    'work behind less than the grade asks for is made up for by measures that a person accepts (practice)',
    'Say what is done instead: attended to the end, gauge and bleed, cleared, blanked.',
  ),
  'source-unknown': rule(
    'plan',
    (f) => `${f.source} is not a source that reaches this work.`,
    'energy model',
    'Choose one of the sources listed.',
  ),
  'not-walked-down': rule(
    'walk-down',
    (f) => `${f.points} not yet walked down.`,
    'labels are checked in the field against the plan before it is used (practice)',
    'Someone other than the author goes to each point and compares label and line with the plan.',
  ),
  'own-walk-down': rule(
    'walk-down',
    (f) => `${f.person} drew the plan up and may not walk it down.`,
    DUTIES,
    'Another operator or isolating authority walks it down.',
  ),
  'label-note-missing': rule(
    'walk-down',
    (f) => `What was found at ${f.point} is not said.`,
    'a plan that is sent back says why (practice)',
    'Write what the label reads, or how the line really runs.',
  ),
  'plant-changed': rule(
    'plan',
    (f) => `The plan was drawn up on version ${f.from} of the plant; version ${f.to} is in force.`,
    'a plan is tied to the drawing it was made on (practice)',
    'Look at what has changed, then keep the plan again on the drawing in force.',
  ),
  'scope-gone': rule(
    'plan',
    (f) =>
      `${f.section} is no longer in the plant (version ${f.version}). This job is still read on version ${f.on}.`,
    'a job is planned on the plant as it is (practice)',
    'Change the scope of the job to what is in the plant now.',
  ),
  'names-tied': rule(
    'plan',
    (f) => `This job keeps the names that it has: ${f.why}.`,
    'what hangs and stands is called as it was planned, tagged and proved (practice)',
    'Nothing has to be done: it stays on its drawing until it is closed, and the new names are known there as well.',
  ),
  'names-current': rule(
    'plan',
    (f) => `Nothing that this job names has another id on version ${f.version} of the plant.`,
    'an id is only another one where the drawing says so (practice)',
    'Where something is gone, change the scope of the job. Where it was renamed, the plant says so under Old ids.',
  ),
  'plant-outgrew-plan': rule(
    'plan',
    (f) =>
      `On version ${f.to} of the plant the plan, made on version ${f.from}, no longer passes: ${f.words}.`,
    'a changed drawing may open a route that the plan does not close (practice)',
    'Stop and look at the plant itself. If nothing is locked yet, send the plan back and plan anew; otherwise restore first.',
  ),
  'work-order-unknown': rule(
    'raise',
    (f) => `There is no work order ${f.number}.`,
    'a job is raised from an order that came in (site rule)',
    'Choose one of the list, or raise the job without an order.',
  ),
  'work-order-raised': rule(
    'raise',
    (f) => `Job ${f.job} was raised from work order ${f.number}.`,
    'one job for each work order (site rule)',
    (f) => `Open ${f.job}.`,
  ),
} as const satisfies Record<string, Rule>;
