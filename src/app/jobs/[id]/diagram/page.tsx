import Link from 'next/link';
import { notFound, redirect } from 'next/navigation';
import { sharedDatabase } from '../../../../server/database';
import { readMarkedUp } from '../../../../server/planning';
import { readNames } from '../../../../server/registers';
import { findMe } from '../../../../server/session';
import { readOrLost } from '../../../../server/unreadable';
import { LostJob } from '../../../../ui/job/lost-job';
import { MarkedUp } from '../../../../ui/job/marked-up';

export default async function DiagramPage({
  params,
}: {
  readonly params: Promise<{ id: string }>;
}) {
  const me = await findMe();
  if (!me) redirect('/login');
  const { id } = await params;
  const db = sharedDatabase();
  const page = await readOrLost(db, id, () => readMarkedUp(db, id, me.id));
  if (page.kind === 'lost') return <LostJob job={page.job} names={readNames(db)} />;
  if (!page.value) notFound();
  return (
    <main className="mx-auto max-w-7xl p-4">
      <Link href={`/jobs/${id}`} className="no-print underline">
        Back to the job
      </Link>
      <MarkedUp jobId={id} {...page.value} />
    </main>
  );
}
