import type { IsolationPlan } from '../plant';
import type { Dossier } from './state';

/** The plan as far as it has been carried out with locks on, or tags where nothing else could be fitted. */
export function listCarriedOut(dossier: Dossier): IsolationPlan {
  const held = [...Object.keys(dossier.isolation.locked), ...Object.keys(dossier.isolation.tagged)];
  const asOpen = new Set(dossier.plan.kind === 'none' ? [] : dossier.plan.plan.stand);
  const stand = held.filter((link) => asOpen.has(link));
  return {
    close: held.filter((link) => !asOpen.has(link)),
    ...(stand.length > 0 ? { stand } : {}),
    open: Object.keys(dossier.isolation.opened),
    restrain: Object.entries(dossier.isolation.restrained).flatMap(([id, { isHold }]) =>
      isHold ? [] : [id],
    ),
  };
}
