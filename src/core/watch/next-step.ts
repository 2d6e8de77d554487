import {
  findStepAreas,
  findWorkAreas,
  listRolesForStep,
  type DossierView,
  type SiteFacts,
} from '../job';
import { findAuthorisation, type Role } from '../people/people';
import { pickNext } from './job-row';
import type { NextUp } from './queue';

/** What is to be done next at a job: in a sentence, by whom, and who of the site that is. */
export interface NextStep {
  readonly what: string;
  /** The role that it is for before others. */
  readonly role: Role;
  /** Ids of those who may do it now. */
  readonly who: readonly string[];
  readonly urgency: NextUp['urgency'];
  /** By when (ISO 8601, UTC), where there is a moment. */
  readonly at?: string;
}

/** The first step in the field that is not done, and the roles of which one may do it. */
function findFieldStep({ stage, steps }: DossierView, { graph }: SiteFacts) {
  const step = stage === 'isolate' ? steps.find(({ done }) => !done) : undefined;
  return step && { what: step.words, roles: listRolesForStep(graph, step), subject: step.subject };
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
  const roles = field?.roles ?? [first.role];
  const { scope } = view.dossier;
  const where = field
    ? findStepAreas(scope, field.subject, site.graph)
    : findWorkAreas(scope, site.graph);
  const who = [...site.people.values()]
    .filter((person) =>
      roles.some((role) => findAuthorisation(person, role, view.now, where) === 'held'),
    )
    .map(({ id }) => id);
  return {
    what: field?.what ?? first.what,
    role: roles[0] ?? first.role,
    who,
    urgency: first.urgency,
    ...(first.at === undefined || field ? {} : { at: first.at }),
  };
}
