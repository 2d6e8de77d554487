import { refuse, type Refusal } from '../../rules/refuse';
import { type CommandOf } from '../commands';
import { listStands, listUnseen } from '../firms';
import { refuseNotLive } from '../gates-permit';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { requireContract } from './contract';
import { nameOf, type Outcome } from './outcome';

type Command = CommandOf<'see-points' | 'show-bounds'>;

/** Refuses a firm that nobody has registered, or that has no lead; what keeps its lead from working here; and anybody else in the lead's place. */
function requireLead({ firm }: Command, person: string, context: Context): Refusal[] {
  const known = context.site.employers?.find(({ id }) => id === firm);
  if (!known) return [refuse('firm-unknown', { firm })];
  const { lead, name: employer } = known;
  if (lead === undefined) return [refuse('firm-lead-missing', { employer })];
  const facts = { person: nameOf(context, person), lead: nameOf(context, lead) };
  return [
    ...requireContract(lead, context),
    ...(lead === person ? [] : [refuse('firm-not-its-lead', facts)]),
  ];
}

/** Refuses to show the bounds before every point was seen. */
function requireSeen(
  dossier: Dossier,
  { firm, lead }: CommandOf<'show-bounds'>,
  context: Context,
): Refusal[] {
  const known = context.site.employers?.find(({ id }) => id === firm);
  const unseen = known ? listUnseen(dossier, firm) : [];
  const points = unseen.join(', ');
  return known && unseen.length > 0
    ? [refuse('firm-points-unseen', { employer: known.name, lead: nameOf(context, lead), points })]
    : [];
}

/** Decides what the lead of another firm sees before its people go to work: each point, then between which of them they may work. */
export function decideFirms(dossier: Dossier, command: Command, context: Context): Outcome {
  if (command.kind === 'show-bounds') {
    return {
      refusals: [
        ...requireLead(command, command.lead, context),
        ...refuseNotLive(dossier, context.site),
        ...requireSeen(dossier, command, context),
      ],
      event: { ...command, kind: 'bounds-shown' },
    };
  }
  const stands = listStands(dossier);
  return {
    refusals: [
      ...requireLead(command, context.actor, context),
      ...command.points
        .filter((point) => !stands.has(point))
        .map((subject) => refuse('not-in-plan', { subject })),
    ],
    event: { ...command, kind: 'points-seen' },
  };
}
