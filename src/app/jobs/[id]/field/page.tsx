import { notFound, redirect } from 'next/navigation';
import { sharedDatabase } from '../../../../server/database';
import { readDossierPage } from '../../../../server/dossier-page';
import { readNames } from '../../../../server/registers';
import { findMe } from '../../../../server/session';
import { readOrLost } from '../../../../server/unreadable';
import { LostJob } from '../../../../ui/dossier/lost-job';
import { FieldScreen } from '../../../../ui/field/field-screen';

export default async function FieldPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const me = await findMe();
  if (!me) redirect('/login');
  const { id } = await params;
  const db = sharedDatabase();
  const page = await readOrLost(db, id, () => readDossierPage(db, id, me));
  if (page.kind === 'lost') return <LostJob job={page.job} names={readNames(db)} />;
  if (!page.value) notFound();
  return <FieldScreen {...page.value} me={me.id} />;
}
