import { refuse } from '../../rules/book';
import { requireRole } from '../authority';
import { type CommandOf } from '../commands';
import { gatePlan } from '../gates';
import { findRequirement, type Context } from '../site';
import { type Dossier } from '../state';
import { type Outcome, nameOf } from './outcome';

export function decideRaise(command: CommandOf<'raise-job'>, context: Context): Outcome {
  const { graph } = context.site;
  const unknown = command.work.filter(({ section }) => !graph.sectionAt.has(section));
  const sources = command.work.filter(
    ({ section }) => graph.isSource[graph.sectionAt.get(section) ?? -1],
  );
  return {
    refusals: [
      ...unknown.map(({ section }) => refuse('section-unknown', { section })),
      ...sources.map(({ section }) => refuse('source-in-work', { source: section })),
      ...requireRole(context, command.performer, ['performing-authority']),
    ],
    event: { ...command, kind: 'job-raised' },
  };
}

export function decidePlanning(
  dossier: Dossier,
  command: CommandOf<'draft-plan' | 'set-grade' | 'submit-plan' | 'return-plan' | 'accept-plan'>,
  context: Context,
): Outcome {
  const { plan } = dossier;
  const settled = plan.kind === 'accepted' ? [refuse('plan-settled')] : [];
  switch (command.kind) {
    case 'draft-plan':
      return { refusals: settled, event: { ...command, kind: 'plan-drafted' } };
    case 'set-grade': {
      const traced = findRequirement(dossier, context.site).demands;
      const known = traced.some((demand) => demand.id === command.source);
      return {
        refusals: [
          ...settled,
          ...(plan.kind === 'submitted' ? [refuse('plan-settled')] : []),
          ...(known ? [] : [refuse('source-unknown', { source: command.source })]),
          ...(command.reason === '' ? [refuse('reason-missing', { source: command.source })] : []),
        ],
        event: { ...command, kind: 'grade-set' },
      };
    }
    case 'submit-plan':
      return {
        refusals: [
          ...settled,
          ...(plan.kind === 'submitted' ? [refuse('already-done', { what: 'This' })] : []),
          ...gatePlan(dossier, context.site),
        ],
        event: { kind: 'plan-submitted' },
      };
    case 'return-plan':
    case 'accept-plan': {
      const unready =
        plan.kind === 'submitted'
          ? []
          : [plan.kind === 'accepted' ? refuse('plan-settled') : refuse('plan-not-submitted')];
      const own =
        plan.kind !== 'none' && plan.author === context.actor
          ? [refuse('own-review', { person: nameOf(context, context.actor) })]
          : [];
      const stops = command.kind === 'accept-plan' ? gatePlan(dossier, context.site) : [];
      return {
        refusals: [...unready, ...own, ...stops],
        event:
          command.kind === 'accept-plan'
            ? { kind: 'plan-accepted', note: command.note }
            : { kind: 'plan-returned', note: command.note },
      };
    }
  }
}
