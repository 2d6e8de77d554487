import Link from 'next/link';
import { notFound, redirect } from 'next/navigation';
import { findNames, whyTied } from '../../../../core/job';
import { listOffered } from '../../../../server/choices';
import { sharedDatabase } from '../../../../server/database';
import { readJob } from '../../../../server/job-state';
import { readSite } from '../../../../server/registers';
import { findMe } from '../../../../server/session';
import { ScopeScreen } from '../../../../ui/jobs/scope';

/** Changing the scope of a job. */
export default async function ScopePage({ params }: { readonly params: Promise<{ id: string }> }) {
  const me = await findMe();
  if (!me) redirect('/login');
  const { id } = await params;
  const db = sharedDatabase();
  const { state, sequence } = readJob(db, id);
  if (!state) notFound();
  // What is worked on now is chosen from the newest drawing.
  const site = readSite(db);
  const names = Object.fromEntries(
    [...site.people.values()].map(({ id: one, name }) => [one, name]),
  );
  const item = site.graph.plant.equipment.find((one) => one.id === state.equipment);
  return (
    <>
      <Link href={`/jobs/${id}`} className="mx-auto block max-w-3xl px-4 pt-4 underline">
        Back to the job
      </Link>
      <ScopeScreen
        handle={{ jobId: id, sequence, me: me.id, names }}
        title={state.title}
        scope={state.scope}
        sections={listOffered(site)}
        own={item?.sections ?? []}
        renamed={whyTied(state) === undefined ? findNames(state, site.graph).renamed : []}
      />
    </>
  );
}
