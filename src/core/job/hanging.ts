import type { Lock } from '../people/people';
import { isHeld, type Dossier } from './state';

/** A lock that hangs for a job: on which point or box, as what, by whom and since when (ISO 8601, UTC). */
export interface HangingLock {
  readonly lock: string;
  readonly where: string;
  readonly as: Lock['use'];
  readonly by: string;
  readonly since: string;
}

function listPermitLocks({ permit, isolation }: Dossier): HangingLock[] {
  if (!isHeld(permit)) return [];
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

/** What hangs for each dossier, as it was listed once: a dossier never changes. */
const listed = new WeakMap<Dossier, HangingLock[]>();

/** Every lock that hangs for a job: on its points, on its box as control and incoming control lock, of leads and of workers. */
export function listHanging(dossier: Dossier): readonly HangingLock[] {
  const known = listed.get(dossier) ?? listAll(dossier);
  listed.set(dossier, known);
  return known;
}

function listAll(dossier: Dossier): HangingLock[] {
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
