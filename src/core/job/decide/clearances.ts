import { refuse, type Refusal } from '../../rules/refuse';
import { listForeign } from '../clearances';
import { type CommandOf } from '../commands';
import { listStanding } from '../gates-back';
import { findWorkOrder, type Context } from '../site';
import { isFreed, type Dossier } from '../state';
import { type Outcome } from './outcome';

type Clearing = CommandOf<'ask-clearance' | 'take-clearance' | 'return-clearance'>;

/** Refuses an operator who has none of the points of the plan. */
const requireOperator = (dossier: Dossier, { operator }: Clearing, { site }: Context): Refusal[] =>
  listForeign(dossier, site).has(operator) ? [] : [refuse('clearance-unknown', { operator })];

/** Decides what passes between the site and whoever else operates points of a plan. */
export function decideClearance(dossier: Dossier, command: Clearing, context: Context): Outcome {
  const { operator } = command;
  const { asked, given, returned } = dossier.clearances[operator] ?? {};
  const known = requireOperator(dossier, command, context);
  switch (command.kind) {
    case 'ask-clearance':
      return {
        refusals: [
          ...known,
          ...(dossier.plan.kind === 'accepted' ? [] : [refuse('plan-not-reviewed')]),
        ],
        event: { ...command, kind: 'clearance-asked' },
      };
    case 'take-clearance': {
      const { until } = command;
      return {
        refusals: [
          ...known,
          ...(asked ? [] : [refuse('clearance-not-asked', { operator })]),
          ...(Date.parse(until) > Date.parse(context.now)
            ? []
            : [refuse('clearance-until-past', { until })]),
        ],
        event: { ...command, kind: 'clearance-taken' },
      };
    }
    case 'return-clearance': {
      const order = findWorkOrder(dossier, context.site);
      const standing = order ? listStanding(dossier, order) : [];
      return {
        // Also where the plan has done without their points since: what was given is handed back.
        refusals: [
          ...(given && !returned ? [] : [refuse('clearance-not-held', { operator })]),
          ...(isFreed(dossier.permit) ? [] : [refuse('permit-open')]),
          ...(standing.length > 0
            ? [refuse('points-locked', { points: standing.join(', ') })]
            : []),
        ],
        event: { ...command, kind: 'clearance-returned' },
      };
    }
  }
}
