import { notFound, redirect } from 'next/navigation';
import { sharedDatabase } from '../../../../server/database';
import { readDossierPage } from '../../../../server/dossier-page';
import { findMe } from '../../../../server/session';
import { FieldScreen } from '../../../../ui/field/field-screen';

export default async function FieldPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const me = await findMe();
  if (!me) redirect('/login');
  const page = await readDossierPage(sharedDatabase(), (await params).id, me);
  if (!page) notFound();
  return <FieldScreen {...page} me={me.id} />;
}
