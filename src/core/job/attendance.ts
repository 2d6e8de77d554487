import { UNATTENDED_MINUTES } from '../proving';
import type { Dossier } from './state';

const isAnyoneOn = ({ permit }: Dossier): boolean =>
  permit.kind === 'issued' && Object.keys(permit.people).length > 0;

/** Until when what has been proved counts when nobody comes (ISO 8601, UTC); undefined while it cannot run out. */
export function findEndOfProofs(dossier: Dossier): string | undefined {
  const { attended, proved, tried } = dossier.isolation;
  if (attended === undefined || dossier.restoring || isAnyoneOn(dossier)) return undefined;
  if (Object.keys(proved).length + Object.keys(tried).length === 0) return undefined;
  return new Date(Date.parse(attended) + UNATTENDED_MINUTES * 60_000).toISOString();
}

/**
 * A job as it stands at `now`: an isolation that nobody has been at for too long proves nothing any more, and starting has to be
 * tried again. While anyone is signed on it is attended. Locks, bleeds and restraints stay as they are.
 */
export function standAt(dossier: Dossier, now: string): Dossier {
  const end = findEndOfProofs(dossier);
  if (end === undefined || Date.parse(now) <= Date.parse(end)) return dossier;
  const { isolation } = dossier;
  return {
    ...dossier,
    isolation: {
      ...isolation,
      proved: {},
      tried: {},
      relit: { why: 'left-unattended', at: isolation.attended ?? end },
    },
  };
}
