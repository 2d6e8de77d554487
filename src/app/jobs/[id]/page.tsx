import { notFound, redirect } from 'next/navigation';
import { sharedDatabase } from '../../../server/database';
import { readDossierPage } from '../../../server/dossier-page';
import { findMe } from '../../../server/session';
import { DossierScreen } from '../../../ui/dossier/dossier';

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
  const page = await readDossierPage(sharedDatabase(), (await params).id, me, source);
  if (!page) notFound();
  return <DossierScreen {...page} me={me.id} source={source} />;
}
