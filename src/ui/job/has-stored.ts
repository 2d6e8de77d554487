import type { DossierView } from '../../core/job';

/** What is worked out from the plant file and has not been noted from the Bench. */
export const listWorked = (view: DossierView) =>
  view.stored.filter(
    ({ subject, calculation }) =>
      !Object.values(view.dossier.noted).some(
        (noted) => noted.subject === subject && noted.calculation === calculation,
      ),
  );

/** Whether there is anything to say about stored energy or sums. */
export const hasStored = (view: DossierView): boolean =>
  listWorked(view).length + view.offered.length + Object.keys(view.dossier.noted).length > 0;
