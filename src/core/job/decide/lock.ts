import { countHoles } from '../../locks/hasp';
import type { Lock } from '../../people/people';
import { refuse, type Refusal } from '../../rules/refuse';
import { listHanging } from '../hanging';
import { type Context } from '../site';
import { type Dossier } from '../state';
import { nameOf } from './outcome';

/** Refuses a lock that is not on this site, is of the wrong use, or hangs elsewhere. */
export function requireLock(
  dossier: Dossier,
  lock: string,
  wanted: Lock['use'],
  context: Context,
): Refusal[] {
  const known = context.site.locks.get(lock);
  if (known === undefined) return [refuse('lock-unknown', { lock })];
  const here = listHanging(dossier).find((one) => one.lock === lock);
  const where = here?.where ?? context.others.lockAt.get(lock);
  const isUnfit = lock in dossier.isolation.unfit || context.others.unfit.has(lock);
  return [
    ...(isUnfit ? [refuse('lock-unfit', { lock })] : []),
    ...(known.use === wanted ? [] : [refuse('lock-wrong-use', { lock, use: known.use, wanted })]),
    ...(where === undefined ? [] : [refuse('lock-in-use', { lock, where })]),
  ];
}

/** Refuses a lock that belongs to someone else. */
export function requireOwn(lock: string, person: string, context: Context): Refusal[] {
  const owner = context.site.locks.get(lock)?.owner;
  return owner === undefined || owner === person
    ? []
    : [refuse('lock-not-yours', { lock, owner: nameOf(context, owner) })];
}

/** Refuses one more lock where every hole is taken: a box takes a whole hasp as it is, a point one lock until a hasp is put on. */
export function requireHole(dossier: Dossier, where: string, context: Context): Refusal[] {
  const jobs = [dossier, ...context.others.open().map((other) => other.dossier)];
  const hanging = jobs.flatMap(listHanging).filter((one) => one.where === where).length;
  const hasps = jobs.reduce((sum, { isolation }) => sum + (isolation.hasps[where] ?? 0), 0);
  const holes = countHoles(context.site.boxes.has(where) ? hasps + 1 : hasps);
  return hanging < holes ? [] : [refuse('hasp-full', { where, holes })];
}
