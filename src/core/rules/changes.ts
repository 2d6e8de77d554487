import { rule, type Rule } from './rule';

const REVIEW =
  'a change is reviewed before the plant runs with it (29 CFR 1910.119(l)(1) and (2), from memory; practice at plants that it does not cover)';
const OTHERS = 'whoever wants a change does not alone say that it is safe (practice)';

/** Rules about changes of the plant and of its drawing. */
export const CHANGE_RULES = {
  'change-place-unknown': rule(
    'site',
    (f) => `The drawing has no ${f.places}.`,
    'a change is of something that can be found (practice)',
    'Choose sections, devices or machines of the plant.',
  ),
  'change-ends-wrong': rule(
    'site',
    (f) => `A ${f.change} joins one or two sections that are ${f.what}.`,
    'what flows through it is followed like any other way (practice)',
    'Name the section at each end; only one where the other end is not drawn.',
  ),
  'change-until-missing': rule(
    'site',
    (f) => `Nothing says until when the ${f.change} is to stand.`,
    '29 CFR 1910.119(l)(2)(iv), from memory: the time period necessary for the change',
    (f) => `Name a day, at most ${f.most} days from now.`,
  ),
  'change-until-wrong': rule(
    'site',
    (f) => `${f.until} is not within the next ${f.most} days.`,
    'site rule (practice)',
    'Choose a time that is to come, at most so far off.',
  ),
  'change-job-unknown': rule(
    'site',
    (f) => `There is no job ${f.job}.`,
    'practice',
    'Leave the job out, or name the one for which the change is made.',
  ),
  'change-not-listed': rule(
    'site',
    (f) => `There is no change ${f.name}.`,
    'practice',
    'Choose one of the list.',
  ),
  'change-over-already': rule(
    'site',
    (f) => `Nothing is left to be done about ${f.name}.`,
    'practice',
    'Record what is changed now as a new change.',
  ),
  'change-own': rule(
    'site',
    (f) => `${f.person} ${f.what}.`,
    OTHERS,
    'Somebody else does this step.',
  ),
  'change-not-assessed': rule(
    'site',
    (f) => `Nobody has looked at the hazards of ${f.name}.`,
    '29 CFR 1910.119(l)(2)(ii), from memory: its impact on safety and health',
    'Somebody else than the proposer looks at what it can do, and says what is done about it.',
  ),
  'change-allowed-already': rule(
    'site',
    (f) => `${f.name} is allowed already.`,
    'practice',
    'Turn it down first where its hazards are to be looked at again.',
  ),
  'change-version-wrong': rule(
    'site',
    (f) =>
      `Version ${f.version} of the drawing cannot show it: versions ${f.first} to ${f.newest} were saved since.`,
    '29 CFR 1910.119(l)(5), from memory: the information on the process is brought up to date',
    'Save the drawing with the change, then name that version.',
  ),
  'change-undone-already': rule(
    'site',
    (f) => `${f.name} is put back already, and waits to be looked at.`,
    'practice',
    'Somebody else looks whether it is gone.',
  ),
  'change-not-undone': rule(
    'site',
    (f) => `Nobody has said that ${f.name} is put back.`,
    'practice',
    'Record first how it was put back.',
  ),
  'change-unreviewed': rule(
    'restore',
    (f) => `${f.name} is not allowed by anybody: ${f.says}.`,
    REVIEW,
    'Somebody looks at its hazards, an issuing authority or the site manager allows it; or put it back.',
  ),
  'change-breaks-plan': rule(
    'plan',
    (f) => `Since ${f.names} the plan no longer passes: ${f.words}.`,
    'what a temporary connection lets through is followed like any other way (practice)',
    (f) =>
      `Take the plan back and change it (${f.mend}), or put the connection back and have somebody see that it is gone.`,
  ),
  'change-turned-down': rule(
    'restore',
    (f) => `${f.name} was turned down and is still there: ${f.says}.`,
    REVIEW,
    'Put it back, and have somebody else see that it is gone.',
  ),
  'change-time-over': rule(
    'restore',
    (f) => `The time of ${f.name} was over at ${f.until}: ${f.says}.`,
    REVIEW,
    'Put it back, or have it allowed for longer.',
  ),
  'change-untold': rule(
    'restore',
    (f) => `Nobody was told of ${f.name}: ${f.says}.`,
    '29 CFR 1910.119(l)(3), from memory: those who run and maintain the plant are told before it is started',
    'Tell those who run the plant, and record who was told and how.',
  ),
  'change-not-drawn': rule(
    'restore',
    (f) => `No drawing shows ${f.name}: ${f.says}.`,
    '29 CFR 1910.119(l)(5), from memory: the information on the process is brought up to date',
    'Save the drawing with it, and say which version shows it.',
  ),
} as const satisfies Record<string, Rule>;
