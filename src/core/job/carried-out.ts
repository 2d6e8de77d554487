import type { IsolationPlan } from '../plant';
import type { Dossier } from './state';

/** The plan as far as it has been carried out with locks on, or tags where nothing else could be fitted. */
export function listCarriedOut(dossier: Dossier): IsolationPlan {
  return {
    close: [...Object.keys(dossier.isolation.locked), ...Object.keys(dossier.isolation.tagged)],
    open: Object.keys(dossier.isolation.opened),
    restrain: Object.keys(dossier.isolation.restrained),
  };
}
