import { explainIn, type ExplainedRefusal } from '../rules/book';
import type { SiteValues } from '../rules/values';
import { standAt } from './attendance';
import { gateClashes } from './clashes';
import { listHolding } from './stage';
import { siteUnder } from './grading';
import { gateAcceptedPlan } from './gates';
import { siteOf, type OpenJob, type SiteFacts } from './site';

/** What other values of the rules would do to a job that is open. */
export interface RulesEffect {
  readonly job: string;
  readonly title: string;
  /** What would hold it up and does not now. */
  readonly gains: readonly ExplainedRefusal[];
  /** What holds it up now and would no longer. */
  readonly loses: readonly ExplainedRefusal[];
}

/** What holds a job up under the values given, in words; clashes count at every stage. */
function holdUnder(
  job: OpenJob,
  site: SiteFacts,
  others: readonly OpenJob[],
  now: string,
): Map<string, ExplainedRefusal> {
  const beside = others.filter(({ id }) => id !== job.id);
  const dossier = standAt(job.dossier, now);
  const facts = { site, now, others: beside, jobId: job.id };
  const clashes = gateClashes({ id: job.id, dossier }, site, beside, now);
  const plan = gateAcceptedPlan(dossier, site);
  const all = [...listHolding(dossier, facts), ...clashes, ...plan].map(
    explainIn(site.values.zone),
  );
  // A figure in the words may differ; what counts is whether the rule stands.
  return new Map(all.map((one) => [one.code, one]));
}

/** Sets what holds up every open job under other values beside what does now; jobs that nothing changes for are left out. */
export function compareRules(
  jobs: readonly OpenJob[],
  site: SiteFacts,
  values: SiteValues,
  now: string,
): RulesEffect[] {
  return jobs.flatMap((job) => {
    const own = siteOf(job, site);
    const before = holdUnder(job, own, jobs, now);
    const after = holdUnder(job, siteUnder(own, values), jobs, now);
    const gains = [...after].filter(([code]) => !before.has(code)).map(([, one]) => one);
    const loses = [...before].filter(([code]) => !after.has(code)).map(([, one]) => one);
    if (gains.length + loses.length === 0) return [];
    return [{ job: job.id, title: job.dossier.title, gains, loses }];
  });
}
