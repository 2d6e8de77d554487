/** How a step of the showing is done when somebody lets it be pressed. */
type Does =
  | { readonly by: 'press' }
  | { readonly by: 'type'; readonly text: string }
  | { readonly by: 'pick'; readonly id: string }
  | { readonly by: 'sign'; readonly person: string }
  | { readonly by: 'take-over'; readonly person: string; readonly name: string }
  | { readonly by: 'look' };

/** One step of the showing: where it is, what happens there, and how it is done. */
export interface ShowStep {
  /** The control: a selector, and words that it has to hold. */
  readonly at: string;
  readonly words?: string;
  readonly title: string;
  readonly says: string;
  readonly does: Does;
}

const TITLE = 'Seal change on P-201 (shown)';

/** One job from its raising to the walk-down, on the screens as they are. */
export const SHOW_STEPS: readonly ShowStep[] = [
  {
    at: 'nav[aria-label="Places"] a[href="/jobs"]',
    title: 'Jobs',
    says: 'All work starts here, in the list of jobs.',
    does: { by: 'press' },
  },
  {
    at: 'main a[href="/jobs/new"]',
    title: 'Raise a job',
    says: 'Ada, the isolation coordinator, raises a job: the seal of a digestate pump is to be changed.',
    does: { by: 'press' },
  },
  {
    at: 'input[name="title"]',
    title: 'What is to be done',
    says: 'In the words that the crew will read on the permit.',
    does: { by: 'type', text: TITLE },
  },
  {
    at: '[role="combobox"][data-field="Equipment"]',
    title: 'Equipment',
    says: 'Type a tag or a name to find it. The place of work goes with the machine: here the casing of the pump.',
    does: { by: 'pick', id: 'P-201' },
  },
  {
    at: 'main form button',
    words: 'Raise the job',
    title: 'Raise it',
    says: 'Nothing is isolated yet. The job gets its number, and the drawing is asked what can reach it.',
    does: { by: 'press' },
  },
  {
    at: 'section[aria-label="Lamps"]',
    title: 'Lamps',
    says: 'Each lamp is a way in which energy can reach the crew. Lit: it can. Shuttered: blocked and locked. Dark: proved dead by somebody, with a reading. Nobody works while one is lit.',
    does: { by: 'look' },
  },
  {
    at: 'main button',
    words: 'Compute the isolation',
    title: 'Compute the isolation',
    says: 'The planner looks for the points that stop every way, by the site’s rules: least effort, fewest points, least outage.',
    does: { by: 'press' },
  },
  {
    at: 'main button',
    words: 'Take least effort',
    title: 'Take an answer',
    says: 'Answers stand side by side. You can still add or take out a point; every change is checked at once.',
    does: { by: 'press' },
  },
  {
    at: '[data-testid="check-verdict"]',
    title: 'The check',
    says: 'The check reads the plan a second time, by another way than the planner: here is whether every route is closed, and what each point does.',
    does: { by: 'look' },
  },
  {
    at: 'main button',
    words: 'Keep this plan',
    title: 'Keep it',
    says: 'Until now nothing was saved.',
    does: { by: 'press' },
  },
  {
    at: 'main button',
    words: 'Send it for review',
    title: 'Review',
    says: 'Nobody reviews their own plan: it goes to the issuing authority.',
    does: { by: 'press' },
  },
  {
    at: 'section[aria-label="Next"]',
    words: ', issuing authority.',
    title: 'Next',
    says: 'This card always says what is next, who may do it, and what holds the job up. It waits for Hana Brightwater: she takes this desk over.',
    does: { by: 'take-over', person: 'hana', name: 'Hana Brightwater' },
  },
  {
    at: 'main button',
    words: 'Accept the plan',
    title: 'Accept the plan',
    says: 'Hana has read it. Accepting is signed: she is asked for her PIN.',
    does: { by: 'press' },
  },
  {
    at: '[role="dialog"] form',
    title: 'Sign',
    says: 'A signature is a fresh PIN, whoever is signed in. It stands in the record and cannot be taken back.',
    does: { by: 'sign', person: 'hana' },
  },
  {
    at: 'section[aria-label="Next"]',
    words: ', area operator.',
    title: 'At the plant',
    says: 'An area operator walks the plan down before anything is shut. Finn Delacourt-Reyes takes over.',
    does: { by: 'take-over', person: 'finn', name: 'Finn Delacourt-Reyes' },
  },
  {
    at: 'li[data-label] button',
    words: 'is as drawn',
    title: 'Walk the plan down',
    says: 'Each point is looked for: is it there, and does its label say so? On a phone this is the field page, with the camera reading the tag.',
    does: { by: 'press' },
  },
  {
    at: 'section[aria-label="Next"]',
    title: 'From here on',
    says: 'Points are locked and tagged in order, let down and proved, until every lamp is dark; then the permit is issued at the hatch. The job is yours: go on with it, or stop here.',
    does: { by: 'look' },
  },
];

/** The control of a step, once it is on the screen and can be used. */
export function findControl({ at, words }: ShowStep, within: ParentNode): HTMLElement | undefined {
  return [...within.querySelectorAll<HTMLElement>(at)].find(
    (one) =>
      !one.matches(':disabled') &&
      (words === undefined ||
        `${one.getAttribute('aria-label') ?? ''} ${one.textContent ?? ''}`.includes(words)),
  );
}
