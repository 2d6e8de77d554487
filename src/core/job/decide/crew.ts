import { refuse, type Refusal } from '../../rules/refuse';
import { requireRole } from '../authority';
import { type CommandOf } from '../commands';
import { gateFirm } from '../firms';
import { gateWork } from '../gates-permit';
import { type Context } from '../site';
import { isHeld, listOn, type Crew, type Dossier } from '../state';
import { requireContract } from './contract';
import { requireHole, requireLock } from './lock';
import { nameOf, type Outcome } from './outcome';
import { requireTold } from './told';

const crewsOf = ({ permit }: Dossier): Readonly<Record<string, Crew>> =>
  isHeld(permit) ? permit.crews : {};

/** People signed on in a crew. */
export function listCrew({ permit }: Dossier, crew: string): string[] {
  return Object.entries(listOn(permit))
    .filter(([, on]) => on.crew === crew)
    .map(([person]) => person);
}

/** Refuses a lead who leads already. */
function requireFreeLead(dossier: Dossier, lead: string, context: Context): Refusal[] {
  const led = Object.entries(crewsOf(dossier)).find(([, crew]) =>
    [crew.lead, crew.incoming?.lead].includes(lead),
  );
  return led ? [refuse('leads-already', { person: nameOf(context, lead), crew: led[0] })] : [];
}

function decideHang(
  dossier: Dossier,
  command: CommandOf<'hang-crew-lock'>,
  context: Context,
): Outcome {
  const { crew, lead, lock } = command;
  const known = crewsOf(dossier)[crew];
  const { box, lockout } = dossier.isolation;
  const incoming = known?.incoming;
  return {
    refusals: [
      ...gateWork(dossier, context.site, context.now),
      ...(lockout === 'each-point' ? [refuse('crew-needs-box')] : []),
      ...requireRole(context, lead, ['performing-authority']),
      ...(lead === context.actor
        ? [refuse('performs-and-issues', { person: nameOf(context, lead) })]
        : []),
      ...requireContract(lead, context),
      ...gateFirm(dossier, lead, context.site),
      ...requireTold(dossier, lead, context),
      ...requireFreeLead(dossier, lead, context),
      ...(incoming
        ? [refuse('incoming-on', { lock: incoming.lock, person: nameOf(context, incoming.lead) })]
        : []),
      ...requireLock(dossier, lock, 'crew', context),
      ...(box ? requireHole(dossier, box.box, context) : []),
    ],
    event: { ...command, kind: known ? 'crew-lead-incoming' : 'crew-joined' },
  };
}

function decideTakeOff(
  dossier: Dossier,
  command: CommandOf<'take-off-crew-lock'>,
  context: Context,
): Outcome {
  const known = crewsOf(dossier)[command.crew];
  return {
    refusals: known
      ? [
          ...(known.lead === command.lead && known.lock === command.lock
            ? []
            : [
                refuse('lock-not-yours', {
                  lock: known.lock,
                  owner: nameOf(context, known.lead),
                }),
              ]),
          ...requireCrewCovered(dossier, command.crew, context),
        ]
      : [refuse('crew-unknown', { crew: command.crew })],
    event: { ...command, kind: known?.incoming ? 'crew-handed-over' : 'crew-left' },
  };
}

/** Refuses to take a lead's lock off over people of the crew unless the incoming lead's already hangs. */
export function requireCrewCovered(dossier: Dossier, crew: string, context: Context): Refusal[] {
  const members = listCrew(dossier, crew);
  if (crewsOf(dossier)[crew]?.incoming || members.length === 0) return [];
  const people = members.map((person) => nameOf(context, person)).join(', ');
  return [refuse('crew-members-on', { crew, people })];
}

/** Refuses someone of another employer than the performing authority's who comes without a crew, and a crew that is not here. */
export function requireCrew(
  dossier: Dossier,
  { person, crew }: CommandOf<'sign-on'>,
  context: Context,
): Refusal[] {
  if (crew !== undefined) {
    return crew in crewsOf(dossier) ? [] : [refuse('crew-unknown', { crew })];
  }
  const employerOf = (id: string) => context.site.people.get(id)?.employer;
  const employer = employerOf(person);
  return employer === undefined || employer === employerOf(dossier.performer)
    ? []
    : [refuse('crew-missing', { person: nameOf(context, person), employer })];
}

/** Decides the locks of crew leads: on after they have seen the isolation for themselves, the incoming before the outgoing is off. */
export function decideCrew(
  dossier: Dossier,
  command: CommandOf<'hang-crew-lock' | 'take-off-crew-lock'>,
  context: Context,
): Outcome {
  return command.kind === 'hang-crew-lock'
    ? decideHang(dossier, command, context)
    : decideTakeOff(dossier, command, context);
}
