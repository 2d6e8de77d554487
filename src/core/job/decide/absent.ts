import { refuse, type Refusal } from '../../rules/refuse';
import { disciplineOfLink, requireRole } from '../authority';
import { type CommandOf } from '../commands';
import { listHanging, type HangingLock } from '../hanging';
import { type Context } from '../site';
import { isHeld, type Dossier } from '../state';
import { requireCrewCovered } from './crew';
import { nameOf, type Outcome } from './outcome';
import { requireRestoreTurn } from './restoring';

/** Who may take off whose lock: never the owner by this way, and the manager who allows it is neither of the two. */
function requirePeople(
  { by: owner, where, as }: HangingLock,
  { lock, manager }: CommandOf<'remove-absent-lock'>,
  context: Context,
): Refusal[] {
  const roles =
    as === 'point'
      ? [disciplineOfLink(context.site.graph, where)]
      : (['coordinator', 'issuing-authority'] as const);
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
  const found = listHanging(dossier).find(({ lock }) => lock === command.lock);
  const { by: owner = '', where = '' } = found ?? {};
  return {
    refusals: found
      ? [...requirePeople(found, command, context), ...requireNoGap(dossier, found, context)]
      : [refuse('lock-not-here', { lock: command.lock })],
    event: { ...command, kind: 'absent-lock-removed', owner, where },
  };
}

/** A lock comes off only where something else holds: a point lock in its turn of restoring, a lead's once the next one's hangs. */
function requireNoGap(
  dossier: Dossier,
  { lock, where, as }: HangingLock,
  context: Context,
): Refusal[] {
  const { box } = dossier.isolation;
  switch (as) {
    case 'point':
      return requireRestoreTurn(dossier, where, context);
    case 'control':
      return box?.lock === lock && box.incoming ? [] : [refuse('no-incoming-lock', { lock })];
    case 'crew': {
      const crews = isHeld(dossier.permit) ? dossier.permit.crews : {};
      const led = Object.entries(crews).find(([, crew]) => crew.lock === lock)?.[0];
      return led === undefined
        ? [refuse('lock-not-here', { lock })]
        : requireCrewCovered(dossier, led, context);
    }
    case 'personal':
      return [];
  }
}
