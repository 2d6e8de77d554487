import type { Role } from '../../core/people/people';

/** What somebody does here, and where that is. */
interface Line {
  readonly words: string;
  readonly href: string;
  readonly where: string;
}

const line = (words: string, href: string, where: string): Line => ({ words, href, where });

const MY_JOBS = line('See what waits for you: filter the list by "mine".', '/jobs', 'Open Jobs');
const FIELD = line(
  'At the plant, open the field page of a job on your phone, and go point by point.',
  '/jobs',
  'Choose a job',
);
const STOP = line(
  'Whatever you see that is wrong: open the job and stop it. Anybody may.',
  '/watch',
  'Open Watch',
);
const ISOLATING = [FIELD, MY_JOBS, STOP] as const;

/** Three lines for each role, said at its first visit. */
export const WELCOME_LINES: Readonly<Record<Role, readonly Line[]>> = {
  coordinator: [
    line('Ask the plant what can reach a place before you plan there.', '/plant', 'Open Plant'),
    line(
      'Raise a job, have its isolation computed, and send the plan for review.',
      '/jobs/new',
      'Raise a job now',
    ),
    line('Keep an eye on every permit that is out.', '/watch', 'Open Watch'),
  ],
  'area-operator': [
    FIELD,
    line('Stop the plant, and take it back when the work is done.', '/jobs', 'Open Jobs'),
    STOP,
  ],
  'isolating-electrical': ISOLATING,
  'isolating-mechanical': ISOLATING,
  'isolating-process': ISOLATING,
  'issuing-authority': [
    line('Issue permits, sign people on and off, let work go on.', '/hatch', 'Go to the hatch'),
    line('Read the handover of the shift before you.', '/handover', 'Open Handover'),
    line('Keep an eye on every permit that is out.', '/watch', 'Open Watch'),
  ],
  'performing-authority': [
    line('Sign for the permit, and sign your crew on and off.', '/hatch', 'Go to the hatch'),
    MY_JOBS,
    STOP,
  ],
  worker: [
    line('Look at what keeps you safe on your job: its lamps and its locks.', '/jobs', 'Open Jobs'),
    line('Sign on with your own lock and your own PIN.', '/hatch', 'Go to the hatch'),
    STOP,
  ],
  'gas-tester': [
    line('Test the air where a job asks for it.', '/jobs', 'Open Jobs'),
    line('Work out limits and mixtures.', '/bench', 'Open Bench'),
    STOP,
  ],
  'fire-watch': [
    line('Take the duty at the job, with what has to be at hand.', '/jobs', 'Open Jobs'),
    line('See when your next round is due.', '/watch', 'Open Watch'),
    STOP,
  ],
  attendant: [
    line('Let people in and out of the space, and call them.', '/jobs', 'Open Jobs'),
    line('See who is in spaces now.', '/watch', 'Open Watch'),
    STOP,
  ],
  entrant: [
    line('Read the entry plan of your job, and what the air was.', '/jobs', 'Open Jobs'),
    line('The attendant lets you in, with your own PIN.', '/hatch', 'Go to the hatch'),
    STOP,
  ],
  auditor: [
    line('Check a live permit at the place.', '/watch', 'Choose a permit'),
    line('See what checks found over the months.', '/audits', 'Open the checks'),
    line('Read any record, and see that the ledger is whole.', '/records', 'Open Records'),
  ],
  'site-manager': [
    line('Set the rules of the site, with what each would change.', '/rules', 'Open Site'),
    line('See that the ledger is whole, and take tables out.', '/records', 'Open Records'),
    line('Look over what is allowed to be out of action.', '/bypasses', 'Open Bypasses'),
  ],
};
