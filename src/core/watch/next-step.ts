import { disciplineOf, type DossierView, type SiteFacts } from '../job';
import { findAuthorisation, ROLE_NAMES, type Role } from '../people/people';
import { pickNext } from './job-row';
import type { NextUp } from './queue';

/** What is to be done next at a job: in a sentence, by whom, and who of the site that is. */
export interface NextStep {
  readonly what: string;
  readonly role: Role;
  /** Ids of those who hold the role now. */
  readonly who: readonly string[];
  readonly urgency: NextUp['urgency'];
  /** By when (ISO 8601, UTC), where there is a moment. */
  readonly at?: string;
}

const roleCalled = (name: string): Role =>
  (Object.keys(ROLE_NAMES) as Role[]).find((role) => ROLE_NAMES[role] === name) ?? 'coordinator';

/** The first step in the field that is not done, and who isolates what it is about. */
function findFieldStep(
  { stage, steps }: DossierView,
  { graph }: SiteFacts,
): Pick<NextStep, 'what' | 'role'> | undefined {
  const step = stage === 'isolate' ? steps.find(({ done }) => !done) : undefined;
  if (!step) return undefined;
  const isPoint = [graph.linkAt, graph.outletAt, graph.storeAt].some((at) => at.has(step.subject));
  if (isPoint) return { what: step.words, role: disciplineOf(graph, step.subject) };
  if (step.phase !== 'prove') return { what: step.words, role: 'area-operator' };
  const role = step.subject.startsWith('voltage:') ? 'isolating-electrical' : 'isolating-process';
  return { what: step.words, role };
}

/** What is to be done next at a job, from what needs somebody there; undefined when nothing does. */
export function findNextStep(
  queue: readonly NextUp[],
  view: DossierView,
  site: SiteFacts,
): NextStep | undefined {
  const first = pickNext(queue);
  if (!first) return undefined;
  const field = first.urgency === 'now' ? undefined : findFieldStep(view, site);
  const role = field?.role ?? roleCalled(first.who);
  const who = [...site.people.values()]
    .filter((person) => findAuthorisation(person, role, view.now) === 'held')
    .map(({ id }) => id);
  return {
    what: field?.what ?? first.what,
    role,
    who,
    urgency: first.urgency,
    ...(first.at === undefined || field ? {} : { at: first.at }),
  };
}
