import Link from 'next/link';
import { notFound, redirect } from 'next/navigation';
import { viewDossier } from '../../../../core/job';
import { readNow } from '../../../../server/clock';
import { sharedDatabase } from '../../../../server/database';
import { readJob, readOthers, readSiteFor } from '../../../../server/jobs';
import { findMe } from '../../../../server/session';
import { WalkList } from '../../../../ui/dossier/walk-list';

export default async function WalkPage({ params }: { readonly params: Promise<{ id: string }> }) {
  if (!(await findMe())) redirect('/login');
  const { id } = await params;
  const db = sharedDatabase();
  const { state } = readJob(db, id);
  if (!state) notFound();
  return (
    <main className="mx-auto max-w-5xl p-4">
      <Link href={`/jobs/${id}`} className="no-print underline">
        Back to the job
      </Link>
      <WalkList
        jobId={id}
        view={viewDossier(state, readSiteFor(db, state), readNow(db), readOthers(db, id).open())}
      />
    </main>
  );
}
