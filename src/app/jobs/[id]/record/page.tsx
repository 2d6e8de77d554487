import Link from 'next/link';
import { notFound, redirect } from 'next/navigation';
import { sharedDatabase } from '../../../../server/database';
import { readHistory } from '../../../../server/job-state';
import { readNames } from '../../../../server/registers';
import { findMe } from '../../../../server/session';
import { RecordSheet } from '../../../../ui/job/record';

export default async function RecordPage({ params }: { readonly params: Promise<{ id: string }> }) {
  if (!(await findMe())) redirect('/login');
  const { id } = await params;
  const db = sharedDatabase();
  // The events stand as they are, also when nobody can make a job of them any more.
  const { title, history } = readHistory(db, id);
  if (history.length === 0) notFound();
  return (
    <main className="mx-auto max-w-5xl p-4">
      <Link href={`/jobs/${id}`} className="no-print underline">
        Back to the job
      </Link>
      <RecordSheet id={id} title={title} names={readNames(db)} events={history} />
    </main>
  );
}
