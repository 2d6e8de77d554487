import { fixed, rule, type Rule } from './rule';

/** Rules about what an isolation puts out of action, and how long it may stand. */
export const STANDING_RULES = {
  'bypass-not-allowed': rule(
    'isolate',
    (f) => `${f.words}, and nobody has allowed it.`,
    'a disabled relief path, detector or trip is allowed by name, for a time, with something in its place (practice)',
    (f) =>
      `An issuing authority or the site manager allows ${f.device} in the register of bypasses.`,
  ),
  'bypass-over': rule(
    'isolate',
    (f) => `${f.device} was allowed to be out of action until ${f.until}.`,
    'a bypass ends when it was said to (practice)',
    'Put the device back in action, or have it allowed anew.',
  ),
  'bypass-until-wrong': rule(
    'isolate',
    (f) => `${f.until} is not within the next ${f.most} h.`,
    'site rule (practice)',
    'Choose a time that is to come, at most so far off.',
  ),
  'device-unknown': rule(
    'isolate',
    (f) => `The drawing has no device ${f.device}.`,
    'a bypass is of a known device (practice)',
    'Choose a relief valve, gauge, trip contact or stop button of the plant.',
  ),
  'inspection-due': rule(
    'isolate',
    (f) => `The isolation stands for long: its inspection was due at ${f.due}.`,
    'long-term isolations are inspected at their interval (practice; HSG253, from memory)',
    'Walk every point, compare lock, tag and position with the list, and record it.',
  ),
  'nothing-hangs': rule(
    'isolate',
    fixed('No lock hangs for this job: there is nothing to inspect.'),
    'practice',
    'Inspect an isolation that stands.',
  ),
} as const satisfies Record<string, Rule>;
