import { UNATTENDED_MINUTES } from '../proving';
import { listOn, permitAt, type Dossier } from './state';

const isAnyoneOn = ({ permit }: Dossier): boolean => Object.keys(listOn(permit)).length > 0;

/** Until when what has been proved counts when nobody comes (ISO 8601, UTC); undefined while it cannot run out. */
export function findEndOfProofs(dossier: Dossier): string | undefined {
  const { attended, proved, tried } = dossier.isolation;
  if (attended === undefined || dossier.restoring || isAnyoneOn(dossier)) return undefined;
  if (Object.keys(proved).length + Object.keys(tried).length === 0) return undefined;
  return new Date(Date.parse(attended) + UNATTENDED_MINUTES * 60_000).toISOString();
}

/** An isolation that nobody has been at for too long proves nothing any more, and starting has to be tried again. */
function relitAt(dossier: Dossier, now: string): Dossier {
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

/**
 * A job as it stands at `now`: what was proved and left alone for too long proves nothing any more, unless anyone is signed on, and
 * a permit past its end has lapsed. Locks, bleeds and restraints stay as they are.
 */
export function standAt(dossier: Dossier, now: string): Dossier {
  const stands = relitAt(dossier, now);
  const permit = permitAt(stands.permit, now);
  return permit === stands.permit ? stands : { ...stands, permit };
}
