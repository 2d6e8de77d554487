import { refuse, type Refusal } from '../../rules/refuse';
import { type CommandOf } from '../commands';
import { listUnseen } from '../firms';
import { refuseNotLive } from '../gates-permit';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { requireContract } from './contract';
import { type Outcome } from './outcome';

/** Refuses a firm that nobody has registered, or that has no lead; else what keeps its lead from working here. */
function requireFirm(firm: string, context: Context): Refusal[] {
  const known = context.site.employers?.find(({ id }) => id === firm);
  if (!known) return [refuse('firm-unknown', { firm })];
  if (known.lead === undefined) return [refuse('firm-lead-missing', { employer: known.name })];
  return requireContract(known.lead, context);
}

/** The lead of another firm tries and sees points of the isolation. */
function decideSee(dossier: Dossier, command: CommandOf<'see-points'>, context: Context): Outcome {
  const { firm, points } = command;
  const lead = context.site.employers?.find(({ id }) => id === firm)?.lead;
  const held = dossier.isolation;
  const stands = [held.locked, held.tagged, held.opened, held.restrained];
  const name = (id: string | undefined) => context.site.people.get(id ?? '')?.name ?? id ?? '';
  return {
    refusals: [
      ...requireFirm(firm, context),
      ...(lead !== undefined && lead !== context.actor
        ? [refuse('firm-not-its-lead', { person: name(context.actor), lead: name(lead) })]
        : []),
      ...points
        .filter((point) => !stands.some((one) => point in one))
        .map((subject) => refuse('not-in-plan', { subject })),
    ],
    event: { ...command, kind: 'points-seen' },
  };
}

/** The lead of another firm is shown between which points their people may work. */
function decideShow(
  dossier: Dossier,
  command: CommandOf<'show-bounds'>,
  context: Context,
): Outcome {
  const { firm, lead } = command;
  const known = context.site.employers?.find(({ id }) => id === firm);
  const unseen = known ? listUnseen(dossier, firm) : [];
  const name = (id: string) => context.site.people.get(id)?.name ?? id;
  return {
    refusals: [
      ...requireFirm(firm, context),
      ...refuseNotLive(dossier, context.site),
      ...(known?.lead !== undefined && known.lead !== lead
        ? [refuse('firm-not-its-lead', { person: name(lead), lead: name(known.lead) })]
        : []),
      ...(unseen.length > 0
        ? [
            refuse('firm-points-unseen', {
              employer: known?.name ?? firm,
              lead: name(lead),
              points: unseen.join(', '),
            }),
          ]
        : []),
    ],
    event: { ...command, kind: 'bounds-shown' },
  };
}

/** Decides what the lead of another firm sees before its people go to work. */
export const decideFirms = (
  dossier: Dossier,
  command: CommandOf<'see-points' | 'show-bounds'>,
  context: Context,
): Outcome =>
  command.kind === 'see-points'
    ? decideSee(dossier, command, context)
    : decideShow(dossier, command, context);
