import { notFound, redirect } from 'next/navigation';
import { sharedDatabase } from '../../../server/database';
import { readDossierPage } from '../../../server/dossier-page';
import { readNames } from '../../../server/registers';
import { findMe } from '../../../server/session';
import { readOrLost } from '../../../server/unreadable';
import { JobScreen } from '../../../ui/job/job-screen';
import { LostJob } from '../../../ui/job/lost-job';

export default async function JobPage({
  params,
  searchParams,
}: {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ source?: string }>;
}) {
  const me = await findMe();
  if (!me) redirect('/login');
  const { source } = await searchParams;
  const { id } = await params;
  const db = sharedDatabase();
  const page = await readOrLost(db, id, () => readDossierPage(db, id, me));
  if (page.kind === 'lost') return <LostJob job={page.job} names={readNames(db)} />;
  if (!page.value) notFound();
  return <JobScreen {...page.value} me={me.id} source={source} />;
}
