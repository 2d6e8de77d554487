import { isElectrical } from '../plant';
import { refuse, type Refusal } from '../rules/refuse';
import { listJobCautions } from './cautions';
import type { SiteFacts } from './site';
import type { Dossier } from './state';

/** Whether barriers and notices stand round the work of a job: by the site's rule on every job, else where it works on conductors or equipment of a kind that has cautions. */
export const needsBarriers = (dossier: Dossier, site: SiteFacts): boolean =>
  site.values.barriers === 'always' ||
  dossier.scope.work.some(({ section }) => isElectrical(site.graph, section)) ||
  listJobCautions(dossier, site).length > 0;

/** Refuses while nobody has said by name where barriers and notices stand. */
export const gateBarriers = (dossier: Dossier, site: SiteFacts): Refusal[] =>
  dossier.barriers === undefined && needsBarriers(dossier, site)
    ? [refuse('barriers-missing')]
    : [];
