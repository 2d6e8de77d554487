import {
  PAPERS,
  proposePapers,
  suggestHazards,
  type PaperKind,
  type ProposedPaper,
  type SuggestedHazard,
} from '../permits';
import { refuse, type Refusal } from '../rules/refuse';
import { findRequirement, type SiteFacts } from './site';
import type { Dossier } from './state';

/** The papers that a job needs as it stands now, by its work, its plan and the answers given. */
export function listProposed(
  dossier: Dossier,
  site: SiteFacts,
  answers = dossier.papers?.answers ?? {},
): ProposedPaper[] {
  return proposePapers({
    graph: site.graph,
    scope: dossier.scope,
    requirement: findRequirement(dossier, site),
    plan: dossier.plan.kind === 'none' ? undefined : dossier.plan.plan,
    answers,
  });
}

/** The papers of a job: those decided, or those proposed while nobody has decided. */
export const listPapers = (dossier: Dossier, site: SiteFacts): readonly PaperKind[] =>
  dossier.papers?.kinds ?? listProposed(dossier, site).map(({ kind }) => kind);

/** The hazards that a job brings up as it stands now. */
export function listSuggested(dossier: Dossier, site: SiteFacts): SuggestedHazard[] {
  return suggestHazards({
    graph: site.graph,
    scope: dossier.scope,
    equipment: dossier.equipment,
    requirement: findRequirement(dossier, site),
    papers: listPapers(dossier, site),
  });
}

/** Papers that are needed and neither decided nor left out with a reason. */
export function refuseMissing(
  proposed: readonly ProposedPaper[],
  kinds: readonly PaperKind[],
  left: Readonly<Partial<Record<PaperKind, string>>>,
): Refusal[] {
  return proposed
    .filter(({ kind, must }) => !kinds.includes(kind) && (must || !left[kind]))
    .map(({ kind, reasons, must }) =>
      refuse(must ? 'paper-missing' : 'paper-left-unsaid', {
        paper: PAPERS[kind],
        why: reasons.join('; '),
      }),
    );
}

/** What of the papers is missing: the decision itself, or a paper that the job has come to need since. */
export function gatePapers(dossier: Dossier, site: SiteFacts): Refusal[] {
  const { papers } = dossier;
  if (!papers) return [refuse('not-screened')];
  return refuseMissing(listProposed(dossier, site), papers.kinds, papers.left);
}
