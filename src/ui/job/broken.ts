import type { DossierView } from '../../core/job';

/** Whether what was reported of its devices holds the plan of a job up. */
export const isBroken = ({ holding }: Pick<DossierView, 'holding'>): boolean =>
  holding.some(({ code }) =>
    ['defect-since-plan', 'defect-breaks-plan', 'change-breaks-plan'].includes(code),
  );
