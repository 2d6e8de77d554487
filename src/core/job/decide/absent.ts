import { refuse, type Refusal } from '../../rules/book';
import { disciplineOfLink, requireRole } from '../authority';
import { type CommandOf } from '../commands';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { nameOf, type Outcome } from './outcome';
import { requireRestoreTurn } from './restoring';

interface FoundLock {
  readonly owner: string;
  /** The point or box that it hangs on. */
  readonly where: string;
  readonly isPersonal: boolean;
}

function findLock({ permit, isolation }: Dossier, lock: string): FoundLock | undefined {
  const people = permit.kind === 'issued' ? Object.entries(permit.people) : [];
  const person = people.find(([, own]) => own === lock);
  if (person) return { owner: person[0], where: isolation.box?.box ?? '', isPersonal: true };
  const point = Object.entries(isolation.locked).find(([, hung]) => hung.lock === lock);
  return point && { owner: point[1].by, where: point[0], isPersonal: false };
}

/** Who may take off whose lock: never the owner by this way, and the manager who allows it is neither of the two. */
function requirePeople(
  { owner, where, isPersonal }: FoundLock,
  { lock, manager }: CommandOf<'remove-absent-lock'>,
  context: Context,
): Refusal[] {
  const roles = isPersonal
    ? (['coordinator', 'issuing-authority'] as const)
    : [disciplineOfLink(context.site.graph, where)];
  return [
    ...requireRole(context, context.actor, roles),
    ...requireRole(context, manager, ['site-manager']),
    ...(owner === context.actor ? [refuse('owner-is-here', { lock })] : []),
    ...(manager === context.actor || manager === owner
      ? [refuse('manager-removes', { person: nameOf(context, manager) })]
      : []),
  ];
}

/**
 * The one way in which a lock is taken off by another: verified that the owner is not on site, tried to reach them, allowed by
 * a named manager, and told before they next start work. A point lock comes off only in its turn of restoring.
 */
export function decideAbsent(
  dossier: Dossier,
  command: CommandOf<'remove-absent-lock' | 'tell-absent-owner'>,
  context: Context,
): Outcome {
  if (command.kind === 'tell-absent-owner') {
    const removed = dossier.absent[command.owner];
    return {
      refusals: [
        ...(removed === undefined
          ? [refuse('not-absent', { person: nameOf(context, command.owner) })]
          : []),
        ...(removed?.told ? [refuse('already-done', { what: 'Telling' })] : []),
      ],
      event: { ...command, kind: 'absent-owner-told' },
    };
  }
  const found = findLock(dossier, command.lock);
  const { owner = '', where = '' } = found ?? {};
  return {
    refusals: found
      ? [
          ...requirePeople(found, command, context),
          ...(found.isPersonal ? [] : requireRestoreTurn(dossier, where, context)),
        ]
      : [refuse('lock-not-here', { lock: command.lock })],
    event: { ...command, kind: 'absent-lock-removed', owner, where },
  };
}

/** Refuses someone whose lock was taken off and who has not been told. */
export function requireTold(dossier: Dossier, person: string, context: Context): Refusal[] {
  const here = dossier.absent[person];
  const job = here && !here.told ? context.jobId : context.others.untold.get(person);
  return job === undefined
    ? []
    : [refuse('owner-not-told', { person: nameOf(context, person), job })];
}
