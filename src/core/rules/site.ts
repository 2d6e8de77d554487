import { fixed, rule, type Rule } from './rule';

/** Rules about people, locks and instruments that hold at every stage. */
export const SITE_RULES = {
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
  'authorised-elsewhere': rule(
    'site',
    (f) => `The authorisation of ${f.person} as ${f.role} does not count in ${f.areas}.`,
    'authorisations name the areas that somebody knows (practice)',
    'Ask somebody whose own counts there, or have it extended.',
  ),
  'grant-area-unknown': rule(
    'site',
    (f) =>
      `The plant has no area ${f.area}, in which ${f.person} would be authorised as ${f.role}.`,
    'an authorisation for nowhere authorises nobody (site rule)',
    'Name an area of the plant, or none: then it counts everywhere.',
  ),
  'voltage-beyond': rule(
    'site',
    (f) => `${f.person} is authorised up to ${f.most} V, and ${f.section} stands ${f.stands}.`,
    'electrical authorisations name the voltage they go up to (EN 50110-1, 4.2, and practice; 1000 V parts low from high voltage by IEC 60038; from memory)',
    'Ask somebody whose authorisation goes as far, and have a missing voltage put on the drawing.',
  ),
  'grant-to-oneself': rule(
    'site',
    (f) => `${f.person} would grant an authorisation to themselves.`,
    'nobody authorises themselves (practice)',
    'Another site manager grants it.',
  ),
  'grant-without-evidence': rule(
    'site',
    (f) => `Nothing says on what ${f.person} is authorised as ${f.role}.`,
    'an authorisation rests on training and assessment (29 CFR 1910.147(c)(7); practice)',
    'Name the course, drill or assessment, with its date.',
  ),
  'grant-ends-before': rule(
    'site',
    (f) =>
      `The authorisation of ${f.person} as ${f.role} would end on ${f.until}, before it counts.`,
    'an authorisation has a beginning and an end after it (practice)',
    'Set an end that is still to come, and a beginning before it.',
  ),
  'still-holds': rule(
    'site',
    (f) => `${f.person} cannot leave yet: ${f.holds}.`,
    'who leaves takes nothing along that others rely on (29 CFR 1910.147(e)(3); practice)',
    'Sign them off and take their locks off first; where they are gone already, by the steps for an absent owner.',
  ),
  'pin-code-unsigned': rule(
    'site',
    fixed('A code for a PIN is not signed by whoever makes it.'),
    'each signature is given with a fresh PIN (site rule)',
    'Sign it with your own PIN.',
  ),
  'pin-reset-alone': rule(
    'site',
    (f) => `${f.person} has a PIN: a reset is signed by two.`,
    'nobody alone may stand in for another (practice)',
    'The second is another site manager, a coordinator or an issuing authority, and not whose PIN it is.',
  ),
  'last-site-manager': rule(
    'site',
    (f) => `${f.person} is the last site manager in force.`,
    'somebody has to be able to authorise people (practice)',
    'Make somebody else a site manager first.',
  ),
  'employer-lead-unknown': rule(
    'site',
    (f) =>
      `${f.lead} is to lead the people of ${f.employer}, and is not among the people of the site.`,
    'whoever answers for the people of a firm can be reached and signs (practice)',
    'Name somebody who is there, or add them under People first.',
  ),
  'pressure-not-drawn': rule(
    'site',
    (f) => `${f.item} is to be ${f.at}, which is not on the drawing.`,
    'what a register says of a device counts for the jobs at that device (site rule)',
    'Use the id of the equipment, section or point as it is drawn, or leave it out.',
  ),
  'employer-unknown': rule(
    'permit',
    (f) => `${f.employer}, for whom ${f.person} works, is not in the register of employers.`,
    '29 CFR 1910.147(f)(2): both firms tell each other their rules; a site that keeps the register keeps it whole (practice)',
    'A coordinator or site manager adds the firm under Registers, Employers, with its contract and when the rules were exchanged.',
  ),
  'contract-over': rule(
    'permit',
    (f) => `The contract of ${f.employer} ${f.until}, and ${f.person} works for it.`,
    'people of another firm work under a contract that counts (practice)',
    'Enter from when until when the contract counts under Registers, Employers; until then nobody of it signs on.',
  ),
  'rules-not-exchanged': rule(
    'permit',
    (f) =>
      `The site and ${f.employer}, for whom ${f.person} works, have not exchanged their rules of energy control under this contract.`,
    '29 CFR 1910.147(f)(2)(i): employer and outside employer inform each other of their lockout or tagout procedures (once a contract: practice)',
    'Exchange them with its lead, and enter the day under Registers, Employers.',
  ),
  'register-in-use': rule(
    'site',
    (f) => `${f.id} is in use: ${f.where}.`,
    'nothing that hangs or is in use leaves a register (practice)',
    'Take it out of use first.',
  ),
  'register-unknown': rule(
    'site',
    (f) => `${f.id} is not in the register of ${f.register}.`,
    'a register lists what the site has (practice)',
    'Choose one that is in it.',
  ),
  'lock-without-owner': rule(
    'site',
    (f) => `Personal lock ${f.lock} would belong to ${f.owner}, who is not at this site.`,
    'a personal lock has one owner (29 CFR 1910.147(c)(5)(ii); practice)',
    'Name its owner among the people of the site.',
  ),
  'lock-has-owner': rule(
    'site',
    (f) => `Lock ${f.lock} is no personal lock and would have an owner.`,
    'locks of the site belong to nobody (practice)',
    'Leave the owner empty, or make it a personal lock.',
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
  'picture-missing': rule(
    'site',
    fixed('The picture itself has not arrived.'),
    'the ledger names only pictures that are kept (site rule)',
    'Send the picture first; the field page does so by itself.',
  ),
  'photos-full': rule(
    'site',
    (f) => `This job has ${f.most} photographs, and takes no more.`,
    'a record that nobody can look through shows nothing (site rule)',
    'Describe what is to be seen in words.',
  ),
  'key-reused': rule(
    'site',
    fixed('This request key was already used for another command.'),
    'a command is carried out once (site rule)',
    'Load the page again and repeat the step.',
  ),
  'entered-ahead': rule(
    'site',
    (f) => `The device says that this was entered at ${f.at}, which has not come yet.`,
    'an entry is not from the future (site rule)',
    'Set the clock of the device right and enter the step again.',
  ),
  'entered-long-ago': rule(
    'site',
    (f) => `This was entered at ${f.at}, more than ${f.hours} h ago.`,
    'an entry that was kept for too long does not speak for the plant as it is (site rule)',
    'Look at the point again and enter the step again.',
  ),
  'entry-overtaken': rule(
    'isolate',
    (f) => `This was entered at ${f.at}, and ${f.what} at ${f.since}, after it.`,
    'what was entered shows only what stood then (practice)',
    'Look at the point again and enter it anew.',
  ),
  'job-closed': rule(
    'site',
    fixed('The job is closed; its record can be read but not changed.'),
    'nothing is altered after closing (practice)',
    'Raise a new job.',
  ),
  'calculation-unknown': rule(
    'site',
    (f) => `There is no calculation ${f.calculation}.`,
    'calculations are those of the Bench (site rule)',
    'Choose one from the Bench.',
  ),
  'calculation-about-nothing': rule(
    'site',
    (f) => `${f.subject} is no outlet, store or section of this plant.`,
    'a figure belongs to something in the plant (site rule)',
    'Choose what it is about from the list.',
  ),
  'calculation-bad': rule(
    'site',
    (f) => `The figures cannot be worked out: ${f.words}.`,
    'a figure is used only when it can be worked out again (site rule)',
    'Mend the field on the Bench and use it again.',
  ),
} as const satisfies Record<string, Rule>;
