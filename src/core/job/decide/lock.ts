import { refuse, type Refusal } from '../../rules/book';
import { type Context } from '../site';
import { type Dossier } from '../state';

/** Refuses a lock that is not on this site, is of the wrong use, or hangs elsewhere. */
export function requireLock(
  dossier: Dossier,
  lock: string,
  wanted: 'point' | 'control' | 'personal',
  context: Context,
): Refusal[] {
  const known = context.site.locks.get(lock);
  if (known === undefined) return [refuse('lock-unknown', { lock })];
  const { isolation, permit } = dossier;
  const here =
    Object.entries(isolation.locked).find(([, hung]) => hung.lock === lock)?.[0] ??
    (isolation.box?.lock === lock ? isolation.box.box : undefined) ??
    (permit.kind === 'issued' && Object.values(permit.people).includes(lock)
      ? isolation.box?.box
      : undefined);
  const where = here ?? context.others.lockAt.get(lock);
  return [
    ...(known.use === wanted ? [] : [refuse('lock-wrong-use', { lock, use: known.use, wanted })]),
    ...(where === undefined ? [] : [refuse('lock-in-use', { lock, where })]),
  ];
}
