import { fixed, rule, type Rule } from './rule';

const OTHER_FIRM =
  'a visiting firm sees the isolation for itself and locks on before its people do (practice; 29 CFR 1910.147(f)(2)(ii): the outside firm’s people understand and keep to the rules)';

const CLEARANCE =
  'a supply that another firm controls is isolated and earthed by it, by name and number, and is handed back before it switches (29 CFR 1910.269(m)(2) and (3), from memory); the site proves it dead as if nothing had been said';

/** Rules about what stands between the work and others: firms from outside, barriers, networks of somebody else, tests with gas. */
export const OUTSIDE_RULES = {
  'firm-unknown': rule(
    'permit',
    (f) => `${f.firm} is not in the register of employers.`,
    'practice',
    'Choose a firm of the register, or add it there.',
  ),
  'firm-lead-missing': rule(
    'permit',
    (f) => `The register names nobody who leads the people of ${f.employer} here.`,
    OTHER_FIRM,
    'A coordinator or site manager names its lead under Registers, Employers.',
  ),
  'firm-not-its-lead': rule(
    'permit',
    (f) => `${f.person} does not lead that firm here: ${f.lead} does.`,
    OTHER_FIRM,
    (f) => `${f.lead} goes round and signs, or the register names another lead.`,
  ),
  'firm-points-unseen': rule(
    'permit',
    (f) => `${f.lead}, lead of ${f.employer}, has not tried and seen ${f.points}.`,
    OTHER_FIRM,
    (f) => `${f.lead} goes round these points, tries each, and signs what was seen.`,
  ),
  'firm-bounds-unshown': rule(
    'permit',
    (f) =>
      `${f.lead}, lead of ${f.employer}, was not shown between which points its people may work.`,
    OTHER_FIRM,
    'An issuing authority shows the bounds of this permit; both sign.',
  ),
  'firm-lead-not-on': rule(
    'permit',
    (f) => `${f.lead}, lead of ${f.employer}, has no lock of their own on the isolation.`,
    OTHER_FIRM,
    (f) => `${f.lead} signs on first, with a lock of their own, or hangs the lock of a crew.`,
  ),
  'firm-lead-first-off': rule(
    'permit',
    (f) => `People of ${f.employer} are still on: ${f.people}.`,
    OTHER_FIRM,
    'They sign off first; the lock of their lead comes off last.',
  ),
  'barriers-missing': rule(
    'permit',
    fixed('Nobody has said where barriers and notices stand round the work.'),
    '29 CFR 1910.335(b)(1) and (2): signs and barricades keep people from live parts; EN 50110-1, 6.2.6, from memory: protection against live parts nearby; on other jobs a site rule',
    'Set them, and record from where to where they stand and what the notices say.',
  ),
  'clearance-missing': rule(
    'isolate',
    (f) => `${f.operator} operates ${f.points}, and has given no clearance.`,
    CLEARANCE,
    'Ask them to isolate and earth it, and record the number, the name and the end of what they give.',
  ),
  'clearance-over': rule(
    'isolate',
    (f) => `The clearance ${f.number} of ${f.operator} for ${f.points} ended at ${f.until}.`,
    CLEARANCE,
    'Call everybody off. Ask for it to be given for longer, and record the new end.',
  ),
  'clearance-shorter': rule(
    'permit',
    (f) => `The permit would outlast a clearance, which ends at ${f.until}.`,
    CLEARANCE,
    'Make the permit shorter, or have the clearance given for longer first.',
  ),
  'clearance-unknown': rule(
    'isolate',
    (f) => `${f.operator} operates no point of this plan.`,
    'practice',
    'Choose whoever operates points of the plan; the drawing says so at the link.',
  ),
  'clearance-not-asked': rule(
    'isolate',
    (f) => `${f.operator} was not asked for this.`,
    CLEARANCE,
    'Ask first, with the points marked on the diagram.',
  ),
  'clearance-until-past': rule(
    'isolate',
    (f) => `${f.until} is past already.`,
    'practice',
    'Name an end that is to come.',
  ),
  'clearance-not-held': rule(
    'restore',
    (f) => `There is no clearance of ${f.operator} to hand back.`,
    'practice',
    'Nothing is to be done.',
  ),
  'clearance-not-returned': rule(
    'restore',
    (f) => `Clearance ${f.number} of ${f.operator} has not been handed back.`,
    CLEARANCE,
    (f) => `Hand it back to ${f.person} or whoever stands in for them: they switch after that.`,
  ),
  'gas-test-unapproved': rule(
    'permit',
    (f) =>
      `Nobody has allowed the test of ${f.subject} with gas: ${f.pressure} bar, ${f.energy} kJ shut in, everybody ${f.clear} m away.`,
    'water first: gas needs a named approval (ASME PCC-2, Article 501, and B31.3, 345.5, from memory)',
    'Test with water. Where it cannot be had, the site manager or an issuing authority allows gas by name, and says why and where everybody stands.',
  ),
  'no-gas-test': rule(
    'permit',
    fixed('No test with gas was worked out for this job.'),
    'what is allowed is worked out first (practice)',
    'Work the pressure test out at the Bench and use it in this job.',
  ),
  'gas-test-own': rule(
    'permit',
    (f) => `${f.person} worked it out, or leads the work.`,
    'whoever wants a test with gas does not alone allow it (practice)',
    'Another issuing authority or the site manager allows it.',
  ),
} as const satisfies Record<string, Rule>;
