import { listUnanswered, QUESTIONS } from '../../permits';
import { refuse } from '../../rules/refuse';
import { requireRole } from '../authority';
import { listClashes } from '../clashes';
import { type CommandOf } from '../commands';
import { findNames, whyTied } from '../names';
import { listProposed, refuseMissing } from '../papers';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { type Outcome } from './outcome';
import { refuseScope } from './planning';
import { requireUnissued } from './unissued';

function decideScreen(
  dossier: Dossier,
  command: CommandOf<'screen-job'>,
  context: Context,
): Outcome {
  const { answers, kinds, left } = command;
  const proposed = listProposed(dossier, context.site, answers);
  return {
    refusals: [
      ...requireUnissued(dossier),
      ...listUnanswered(answers).map((code) =>
        refuse('screening-open', { question: QUESTIONS[code].asks }),
      ),
      ...refuseMissing(proposed, kinds, left),
    ],
    event: { ...command, kind: 'job-screened', proposed },
  };
}

function decideSchedule(command: CommandOf<'schedule-job'>, context: Context): Outcome {
  const { from, until, operator } = command;
  const isToCome = Date.parse(until) > Date.parse(context.now);
  return {
    refusals: [
      ...(isToCome && Date.parse(until) > Date.parse(from)
        ? []
        : [refuse('window-wrong', { from, until })]),
      ...requireRole(context, operator, ['area-operator']),
    ],
    event: { ...command, kind: 'job-scheduled' },
  };
}

function decideAccept(
  dossier: Dossier,
  command: CommandOf<'accept-clash'>,
  { jobId, site, others, now }: Context,
): Outcome {
  const { rule, other } = command;
  const known = listClashes({ id: jobId, dossier }, site, others.open(), now);
  const isThere = known.some((clash) => clash.code === rule && clash.other === other);
  return {
    refusals: isThere ? [] : [refuse('no-clash', { job: other })],
    event: { ...command, kind: 'clash-accepted' },
  };
}

/** A job that only names what has another id now goes on under the new ones. */
function decideNames(dossier: Dossier, { site }: Context): Outcome {
  const { version, graph } = site.newest ?? { version: site.plantVersion, graph: site.graph };
  const { renamed } = findNames(dossier, graph);
  const tied = whyTied(dossier);
  return {
    refusals: [
      ...(tied === undefined ? [] : [refuse('names-tied', { why: tied })]),
      ...(renamed.length === 0 ? [refuse('names-current', { version })] : []),
    ],
    event: {
      kind: 'names-taken-over',
      plantVersion: version,
      names: Object.fromEntries(renamed.map(({ from, to }) => [from, to])),
    },
  };
}

/** Decides which papers a job has, its scope, its hour, its team, and which clashes it lives with. */
export function decidePapers(
  dossier: Dossier,
  command: CommandOf<
    | 'screen-job'
    | 'schedule-job'
    | 'name-team'
    | 'change-scope'
    | 'take-over-names'
    | 'accept-clash'
  >,
  context: Context,
): Outcome {
  switch (command.kind) {
    case 'screen-job':
      return decideScreen(dossier, command, context);
    case 'schedule-job':
      return decideSchedule(command, context);
    case 'name-team':
      return {
        refusals: command.people.flatMap((person) => requireRole(context, person, [])),
        event: { ...command, kind: 'team-named' },
      };
    case 'change-scope':
      return {
        refusals: [
          ...requireUnissued(dossier),
          ...refuseScope({ emptied: dossier.scope.emptied, ...command }, context),
        ],
        event: { ...command, kind: 'scope-changed' },
      };
    case 'take-over-names':
      return decideNames(dossier, context);
    case 'accept-clash':
      return decideAccept(dossier, command, context);
  }
}
