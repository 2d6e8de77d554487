import { fixed, LOCKOUT, rule, type Rule } from './rule';

const HARDWARE = `a device that is relied on does what it is relied on for (practice; ${LOCKOUT}(d)(6) asks to verify the isolation)`;
const GUARD =
  'a device that guards nothing is replaced by something else, by name and for a time (practice)';

/** Rules about defects of devices, and what they do to jobs. */
export const DEFECT_RULES = {
  'defect-device-unknown': rule(
    'site',
    (f) => `The drawing has no device ${f.device}.`,
    'a defect is of a device that can be found (practice)',
    'Choose a link, outlet, gauge or machine of the plant.',
  ),
  'defect-unfit': rule(
    'site',
    (f) => `${f.device} ${f.defect}: that cannot be said of such a device.`,
    'practice',
    (f) => `Choose what fits it: ${f.fits}.`,
  ),
  'defect-known': rule(
    'site',
    (f) => `${f.name} says so already: ${f.device} ${f.defect}.`,
    'one defect stands once (practice)',
    'Nothing is to be done: it counts already.',
  ),
  'defect-job-unknown': rule(
    'site',
    (f) => `There is no job ${f.job}.`,
    'practice',
    'Leave the job out, or name the one on which it was found.',
  ),
  'defect-picture-missing': rule(
    'site',
    fixed('The photograph has not arrived.'),
    'practice',
    'Add it again, or report without it: the report matters more.',
  ),
  'defect-not-listed': rule(
    'site',
    (f) => `There is no defect ${f.name}.`,
    'practice',
    'Choose one of the list.',
  ),
  'defect-not-open': rule(
    'site',
    (f) => `${f.name} is repaired already, and waits to be proved.`,
    'practice',
    'Somebody else tries the device and says what was found.',
  ),
  'defect-not-repaired': rule(
    'site',
    (f) => `Nobody has said what was done about ${f.name}.`,
    'a device is repaired before it is proved (practice)',
    'Record what was done, also where nothing was found wrong.',
  ),
  'defect-mended': rule(
    'site',
    (f) => `${f.name} is proved to be mended.`,
    'practice',
    'Report what is wrong now as a new defect.',
  ),
  'defect-own-proof': rule(
    'site',
    (f) => `${f.person} did the repair.`,
    'whoever repairs a device does not alone say that it is fit (practice; 29 CFR 1910.147(c)(6)(i)(A) by analogy)',
    'Somebody else tries it and says what was found.',
  ),
  'defect-until-wrong': rule(
    'site',
    (f) => `${f.until} is not within the next ${f.most} h.`,
    'site rule (practice)',
    'Choose a time that is to come, at most so far off.',
  ),
  'defect-since-plan': rule(
    'plan',
    (f) => `${f.device} ${f.defect} (${f.name}), reported after the plan was accepted.`,
    HARDWARE,
    'Take the plan back and change it, or repair the device and have it proved. Nobody works on it meanwhile.',
  ),
  'defect-breaks-plan': rule(
    'plan',
    (f) => `Since ${f.names} the plan no longer passes: ${f.words}.`,
    HARDWARE,
    (f) => `Take the plan back and change it (${f.mend}), or repair the device and have it proved.`,
  ),
  'after-defect': rule(
    'prove',
    (f) =>
      `The plan was taken back at ${f.since} for a defect: what was proved before no longer counts.`,
    HARDWARE,
    'Take every reading again, and try to start again.',
  ),
  'label-defect': rule(
    'walk-down',
    (f) => `${f.point} ${f.defect} (${f.name}).`,
    `each device is found by its label (${LOCKOUT}(c)(4)(ii)(C) asks for specific steps; practice)`,
    'Have it labelled as drawn and the defect proved to be mended, or send the plan back.',
  ),
  'dead-gauge-proof': rule(
    'prove',
    (f) => `${f.gauge} ${f.defect} (${f.name}), and ${f.section} was proved before that was known.`,
    HARDWARE,
    'Take the reading again, by something else.',
  ),
  'critical-unguarded': rule(
    'site',
    (f) => `${f.device} ${f.defect} (${f.name}), and nothing is said to stand in for it.`,
    GUARD,
    'An issuing authority or the site manager says under Defects what stands in, and until when; or the device is repaired and proved.',
  ),
  'critical-guard-over': rule(
    'site',
    (f) => `${f.device} ${f.defect} (${f.name}): what stands in was allowed until ${f.until}.`,
    GUARD,
    'Have it repaired and proved, or say anew what stands in.',
  ),
} as const satisfies Record<string, Rule>;
