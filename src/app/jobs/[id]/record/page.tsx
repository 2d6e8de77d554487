import Link from 'next/link';
import { notFound, redirect } from 'next/navigation';
import { sharedDatabase } from '../../../../server/database';
import { readJob } from '../../../../server/jobs';
import { listPeople } from '../../../../server/registers';
import { findMe } from '../../../../server/session';
import { RecordSheet } from '../../../../ui/dossier/record';

export default async function RecordPage({ params }: { readonly params: Promise<{ id: string }> }) {
  if (!(await findMe())) redirect('/login');
  const { id } = await params;
  const db = sharedDatabase();
  const { state, history } = readJob(db, id);
  if (!state) notFound();
  const names = Object.fromEntries(listPeople(db).map(({ id: one, name }) => [one, name]));
  return (
    <main className="mx-auto max-w-5xl p-4">
      <Link href={`/jobs/${id}`} className="no-print underline">
        Back to the job
      </Link>
      <RecordSheet id={id} title={state.title} names={names} events={history} />
    </main>
  );
}
