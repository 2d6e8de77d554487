import type { Lock } from '../people/people';
import type { Dossier } from './state';

/** A lock that hangs for a job: on which point or box, as what, by whom and since when (ISO 8601, UTC). */
export interface HangingLock {
  readonly lock: string;
  readonly where: string;
  readonly as: Lock['use'];
  readonly by: string;
  readonly since: string;
}

function listPermitLocks({ permit, isolation }: Dossier): HangingLock[] {
  if (permit.kind !== 'issued') return [];
  const box = isolation.box?.box ?? '';
  const leads = Object.values(permit.crews).flatMap((crew) => [
    crew,
    ...(crew.incoming ? [crew.incoming] : []),
  ]);
  return [
    ...leads.map(({ lock, lead, since }): HangingLock => {
      return { lock, where: box, as: 'crew', by: lead, since };
    }),
    ...Object.entries(permit.people).flatMap(([person, { locks, since }]) =>
      Object.entries(locks).map(([where, lock]): HangingLock => {
        return { lock, where, as: 'personal', by: person, since };
      }),
    ),
  ];
}

/** Every lock that hangs for a job: on its points, on its box as control and incoming control lock, of leads and of workers. */
export function listHanging(dossier: Dossier): HangingLock[] {
  const { locked, box } = dossier.isolation;
  const control = box ? [box, ...(box.incoming ? [box.incoming] : [])] : [];
  return [
    ...Object.entries(locked).map(([where, { lock, by, at }]): HangingLock => {
      return { lock, where, as: 'point', by, since: at };
    }),
    ...control.map(({ lock, by, at }): HangingLock => {
      return { lock, where: box?.box ?? '', as: 'control', by, since: at };
    }),
    ...listPermitLocks(dossier),
  ];
}
