import { DUTIES, fixed, LOCKOUT, rule, type Rule } from './rule';

const FINDINGS = 'a finding has an answer (HSG250 on monitoring, from memory)';
const HANDOVER = 'what is open passes from shift to shift in writing (HSG250, from memory)';

/** Rules of the short check of a permit at work, and of its copies. */
export const AUDIT_RULES = {
  'audit-not-live': rule(
    'work',
    fixed('No permit is out: there is nothing to check at the place.'),
    'a check is of a live permit (practice)',
    'Check a permit that is issued and not handed back.',
  ),
  'audit-own-work': rule(
    'work',
    (f) => `${f.person} issued this permit or works under it.`,
    `looked over by someone else (${LOCKOUT}(c)(6)(i)(A)); ${DUTIES}`,
    'Someone who has no part in it makes the check.',
  ),
  'audit-open': rule(
    'work',
    (f) => `Not answered: ${f.asks}`,
    'a question left open is not a yes (practice)',
    'Answer it, or say why it was not looked at.',
  ),
  'audit-not-asked': rule(
    'work',
    (f) => `Not asked of this permit: ${f.asks}`,
    'the questions follow from the papers (site rule)',
    'Leave it out.',
  ),
  'audit-count-differs': rule(
    'work',
    (f) => `${f.counted} people were counted at the work, ${f.signedOn} are signed on.`,
    'the count of people always balances (29 CFR 1910.147(f)(3)(ii)(C); practice)',
    'Say that it differs, and who is too many or missing.',
  ),
  'audit-unsaid': rule(
    'work',
    (f) => `Nothing is said about: ${f.asks}`,
    FINDINGS,
    'Say what was seen, or why it was not looked at.',
  ),
  'audit-nothing-done': rule(
    'work',
    (f) => `It differs, and nothing is done about it: ${f.asks}`,
    FINDINGS,
    'Say what was put right at once, or who does what by when.',
  ),
  'follow-up-past': rule(
    'work',
    (f) => `${f.until} is over.`,
    FINDINGS,
    'Choose a time that is to come.',
  ),
  'follow-up-unknown': rule(
    'work',
    fixed('There is no such follow-up.'),
    FINDINGS,
    'Choose one of the list.',
  ),
  'follow-up-not-yours': rule(
    'work',
    (f) => `This follow-up is ${f.person}’s.`,
    'who is named answers for it (practice)',
    (f) => `${f.person} signs for it, or an issuing authority.`,
  ),
  'copy-back-already': rule(
    'permit',
    (f) => `Copy ${f.number} is accounted for.`,
    'a step is recorded once (site rule)',
    'Go on with the next copy.',
  ),
  'copies-out': rule(
    'permit',
    (f) => `Copies are still out: ${f.copies}.`,
    'every copy is taken in when a permit is closed (HSG250, from memory)',
    'Take each in, or say how it was lost.',
  ),
} as const satisfies Record<string, Rule>;

/** Rules of the handover between shifts. */
export const HANDOVER_RULES = {
  'handover-to-oneself': rule(
    'site',
    fixed('A shift is handed over to someone else.'),
    HANDOVER,
    'The incoming person signs as well.',
  ),
  'handover-unsaid': rule(
    'site',
    (f) => `${f.count} overdue, and the notes say nothing: ${f.what}.`,
    HANDOVER,
    'Say in the notes what is being done about it.',
  ),
  'handover-unknown': rule(
    'site',
    (f) => `There is no handover ${f.number}.`,
    HANDOVER,
    'Choose one of the list.',
  ),
  'handover-read-already': rule(
    'site',
    (f) => `${f.person} has signed for reading it.`,
    'a step is recorded once (site rule)',
    'Nothing more is needed.',
  ),
  'promise-past': rule(
    'site',
    (f) => `“${f.what}” is promised for ${f.until}, which is over.`,
    HANDOVER,
    'Choose a time that is to come.',
  ),
  'promise-unknown': rule(
    'site',
    fixed('There is no such promise.'),
    HANDOVER,
    'Choose one of the list.',
  ),
  'promise-kept-already': rule(
    'site',
    (f) => `“${f.what}” is done.`,
    'a step is recorded once (site rule)',
    'Nothing more is needed.',
  ),
} as const satisfies Record<string, Rule>;
