import Link from 'next/link';
import { notFound, redirect } from 'next/navigation';
import { viewDossier } from '../../../../core/job';
import { readNow } from '../../../../server/clock';
import { sharedDatabase } from '../../../../server/database';
import { readJob, readSiteFor } from '../../../../server/job-state';
import { readOthers } from '../../../../server/jobs';
import { readNames } from '../../../../server/registers';
import { findMe } from '../../../../server/session';
import { readOrLost } from '../../../../server/unreadable';
import { LostJob } from '../../../../ui/job/lost-job';
import { WalkList } from '../../../../ui/job/walk-list';

export default async function WalkPage({ params }: { readonly params: Promise<{ id: string }> }) {
  if (!(await findMe())) redirect('/login');
  const { id } = await params;
  const db = sharedDatabase();
  const page = await readOrLost(db, id, () => {
    const { state } = readJob(db, id);
    if (!state) return undefined;
    const site = readSiteFor(db, state);
    return viewDossier(state, site, readNow(db), readOthers(db, id, site).open());
  });
  if (page.kind === 'lost') return <LostJob job={page.job} names={readNames(db)} />;
  if (!page.value) notFound();
  return (
    <main className="mx-auto max-w-5xl p-4">
      <Link href={`/jobs/${id}`} className="no-print underline">
        Back to the job
      </Link>
      <WalkList jobId={id} view={page.value} />
    </main>
  );
}
