import { listTags } from '../core/job';
import { explainIn, refuse, type ExplainedRefusal } from '../core/rules/book';
import type { Db } from '../db';
import { describeHead } from './head';
import { readJob, readSiteFor } from './job-state';
import { printTags } from './print/tags';

/** Tags as a PDF, or why there are none. */
export type PrintedTags =
  | { readonly kind: 'printed'; readonly pdf: Buffer }
  | { readonly kind: 'no-job' }
  | { readonly kind: 'no-such-point' }
  | { readonly kind: 'refused'; readonly refusal: ExplainedRefusal };

/** Prints the tags of a job's accepted plan, or the one of `point`. A plan that is not accepted has no tags: none may hang. */
export async function readTags(db: Db, jobId: string, point?: string): Promise<PrintedTags> {
  const { state } = readJob(db, jobId);
  if (!state) return { kind: 'no-job' };
  const site = readSiteFor(db, state);
  const { zone } = site.values;
  if (state.plan.kind !== 'accepted')
    return { kind: 'refused', refusal: explainIn(zone)(refuse('plan-not-reviewed')) };
  const tags = listTags(state, site, jobId).filter((tag) => (point ?? tag.point) === tag.point);
  if (tags.length === 0) return { kind: 'no-such-point' };
  const nameOf = (id: string) => site.people.get(id)?.name ?? id;
  return {
    kind: 'printed',
    pdf: await printTags(tags, {
      nameOf,
      reach: site.reach ?? '',
      zone,
      head: describeHead(db),
    }),
  };
}
